import { isMatched, wayOf } from '../cover';
import { isPaired } from '../cut';
import { stockBins } from '../buying/bins';
import { createSearch, layGroups, type LayBin } from '../lay';
import type { KeptStock, KeptWare } from '../store';
import { readerOf, figuresFor, ruleOf, type HouseRules, type RuleReader } from '../house';
import { baseOutline, notchPlaces } from '../outline';
import { defaultsOf, EDGE_FACT, kindOf, letInto, PAD_ROLES, type Cloth, type EdgeFact, type Piece } from '../piece';
import { planPiece } from './plan';
import type { Asked } from './questions';
import type { Plan } from './types';

/** One way to spend less: what it gives up, what it saves, and the piece with it done. */
export type Saving = {
  id: string;
  /** what is given up, lengths in millimetres */
  words: string;
  /** cloth off the roll, mm */
  cloth: number;
  /** whole sheets of foam */
  sheets: number;
  apply: Piece;
};

/** Less than this share of the cloth is not worth a word; whole sheets always are. */
const WORTH = 0.03;
/** Of several steps of one allowance the mildest counts that saves nearly as much as the boldest. */
const NEARLY = 0.9;

type Trial = { id: string; words: string; piece: Piece };
/** Trials that go farther and farther the same way: the mildest that does it is told. */
type Ladder = Trial[];

const withRules = (piece: Piece, change: Record<string, number>): Piece => ({ ...piece, overrides: { ...piece.overrides, ...change } });

/** A hidden edge is cut shorter by these, mm; more leaves nothing to hold (docs/models.md, "Savings"). */
const SHORTER = [5, 10, 15, 20] as const;

/** A staple line on a wall piece lies well in: nobody brings it nearer the edge than this, mm (trade.md, allowances). */
const WALL_LEAST = 25;

/** The least of an allowance that is sensible on a piece. */
function leastOf(key: string, { kind }: Piece): number {
  const [least] = ruleOf(key)!.sensible;
  return key === 'return' && kindOf(kind).traits.wall ? WALL_LEAST : least;
}

/** Steps of an allowance from where it is down to the least that is sensible. */
function stepsDown(piece: Piece, rule: RuleReader, key: string, by: number): number[] {
  const least = leastOf(key, piece);
  const steps: number[] = [];
  for (let value = rule(key) - by; value > least; value -= by) steps.push(value);
  return rule(key) > least ? [...steps, least] : [];
}

const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;

/** An allowance made smaller, step by step. */
function allowanceLadders(piece: Piece, rule: RuleReader): Ladder[] {
  const grip = stepsDown(piece, rule, 'grip', 2);
  const leastGrip = grip.at(-1);
  const nearer = leastGrip === undefined ? [] : stepsDown(piece, rule, 'return', 2);
  return [
    grip.map((value) => ({
      id: 'grip',
      words: `${mm(rule('grip') - value)} less cloth to hold beyond the staples, all round.`,
      piece: withRules(piece, { grip: value }),
    })),
    nearer.map((value) => ({
      id: 'return',
      words: `${mm(rule('grip') - leastGrip!)} less to hold beyond the staples, and the staple line ${mm(value)} in instead of ${mm(rule('return'))}.`,
      piece: withRules(piece, { grip: leastGrip!, return: value }),
    })),
    stepsDown(piece, rule, 'foamOversize', 1).map((value) => ({
      id: 'oversize',
      words: `Rough-cut only ${mm(value)} larger all round: less to trim, and less to go wrong by.`,
      piece: withRules(piece, { foamOversize: value }),
    })),
  ];
}

/** How the cloth lies, what is matched, how pads are joined: each given up by itself. */
function otherLadders(piece: Piece): Ladder[] {
  const { cloth, covering } = piece;
  const ladders: Ladder[] = [];
  const lay = (direction: Cloth['direction'], words: string): void =>
    void ladders.push([{ id: direction, words, piece: { ...piece, cloth: { ...cloth, direction } } }]);
  const napped = (cloth.nap ?? 'none') !== 'none';
  const patterned = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  if (!napped) {
    if (cloth.direction !== 'across')
      lay('across', patterned ? 'Turned sideways: the pattern then runs from side to side.' : 'Turned sideways on the roll.');
    if (cloth.direction === 'across')
      lay('along', patterned ? 'Up the roll: the pattern then runs from front to back.' : 'Laid up the roll.');
    if (cloth.direction !== 'any' && !patterned) lay('any', 'Each piece whichever way it fits: the weave then runs both ways.');
  }
  if (patterned && isMatched(covering))
    ladders.push([
      {
        id: 'unmatched',
        words: 'The pattern is not matched: it lies elsewhere on every one.',
        piece: { ...piece, covering: { ...covering, matched: false } },
      },
    ]);
  piece.pads.forEach((pad, k) => {
    if (!pad.pair && isPaired({ ...pad, pair: true }, piece.count * (pad.blocks ?? 1)))
      ladders.push([
        {
          id: `paired-${pad.id}`,
          words: `Wedges of the ${PAD_ROLES.find(({ id }) => id === pad.role)!.name.toLowerCase()} cut in pairs: one slope through a block of ${mm(pad.thickness + pad.wedge!)} makes two.`,
          piece: { ...piece, pads: piece.pads.map((own, i) => (i === k ? { ...own, pair: true } : own)) },
        },
      ]);
    // A join that reads through, lies in a pocket or over another pad's join is no saving.
    const joined = piece.pads.some(({ blocks }) => (blocks ?? 1) > 1);
    if (joined || pad.kept || pad.scrap || pad.role === 'topper' || letInto(pad).length > 0) return;
    ladders.push([
      {
        id: `joined-${pad.id}`,
        words: `${PAD_ROLES.find(({ id }) => id === pad.role)!.name} joined from two halves, glued, the join out of sight.`,
        piece: { ...piece, pads: piece.pads.map((own, i) => (i === k ? { ...own, blocks: 2 } : own)) },
      },
    ]);
  });
  return ladders;
}

