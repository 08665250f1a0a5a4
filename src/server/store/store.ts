import { FileProblem } from '../../core/file-problem';
import { readStoreCsv, STOCK, STORE_TABLES, WARE, wareProblems, writeStoreCsv, type StoreTable } from '../../core/store';
import { PieceProblems } from '../../core/piece';
import { database } from '../../data/database';
import {
  hasWare,
  keepStock,
  keepWare,
  listStock,
  listWares,
  removeStock,
  removeWare,
  setCarriage,
  stockMoves,
  storeView,
} from '../../data/store';
import { fitting } from '../forms';
import { readObject, readText, Refusal } from '../http';

const NO_WARE = 'That is not in the store.';
const NO_STOCK = 'That is no longer there.';
const ID = /^[0-9a-zA-Z-]{1,60}$/;

/** GET /api/store: what can be bought, what is there, what carriage costs, and what moved last. */
export function readStore(): Response {
  return Response.json({ ...storeView(database()), moves: stockMoves(database()) });
}

/** POST /api/store/wares: a new thing; PUT /api/store/wares/ID: a known one. */
export async function putWare(request: Request, id?: string): Promise<Response> {
  if (id !== undefined && !hasWare(database(), id)) throw new Refusal(404, NO_WARE);
  const { ware } = await readObject(request);
  return Response.json(keepWare(database(), fitting(WARE, ware, wareProblems), id), { status: id === undefined ? 201 : 200 });
}

/** DELETE /api/store/wares/ID */
export function deleteWare(id: string): Response {
  if (!removeWare(database(), id)) throw new Refusal(404, NO_WARE);
  return Response.json({ ok: true });
}

/** What is wrong between the fields of something in stock. */
function stockProblems({
  ware,
  form,
  width,
  length,
  flaws = [],
}: {
  ware: string;
  form: string;
  width?: number;
  length?: number;
  flaws?: { x: number; y: number }[];
}) {
  const wrong: { path: string; message: string }[] = [];
  if (!hasWare(database(), ware)) wrong.push({ path: 'ware', message: NO_WARE });
  if (form !== 'full' && length === undefined) wrong.push({ path: 'length', message: 'How long is it?' });
  flaws.forEach(({ x, y }, k) => {
    if ((width !== undefined && x > width) || (length !== undefined && y > length))
      wrong.push({ path: `flaws.${k}`, message: `Flaw ${k + 1} lies beyond it` });
  });
  return wrong;
}

/** POST /api/store/stock: something came in; PUT /api/store/stock/ID: it is otherwise than was thought. */
export async function putStock(request: Request, id?: string): Promise<Response> {
  if (id !== undefined && !listStock(database()).some((candidate) => candidate.id === id)) throw new Refusal(404, NO_STOCK);
  const { stock } = await readObject(request);
  const saved = fitting(STOCK, stock, stockProblems);
  return Response.json(keepStock(database(), saved, id === undefined ? 'Put in by hand' : 'Changed by hand', id), {
    status: id === undefined ? 201 : 200,
  });
}

/** DELETE /api/store/stock/ID */
export function deleteStock(id: string): Response {
  if (!removeStock(database(), id, 'Taken out by hand')) throw new Refusal(404, NO_STOCK);
  return Response.json({ ok: true });
}

/** PUT /api/store/carriage: what a supplier takes for an order. */
export async function putCarriage(request: Request): Promise<Response> {
  const { supplier, fee } = await readObject(request);
  if (typeof supplier !== 'string' || supplier.length > 60) throw new Refusal(400, 'Which supplier?');
  if (typeof fee !== 'number' || !Number.isFinite(fee) || fee < 0 || fee > 10_000) throw new Refusal(422, 'Carriage is 0 to 10000');
  return Response.json({ carriage: setCarriage(database(), supplier, fee) });
}

function tableOf(request: Request): StoreTable {
  const table = new URL(request.url).searchParams.get('table');
  if (table === null || !Object.hasOwn(STORE_TABLES, table))
    throw new Refusal(400, `The table must be one of ${Object.keys(STORE_TABLES).join(', ')}`);
  return table as StoreTable;
}

/** GET /api/store/csv?table=wares|stock: the store for a spreadsheet. */
export function exportStore(request: Request): Response {
  const table = tableOf(request);
  const rows = table === 'wares' ? listWares(database()) : listStock(database());
  return new Response(writeStoreCsv(table, rows), {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="store-${table}.csv"` },
  });
}

/** POST /api/store/csv?table=: a table from elsewhere: all of it or nothing. */
export async function importStore(request: Request): Promise<Response> {
  const table = tableOf(request);
  const text = await readText(request);
  let rows;
  try {
    rows = readStoreCsv(table, text);
  } catch (error) {
    if (error instanceof FileProblem) throw new Refusal(422, error.message);
    throw error;
  }
  const db = database();
  const saved = rows.map(({ id, row, line }) => {
    if (id !== null && !ID.test(id)) throw new Refusal(422, `Row ${line}, id: letters, figures and hyphens, 60 at most`);
    try {
      return table === 'wares'
        ? { id, ware: fitting(WARE, { of: '', supplier: '', lead: 3, ...row }, wareProblems) }
        : { id, stock: fitting(STOCK, { place: '', ...row }, stockProblems) };
    } catch (error) {
      if (error instanceof PieceProblems) throw new Refusal(422, `Row ${line}: ${error.problems[0]!.message}`);
      throw error;
    }
  });
  db.transaction(() => {
    for (const item of saved) {
      if ('ware' in item && item.ware) keepWare(db, item.ware, item.id ?? undefined);
      else if ('stock' in item && item.stock) keepStock(db, item.stock, 'From a table', item.id ?? undefined);
    }
  }).immediate();
  return Response.json({ rows: saved.length }, { status: 201 });
}
