import { CLOTHS } from '../core/cloth';
import { STARTING, WAYS, wayOf } from '../core/cover';
import { baseOutline, edgeNamed, type EdgePart } from '../core/outline';
import { defaultsOf, KINDS, newPiece, SHAPES, type BaseShape, type EdgeFact, type Piece } from '../core/piece';
import { COVER_END, EDGE_FACT } from '../core/piece/schema/base';
import type { Planner } from '../core/plan';
import { seededRandom } from './seeded-random';

/** An even figure in [0, 1). */
type Random = () => number;

const chance = (random: Random, share: number): boolean => random() < share;
const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
const whole = (random: Random, low: number, high: number): number => Math.round(low + random() * (high - low));

/** One detail of a job, as somebody would choose it; the same piece where it does not apply. */
type Detail = readonly [name: string, share: number, add: (piece: Piece, random: Random) => Piece];

const withCovering = (piece: Piece, change: Partial<Piece['covering']>): Piece => ({
  ...piece,
  covering: { ...piece.covering, ...change },
});
const withBase = (piece: Piece, change: Partial<Piece['base']>): Piece => ({ ...piece, base: { ...piece.base, ...change } });

/** The named parts of a piece's edge. */
const partsOf = ({ base }: Piece, kind: EdgePart['kind']): EdgePart[] => {
  const found = baseOutline(base.shape).segments.map(({ edge }) => edge);
  return found.filter((edge, i) => edge.kind === kind && found.findIndex((other) => other.name === edge.name) === i);
};

function withEdge(piece: Piece, random: Random, change: Partial<EdgeFact>): Piece {
  const edges = partsOf(piece, 'edge');
  if (edges.length === 0) return piece;
  const { name } = pick(random, edges);
  const others = (piece.base.edges ?? []).filter(({ edge }) => edge.name !== name);
  return withBase(piece, { edges: [...others, { ...defaultsOf(EDGE_FACT), edge: edgeNamed(name), ...change } as EdgeFact] });
}

function withNotches(piece: Piece, random: Random): Piece {
  const places = [...partsOf(piece, 'corner').map(({ name }) => ({ kind: 'corner' as const, name })), ...partsOf(piece, 'edge')];
  const size = { width: whole(random, 20, 70), depth: whole(random, 20, 70) };
  const chosen = Array.from({ length: whole(random, 1, 2) }, () => pick(random, places));
  const notches = chosen
    .filter((at, i) => chosen.findIndex(({ name }) => name === at.name) === i)
    .map((at, i) => ({ id: `n-${i + 1}`, at, ...size }));
  return withBase(piece, { notches: notches as NonNullable<Piece['base']['notches']> });
}

/** A measured shape a little larger or smaller in all that it is measured by. */
function resized(shape: BaseShape, random: Random): BaseShape {
  const by = 0.85 + 0.3 * random();
  const grown = (value: unknown, key: string): unknown => {
    if (typeof value === 'number') return /angle|end$/i.test(key) ? value : Math.round(value * by);
    if (Array.isArray(value)) return value.map((item) => grown(item, key));
    if (value === null || typeof value !== 'object') return value;
    return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, grown(inner, name)]));
  };
  return grown(shape, '') as BaseShape;
}

const DETAILS: readonly Detail[] = [
  ['another size', 0.7, (piece, random) => withBase(piece, { shape: resized(piece.base.shape, random) })],
  ['another shape', 0.15, (piece, random) => withBase(piece, { shape: resized(pick(random, SHAPES).start, random) })],
  ['another way', 0.6, (piece, random) => withCovering(piece, { way: pick(random, WAYS).id })],
  ['notches', 0.3, withNotches],
  ['an edge cut short', 0.15, (piece, random) => withEdge(piece, random, { short: whole(random, 3, 20) })],
  [
    'an edge that ends in sight',
    0.12,
    (piece, random) =>
      withEdge(piece, random, { end: { ...defaultsOf<NonNullable<EdgeFact['end']>>(COVER_END), up: whole(random, 0, 20) } }),
  ],
  ['an edge against a frame', 0.1, (piece, random) => withEdge(piece, random, { against: true, visible: false })],
  ['a liner', 0.15, (piece) => withCovering(piece, { liner: true })],
  ['waterproof cloth', 0.1, (piece) => withCovering(piece, { waterproof: true })],
  ['slip film', 0.1, (piece) => withCovering(piece, { slipFilm: true })],
  ['channels', 0.12, (piece, random) => withCovering(piece, { channels: { ...STARTING.channels, width: whole(random, 30, 90) } })],
  [
    'buttons',
    0.12,
    (piece, random) =>
      withCovering(piece, {
        buttons: { ...STARTING.buttons, columns: whole(random, 2, 4), rows: whole(random, 1, 3), spacing: whole(random, 80, 140) },
      }),
  ],
  [
    'another cloth',
    0.5,
    (piece, random) => {
      const { id: _id, ...cloth } = pick(random, CLOTHS);
      void _id;
      return { ...piece, cloth: { ...piece.cloth, ...cloth } };
    },
  ],
  [
    'washed first',
    0.12,
    (piece, random) => ({
      ...piece,
      cloth: { ...piece.cloth, ready: 'washed' as const, fibre: 'cotton' as const, shrinkage: whole(random, 2, 9) },
    }),
  ],
  [
    'a correction',
    0.15,
    (piece, random) => {
      const correction = { id: 'k-1', where: null, note: '', day: '', by: whole(random, -15, 15) };
      const [part, what] = wayOf(piece.covering.way).pulled
        ? (['cover', 'width'] as const)
        : ([pick(random, ['top', 'band-1', 'band']), 'height'] as const);
      return withCovering(piece, { corrections: [{ ...correction, piece: part, what }] });
    },
  ],
  ['a set', 0.3, (piece, random) => ({ ...piece, count: whole(random, 2, 8) })],
  [
    'other allowances',
    0.3,
    (piece, random) => ({ ...piece, overrides: { ...piece.overrides, return: whole(random, 14, 30), grip: whole(random, 20, 45) } }),
  ],
  [
    'thicker padding',
    0.4,
    (piece, random) => ({
      ...piece,
      pads: piece.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness: pick(random, [25, 40, 50, 75]) } : pad)),
    }),
  ],
];

/**
 * Jobs as a workshop might take them: every kind, and on it some details of those that there are: sizes, shapes, ways, notches, edges
 * that end short or in sight, linings, channels, buttons, cloths, sets. Only those that can be planned are among them.
 *
 * @param count how many
 * @param seed which
 * @param planner checks them
 */
export function randomJobs(count: number, seed: number, planner: Pick<Planner, 'check'>): [says: string, piece: Piece][] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, k): [string, Piece] => {
    let piece = newPiece(KINDS[k % KINDS.length]!.id);
    const details: string[] = [];
    for (const [name, share, add] of DETAILS) {
      if (!chance(random, share)) continue;
      const changed = add(piece, random);
      if (planner.check(changed, {}).length > 0) continue;
      piece = changed;
      details.push(name);
    }
    return [`${k + 1}. ${piece.kind}, ${wayOf(piece.covering.way).name.toLowerCase()}: ${details.join(', ')}`, piece];
  });
}