/** The edges of a pulled cover that nobody sees: what was said not to be seen, and the back of a seat. */
function hiddenEdges(piece: Piece): string[] {
  const { pulled } = wayOf(piece.covering.way);
  const { wall, pan } = kindOf(piece.kind).traits;
  if (!pulled || pan) return [];
  const { edges } = notchPlaces(baseOutline(piece.base.shape, piece.base.notches));
  const said = (name: string) => piece.base.edges?.find(({ edge }) => edge.kind === 'edge' && edge.name === name);
  return edges.filter((name) => {
    const own = said(name);
    if (own?.end || own?.short) return false;
    return own ? !own.visible : !wall && name === 'back';
  });
}

/** An edge cut short, a little more each time: a hidden one may be by up to 20 mm. */
function shortLadders(piece: Piece, rule: RuleReader): Ladder[] {
  return hiddenEdges(piece).map((name) =>
    SHORTER.map((short): Trial => {
      const edges = piece.base.edges ?? [];
      const part = { kind: 'edge' as const, name };
      const own = edges.find(({ edge }) => edge.kind === 'edge' && edge.name === name) ?? {
        ...defaultsOf<EdgeFact>(EDGE_FACT),
        edge: part,
      };
      const rest = edges.filter((one) => one !== own);
      return {
        id: `short-${name}`,
        words: `The ${name} edge cut ${mm(short)} short, where nobody sees it: ${mm(Math.max(0, rule('grip') - short))} left there to hold; that side is pulled first.`,
        piece: { ...piece, base: { ...piece.base, edges: [...rest, { ...own, short }] } },
      };
    }),
  );
}

/** What gives up more than another does, by the other's id. */
const BEYOND: Record<string, readonly string[]> = { return: ['grip'], any: ['across', 'along'] };

/** Whether one that gives up less saves as much, but for what is not worth a word. */
function outdone({ id, cloth, sheets }: Saving, all: readonly Saving[], worth: number): boolean {
  return all.some((own) => BEYOND[id]?.includes(own.id) && own.sheets >= sheets && own.cloth > cloth - worth);
}

/** What the workshop has, where that is to be cut from first. */
export type Shelf = { wares: readonly KeptWare[]; stock: readonly KeptStock[] };

/** Tries of a lay onto what is in the store: enough to see whether another cut fits there. */
const LAY_TRIES = 9;

/** What must be bought of the piece's cloth, mm: off the roll, or what part rolls and offcuts of it leave. */
function clothToBuy(plan: Plan, piece: Piece, house: HouseRules, shelf: Shelf | undefined): number {
  const group = shelf && layGroups([{ id: 'p', piece, plan }], house).find(({ kind, of }) => kind === 'cloth' && of === piece.cloth.name);
  const bins = group ? stockBins(group, shelf.wares, shelf.stock) : [];
  if (!group || bins.length === 0) return plan.cut.cloth.length;
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
  return lay.bins.reduce((sum, bin, k) => sum + (bin.stock === null ? (lay.used[k] ?? 0) : 0), 0);
}

const coded = (plan: Plan): Set<string> => new Set(plan.warnings.map(({ code }) => code));

/**
 * Looks for ways to buy less: every allowance down to its least sensible value, the cloth laid otherwise, the pattern given
 * up, a pad joined. Only what saves a sheet or three hundredths of the cloth is told, and nothing that brings a warning
 * along. Source: docs/models.md, "Savings".
 *
 * @param asked the piece, the house, the planner that keeps what a trial does not change; where the store is given, what its part
 *   rolls and offcuts hold is not bought
 * @returns the most first
 */
export function savings({ piece, house, planner, tell = () => true, shelf }: Asked & { shelf?: Shelf | undefined }): Saving[] {
  const plan = (own: Piece): Plan | null => (planner.check(own, house).length > 0 ? null : planPiece(own, house, { planner, sits: false }));
  const now = plan(piece);
  if (!now) return [];
  const rule = readerOf(figuresFor(house as HouseRules, piece.overrides));
  const ladders = [...allowanceLadders(piece, rule), ...shortLadders(piece, rule), ...otherLadders(piece)].filter(
    (ladder) => ladder.length > 0,
  );
  const [bought, known] = [clothToBuy(now, piece, house, shelf), coded(now)];
  const found: Saving[] = [];
  const of = ladders.reduce((sum, ladder) => sum + ladder.length, 0);
  let done = 0;
  for (const ladder of ladders) {
    const tried: Saving[] = [];
    for (const { id, words, piece: own } of ladder) {
      if (!tell(done++, of)) return found;
      const then = plan(own);
      if (!then || then.cut.cloth.tooLarge.length > 0 || [...coded(then)].some((code) => !known.has(code))) continue;
      const cloth = bought - clothToBuy(then, own, house, shelf);
      const sheets = now.cut.foam.sheets - then.cut.foam.sheets;
      if (sheets < 0 || cloth < -1 || (sheets === 0 && cloth < WORTH * bought)) continue;
      tried.push({ id, words, cloth: Math.max(0, cloth), sheets, apply: own });
    }
    const most = Math.max(0, ...tried.map(({ cloth }) => cloth));
    const sheets = Math.max(0, ...tried.map((own) => own.sheets));
    const mildest = tried.find((own) => own.cloth >= NEARLY * most && own.sheets >= sheets);
    if (mildest) found.push(mildest);
  }
  return found.filter((own) => !outdone(own, found, WORTH * bought)).sort((a, b) => b.sheets - a.sheets || b.cloth - a.cloth);
}
