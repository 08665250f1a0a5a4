import Papa from 'papaparse';
import { LARGEST_TEXT, FileProblem } from '../file-problem';
import { CLOTH, OWN_FOAM, schemaAt } from '../piece';
import type { PlainSchema } from '../piece/schema/field-at';
import { STOCK, WARE } from './ware';

/** The store as a table: one row a thing or a thing in stock, one column a field. docs/formats.md, "The store". */

/** A field that is a list or a record, and goes into one cell as JSON. */
const isWhole = (schema: PlainSchema): boolean => [schema.type].flat().some((type) => type === 'array' || type === 'object');

/** The columns of a record, records in it by a dot. */
function columnsOf(schema: { properties: object }, inner: Record<string, { properties: object }> = {}): string[] {
  return Object.keys(schema.properties).flatMap((key) =>
    inner[key] ? Object.keys(inner[key].properties).map((id) => `${key}.${id}`) : [key],
  );
}

/** Tables that go in and out. */
export const STORE_TABLES = {
  wares: { columns: ['id', ...columnsOf(WARE, { cloth: CLOTH, foam: OWN_FOAM })], schema: WARE as unknown as PlainSchema },
  stock: { columns: ['id', ...columnsOf(STOCK)], schema: STOCK as unknown as PlainSchema },
} as const;
export type StoreTable = keyof typeof STORE_TABLES;

const valueAt = (row: object, path: string): unknown =>
  path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown> | null | undefined)?.[key], row);

/** What a spreadsheet would reckon with is marked as a word. */
const cell = (value: unknown): string => {
  if (value === undefined || value === null) return '';
  if (typeof value === 'object') return JSON.stringify(value);
  const text = String(value);
  return typeof value === 'string' && /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
};

/**
 * Writes a table of the store.
 *
 * @param table which
 * @param rows as they are kept
 */
export function writeStoreCsv(table: StoreTable, rows: readonly object[]): string {
  const { columns } = STORE_TABLES[table];
  // A column that nobody uses is left out; the first ones always stand there.
  const used = columns.filter((column, at) => at < 4 || rows.some((row) => cell(valueAt(row, column)) !== ''));
  return `${Papa.unparse({ fields: used, data: rows.map((row) => used.map((column) => cell(valueAt(row, column)))) })}\r\n`;
}

/** A cell as what its field holds; a figure may have a comma for its point. */
function read(text: string, schema: PlainSchema, says: string): unknown {
  const types = [schema.type].flat();
  if (isWhole(schema)) {
    try {
      return JSON.parse(text) as unknown;
    } catch {
      throw new FileProblem(`${says}: “${text.slice(0, 30)}” cannot be read`);
    }
  }
  if (types.includes('number') || types.includes('integer')) {
    const value = /^[+-]?\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN;
    if (!Number.isFinite(value)) throw new FileProblem(`${says}: “${text.slice(0, 20)}” is not a number`);
    return value;
  }
  if (types.includes('boolean')) {
    if (!['true', 'false', 'yes', 'no', '1', '0'].includes(text.toLowerCase())) throw new FileProblem(`${says}: say yes or no`);
    return ['true', 'yes', '1'].includes(text.toLowerCase());
  }
  return text.startsWith("'") ? text.slice(1) : text;
}

/** More than this is no workshop's store. */
const MOST_ROWS = 20_000;

/**
 * Reads a table of the store.
 *
 * @param table which
 * @param text comma, semicolon or tab between columns; the first line names them
 * @returns the rows, each with its id where it has one; their form is still to be checked
 * @throws FileProblem with the row and the column that is wrong
 */
export function readStoreCsv(table: StoreTable, text: string): { id: string | null; row: Record<string, unknown>; line: number }[] {
  if (text.length > LARGEST_TEXT) throw new FileProblem('This table is larger than 4 MB');
  if (text.includes('\u0000')) throw new FileProblem('This is not a table: it is not text');
  const { columns, schema } = STORE_TABLES[table];
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy', preview: MOST_ROWS + 2 });
  const head = (data[0] ?? []).map((name) => name.trim());
  const unknown = head.find((name) => !columns.includes(name));
  if (data.length === 0 || unknown !== undefined)
    throw new FileProblem(
      `The first line should name the columns, of: ${columns.filter((name) => !name.includes('.')).join(', ')}. It says “${(unknown ?? '').slice(0, 40)}”`,
    );
  if (data.length > MOST_ROWS + 1) throw new FileProblem(`There are more than ${MOST_ROWS} rows in this table`);
  return data.slice(1).map((cells, at) => {
    const line = at + 2;
    if (cells.slice(head.length).some((name) => name.trim() !== '')) throw new FileProblem(`Row ${line} has more cells than columns`);
    const row: Record<string, unknown> = {};
    let id: string | null = null;
    head.forEach((column, k) => {
      const name = (cells[k] ?? '').trim();
      if (name === '') return;
      if (column === 'id') return void (id = name);
      const value = read(name, schemaAt(column, undefined, schema) ?? {}, `Row ${line}, ${column}`);
      const [outer, inner] = column.split('.');
      if (inner === undefined) row[outer!] = value;
      else row[outer!] = { ...(row[outer!] as object | undefined), [inner]: value };
    });
    return { id, row, line };
  });
}
