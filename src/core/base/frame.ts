import { bounds, flatten, lineCrossings, offsetPolygon, type Outline, type Point, type Polygon } from '../outline';
import type { Frame } from '../piece';

/** A batten of a frame: its longer length, mm, and the angles its ends are cut at from square, radians. */
export type Batten = {
  name: string;
  length: number;
  mitres: [number, number];
  /** one that goes across, between the others */
  rib: boolean;
  /** where it lies, along its outer edge; a rib along its middle */
  line: [Point, Point];
};
/** What to saw: battens, and how they come out of stock lengths. */
export type FrameCuts = {
  width: number;
  thickness: number;
  battens: Batten[];
  stock: number;
  lengths: Batten[][];
  left: number[];
  tooLong: string[];
  /** three-cornered blocks in its corners: how many, and how long either leg is, mm */
  blocks: { count: number; leg: number } | null;
};

/** A stretch of outline shorter than this gets no batten of its own, mm. */
const LEAST = 60;
/** A corner sharper than this takes a block: half the turn between two battens, radians. */
const SHARP = 0.4;
/** Curves are followed by straight battens that leave them by no more than this, mm. */
const FLAT = 12;

/** The sides of an outline as straight battens: nearly straight runs of a polyline are one side. */
function sidesOf(polygon: Polygon): [Polygon[number], Polygon[number]][] {
  const n = polygon.length;
  const corners = polygon.map((p, i) => {
    const [a, b] = [polygon[(i + n - 1) % n]!, polygon[(i + 1) % n]!];
    const turn = Math.atan2(b[1] - p[1], b[0] - p[0]) - Math.atan2(p[1] - a[1], p[0] - a[0]);
    return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn)));
  });
  const at = polygon.flatMap((p, i) => (corners[i]! > 0.02 ? [p] : []));
  return at.map((p, i) => [p, at[(i + 1) % at.length]!]);
}

/** Fits battens on stock lengths, longest first, each on the first length it goes on. */
export function onStock(battens: readonly Batten[], stock: number, kerf: number): { lengths: Batten[][]; left: number[] } {
  const lengths: Batten[][] = [];
  const left: number[] = [];
  for (const batten of [...battens].sort((a, b) => b.length - a.length)) {
    let on = left.findIndex((rest) => rest >= batten.length);
    if (on < 0) {
      lengths.push([]);
      left.push(stock);
      on = lengths.length - 1;
    }
    lengths[on]!.push(batten);
    left[on] = Math.max(0, left[on]! - batten.length - kerf);
  }
  return { lengths, left };
}

/**
 * Where the ribs of a frame lie: the short way, evenly, between the insides of the frame.
 *
 * @param outer outline of the frame
 * @param frame its battens
 */
export function ribLines(outer: Polygon, frame: Pick<Frame, 'ribs' | 'width'>): [Point, Point][] {
  const box = bounds(outer);
  const upright = box.height <= box.width;
  const lines: [Point, Point][] = [];
  for (let k = 1; k <= frame.ribs; k++) {
    const share = k / (frame.ribs + 1);
    const at = upright ? box.minX + box.width * share : box.minY + box.height * share;
    const crossings = upright ? lineCrossings(outer, [at, 0], [0, 1]) : lineCrossings(outer, [0, at], [1, 0]);
    if (crossings.length < 2) continue;
    const [from, to] = [crossings[0]! + frame.width, crossings.at(-1)! - frame.width];
    if (to > from)
      lines.push(
        upright
          ? [
              [at, from],
              [at, to],
            ]
          : [
              [from, at],
              [to, at],
            ],
      );
  }
  return lines;
}

/**
 * The cut list of a frame of battens set in from the board's edge, mitred at its corners, with ribs across.
 *
 * @param outline of the base
 * @param frame the battens
 */
export function frameCuts(outline: Outline, frame: Frame): FrameCuts {
  const outer = offsetPolygon(flatten(outline, FLAT), -frame.inset);
  const battens: Batten[] = [];
  if (outer) {
    const sides = sidesOf(outer);
    const bearing = sides.map(([a, b]) => Math.atan2(b[1] - a[1], b[0] - a[0]));
    sides.forEach(([a, b], i) => {
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
      if (length < LEAST) return;
      const mitre = (from: number, to: number): number => Math.atan2(Math.sin(to - from), Math.cos(to - from)) / 2;
      const n = sides.length;
      battens.push({
        name: `side ${battens.length + 1}`,
        length,
        mitres: [mitre(bearing[(i + n - 1) % n]!, bearing[i]!), mitre(bearing[i]!, bearing[(i + 1) % n]!)],
        rib: false,
        line: [a, b],
      });
    });
    ribLines(outer, frame).forEach(([a, b], k) =>
      battens.push({ name: `rib ${k + 1}`, length: Math.hypot(b[0] - a[0], b[1] - a[1]), mitres: [0, 0], rib: true, line: [a, b] }),
    );
  }
  // One sits where two battens meet: on a round frame's short sides none finds room.
  const corners = battens.filter(({ mitres: [, end] }) => Math.abs(end) > SHARP).length;
  const fits = battens.filter((batten) => batten.length <= frame.stock);
  return {
    width: frame.width,
    thickness: frame.thickness,
    battens,
    stock: frame.stock,
    ...onStock(fits, frame.stock, frame.kerf),
    tooLong: battens.filter((batten) => batten.length > frame.stock).map((batten) => batten.name),
    blocks: frame.blocks && corners > 0 ? { count: corners, leg: frame.blocks } : null,
  };
}

/** What battens are sawn from, kg/m³. */
const SOFTWOOD = 480;

/**
 * What a frame weighs: its battens, and half a square for every corner block.
 *
 * @param cuts of the frame
 * @returns kg
 */
export function frameMass({ battens, width, thickness, blocks }: Pick<FrameCuts, 'battens' | 'width' | 'thickness' | 'blocks'>): number {
  const long = battens.reduce((sum, { length }) => sum + length, 0);
  const corners = blocks ? (blocks.count * blocks.leg ** 2) / 2 : 0;
  return (long * width + corners) * thickness * 1e-9 * SOFTWOOD;
}
