import {
  checkShape,
  kindOf,
  newPiece,
  shapeKind,
  STARTING_SHAPES,
  withField,
  withFilledWall,
  withUnmeasured,
  type BaseShape,
  type Piece,
  type PieceKind,
  type ShapeType,
} from '../piece';
import { reshape } from './reshape';

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

/** What is narrower behind than in front begins with this share of its front, mm rounded to. */
const TAPER = 0.87;
const TAPER_TO = 5;

/** The kind's start where it is of that shape; another shape begins as large as the kind does. */
function startOf({ kind, shape }: Begun): BaseShape {
  const { start } = kindOf(kind);
  if (shape === null || shape === start.shape.type) return start.shape;
  const sized = reshape(start.shape, shape);
  // An arch over something narrow and high is no arch.
  if (checkShape(sized).length > 0) return STARTING_SHAPES[shape];
  if ('frontWidth' in sized && !('frontWidth' in start.shape))
    return { ...sized, backWidth: Math.round((sized.frontWidth * TAPER) / TAPER_TO) * TAPER_TO };
  return sized;
}

/** A cross-section that is only an example lies so far behind the last one that was measured, mm. */
const STEP_ON = 50;

/** Rows go from the front backwards: where one that is only an example is overtaken by what was measured, it makes way. */
function inOrder(rows: readonly Record<string, number>[], isTyped: (row: number) => boolean): Record<string, number>[] {
  const next = [...rows];
  for (let k = 0; k < next.length; k++) {
    if (!('at' in next[k]!) || isTyped(k)) continue;
    const before = next[k - 1]?.at ?? -Infinity;
    const typed = next.findIndex((_, i) => i > k && isTyped(i));
    const after = typed < 0 ? Infinity : next[typed]!.at!;
    if (next[k]!.at! > before && next[k]!.at! < after) continue;
    // As many as there are up to the next measured one share what lies between.
    const from = Math.max(before, 0);
    const at = Number.isFinite(after) ? from + (after - from) / (typed - k + 1) : from + STEP_ON;
    next[k] = { ...next[k]!, at: Math.round(at) };
  }
  return next;
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
  const rows = inOrder(
    table.map((row, i) => Object.fromEntries(Object.entries(row).map(([key, value]) => [key, begun.typed[`rows.${i}.${key}`] ?? value]))),
    (row) => begun.typed[`rows.${row}.at`] !== undefined,
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
  const sized = withFilledWall({
    ...piece,
    ...(piece.panels ? { panels: { ...piece.panels, count: Math.max(LEAST_PANELS, count) } } : {}),
    name: begun.name.trim() || piece.name,
    count: piece.panels ? Math.max(LEAST_PANELS, count) : count,
    base: { ...piece.base, board: { ...board, thickness: begun.thickness ?? board.thickness } },
  });
  return withUnmeasured(sized, examplesOf(begun), begun.thickness === null && !kindOf(begun.kind).traits.loose);
}
