import type { Blank, Laid } from './blank';

/** A stretch of the line over everything that is laid: from x, so wide, that high, mm. */
type Step = { x: number; width: number; y: number };

/** Where a blank would lie: the step it begins at, how high, which way round, and what is wasted under it. */
type Spot = { at: number; y: number; width: number; height: number; turned: boolean; waste: number };

/** Nothing is nearer than this to anything else by rounding alone, mm. */
const NEAR = 1e-9;

/** A blank to lay, and which way round it must lie; either way where nothing is said. */
export type Wanted = { blank: Blank; turned: boolean | null };

/** How high a rectangle would lie that begins at a step; null where it goes beyond the side. */
function restsOn(line: readonly Step[], at: number, width: number, room: number): { y: number; waste: number } | null {
  const { x } = line[at]!;
  if (x + width > room + NEAR) return null;
  let y = 0;
  let last = at;
  for (let left = width; left > NEAR; last++) {
    y = Math.max(y, line[last]!.y);
    left -= line[last]!.width;
  }
  let waste = 0;
  for (let k = at; k < last; k++) waste += (y - line[k]!.y) * Math.min(line[k]!.width, x + width - line[k]!.x);
  return { y, waste };
}

/** The lowest place for a blank's far edge; of as low the one that wastes least under it. */
function spotFor(
  line: readonly Step[],
  { blank, turned }: Wanted,
  room: { width: number; height: number; gap: number; turn: boolean },
): Spot | null {
  let best: Spot | null = null;
  const ways = turned === null ? (room.turn ? [false, true] : [false]) : [turned && room.turn];
  for (const way of ways) {
    const [width, height] = way ? [blank.height + room.gap, blank.width + room.gap] : [blank.width + room.gap, blank.height + room.gap];
    for (let at = 0; at < line.length; at++) {
      const found = restsOn(line, at, width, room.width);
      if (!found || found.y + height > room.height + NEAR) continue;
      const top = found.y + height;
      const bestTop = best ? best.y + best.height : Infinity;
      if (top < bestTop - NEAR || (top < bestTop + NEAR && found.waste < best!.waste - NEAR))
        best = { at, y: found.y, width, height, turned: way, waste: found.waste };
    }
  }
  return best;
}

/** The line once a rectangle lies on it. */
function raised(line: readonly Step[], { at, y, width, height }: Spot): Step[] {
  const { x } = line[at]!;
  const over: Step = { x, width, y: y + height };
  const after = line.slice(at).flatMap((step): Step[] => {
    const from = Math.max(step.x, x + width);
    const left = step.x + step.width - from;
    return left > NEAR ? [{ x: from, width: left, y: step.y }] : [];
  });
  return [...line.slice(0, at), over, ...after].reduce<Step[]>((merged, step) => {
    const last = merged.at(-1);
    if (last && Math.abs(last.y - step.y) < NEAR) last.width += step.width;
    else merged.push({ ...step });
    return merged;
  }, []);
}

/**
 * Lays rectangles one after another, each where its far edge comes lowest over what lies there already.
 *
 * @param wanted in the order they are laid
 * @param room how wide and how long, mm; the gap that is left between two; whether a quarter turn is allowed
 * @returns what lies, what found no room, and the area under the line over it all, mm²
 */
export function laySkyline(
  wanted: readonly Wanted[],
  room: { width: number; height: number; gap: number; turn: boolean },
): { laid: Laid[]; left: Wanted[]; under: number } {
  const { gap } = room;
  // A gap is needed between pieces, not at the edge.
  const space = { ...room, width: room.width + gap, height: room.height + gap };
  let line: Step[] = [{ x: 0, width: space.width, y: 0 }];
  const laid: Laid[] = [];
  const left: Wanted[] = [];
  for (const item of wanted) {
    const spot = spotFor(line, item, space);
    if (!spot) {
      left.push(item);
      continue;
    }
    laid.push({
      label: item.blank.label,
      x: line[spot.at]!.x,
      y: spot.y,
      width: spot.width - gap,
      height: spot.height - gap,
      turned: spot.turned,
    });
    line = raised(line, spot);
  }
  return { laid, left, under: line.reduce((sum, { width, y }) => sum + width * y, 0) };
}
