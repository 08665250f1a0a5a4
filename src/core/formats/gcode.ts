import { offsetPolygon, polygonArea, type Point, type Polygon } from '../outline';
import { FileProblem } from '../file-problem';

/** What a cutter can do. Lengths mm, speed mm a minute. */
export type CutterLimits = { width: number; height: number; kerf: number; fastest: number };

/** Words of one line of a program. */
export type GLine = { code: string; x?: number; y?: number; f?: number };

const say = (value: number): string => (Math.round(value * 1000) / 1000).toString();

/**
 * A program for a cutter: each outline by itself, the knife down on it once round, holes before what they are in. The knife's middle
 * runs half its kerf outside of an outline and inside of a hole, so that what is cut has its size. The words are those of ISO 6983:
 * G21 mm, G90 from the bed's corner, G0 knife up, G1 cutting, M3 knife down, M5 up, M2 end.
 *
 * @param outlines closed, mm; an outline walked clockwise is a hole
 * @param options.limits of the cutter
 * @param options.feed how fast it cuts, mm a minute
 * @throws FileProblem where something lies beyond the bed or is faster than it runs
 */
export function writeGcode(outlines: readonly Polygon[], { limits, feed }: { limits: CutterLimits; feed: number }): string[] {
  if (!(feed > 0) || feed > limits.fastest) throw new FileProblem(`The cutter runs at ${limits.fastest} mm a minute at most`);
  const lines = ['G21', 'G90', 'M5'];
  const ordered = [...outlines].sort((a, b) => Number(polygonArea(a) > 0) - Number(polygonArea(b) > 0));
  for (const outline of ordered) {
    const hole = polygonArea(outline) < 0;
    const round = hole ? [...outline].reverse() : outline;
    const path = offsetPolygon(round, (hole ? -1 : 1) * (limits.kerf / 2));
    if (!path) throw new FileProblem('A hole is smaller than the knife');
    for (const [x, y] of path)
      if (x < -1e-6 || y < -1e-6 || x > limits.width + 1e-6 || y > limits.height + 1e-6)
        throw new FileProblem(`It reaches to ${say(x)}, ${say(y)}; the bed is ${limits.width} × ${limits.height}`);
    const [first] = path as [Point];
    lines.push(`G0 X${say(first[0])} Y${say(first[1])}`, 'M3');
    for (const [x, y] of [...path.slice(1), first]) lines.push(`G1 X${say(x)} Y${say(y)} F${say(feed)}`);
    lines.push('M5');
  }
  return [...lines, 'M2'];
}

const LINE = /^(G0|G1|G21|G90|M2|M3|M5)(?: X(-?\d+(?:\.\d+)?))?(?: Y(-?\d+(?:\.\d+)?))?(?: F(\d+(?:\.\d+)?))?$/;

/**
 * Reads one line of a program.
 *
 * @throws FileProblem where it is none
 */
export function readGcodeLine(line: string): GLine {
  const found = LINE.exec(line.trim());
  if (!found) throw new FileProblem(`“${line.slice(0, 40)}” is no line that this cutter knows`);
  const [, code, x, y, f] = found;
  return { code: code!, ...(x ? { x: Number(x) } : {}), ...(y ? { y: Number(y) } : {}), ...(f ? { f: Number(f) } : {}) };
}

/** What a program cuts: the lines that the knife is down on. */
export function cutsOf(lines: readonly string[]): Polygon[] {
  const cuts: Point[][] = [];
  let [x, y, down]: [number, number, boolean] = [0, 0, false];
  for (const line of lines) {
    const gcodeLine = readGcodeLine(line);
    if (gcodeLine.code === 'M3') {
      down = true;
      cuts.push([[x, y]]);
    } else if (gcodeLine.code === 'M5') down = false;
    [x, y] = [gcodeLine.x ?? x, gcodeLine.y ?? y];
    if (gcodeLine.code === 'G1' && down) cuts.at(-1)!.push([x, y]);
  }
  return cuts.filter((cut) => cut.length > 2);
}
