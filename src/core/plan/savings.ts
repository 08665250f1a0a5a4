import { quickOffers, stockBins, waresFor } from '../buying';
import { createSearch, layGroups, type LayBin, type LayGroup } from '../nesting';
import { boughtLonger } from '../cloth';
import type { HouseRules } from '../house';
import type { Piece } from '../piece';
import { planPiece } from './plan';
import type { Asked } from './questions';
import { laddersOf, rulesOf, type Ladder, type Shelf, type Trial } from './savings-ladders';
import type { Plan } from '../plan-data';

/** One way to spend less: what it gives up, what it saves, and the piece with it done. */
export type Saving = {
  id: string;
  /** what is given up, lengths in millimetres */
  words: string;
  /** cloth off the roll, mm */
  cloth: number;
  /** whole sheets of foam */
  sheets: number;
  /** the workshop's money, where another size is bought: rolls of two widths are compared by nothing else */
  money: number;
  apply: Piece;
};

/** Less than this share of the cloth is not worth a word; whole sheets always are. */
export const WORTH = 0.03;
/** The mildest counts that saves as much as the boldest, but for this share of the cloth. */
export const NEARLY = 0.02;
/** Another size on sale changes what a metre and a sheet is: by its price alone is it told. */
const OTHER_SIZE = ['roll', 'sheet'];

/** What gives up more than another does, by the other's id. */
export const BEYOND: Record<string, readonly string[]> = {
  return: ['grip'],
  any: ['across', 'along'],
  unmatched: ['across', 'along'],
  together: [],
};

/** Of what is done together this is taken back first, what gives up the most before the rest. */
const BACK = ['unmatched', 'any', 'across', 'along', 'joined', 'return', 'grip', 'short', 'oversize', 'paired'];
/** The higher, the less a change gives up. */
export const givesUp = ({ id }: Pick<Trial, 'id'>): number => BACK.findIndex((name) => id === name || id.startsWith(`${name}-`));

/** Whether one that gives up less saves as much, but for next to nothing. */
function outdone({ id, cloth, sheets, money }: Saving, all: readonly Saving[], nearly: number): boolean {
  if (money > 0) return false;
  return all.some(
    (saving) => saving.money === 0 && BEYOND[id]?.includes(saving.id) && saving.sheets >= sheets && saving.cloth >= cloth - nearly,
  );
}

/** Tries of a lay onto what is in the store: enough to see whether another cut fits there. */
const LAY_TRIES = 9;

/** What must be bought of the piece's cloth, mm, with what it shrinks by first: off the roll, or what part rolls and offcuts of it leave. */
function clothToBuy(plan: Plan, piece: Piece, house: HouseRules, shelf: Shelf | undefined): number {
  const group = shelf && layGroups([{ id: 'p', piece, plan }], house).find(({ kind, of }) => kind === 'cloth' && of === piece.cloth.name);
  const bins = group ? stockBins(group, shelf.wares, shelf.stock) : [];
  const more = boughtLonger(piece.cloth);
  if (!group || bins.length === 0) return plan.cut.cloth.length * more;
  const fresh: LayBin = {
    id: 'roll',
    says: '',
    stock: null,
    ware: null,
    width: piece.cloth.rollWidth,
    length: null,
    flaws: [],
    outline: null,
  };
  const search = createSearch({ shapes: group.shapes, stock: bins, fresh, gap: group.gap, repeat: group.repeat, locked: [] });
  search.step(Infinity, LAY_TRIES);
  const lay = search.best();
  return more * lay.bins.reduce((sum, bin, k) => sum + (bin.stock === null ? (lay.used[k] ?? 0) : 0), 0);
}

/** The cheapest that a group can be bought for in one size; null where no price is known. */
function priceOf(group: LayGroup, shelf: Shelf, fits: (size: { width?: number; length?: number }) => boolean): number | null {
  const need = { ...group, amount: 0, note: '', pieces: [], group: group.key };
  const wares = waresFor(need, shelf.wares).filter((ware) => ware.price > 0 && fits(ware));
  const offers = quickOffers(group, wares, shelf.stock);
  const costs = offers.map(({ ware, amount }) => {
    const found = wares.find(({ id }) => id === ware)!;
    return found.price * (found.sold === 'metre' ? amount / 1000 : amount);
  });
  return costs.length > 0 ? Math.min(...costs) : null;
}

/** What a piece's cloth, or its foams, cost in the size that it says; null where some of it has no price. */
function costOfSize(family: string, plan: Plan, piece: Piece, house: HouseRules, shelf: Shelf): number | null {
  const rule = rulesOf(piece, house);
  const groups = layGroups([{ id: 'p', piece, plan }], house).filter(({ kind, of, packet }) =>
    family === 'roll' ? kind === 'cloth' && of === piece.cloth.name : kind === 'foam' && !packet,
  );
  const near = (a: number | undefined, b: number): boolean => Math.abs((a ?? 0) - b) < 1;
  const costs = groups.map((group) =>
    priceOf(group, shelf, ({ width, length }) =>
      family === 'roll' ? near(width, piece.cloth.rollWidth) : near(width, rule('foamSheetWidth')) && near(length, rule('foamSheetLength')),
    ),
  );
  return costs.some((cost) => cost === null) ? null : costs.reduce<number>((sum, cost) => sum + cost!, 0);
}

