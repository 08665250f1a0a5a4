import type { Panels } from '../piece';

/** A cleat on a panel, seen from the front, from its middle to the right and from its top edge down, mm. */
export type Cleat = { panel: number; x: number; down: number };

/** How panels hang: where their cleats are screwed on, and where their other halves go on the wall. */
export type Hanging = {
  cleats: Cleat[];
  /** the level line of the cleats, below the panels' top edges, mm */
  line: number;
  /** on that line, from the middle of the wall, left to right, mm */
  wall: number[];
  /** the longest screw that does not come through into the pad, mm; null where none on sale is short enough */
  screw: number | null;
};

/** Cleats lie this share of the height below the top: above the middle, so that nothing tips forward. */
const DOWN = 0.2;
/** Never nearer the top edge or farther from it than this, mm: clear of staples, within reach. */
const LEAST_DOWN = 50;
const MOST_DOWN = 150;
/** A cleat stands clear of the edge of its panel by this much, mm: half a cleat and the rows of staples. */
export const CLEAR = 45;
/** Wood screws on sale, mm, and how far short of the face their points stop. */
const SCREWS = [8, 10, 12, 16, 20, 25, 30, 40] as const;
const SHORT = 1.5;

/** Even places over a width, from its middle. */
const evenly = (count: number, width: number): number[] => Array.from({ length: count }, (_, k) => ((k + 0.5) / count - 0.5) * width);

/**
 * Where cleats go: on one level line, evenly over each panel, or over all of them where they are joined.
 *
 * @param panels the wall
 * @param layout middles of the panels from the middle of the wall, and their covered width, mm
 * @param height of a panel, mm
 * @param depth of wood behind the pad that a screw can go into, mm
 */
export function hangingOf(
  panels: Panels,
  { centres, width }: { centres: readonly number[]; width: number },
  height: number,
  depth: number,
): Hanging {
  const line = Math.round(Math.min(MOST_DOWN, Math.max(LEAST_DOWN, height * DOWN), height / 2));
  const room = Math.max(0, width / 2 - CLEAR);
  const within = (x: number): number => Math.min(room, Math.max(-room, x));
  const cleats =
    panels.mounting === 'joined'
      ? evenly(panels.cleats, centres.length * width + (centres.length - 1) * panels.gap).map((at): Cleat => {
          const panel = centres.reduce((best, x, k) => (Math.abs(x - at) < Math.abs(centres[best]! - at) ? k : best), 0);
          // They sit on the battens that run across all of them: a joint under one is no harm.
          return { panel, x: at - centres[panel]!, down: line };
        })
      : centres.flatMap((_, panel) => evenly(panels.cleats, width).map((x): Cleat => ({ panel, x: within(x), down: line })));
  return {
    cleats,
    line,
    wall: cleats.map(({ panel, x }) => centres[panel]! + x).sort((a, b) => a - b),
    screw: SCREWS.filter((screw) => screw <= depth - SHORT).at(-1) ?? null,
  };
}
