import { newPiece, type BaseShape, type Piece } from '../core/piece';
import { planPiece, type Plan } from '../core/plan';
import { sizesOf } from '../core/sizes';
import type { Goods } from '../core/inspection';
import { sharedPlanner } from './quick';

/** Sound plans, and what is needed to break one thing on them. */

export type Subject = { plan: Plan; sizes: Goods[] };
export type Part = Plan['cover']['pieces'][number];
export type Place = readonly [number, number];

function subject(piece: Piece): Subject {
  const plan = planPiece(piece, {}, { sits: false, planner: sharedPlanner });
  return structuredClone({ plan, sizes: sizesOf(plan, piece, {}) as Goods[] });
}

const chair = newPiece('chair-seat');
const cushion = newPiece('seat-cushion');
const withShape = (shape: BaseShape): Piece => ({ ...chair, base: { ...chair.base, shape } });
const L_SHAPE: BaseShape = {
  type: 'drawn',
  mirrored: false,
  nodes: (
    [
      [-350, -250],
      [350, -250],
      [350, 50],
      [-50, 50],
      [-50, 400],
      [-350, 400],
    ] as const
  ).map(([x, y]) => ({ x, y, radius: 0, to: { kind: 'line' as const } })),
};

/** Sound plans, each of which has what is broken on it. */
export const SOUND = {
  pulled: { ...chair, covering: { ...chair.covering, liner: true, waterproof: true, slipFilm: true } },
  boxed: { ...chair, covering: { ...chair.covering, way: 'boxed' } },
  quilted: {
    ...chair,
    covering: {
      ...chair.covering,
      way: 'boxed',
      channels: { width: 40, run: 'front-to-back', lay: 'straight', centre: 'channel', backing: 5, swatch: null },
    },
  },
  inside: withShape(L_SHAPE),
  notched: {
    ...chair,
    base: {
      ...chair.base,
      notches: [{ id: 'n-1', at: { kind: 'edge', name: 'front', along: 0 }, width: 50, depth: 40 }] as Piece['base']['notches'] & object,
    },
  },
  hollow: withShape({ type: 'kidney', width: 700, depth: 420, hollow: 40 }),
  sawn: { ...chair, count: 3, base: { ...chair.base, board: { ...chair.base.board, made: 'sawn' } } },
  loose: { ...cushion, covering: { ...cushion.covering, liner: true } },
  set: { ...newPiece('bench'), count: 4 },
} satisfies Record<string, Piece>;

/** One thing broken on a sound plan, and the checks that may find it: the first of them does. */
export type Broken = readonly [
  what: string,
  on: keyof typeof SOUND,
  breaks: (found: Subject) => void,
  checks: readonly [string, ...string[]],
];

const subjects = new Map<keyof typeof SOUND, Subject>();
/** A sound plan of its own for whoever breaks it. */
export const soundOf = (name: keyof typeof SOUND): Subject => {
  if (!subjects.has(name)) subjects.set(name, subject(SOUND[name]));
  return structuredClone(subjects.get(name)!);
};

export const coverOf = ({ plan }: Subject): Part => plan.cover.pieces[0]!;
export const partOf = ({ plan }: Subject, role: Part['role']): Part => plan.cover.pieces.find((part) => part.role === role)!;
export const mapPoints = (points: readonly Place[], by: (place: Place) => Place): Place[] => points.map(by);
export const shrunk = (points: readonly Place[], by: number): Place[] =>
  mapPoints(points, ([x, y]) => [x - Math.sign(x) * by, y - Math.sign(y) * by]);
/** The size and area that a part's outline has, put down. */
export function measured(part: { outline: readonly Place[]; width: number; height: number; area: number }): void {
  const [xs, ys] = [part.outline.map(([x]) => x), part.outline.map(([, y]) => y)];
  part.width = Math.max(...xs) - Math.min(...xs);
  part.height = Math.max(...ys) - Math.min(...ys);
  const twice = part.outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = part.outline[(i + 1) % part.outline.length]!;
    return sum + x * ny - nx * y;
  }, 0);
  part.area = Math.abs(twice / 2);
}
export const cutLines = (found: Subject): Part['lines'] => coverOf(found).lines.filter(({ kind }) => kind === 'cut');
export const liningOf = ({ plan }: Subject, material: string): Plan['cover']['linings'][number] =>
  plan.cover.linings.find((lining) => lining.material === material)!;
export const staples = ({ plan }: Subject): Plan['fixing']['fasteners'][number] => plan.fixing.fasteners[0]!;
export const set = <T extends object>(item: T, change: Partial<T>): void => void Object.assign(item, change);
