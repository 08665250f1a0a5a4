import { bounds, type Point, type Polygon } from '../outline';
import { POCKET_SIZE, type Pocket, type SatPhoto } from '../piece';
import { MAT_SIDE, type MatFrame } from './mat-frame';

/** Where somebody sat: the middle, and how far what presses reaches, mm. */
export type SeatPlace = { x: number; y: number; width: number; length: number };

/** What presses at least so much of the most is what a pocket is let in for. */
const PRESSES = 0.5;
/** A pocket stands out so far beyond what presses: the flesh beside the bones needs room too. */
const ROOM = 25;
/** Less than so much is nobody, kPa. */
const NOBODY = 2;

/**
 * Where a pressure mat says that somebody sat: the cells that press with at least half the highest pressure, which under a
 * sitter are those of both seat bones, and room beside them.
 *
 * @param frame of the mat
 * @param middle where the mat's middle lies on the plan
 * @returns null where nobody sat on it
 */
export function satOnMat({ cell, kPa }: MatFrame, middle: Point): SeatPlace | null {
  const most = kPa.reduce((high, p) => Math.max(high, p), 0);
  if (most < NOBODY) return null;
  const cells = kPa.flatMap((p, i) => (p >= PRESSES * most ? [[i % MAT_SIDE, Math.floor(i / MAT_SIDE)] as const] : []));
  const [us, vs] = [cells.map(([u]) => u), cells.map(([, v]) => v)];
  const span = (all: readonly number[]): { middle: number; wide: number } => {
    const [low, high] = [Math.min(...all), Math.max(...all) + 1];
    return { middle: ((low + high) / 2 - MAT_SIDE / 2) * cell, wide: (high - low) * cell };
  };
  const [across, along] = [span(us), span(vs)];
  return {
    x: Math.round(middle[0] + across.middle),
    y: Math.round(middle[1] + along.middle),
    width: Math.round(across.wide + 2 * ROOM),
    length: Math.round(along.wide + 2 * ROOM),
  };
}

/** A seat bone presses on about so much across, mm. */
const BONE = 60;

/**
 * Where somebody sat by two marks, one of each seat bone: chalk on the old cover, or two hollows in it.
 *
 * @param one mark on the plan
 * @param other the second
 * @returns the pocket for both
 */
export function satOnMarks(one: Point, other: Point): SeatPlace {
  const separation = Math.hypot(other[0] - one[0], other[1] - one[1]);
  return {
    x: Math.round((one[0] + other[0]) / 2),
    y: Math.round((one[1] + other[1]) / 2),
    width: Math.round(separation + BONE + 2 * ROOM),
    length: Math.round(2 * BONE + 2 * ROOM),
  };
}

/**
 * Takes a photo from straight above to the plan by two places that are seen on it and known on the plan: a turn, a scale and
 * a shift.
 *
 * @param seen two places of the photo, dots, y down
 * @param known where they lie on the plan, mm, y up
 * @returns null where the two places lie on each other
 */
export function fromAbove(seen: readonly [Point, Point], known: readonly [Point, Point]): ((dot: Point) => Point) | null {
  const up = ([u, v]: Point): Point => [u, -v];
  const [a, b] = [up(seen[0]), up(seen[1])];
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const [kx, ky] = [known[1][0] - known[0][0], known[1][1] - known[0][1]];
  const far = dx * dx + dy * dy;
  if (far < 1) return null;
  const [cos, sin] = [(kx * dx + ky * dy) / far, (ky * dx - kx * dy) / far];
  return (dot) => {
    const [u, v] = up(dot);
    const [x, y] = [u - a[0], v - a[1]];
    return [known[0][0] + cos * x - sin * y, known[0][1] + sin * x + cos * y];
  };
}

/**
 * Where somebody sat by a photo from straight above.
 *
 * @param sat the photo's marks: the middles of front and back edge, then both seat bones
 * @param board its outline on the plan: those middles lie where its middle line meets it
 * @returns the place, or in words what is to be marked next
 */
export function satInPhoto({ marks, points }: Pick<SatPhoto, 'marks' | 'points'>, board: Polygon): SeatPlace | string {
  const next = ['the middle of the front edge', 'the middle of the back edge', 'one seat bone’s mark', 'the other seat bone’s mark'];
  const done = marks.length + points.length;
  if (done < next.length) return `Mark ${next[done]!}`;
  const { minX, maxX } = bounds(board);
  const middle = (minX + maxX) / 2;
  const across = board.flatMap(([x, y], i): number[] => {
    const [u, v] = board[(i + 1) % board.length]!;
    return x <= middle !== u <= middle ? [y + ((v - y) * (middle - x)) / (u - x)] : [];
  });
  const [front, back] = [Math.min(...across), Math.max(...across)].map((y): Point => [middle, y]);
  const map = fromAbove([marks[0]!, marks[1]!], [front!, back!]);
  if (!map) return 'Front and back are marked at one place: undo the marks';
  return satOnMarks(map(points[0]!), map(points[1]!));
}

/**
 * A pocket moved to where somebody sat, as large as that asks, its blend no wider than it can be.
 *
 * @param pocket as it was
 * @param sat where somebody sat
 */
export function pocketAt(pocket: Pocket, { x, y, width, length }: SeatPlace): Pocket {
  const [least, most] = POCKET_SIZE;
  const within = (mm: number): number => Math.min(most, Math.max(least, mm));
  const item = { ...pocket, x, y, width: within(width), length: within(length) };
  return item.blend ? { ...item, blend: Math.min(item.blend, Math.floor(Math.min(item.width, item.length) / 2)) } : item;
}
