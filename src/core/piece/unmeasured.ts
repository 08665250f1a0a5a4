import { kindOf } from './kinds';
import { fieldAt, measurementLabel, shapeKind, type Piece } from './schema';

const SHAPE = 'base.shape.';
/** The measurement beside the shape's that a new piece asks for. */
const BOARD_THICKNESS = 'base.board.thickness';

const valueAt = (piece: Piece, path: string): unknown =>
  path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown> | null | undefined)?.[key], piece);

/**
 * A changed piece without the marks of what has been measured by the change.
 *
 * @param before the piece as it was
 * @param next the piece as it is
 * @param [typed] the path that was typed: it is measured though its figure is the same
 */
export function afterMeasuring(before: Piece, next: Piece, typed: string | null = null): Piece {
  const { unmeasured = [], ...rest } = next;
  const left = unmeasured.filter(
    (path) => path !== typed && valueAt(next, path) !== undefined && valueAt(next, path) === valueAt(before, path),
  );
  if (left.length === unmeasured.length) return next;
  return left.length > 0 ? { ...rest, unmeasured: left } : rest;
}

/**
 * The measurements that nobody has typed or confirmed yet, as they are called where they are typed.
 *
 * @param piece which
 * @returns "front width", "width, row 2", "board thickness"
 */
export function unmeasuredNames(piece: Piece): string[] {
  const { fields, rows } = shapeKind(piece.base.shape.type);
  return (piece.unmeasured ?? []).map((path) => {
    if (!path.startsWith(SHAPE)) return fieldAt(path, piece).label.toLowerCase();
    const key = path.slice(SHAPE.length);
    const [, row, column] = /^rows\.(\d+)\.(.+)$/.exec(key) ?? [];
    const label =
      row === undefined ? fields.find((field) => field.key === key)?.label : rows?.columns.find((one) => one.key === column)?.label;
    const name = measurementLabel(label ?? key, kindOf(piece.kind).traits.upright);
    return `${name.toLowerCase()}${row === undefined ? '' : `, row ${Number(row) + 1}`}`;
  });
}

/** The keys of the shape's measurements that are not measured yet. */
export const unmeasuredKeys = ({ unmeasured = [] }: Piece): Set<string> =>
  new Set(unmeasured.filter((path) => path.startsWith(SHAPE)).map((path) => path.slice(SHAPE.length)));

/**
 * Marks what stands at a standard size.
 *
 * @param piece which
 * @param keys of the shape's measurements
 * @param thickness the board's thickness too
 */
export function withUnmeasured(piece: Piece, keys: Iterable<string>, thickness: boolean): Piece {
  const unmeasured = [...[...keys].map((key) => SHAPE + key), ...(thickness ? [BOARD_THICKNESS] : [])];
  return unmeasured.length > 0 ? { ...piece, unmeasured } : piece;
}
