import { holds, wareKind, type KeptStock, type KeptWare } from '../store';
import type { Need } from './needs';
import { inStore, waresFor } from './offers';

/** A way to serve what lies flat: so many of one thing, as a lay found. */
export type FlatOffer = {
  ware: string;
  /** sheets or packets; mm of a roll */ amount: number;
  /** so much of one is left and worth keeping */ left?: number;
};

/** What is asked: the needs, what flat ones could be served by, what there is and what it costs. */
export type BuyAsked = {
  needs: readonly Need[];
  /** by the need's key */
  flat: Readonly<Record<string, readonly FlatOffer[]>>;
  wares: readonly KeptWare[];
  stock: readonly KeptStock[];
  /** carriage of one order from a supplier, by its name */
  carriage: Readonly<Record<string, number>>;
};

/** One thing to buy. */
export type BuyLine = {
  ware: string;
  /** whole ones as they are sold; metres off the roll, to a tenth */
  units: number;
  cost: number;
  /** the needs that it serves, by their keys */
  serves: string[];
};

/** What to buy: the cheapest that serves every need, with carriage; what nothing in the store could serve stands apart. */
export type Buying = {
  lines: BuyLine[];
  carriage: Record<string, number>;
  total: number;
  fromStock: Record<string, number>;
  nowhere: string[];
};

/** Off the roll a tenth of a metre is sold. */
const PARTS = 10;
/** Nobody orders more of one thing, units. */
const MOST = 100_000;

/** What one unit costs, and how much of its measure it holds: off the roll a unit is a tenth of a metre. */
const unitOf = (ware: KeptWare): { price: number; holds: number } =>
  ware.sold === 'metre' ? { price: ware.price / PARTS, holds: 1000 / PARTS } : { price: ware.price, holds: holds(ware) };

/** A figure as the solver's file has it. */
const say = (value: number): string => {
  const rounded = Number(value.toPrecision(12));
  return rounded < 0 ? `- ${-rounded}` : `+ ${rounded}`;
};

/** The program as the solver reads it, and what its columns stand for. */
export type BuyProgram = { lp: string; read: (value: (column: string) => number) => Buying };

/** What a need takes of a thing: a column of the program. */
type Take = { need: string; ware: number; column: string; flat: boolean };

/** The program as it grows. */
type Growing = {
  rows: string[];
  ints: string[];
  bins: string[];
  bounds: string[];
  costs: string[];
  nowhere: string[];
  takes: Take[];
  /** what each thing has to hold, in its own measure */
  held: Map<number, string[]>;
};

const fixed = (value: number): string => String(Number(value.toPrecision(12)));

/** A row for every need: of what lies flat one way, of the rest as much as is needed. */
function needRows(grow: Growing, { needs, flat, wares }: BuyAsked): void {
  const at = new Map(wares.map((ware, k) => [ware.id, k]));
  const take = (item: Take, term: string): string => {
    grow.takes.push(item);
    grow.held.set(item.ware, [...(grow.held.get(item.ware) ?? []), term]);
    return `+ ${item.column}`;
  };
  needs.forEach((need, n) => {
    if (need.group !== null) {
      const offers = flat[need.key] ?? [];
      // Nothing has to be bought where the store holds all of it.
      if (offers.some(({ amount }) => amount <= 0)) return;
      const known = offers.filter(({ ware }) => at.has(ware));
      if (known.length === 0) return void grow.nowhere.push(need.key);
      const columns = known.map(({ ware, amount }, o) => {
        const column = `z${n}_${o}`;
        grow.bins.push(column);
        return take({ need: need.key, ware: at.get(ware)!, column, flat: true }, `- ${fixed(amount)} ${column}`);
      });
      return void grow.rows.push(` n${n}: ${columns.join(' ')} = 1`);
    }
    const serving = waresFor(need, wares);
    if (serving.length === 0) return void grow.nowhere.push(need.key);
    const columns = serving.map((ware) => {
      const k = at.get(ware.id)!;
      const column = `a${n}_${k}`;
      return take({ need: need.key, ware: k, column, flat: false }, `- ${column}`);
    });
    grow.rows.push(` n${n}: ${columns.join(' ')} >= ${fixed(need.amount)}`);
  });
}

