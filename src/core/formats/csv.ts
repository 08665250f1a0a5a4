import Papa from 'papaparse';
import { checkShape, POINTS, type BaseShape } from '../piece';
import { DRAWING_UNITS, FileProblem, LARGEST_TEXT, type DrawingUnit } from '../file-problem';

/** What the columns of a table of readings may be called, and the shape they make. */
const HEADS: { columns: readonly string[]; shape: (rows: Record<string, number>[]) => BaseShape }[] = [
  {
    columns: ['at', 'left', 'right'],
    shape: (rows) => ({ type: 'offsets', join: 'smooth', rows: rows.map((r) => ({ at: r.at!, left: r.left!, right: r.right! })) }),
  },
  {
    columns: ['at', 'width', 'height', 'drop', 'crown'],
    shape: (rows) => ({
      type: 'saddle',
      nose: 0,
      tail: 0,
      rows: rows.map((r) => ({ at: r.at!, width: r.width!, height: r.height!, drop: r.drop!, crown: r.crown! })),
    }),
  },
  {
    columns: ['x', 'y'],
    shape: (rows) => ({
      type: 'drawn',
      mirrored: false,
      nodes: rows.map((r) => ({ x: r.x!, y: r.y!, radius: 0, to: { kind: 'line' as const } })),
    }),
  },
];

/** More rows than this are not measured by hand. */
const MOST_ROWS = POINTS[1];

/**
 * Reads a table of readings: offsets (at, left, right), cross-sections (at, width, height, drop, crown) or points (x, y).
 *
 * @param text the file; comma, semicolon or tab between columns, a comma or point for decimals
 * @param options.unit of the figures; millimetres by default
 * @throws FileProblem with the row and column that is wrong
 */
export function readCsv(text: string, options: { unit?: DrawingUnit } = {}): BaseShape {
  if (text.length > LARGEST_TEXT) throw new FileProblem('This table is larger than 4 MB; readings are a few lines');
  if (text.includes('\u0000')) throw new FileProblem('This is not a table of readings: it is not text');
  const { data, meta } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy', preview: MOST_ROWS + 2 });
  const head = (data[0] ?? []).map((name) => String(name).trim().toLowerCase());
  const kind = HEADS.find(({ columns }) => columns.every((column) => head.includes(column)));
  if (!kind) {
    throw new FileProblem(
      `The first line should name the columns: ${HEADS.map(({ columns }) => columns.join(', ')).join('; or ')}. It says “${head.join(', ').slice(0, 60)}”`,
    );
  }
  const rows = data.slice(1);
  if (rows.length > MOST_ROWS) throw new FileProblem(`There are more than ${MOST_ROWS} rows in this table`);
  // A comma that parts columns cannot be a decimal point too: 400,5,0 under x, y is one figure too many, not (400, 5).
  rows.forEach((cells, i) => {
    const more = cells.slice(head.length).filter((cell) => cell.trim() !== '');
    if (more.length === 0) return;
    const commas = meta.delimiter === ',' ? '. For decimal commas put semicolons between the columns' : '';
    throw new FileProblem(`Row ${i + 2} has ${cells.length} figures under ${head.length} columns${commas}`);
  });
  const k = DRAWING_UNITS[options.unit ?? 'mm'];
  const read = rows.map((cells, i) =>
    Object.fromEntries(
      kind.columns.map((column) => {
        const cell = String(cells[head.indexOf(column)] ?? '').trim();
        const value = /^[+-]?\d*[.,]?\d+$/.test(cell) ? Number(cell.replace(',', '.')) * k : NaN;
        if (!Number.isFinite(value)) throw new FileProblem(`Row ${i + 2}, ${column}: “${cell.slice(0, 20)}” is not a number`);
        return [column, value];
      }),
    ),
  );
  if (read.length < 2) throw new FileProblem('There are no readings below the first line');
  const shape = kind.shape(read);
  const wrong = checkShape(shape)[0];
  if (wrong) throw new FileProblem(wrong.message);
  return shape;
}
