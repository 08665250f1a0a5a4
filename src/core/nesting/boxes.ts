import type { ReadyShape } from './filling';
import type { LayPlace, LayTask } from './types';

/** A level stretch of what is filled so far. */
type Level = { x: number; width: number; y: number };

/** Two lengths this near are one, mm. */
const SAME = 0.02;
/** How well a piece fills a hollow; ties go by the order. */
const FIT = { none: -1, some: 0, wall: 1, width: 2, overWall: 3, exact: 4 } as const;

/** How a piece of that size fits into a hollow between a wall to the left and one to the right. */
function fitOf(width: number, height: number, hollow: number, left: number, right: number): number {
  if (width > hollow + SAME) return FIT.none;
  const wall = Math.max(left, right);
  const level = Math.abs(height - left) < SAME || Math.abs(height - right) < SAME;
  if (Math.abs(width - hollow) < SAME) {
    if (level) return FIT.exact;
    return height > wall ? FIT.overWall : FIT.width;
  }
  return level ? FIT.wall : FIT.some;
}

/** Whether a task is nothing but boxes on plain rolls and sheets: those can be laid far faster. */
export function onlyBoxes(ready: readonly ReadyShape[], { stock, fresh, locked, repeat }: LayTask): boolean {
  return (
    locked.length === 0 &&
    repeat === null &&
    [...stock, fresh].every(({ flaws, outline }) => flaws.length === 0 && outline === null) &&
    ready.every(({ ways }) => ways.every(({ box, motif }) => box && motif === null))
  );
}

/**
 * Fills one roll or sheet with boxes: the lowest hollow first, into it the piece that fits it best, in the order given where several
 * do. Source: the scoring of hollows by which strips are packed, and orders tried at random (docs/models.md, "Cutting").
 *
 * @param order indices of shapes, and the only way round each is tried
 * @param ready the shapes
 * @param on.width of the roll, mm
 * @param on.length of it, null as long as is needed
 * @param on.gap between two, mm
 * @param [on.spare] so much may be wasted below what is laid before it is given up, mm²
 * @returns what was laid, and of the order what was not
 */
export function fillBoxes(
  order: readonly { at: number; way: number | undefined }[],
  ready: readonly ReadyShape[],
  on: { width: number; length: number | null; gap: number; spare?: number },
): { places: Omit<LayPlace, 'bin'>[]; rest: { at: number; way: number | undefined }[]; top: number } {
  const { width, length, gap } = on;
  let spare = on.spare ?? Infinity;
  const levels: Level[] = [{ x: 0, width: width + gap, y: 0 }];
  const most = length === null ? Infinity : length + gap;
  const rest = [...order];
  const places: Omit<LayPlace, 'bin'>[] = [];
  let top = 0;
  while (rest.length > 0) {
    let at = 0;
    for (let k = 1; k < levels.length; k++) if (levels[k]!.y < levels[at]!.y - SAME) at = k;
    const level = levels[at]!;
    if (level.y >= most) break;
    const left = at > 0 ? levels[at - 1]!.y - level.y : Infinity;
    const right = at + 1 < levels.length ? levels[at + 1]!.y - level.y : Infinity;
    let [best, which, turn]: [number, number, number] = [FIT.none, -1, 0];
    for (let k = 0; k < rest.length && best < FIT.exact; k++) {
      const { at: shape, way } = rest[k]!;
      const { ways } = ready[shape]!;
      for (let w = way === undefined ? 0 : way % ways.length; w < ways.length; w++) {
        const one = ways[w]!;
        if (level.y + one.height + gap <= most + SAME) {
          const fit = fitOf(one.width + gap, one.height + gap, level.width, left, right);
          if (fit > best) [best, which, turn] = [fit, k, w];
        }
        if (way !== undefined) break;
      }
    }
    if (which < 0) {
      // Nothing goes in: the hollow is filled up to the lower of its walls.
      const up = Math.min(left, right);
      if (!Number.isFinite(up)) break;
      level.y += up;
      if ((spare -= level.width * up) < 0) break;
      merge(levels, at);
      continue;
    }
    const { at: shape } = rest.splice(which, 1)[0]!;
    const piece = ready[shape]!.ways[turn]!;
    const [w, h] = [piece.width + gap, piece.height + gap];
    // Against the higher wall, unless it is level with the other one.
    const toLeft = Math.abs(h - right) < SAME ? Math.abs(h - left) < SAME || left >= right : left >= right || Math.abs(h - left) < SAME;
    const x = toLeft ? level.x : level.x + level.width - w;
    places.push({ key: ready[shape]!.shape.key, x: Math.max(0, x), y: level.y, turn: piece.turn });
    top = Math.max(top, level.y + piece.height);
    const over: Level = { x, width: w, y: level.y + h };
    const beside: Level = { x: toLeft ? level.x + w : level.x, width: level.width - w, y: level.y };
    levels.splice(at, 1, ...(beside.width > SAME ? (toLeft ? [over, beside] : [beside, over]) : [over]));
    merge(levels, levels.indexOf(over));
  }
  return { places, rest, top };
}

/** A level and those beside it that lie as high become one. */
function merge(levels: Level[], at: number): void {
  for (const k of [at, at - 1]) {
    const [one, two] = [levels[k], levels[k + 1]];
    if (!one || !two || Math.abs(one.y - two.y) > SAME) continue;
    levels.splice(k, 2, { x: one.x, width: one.width + two.width, y: Math.max(one.y, two.y) });
  }
}
