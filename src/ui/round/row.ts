import { isMatched } from '@/core/cover';
import type { SheetView } from '@/core/plan';
import { bounds } from '@/core/outline';
import { kindOf, type Piece } from '@/core/piece';

/** One of a set: where it stands, and by how much the pattern of each of its pieces lies elsewhere, mm. */
export type OneOfSet = { at: readonly [x: number, y: number]; pattern: ReadonlyMap<string, readonly [across: number, along: number]> };

/** As many are shown beside each other: more are the same again, and no longer told apart. */
export const MOST_SHOWN = 12;
/** Between two in a row, as a share of one. */
const BETWEEN = 0.22;
/** So many stand in one row. */
const IN_ROW = 4;

/** How many there are to be seen together: of a wall its panels. */
export function setOf(piece: Piece): number {
  return Math.min(MOST_SHOWN, piece.panels?.count ?? piece.count);
}

/** By how much the pattern lies elsewhere on the k-th of a set, as it comes off the roll: nowhere where it is matched. */
function patternOf({ plan }: SheetView, piece: Piece, k: number): OneOfSet['pattern'] {
  const { repeatAcross, repeatAlong } = piece.cloth;
  const laid = plan.cut?.cloth.laid;
  if (!laid || !plan.cover || isMatched(piece.covering) || (repeatAcross <= 0 && repeatAlong <= 0)) return new Map();
  return new Map(
    plan.cover.pieces.map(({ id, name, count }): [string, readonly [number, number]] => {
      // What is counted is cut for the whole set.
      const placed = laid.filter(({ label }) => label === name);
      const { x = 0, y = 0 } = placed[Math.min(placed.length - 1, k * Math.max(1, Math.round(count / piece.count)))] ?? {};
      return [id, [x, y]];
    }),
  );
}

/**
 * A whole set side by side, as it is judged: chairs in rows of four, panels as they hang, each with the pattern as it comes
 * off the roll. The whole stands about the middle.
 *
 * @param piece the document
 * @param view what was worked out of it; with its layout, the pattern of each is known
 */
export function sideBySide(piece: Piece, view: SheetView): OneOfSet[] {
  const count = setOf(piece);
  const { width, height } = bounds(view.plan.outline.points);
  const pitch = width * (1 + BETWEEN);
  const deep = height * (1 + 2 * BETWEEN);
  const columns = Math.min(count, IN_ROW);
  const rows = Math.ceil(count / columns);
  const { panels } = view.plan;
  return Array.from({ length: count }, (_, k): OneOfSet => {
    const pattern = patternOf(view, piece, k);
    if (panels) return { at: [panels.centres[k]!, 0], pattern };
    if (kindOf(piece.kind).traits.upright) return { at: [(k - (count - 1) / 2) * pitch, 0], pattern };
    const [c, r] = [k % columns, Math.floor(k / columns)];
    return { at: [(c - (columns - 1) / 2) * pitch, (r - (rows - 1) / 2) * deep], pattern };
  });
}
