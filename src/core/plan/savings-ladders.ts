import { isMatched, wayOf } from '../cover';
import { isPaired } from '../foam-cutting';
import { figuresFor, readerOf, ruleOf, type HouseRules, type RuleReader } from '../house';
import { baseOutline, notchPlaces } from '../outline';
import { defaultsOf, EDGE_FACT, foamOf, kindOf, letInto, PAD_ROLES, type Cloth, type EdgeFact, type Piece } from '../piece';
import type { KeptStock, KeptWare } from '../store';

/** What the workshop has, where that is to be cut from first. */
export type Shelf = { wares: readonly KeptWare[]; stock: readonly KeptStock[] };

/** One change: what is given up in words, by the rules of the piece that it is done to, and the piece with it done. */
export type Trial = { id: string; words: (rule: RuleReader) => string; change: (piece: Piece) => Piece };

/**
 * Trials that go farther and farther the same way: the mildest that does it is told. Of the ladders of one family one at most is
 * climbed at a time.
 */
export type Ladder = { family: string; trials: Trial[] };

const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;

const withRules = (piece: Piece, change: Record<string, number>): Piece => ({ ...piece, overrides: { ...piece.overrides, ...change } });

/** The rules of a piece, as the house has them and it changes them. */
export const rulesOf = (piece: Piece, house: HouseRules): RuleReader => readerOf(figuresFor(house, piece.overrides));

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

/** An allowance made smaller, step by step. */
function allowanceLadders(piece: Piece, rule: RuleReader): Ladder[] {
  const grip = stepsDown(piece, rule, 'grip', 2);
  const leastGrip = grip.at(-1);
  const nearer = leastGrip === undefined ? [] : stepsDown(piece, rule, 'return', 2);
  return [
    {
      family: 'edge',
      trials: grip.map((value) => ({
        id: 'grip',
        words: () => `${mm(rule('grip') - value)} less pull allowance all round.`,
        change: (item) => withRules(item, { grip: value }),
      })),
    },
    {
      family: 'edge',
      trials: nearer.map((value) => ({
        id: 'return',
        words: () =>
          `${mm(rule('grip') - leastGrip!)} less pull allowance, and the staple line ${mm(value)} in instead of ${mm(rule('return'))}.`,
        change: (item) => withRules(item, { grip: leastGrip!, return: value }),
      })),
    },
    {
      family: 'oversize',
      trials: stepsDown(piece, rule, 'foamOversize', 1).map((value) => ({
        id: 'oversize',
        words: () => `Rough-cut only ${mm(value)} larger all round: less to trim, less room for error.`,
        change: (item) => withRules(item, { foamOversize: value }),
      })),
    },
  ];
}

const single = (family: string, id: string, words: string, change: Trial['change']): Ladder => ({
  family,
  trials: [{ id, words: () => words, change }],
});

/** How the cloth lies, and what of it is matched: each given up by itself. */
function clothLadders({ cloth, covering }: Piece): Ladder[] {
  const ladders: Ladder[] = [];
  const lay = (direction: Cloth['direction'], words: string): void =>
    void ladders.push(single('direction', direction, words, (item) => ({ ...item, cloth: { ...item.cloth, direction } })));
  const napped = (cloth.nap ?? 'none') !== 'none';
  const patterned = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  if (!napped) {
    if (cloth.direction !== 'across')
      lay('across', patterned ? 'Railroaded: the pattern then runs from side to side.' : 'Railroaded on the roll.');
    if (cloth.direction === 'across')
      lay('along', patterned ? 'Up the roll: the pattern then runs from front to back.' : 'Laid up the roll.');
    if (cloth.direction !== 'any' && !patterned) lay('any', 'Each piece whichever way it fits: the weave then runs both ways.');
  }
  if (!patterned || !isMatched(covering)) return ladders;
  // Where a repeat begins on the roll is free until the first piece lies: the motif elsewhere, on all of them alike, saves nothing.
  ladders.push(
    single('motif', 'unmatched', 'The pattern is not matched: it falls differently on each piece.', (item) => ({
      ...item,
      covering: { ...item.covering, matched: false },
    })),
  );
  return ladders;
}

/** How pads are cut: wedges in pairs, one pad joined from two halves. */
function padLadders(piece: Piece): Ladder[] {
  const ladders: Ladder[] = [];
  const nameOf = (role: string): string => PAD_ROLES.find(({ id }) => id === role)!.name;
  const changed =
    (id: string, change: object): Trial['change'] =>
    (item) => ({ ...item, pads: item.pads.map((pad) => (pad.id === id ? { ...pad, ...change } : pad)) });
  for (const pad of piece.pads) {
    if (!pad.pair && isPaired({ ...pad, pair: true }, piece.count * (pad.blocks ?? 1)))
      ladders.push(
        single(
          `paired-${pad.id}`,
          `paired-${pad.id}`,
          `Wedges of the ${nameOf(pad.role).toLowerCase()} cut in pairs: one slope through a block of ${mm(pad.thickness + pad.wedge!)} makes two.`,
          changed(pad.id, { pair: true }),
        ),
      );
    // A join that reads through, lies in a pocket or over another pad's join is no saving.
    const joined = piece.pads.some(({ blocks }) => (blocks ?? 1) > 1);
    if (joined || pad.kept || pad.scrap || pad.role === 'topper' || letInto(pad).length > 0) continue;
    ladders.push(
      single(
        'joined',
        `joined-${pad.id}`,
        `${nameOf(pad.role)} joined from two halves, glued, the join out of sight.`,
        changed(pad.id, { blocks: 2 }),
      ),
    );
  }
  return ladders;
}

