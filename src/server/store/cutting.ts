import QuickLRU from 'quick-lru';
import { boughtBy } from '../../core/buying';
import { readScope, writeScope, type Scope } from '../../core/job';
import { gapOf, KEPT_LAY, laidOutline, layFaults, leftover, usedOf, type KeptLay, type LayGroup } from '../../core/nesting';
import { wareKind, type KeptWare } from '../../core/store';
import { database, openings, type Db } from '../../data/database';
import { getJob, piecesOfScope } from '../../data/jobs';
import { chooseLay, getLay, keepLay, listLays, markCut, removeLay, type LayRecord } from '../../data/lays';
import type { PieceRecord } from '../../data/pieces';
import { getHouse } from '../../data/settings';
import { keepStock, listStock, listWares, removeStock, takeFull } from '../../data/store';
import { fitting } from '../forms';
import { decoded, readObject, Refusal } from '../http';
import { expectAgreement } from '../../core/plan';
import { planning } from '../planning';
import { isStale } from './stale';
import { fingerprintSeen } from '../seen';

const GONE = 'These pieces are no longer on the floor.';

/** What a scope is: its pieces and what it is called. */
export type Together = { scope: string; name: string; due: string; pieces: PieceRecord[] };

function nameOf(db: Db, { jobs, piece }: Scope, pieces: readonly PieceRecord[]): { name: string; due: string } {
  if (piece !== null) return { name: pieces[0]!.piece.name, due: pieces[0]!.piece.due };
  const entries = jobs.map((id) => getJob(db, id)!.job);
  return {
    name: entries.map(({ name }) => name).join(' and '),
    due:
      entries
        .map(({ due }) => due)
        .filter(Boolean)
        .sort()[0] ?? '',
  };
}

/**
 * The pieces that an address asks to be cut together.
 *
 * @throws Refusal where there is no such thing
 */
export function together(text: string): Together {
  const scope = readScope(decoded(text));
  const pieces = scope && piecesOfScope(database(), scope);
  if (!scope || !pieces) throw new Refusal(404, GONE);
  return { scope: writeScope(scope), pieces, ...nameOf(database(), scope, pieces) };
}

type Needed = Awaited<ReturnType<ReturnType<typeof planning>['needs']>>;
const needed = new QuickLRU<string, Promise<Needed>>({ maxSize: 30 });

/**
 * What some pieces take: worked out once for their revisions and the house's rules.
 *
 * @throws PlansDisagree where a page showed other figures of one
 */
export async function needsFor({ pieces }: Together, signal?: AbortSignal): Promise<Needed> {
  const house = getHouse(database());
  const key = JSON.stringify([openings(), pieces.map(({ id, revision }) => [id, revision]), house]);
  const known = needed.get(key) ?? planning().needs({ pieces: pieces.map(({ id, piece }) => ({ id, piece })), house }, signal);
  needed.set(key, known);
  known.catch(() => needed.delete(key));
  const needs = await known;
  for (const record of pieces) expectAgreement(record.piece.name, fingerprintSeen(record, house), needs.fingerprints[record.id]!);
  return needs;
}

/** GET /api/cut/SCOPE: what is cut together, from what, and the lays that were kept. */
export async function readCut(request: Request, text: string): Promise<Response> {
  const item = together(text);
  const { groups } = await needsFor(item, request.signal);
  return Response.json({
    scope: item.scope,
    name: item.name,
    due: item.due,
    pieces: item.pieces.map(({ id, revision, piece }) => ({ id, revision, name: piece.name, count: piece.count })),
    groups,
    lays: listLays(database(), item.scope).map((record) => ({ ...record, stale: isStale(record, item.pieces) })),
  });
}

const FAULTS: Record<string, string> = {
  overlap: 'lies over another, or too near it',
  outside: 'lies beyond the edge',
  flaw: 'lies over a flaw',
  repeat: 'is off the repeat',
  turned: 'is turned the wrong way',
};

