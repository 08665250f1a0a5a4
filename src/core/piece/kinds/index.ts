import { KINDS } from './list';
import type { Kind } from './kind';
import { shapeKind, SHAPES } from '../schema/shape-kinds';
import type { ShapeType } from '../../outline/schema/shapes';

export type PieceKind = (typeof KINDS)[number]['id'];

const BY_ID = new Map<string, Kind>(KINDS.map((kind) => [kind.id, kind]));

/** A kind by its id. */
export function kindOf(id: PieceKind): Kind<PieceKind> {
  return BY_ID.get(id)! as Kind<PieceKind>;
}

/** What an edge is called on a kind of piece: what is the front of a seat is the bottom of what stands at a wall. */
export function saidEdge(id: PieceKind, edge: string): string {
  const [near, far] = kindOf(id).words;
  return edge === 'front' ? near : edge === 'back' ? far : edge;
}

/** The edge that nobody looks at, where joins and zips go: the back of a seat, the bottom of what is used upright. */
export function hiddenEdge(id: PieceKind): { name: string; along: number } {
  const { traits, words } = kindOf(id);
  return traits.upright ? { name: words[0], along: 0 } : { name: words[1], along: 0.5 };
}

/** The edge opposite the hidden one, where sewing begins. */
export function shownEdge(id: PieceKind): string {
  const { traits, words } = kindOf(id);
  return words[traits.upright ? 1 : 0];
}

/** A corner as it is said of a kind: of what hangs on a wall the front right one is the bottom right one. */
export function saidCorner(id: PieceKind, corner: string): string {
  return corner.replace(/\b(front|back)\b/, (edge) => saidEdge(id, edge));
}

/** Every shape as it is offered for a kind: those that it is usually measured as come first. */
export function shapesFor(id: PieceKind): { id: ShapeType; name: string }[] {
  const usual = kindOf(id).shapes;
  const rest = SHAPES.map(({ type }) => type).filter((type) => !usual.includes(type));
  return [...usual, ...rest].map((type) => ({ id: type, name: shapeKind(type).name }));
}

export type { Kind, Start, Traits } from './kind';
export { KINDS } from './list';
