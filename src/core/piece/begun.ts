import { kindOf, type PieceKind } from './kinds';
import { withFilledWall } from './checks';
import { newPiece } from './new-piece';
import { shapeKind, STARTING_SHAPES, withField, type BaseShape, type Piece, type ShapeType } from './schema';

/** A piece that is being begun: what was chosen, and what was typed so far. Figures by their key, mm and radians. */
export type Begun = {
  kind: PieceKind;
  shape: ShapeType | null;
  name: string;
  count: number | null;
  thickness: number | null;
  typed: Readonly<Record<string, number>>;
  /** how points are joined, and rows that were added or taken out, where the shape has a table */
  join?: 'straight' | 'smooth';
  rows?: readonly Record<string, number>[];
};

/** One panel is a headboard: a wall of them has at least so many. */
const LEAST_PANELS = 2;

/** Measurements that are the same thing under another name. */
const ALIKE: readonly (readonly string[])[] = [
  ['width', 'frontWidth', 'diameter'],
  ['depth', 'height'],
];

/** The figure that was typed for a measurement, under its own name or one that means the same. */
function typedFor(key: string, { typed }: Begun): number | undefined {
  if (typed[key] !== undefined) return typed[key];
  const other = ALIKE.find((names) => names.includes(key))?.find((name) => typed[name] !== undefined);
  return other === undefined ? undefined : typed[other];
}

/** The kind's own start where it is of that shape; the shape's otherwise. */
function startOf({ kind, shape }: Begun): BaseShape {
  const { start } = kindOf(kind);
  return shape === null || shape === start.shape.type ? start.shape : STARTING_SHAPES[shape];
}

/** The shape with every figure that was typed for it; what was not is as the kind usually starts. */
export function begunShape(begun: Begun): BaseShape {
  const start = startOf(begun);
  const shape = shapeKind(start.type).fields.reduce((result, { key }) => {
    const value = typedFor(key, begun);
    return value === undefined ? result : withField(result, key, value);
  }, start);
  if (!('rows' in shape)) return shape;
  const table = begun.rows ?? (shape.rows as unknown as Record<string, number>[]);
  const rows = table.map((row, i) =>
    Object.fromEntries(Object.entries(row).map(([key, value]) => [key, begun.typed[`rows.${i}.${key}`] ?? value])),
  );
  return { ...shape, ...('join' in shape && begun.join ? { join: begun.join } : {}), rows } as unknown as BaseShape;
}

/** Which measurements of its shape nobody has typed yet: they are examples. */
export function examplesOf(begun: Begun): Set<string> {
  const shape = begunShape(begun);
  const keys = shapeKind(shape.type)
    .fields.map(({ key }) => key)
    .filter((key) => typedFor(key, begun) === undefined);
  const rows = 'rows' in shape ? (shape.rows as unknown as Record<string, number>[]) : [];
  const cells = rows.flatMap((row, i) => Object.keys(row).map((key) => `rows.${i}.${key}`));
  return new Set([...keys, ...cells.filter((key) => begun.typed[key] === undefined)]);
}

/**
 * The piece that is being begun. A kind or shape that is changed keeps what was typed; how its cloth lies is decided by
 * the sizes it has now.
 *
 * @param begun what was chosen and typed
 */
export function begunPiece(begun: Begun): Piece {
  const piece = newPiece(begun.kind, begunShape(begun));
  const { board } = piece.base;
  const count = begun.count ?? piece.count;
  // Number and board were measured: the wall is what they fill.
  return withFilledWall({
    ...piece,
    ...(piece.panels ? { panels: { ...piece.panels, count: Math.max(LEAST_PANELS, count) } } : {}),
    name: begun.name.trim() || piece.name,
    count: piece.panels ? Math.max(LEAST_PANELS, count) : count,
    base: { ...piece.base, board: { ...board, thickness: begun.thickness ?? board.thickness } },
  });
}