/** What keeps a lay from being cut by: looked at here by another library, whoever found it. */
function refuseFaults(lay: KeptLay, group: LayGroup): void {
  const gap = gapOf(group.kind === 'foam' ? lay.tool : 'house', group.gap);
  const faults = layFaults(group.shapes, lay.bins, lay.places, { gap, repeat: group.repeat, all: false });
  const [first] = faults;
  if (!first) return;
  const label = group.shapes.find(({ key }) => key === first.key)?.label ?? first.key;
  throw new Refusal(
    422,
    `This lay cannot be cut: ${label} ${FAULTS[first.kind] ?? 'is wrong'}${faults.length > 1 ? `, and ${faults.length - 1} more` : ''}.`,
  );
}

/** Refuses a lay on rolls and sheets that are other than those of the store. */
function refuseBins({ bins }: KeptLay): void {
  const wares = new Map(listWares(database()).map((ware) => [ware.id, ware]));
  const stock = new Map(listStock(database()).map((item) => [item.id, item]));
  for (const { says, stock: from, ware, width } of bins) {
    if (from === null && ware === null) continue;
    const known = wares.get(ware ?? '');
    const wide = (from === null ? undefined : stock.get(from)?.width) ?? known?.width;
    if (!known || (from !== null && !stock.has(from)) || (wide !== undefined && width > wide + 0.5))
      throw new Refusal(409, `${says || 'What it lies on'} has changed in the store; lay it out again.`);
  }
}

/** What a lay takes off the roll beside what is in the store, and the size line that says it; nothing of what is sold in pieces. */
function boughtOf(lay: KeptLay, { line, more }: LayGroup): Pick<KeptLay, 'bought'> {
  const used = lay.bins.filter((_, k) => (lay.used[k] ?? 0) > 0);
  if (line && used.every(({ stock }) => stock !== null)) return { bought: { line, length: 0 } };
  const fresh = used.find(({ stock, ware }) => stock === null && ware !== null);
  const ware = listWares(database()).find(({ id }) => id === fresh?.ware);
  return line && ware?.sold === 'metre' ? { bought: { line, length: boughtBy(lay, ware, more) } } : {};
}

/** POST /api/cut/SCOPE/lays: keeps a lay. */
export async function postLay(request: Request, text: string): Promise<Response> {
  const item = together(text);
  const { lay } = await readObject(request);
  const { groups } = await needsFor(item, request.signal);
  // What it takes off a roll is worked out here, whatever was sent.
  const { bought: _sent, ...saved } = fitting(KEPT_LAY, lay);
  void _sent;
  const group = groups.find(({ key }) => key === saved.group);
  if (!group) throw new Refusal(422, 'Nothing is cut from that any more; lay it out again.');
  refuseFaults(saved, group);
  const known = new Set(group.shapes.map(({ key }) => key));
  const there = new Set([...saved.places.map(({ key }) => key), ...saved.left]);
  if ([...there].some((key) => !known.has(key)) || [...known].some((key) => !there.has(key)))
    throw new Refusal(409, 'The pieces have changed since this lay was begun; lay it out again.');
  if (saved.places.length !== new Set(saved.places.map(({ key }) => key)).size) throw new Refusal(422, 'A piece lies in this lay twice.');
  refuseBins(saved);
  // What is bought and taken from the store is what the pieces take, whatever was sent.
  const shapes = new Map(group.shapes.map((shape) => [shape.key, shape]));
  const tops = saved.places.map((place) => ({
    bin: place.bin,
    top: Math.max(...laidOutline(shapes.get(place.key)!, place).map(([, y]) => y)),
  }));
  const used = usedOf(saved.bins, tops);
  const revisions = Object.fromEntries(item.pieces.map(({ id, revision }) => [id, revision]));
  const bought = boughtOf({ ...saved, used }, group);
  return Response.json({ ...keepLay(database(), item.scope, { ...saved, used, revisions, ...bought }), stale: false }, { status: 201 });
}