const coded = (plan: Plan): Set<string> => new Set(plan.warnings.map(({ code }) => code));

/** What is known of the piece as it is, and how a change of it is looked at. */
export type Looking = {
  piece: Piece;
  /** cloth bought as it is, mm */
  bought: number;
  /** what a change saves; null where it cannot be planned, brings a warning along, or costs more */
  saves: (item: Piece, family?: string) => Pick<Saving, 'cloth' | 'sheets' | 'money'> | null;
  rule: (item: Piece) => ReturnType<typeof rulesOf>;
  /** false: nobody wants to know any more */
  tell: () => boolean;
};

/** Begins to look at changes of a piece; null where it cannot be planned as it is. */
export function looking({ piece, house, planner, shelf }: Asked & { shelf?: Shelf | undefined }, tell: () => boolean): Looking | null {
  const plan = (item: Piece): Plan | null =>
    planner.check(item, house).length > 0 ? null : planPiece(item, house, { planner, sits: false });
  const now = plan(piece);
  if (!now) return null;
  const [bought, known] = [clothToBuy(now, piece, house, shelf), coded(now)];
  const costs = new Map<string, number | null>();
  const costNow = (family: string): number | null => {
    if (!costs.has(family)) costs.set(family, shelf ? costOfSize(family, now, piece, house, shelf) : null);
    return costs.get(family)!;
  };
  return {
    piece,
    bought,
    tell,
    rule: (item) => rulesOf(item, house),
    saves: (item, family = '') => {
      const then = plan(item);
      if (!then || then.cut.cloth.tooLarge.length > 0 || [...coded(then)].some((code) => !known.has(code))) return null;
      if (OTHER_SIZE.includes(family)) {
        const [before, after] = [costNow(family), shelf ? costOfSize(family, then, item, house, shelf) : null];
        const money = before !== null && after !== null ? before - after : 0;
        return before !== null && money >= WORTH * before ? { cloth: 0, sheets: 0, money: Math.round(money * 100) / 100 } : null;
      }
      const cloth = bought - clothToBuy(then, item, house, shelf);
      const sheets = now.cut.foam.sheets - then.cut.foam.sheets;
      return sheets < 0 || cloth < -1 ? null : { cloth: Math.max(0, cloth), sheets, money: 0 };
    },
  };
}

const isWorth = ({ cloth, sheets, money }: Pick<Saving, 'cloth' | 'sheets' | 'money'>, bought: number): boolean =>
  money > 0 || sheets > 0 || cloth >= WORTH * bought;

/** The mildest rung of a ladder that saves as much as any of it. */
function climbed(look: Looking, { family, trials }: Ladder): Saving | null {
  const tried: Saving[] = [];
  for (const { id, words, change } of trials) {
    if (!look.tell()) break;
    const apply = change(look.piece);
    const saves = look.saves(apply, family);
    if (saves && isWorth(saves, look.bought)) tried.push({ id, words: words(look.rule(look.piece)), ...saves, apply });
  }
  const most = Math.max(0, ...tried.map(({ cloth }) => cloth));
  const sheets = Math.max(0, ...tried.map((saving) => saving.sheets));
  return tried.find((saving) => saving.cloth >= most - NEARLY * look.bought && saving.sheets >= sheets) ?? null;
}

/** A piece with several changes done to it. */
export const done = (piece: Piece, trials: readonly Trial[]): Piece => trials.reduce((result, { change }) => change(result), piece);

/** Of the families that exclude each other at most one ladder each: how cloth lies and is matched, in every combination. */
function* choices(ladders: readonly Ladder[]): Generator<Ladder[]> {
  const open = ['direction', 'motif', 'joined'];
  const fixed = ladders.filter(({ family }) => !open.includes(family) && !OTHER_SIZE.includes(family));
  // The farther of two ladders of one family has all that the nearer has.
  const rest = fixed.filter(({ family }, k) => !fixed.slice(k + 1).some((ladder) => ladder.family === family));
  const of = (family: string): (Ladder | null)[] => [null, ...ladders.filter((ladder) => ladder.family === family)];
  for (const direction of of('direction'))
    for (const motif of of('motif')) yield [...rest, ...[direction, motif].filter((ladder) => ladder !== null)];
}

type Saves = Pick<Saving, 'cloth' | 'sheets' | 'money'>;
/** Ladders climbed to their tops, and what that saves. */
type Bold = { trials: Trial[]; ladders: Ladder[]; saves: Saves };

const better = (a: Saves, b: Saves | undefined): boolean => !b || a.sheets > b.sheets || (a.sheets === b.sheets && a.cloth > b.cloth + 1);