/** The edges of a pulled cover that nobody sees: what was said not to be seen, and the back of a seat. */
function hiddenEdges(piece: Piece): string[] {
  const { pulled } = wayOf(piece.covering.way);
  const { wall, pan } = kindOf(piece.kind).traits;
  if (!pulled || pan) return [];
  const { edges } = notchPlaces(baseOutline(piece.base.shape, piece.base.notches));
  const label = (name: string) => piece.base.edges?.find(({ edge }) => edge.kind === 'edge' && edge.name === name);
  return edges.filter((name) => {
    const item = label(name);
    if (item?.end || item?.short) return false;
    return item ? !item.visible : !wall && name === 'back';
  });
}

/** An edge cut short, a little more each time: a hidden one may be by up to 20 mm. */
function shortLadders(piece: Piece): Ladder[] {
  return hiddenEdges(piece).map((name) => ({
    family: `short-${name}`,
    trials: SHORTER.map((short): Trial => ({
      id: `short-${name}`,
      words: (rule) =>
        `The ${name} edge cut ${mm(short)} short, where nobody sees it: ${mm(Math.max(0, rule('grip') - short))} of pull allowance left there; pull that side first.`,
      change: (from) => {
        const edges = from.base.edges ?? [];
        const part = { kind: 'edge' as const, name };
        const found = edges.find(({ edge }) => edge.kind === 'edge' && edge.name === name) ?? {
          ...defaultsOf<EdgeFact>(EDGE_FACT),
          edge: part,
        };
        const rest = edges.filter((one) => one !== found);
        return { ...from, base: { ...from.base, edges: [...rest, { ...found, short }] } };
      },
    })),
  }));
}

/** Of one cloth so many other widths are tried, of foam so many other sheets. */
const SIZES = 4;

/** The same cloth in another width, the piece's foams in another sheet, as the store has them on sale. */
function soldLadders(piece: Piece, rule: RuleReader, { wares }: Shelf): Ladder[] {
  const { cloth } = piece;
  const named = cloth.name.trim().toLowerCase();
  const widths = new Set(
    wares
      .filter(({ kind, name, width }) => kind === 'cloth' && name.trim().toLowerCase() === named && width)
      .map(({ width }) => width!)
      .filter((width) => Math.abs(width - cloth.rollWidth) > 0.5),
  );
  const foams = new Set(piece.pads.filter(({ kept, scrap }) => !kept && !scrap).map(({ material }) => foamOf(piece, material)?.id));
  const [across, along] = [rule('foamSheetWidth'), rule('foamSheetLength')];
  const sheets = new Map<string, { width: number; length: number }>();
  for (const { kind, of, foam, sold, width, length } of wares) {
    if (kind !== 'foam' || sold !== 'sheet' || !width || !length || !(foams.has(of) || foams.has(foam?.id))) continue;
    if (Math.abs(width - across) > 0.5 || Math.abs(length - along) > 0.5) sheets.set(`${width} ${length}`, { width, length });
  }
  return [
    ...[...widths].slice(0, SIZES).map((width) =>
      single('roll', `roll-${width}`, `From the roll that is ${mm(width)} wide instead of ${mm(cloth.rollWidth)}.`, (item) => ({
        ...item,
        cloth: { ...item.cloth, rollWidth: width },
      })),
    ),
    ...[...sheets.values()]
      .slice(0, SIZES)
      .map(({ width, length }) =>
        single(
          'sheet',
          `sheet-${width}x${length}`,
          `Foam from sheets of ${mm(width)} by ${mm(length)} instead of ${mm(across)} by ${mm(along)}.`,
          (item) => withRules(item, { foamSheetWidth: width, foamSheetLength: length }),
        ),
      ),
  ];
}

/**
 * All that could be given up on a piece to buy less, each farther and farther: allowances, hidden edges, how cloth lies and is
 * matched, how pads are cut, sizes on sale. Source: docs/models.md, "Savings".
 *
 * @param piece as it is
 * @param house the workshop's rules
 * @param [shelf] the store, for other sizes on sale
 */
export function laddersOf(piece: Piece, house: HouseRules, shelf?: Shelf): Ladder[] {
  const rule = rulesOf(piece, house);
  return [
    ...allowanceLadders(piece, rule),
    ...shortLadders(piece),
    ...clothLadders(piece),
    ...padLadders(piece),
    ...(shelf ? soldLadders(piece, rule, shelf) : []),
  ].filter(({ trials }) => trials.length > 0);
}