/** A row for every thing that is taken of: whole units hold it, with what is in the store; its price, and from how many on it falls. */
function wareRows(grow: Growing, { wares, stock, carriage }: BuyAsked): void {
  const suppliers = new Map<string, number>();
  for (const [k, terms] of grow.held) {
    const ware = wares[k]!;
    const unit = unitOf(ware);
    // What is laid out has had the store's own laid out already; what is not may be taken from it.
    const isFlat = grow.takes.some((take) => take.ware === k && take.flat);
    const inStock = isFlat ? 0 : inStore(ware, stock);
    const each = isFlat && ware.sold !== 'metre' && wareKind(ware.kind).measure === 'area' ? 1 : unit.holds;
    grow.rows.push(` h${k}: ${say(each)} x${k} ${say(each)} b${k} ${terms.join(' ')} >= ${-Number(inStock.toPrecision(12))}`);
    grow.ints.push(`x${k}`, `b${k}`);
    grow.costs.push(`${say(unit.price)} x${k}`, `${say(unit.price * (1 - (ware.breakLess ?? 0) / 100))} b${k}`);
    if (ware.breakFrom && ware.breakLess) {
      const from = ware.breakFrom * (ware.sold === 'metre' ? PARTS : 1);
      grow.bins.push(`c${k}`);
      grow.rows.push(` f${k}: b${k} - ${from} c${k} >= 0`, ` m${k}: b${k} - ${MOST} c${k} <= 0`);
    } else grow.bounds.push(` b${k} = 0`);
    grow.bounds.push(` x${k} <= ${MOST}`);
    const fee = carriage[ware.supplier] ?? 0;
    if (fee <= 0) continue;
    const s = suppliers.get(ware.supplier) ?? suppliers.size;
    suppliers.set(ware.supplier, s);
    grow.rows.push(` s${k}: x${k} + b${k} - ${MOST} y${s} <= 0`);
  }
  for (const [name, s] of suppliers) {
    grow.bins.push(`y${s}`);
    grow.costs.push(`${say(carriage[name]!)} y${s}`);
  }
}

/** What the solved columns come to. */
function readBuying({ held, takes, nowhere }: Growing, { wares, carriage }: BuyAsked, value: (column: string) => number): Buying {
  const lines: BuyLine[] = [];
  const fromStock: Record<string, number> = {};
  const fees: Record<string, number> = {};
  let total = 0;
  for (const k of held.keys()) {
    const ware = wares[k]!;
    const [plain, cheaper] = [Math.round(value(`x${k}`)), Math.round(value(`b${k}`))];
    const bought = plain + cheaper;
    const serves = takes.filter((take) => take.ware === k && value(take.column) > 1e-6);
    const inStock = serves.filter((serve) => !serve.flat).reduce((sum, take) => sum + value(take.column), 0) - bought * unitOf(ware).holds;
    if (inStock > 1e-6) fromStock[ware.id] = inStock;
    if (bought === 0) continue;
    const cost = unitOf(ware).price * (plain + cheaper * (1 - (ware.breakLess ?? 0) / 100));
    total += cost;
    lines.push({
      ware: ware.id,
      units: ware.sold === 'metre' ? bought / PARTS : bought,
      cost: Math.round(cost * 100) / 100,
      serves: [...new Set(serves.map((serve) => serve.need))],
    });
    const fee = carriage[ware.supplier] ?? 0;
    if (fee > 0) fees[ware.supplier] = fee;
  }
  total += Object.values(fees).reduce((sum, fee) => sum + fee, 0);
  return { lines, carriage: fees, total: Math.round(total * 100) / 100, fromStock, nowhere };
}

/**
 * What to buy as an integer program: whole units of each thing, what each need takes of it, one way for each thing that is laid out,
 * a lower price from so many on, carriage once for each supplier that anything is ordered from. Source: docs/models.md, "Buying".
 *
 * @param asked needs, offers, the store, carriage
 */
export function buyProgram(asked: BuyAsked): BuyProgram {
  const grow: Growing = { rows: [], ints: [], bins: [], bounds: [], costs: [], nowhere: [], takes: [], held: new Map() };
  needRows(grow, asked);
  wareRows(grow, asked);
  const { rows, ints, bins, bounds, costs } = grow;
  const lp = [
    'Minimize',
    ` cost: ${costs.length > 0 ? costs.join(' ') : '0 none'}`,
    'Subject To',
    ...(rows.length > 0 ? rows : [' none: none = 0']),
    'Bounds',
    ...bounds,
    ...(ints.length > 0 ? ['General', ` ${ints.join(' ')}`] : []),
    ...(bins.length > 0 ? ['Binary', ` ${bins.join(' ')}`] : []),
    'End',
  ].join('\n');
  return { lp, read: (value) => readBuying(grow, asked, value) };
}