/** All of it at once, in the best of the combinations that exclude each other; sheets of foam count before cloth where nothing is said. */
export function boldest(look: Looking, ladders: readonly Ladder[], isBetter = better): Bold | null {
  const tried = (way: Ladder[]): Bold | null => {
    const trials = way.map((ladder) => ladder.trials.at(-1)!);
    const saves = look.tell() ? look.saves(done(look.piece, trials)) : null;
    return saves && { trials, ladders: way, saves };
  };
  const best = (ways: Iterable<Ladder[]>, from: Bold | null): Bold | null => {
    let found = from;
    for (const way of ways) {
      const bold = tried(way);
      if (bold && isBetter(bold.saves, found?.saves)) found = bold;
    }
    return found;
  };
  const cloth = best(choices(ladders), null);
  // How foam is joined changes nothing of how cloth lies: it is tried on the best of that alone.
  const joined = ladders.filter(({ family }) => family === 'joined').map((ladder) => [...(cloth?.ladders ?? []), ladder]);
  return best(joined, cloth);
}

/** What several changes save that none saves alone: all of them at once, then what is not needed taken back, and the rest made milder. */
function together(look: Looking, ladders: readonly Ladder[]): { saving: Saving; /** what all of it would save, mm */ most: number } | null {
  const best = boldest(look, ladders);
  if (!best) return null;
  const { saves: most } = best;
  const { trials, apply, words } = noMoreThan(
    look,
    best,
    (saves) => saves.sheets >= most.sheets && saves.cloth >= most.cloth - NEARLY * look.bought,
  );
  const saves = look.saves(apply);
  if (!saves || !isWorth(saves, look.bought)) return null;
  return { saving: { id: trials.length > 1 ? 'together' : trials[0]!.id, words, ...saves, apply }, most: most.cloth };
}

/** Changes that together save enough, with nothing given up that is not needed: what gives up most is taken back first, the rest made milder. */
export function noMoreThan(
  look: Looking,
  best: Bold,
  isEnough: (saves: Saves) => boolean,
): { trials: readonly Trial[]; apply: Piece; words: string } {
  const enough = (trials: readonly Trial[]): boolean => {
    const saves = look.tell() ? look.saves(done(look.piece, trials)) : null;
    return saves !== null && isEnough(saves);
  };
  let { trials } = best;
  for (const trial of [...trials].sort((a, b) => givesUp(a) - givesUp(b))) {
    const without = trials.filter((candidate) => candidate !== trial);
    if (enough(without)) trials = without;
  }
  for (const trial of trials) {
    const found = best.ladders.find((ladder) => ladder.trials.at(-1) === trial)!;
    const with_ = (rung: Trial): Trial[] => trials.map((one) => (one.id === trial.id ? rung : one));
    const mild = found.trials.slice(0, -1).find((rung) => enough(with_(rung)));
    if (mild) trials = with_(mild);
  }
  const apply = done(look.piece, trials);
  const words = trials.map((trial) => trial.words(trial.id.startsWith('short-') ? look.rule(apply) : look.rule(look.piece))).join(' ');
  return { trials, apply, words };
}

/**
 * Looks for ways to buy less: every allowance down to its least sensible value, the cloth laid otherwise, the pattern given
 * up, a pad joined, another size on sale, and several of these at once where together they save more than any
 * alone. Only what saves a sheet or three hundredths of the cloth is told, and nothing that brings a warning along. Source:
 * docs/models.md, "Savings".
 *
 * @param asked the piece, the house, the planner that keeps what a trial does not change; where the store is given, what its part
 *   rolls and offcuts hold is not bought, and other sizes in it are tried
 * @returns the most first
 */
export function savings(asked: Asked & { shelf?: Shelf | undefined }): Saving[] {
  const { piece, house, tell = () => true, shelf } = asked;
  const ladders = laddersOf(piece, house as HouseRules, shelf);
  // One look for every rung, and about as many again for what is done together.
  const of = 2 * ladders.reduce((sum, { trials }) => sum + trials.length, 0);
  let [tried, wanted] = [0, true];
  const look = looking(asked, () => (wanted &&= tell(Math.min(tried++, of), of)));
  if (!look) return [];
  const found = ladders.flatMap((ladder) => climbed(look, ladder) ?? []);
  const nearly = NEARLY * look.bought;
  const retained = found.filter((saving) => !outdone(saving, found, nearly));
  const both = wanted ? together(look, ladders) : null;
  // What two say each by itself is not said again of both: cloth here and a sheet there are two savings.
  const alone =
    !both ||
    ((both.saving.sheets === 0 || retained.some(({ sheets }) => sheets >= both.saving.sheets)) &&
      (both.most === 0 || retained.some(({ cloth }) => cloth >= both.most - nearly)));
  const listed = both && !alone ? [both.saving, ...retained.filter(({ id }) => id !== both.saving.id)] : retained;
  return listed.sort((a, b) => b.sheets - a.sheets || b.cloth - a.cloth || b.money - a.money);
}

export type { Shelf } from './savings-ladders';