/** How much is taken off the shelf for what a lay was to be bought for, and what is left of it all. */
function takeFromStore(db: Db, { lay }: LayRecord, group: Pick<LayGroup, 'more' | 'name'>): string[] {
  const wares = new Map(listWares(db).map((ware) => [ware.id, ware]));
  const stock = new Map(listStock(db).map((item) => [item.id, item]));
  const says: string[] = [];
  const why = `Cut: ${lay.name || group.name}`;
  lay.bins.forEach((bin, k) => {
    const used = lay.used[k] ?? 0;
    const ware = bin.ware === null ? undefined : wares.get(bin.ware);
    if (used <= 0 || !ware) return;
    const isRoll = wareKind(ware.kind).measure === 'length';
    const item = bin.stock === null ? undefined : stock.get(bin.stock);
    if (bin.stock !== null) {
      if (!item) return void says.push(`${bin.says} was no longer in the store.`);
      if (item.form === 'full') takeFull(db, item.ware, ware.sold === 'metre' ? (used * group.more) / 1000 : 1, why);
      else if (item.count > 1) keepStock(db, { ...item, count: item.count - 1 }, why, item.id);
      else removeStock(db, item.id, why);
    } else if (ware.sold !== 'metre') takeFull(db, ware.id, 1 / (ware.sold === 'packet' ? (ware.each ?? 1) : 1), why);
    // A whole roll that is there as it is sold is one roll shorter: nothing of it becomes another.
    if (item?.form === 'full' && ware.sold === 'metre') return;
    const rest = leftover(bin, used, isRoll);
    if (!rest) return;
    keepStock(db, { ...rest, place: item?.place ?? '' }, `Left over: ${lay.name || group.name}`);
    says.push(`${Math.round(rest.width ?? 0)} × ${Math.round(rest.length ?? 0)} mm of ${ware.name} is in the store.`);
  });
  const bought = lay.bins.find(({ stock: from, ware }) => from === null && ware !== null);
  const metre: KeptWare | undefined = bought && wares.get(bought.ware!);
  if (metre?.sold === 'metre') takeFull(db, metre.id, Math.ceil(boughtBy(lay, metre, group.more) / 100) / 10, why);
  return says;
}

/** PUT /api/cut/SCOPE/lays/ID: this one is cut by; or it was cut: what it took leaves the store, what is left of it comes in. */
export async function putLay(request: Request, text: string, id: string): Promise<Response> {
  const item = together(text);
  const { chosen, cut } = await readObject(request);
  const db = database();
  if (chosen === true) {
    const record = chooseLay(db, item.scope, id);
    if (!record) throw new Refusal(404, 'This lay is no longer kept.');
    return Response.json({ ...record, stale: isStale(record, item.pieces) });
  }
  if (cut !== true) throw new Refusal(400, 'A lay is chosen, or it was cut');
  const { groups } = await needsFor(item, request.signal);
  const done = db
    .transaction(() => {
      const record = getLay(db, item.scope, id);
      if (!record) throw new Refusal(404, 'This lay is no longer kept.');
      if (record.cutAt !== null) throw new Refusal(409, 'This lay has been cut already; the store knows.');
      const group = groups.find(({ key }) => key === record.lay.group) ?? { more: 1, name: record.lay.group };
      const says = takeFromStore(db, record, group);
      markCut(db, id);
      return says;
    })
    .immediate();
  return Response.json({ ...getLay(db, item.scope, id)!, stale: false, says: done });
}

/** DELETE /api/cut/SCOPE/lays/ID */
export function deleteLay(text: string, id: string): Response {
  const item = together(text);
  if (!removeLay(database(), item.scope, id)) throw new Refusal(404, 'This lay is no longer kept.');
  return Response.json({ ok: true });
}
