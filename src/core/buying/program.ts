import { holds, wareKind, type KeptStock, type KeptWare } from '../store';
import type { Need } from './needs';
import { inStore, waresFor } from './offers';

/** A way to serve what lies flat: so many of one thing, as a lay found. */
export type FlatOffer = { ware: string; /** sheets or packets; mm of a roll */ amount: number };

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

/**
 * What to buy as an integer program: whole units of each thing, what each need takes of it, one way for each thing that is laid out,
 * a lower price from so many on, carriage once for each supplier that anything is ordered from. Source: docs/models.md, "Buying".
 *
 * @param asked needs, offers, the store, carriage
 */
export function buyProgram({ needs, flat, wares, stock, carriage }: BuyAsked): BuyProgram {
  const used = new Map<number, KeptWare>();
  const at = new Map(wares.map((ware, k) => [ware.id, k]));
  const rows: string[] = [];
  const [ints, bins, bounds, costs]: [string[], string[], string[], string[]] = [[], [], [], []];
  const nowhere: string[] = [];
  // What each thing has to hold: by the thing, what the needs take of it, in its own measure.
  const taken = new Map<number, string[]>();
  const takes: { need: string; ware: number; column: string; flat: boolean; amount: number }[] = [];
  const use = (ware: KeptWare): number => {
    const k = at.get(ware.id)!;
    used.set(k, ware);
    return k;
  };
  needs.forEach((need, n) => {
    if (need.group !== null) {
      const offers = (flat[need.key] ?? []).filter(({ ware }) => at.has(ware));
      // Nothing has to be bought where the store holds all of it.
      if ((flat[need.key] ?? []).some(({ amount }) => amount <= 0)) return;
      if (offers.length === 0) return void nowhere.push(need.key);
      const columns = offers.map(({ ware, amount }, o) => {
        const k = use(wares[at.get(ware)!]!);
        const column = `z${n}_${o}`;
        bins.push(column);
        taken.set(k, [...(taken.get(k) ?? []), `- ${Number(amount.toPrecision(12))} ${column}`]);
        takes.push({ need: need.key, ware: k, column, flat: true, amount });
        return column;
      });
      rows.push(` n${n}: ${columns.map((column) => `+ ${column}`).join(' ')} = 1`);
      return;
    }
    const serving = waresFor(need, wares);
    if (serving.length === 0) return void nowhere.push(need.key);
    const columns = serving.map((ware) => {
      const k = use(ware);
      const column = `a${n}_${k}`;
      taken.set(k, [...(taken.get(k) ?? []), `- ${column}`]);
      takes.push({ need: need.key, ware: k, column, flat: false, amount: need.amount });
      return column;
    });
    rows.push(` n${n}: ${columns.map((column) => `+ ${column}`).join(' ')} >= ${Number(need.amount.toPrecision(12))}`);
  });
  const suppliers = new Map<string, number>();
  for (const [k, ware] of used) {
    const unit = unitOf(ware);
    // What is laid out has had the store's own laid out already; what is not may be taken from it.
    const isFlat = takes.some((own) => own.ware === k && own.flat);
    const kept = isFlat ? 0 : inStore(ware, stock);
    const each = isFlat && ware.sold !== 'metre' && wareKind(ware.kind).measure === 'area' ? 1 : unit.holds;
    rows.push(` h${k}: ${say(each)} x${k} ${say(each)} b${k} ${(taken.get(k) ?? []).join(' ')} >= ${-Number(kept.toPrecision(12))}`);
    ints.push(`x${k}`, `b${k}`);
    const less = 1 - (ware.breakLess ?? 0) / 100;
    costs.push(`${say(unit.price)} x${k}`, `${say(unit.price * less)} b${k}`);
    if (ware.breakFrom && ware.breakLess) {
      const from = ware.breakFrom * (ware.sold === 'metre' ? PARTS : 1);
      bins.push(`c${k}`);
      rows.push(` f${k}: b${k} - ${from} c${k} >= 0`, ` m${k}: b${k} - ${MOST} c${k} <= 0`);
    } else bounds.push(` b${k} = 0`);
    bounds.push(` x${k} <= ${MOST}`);
    const fee = carriage[ware.supplier] ?? 0;
    if (fee > 0) {
      const s = suppliers.get(ware.supplier) ?? suppliers.size;
      suppliers.set(ware.supplier, s);
      rows.push(` s${k}: x${k} + b${k} - ${MOST} y${s} <= 0`);
    }
  }
  for (const [name, s] of suppliers) {
    bins.push(`y${s}`);
    costs.push(`${say(carriage[name]!)} y${s}`);
  }
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
  const read: BuyProgram['read'] = (value) => {
    const lines: BuyLine[] = [];
    const fromStock: Record<string, number> = {};
    let total = 0;
    for (const [k, ware] of used) {
      const bought = Math.round(value(`x${k}`)) + Math.round(value(`b${k}`));
      const serves = takes.filter((own) => own.ware === k && value(own.column) > 1e-6);
      const kept = serves.filter((own) => !own.flat).reduce((sum, own) => sum + value(own.column), 0) - bought * unitOf(ware).holds;
      if (kept > 1e-6) fromStock[ware.id] = kept;
      if (bought === 0) continue;
      const unit = unitOf(ware);
      const cost = unit.price * (Math.round(value(`x${k}`)) + Math.round(value(`b${k}`)) * (1 - (ware.breakLess ?? 0) / 100));
      total += cost;
      lines.push({
        ware: ware.id,
        units: ware.sold === 'metre' ? bought / PARTS : bought,
        cost: Math.round(cost * 100) / 100,
        serves: [...new Set(serves.map((own) => own.need))],
      });
    }
    const fees: Record<string, number> = {};
    for (const { ware } of lines) {
      const { supplier } = wares[at.get(ware)!]!;
      const fee = carriage[supplier] ?? 0;
      if (fee > 0) fees[supplier] = fee;
    }
    total += Object.values(fees).reduce((sum, fee) => sum + fee, 0);
    return { lines, carriage: fees, total: Math.round(total * 100) / 100, fromStock, nowhere };
  };
  return { lp, read };
}
