import { differenceD, FillRule, intersectD, inflatePathsD, EndType, JoinType } from 'clipper2-ts';
import { polygonArea, type Point, type Polygon } from '../outline';
import { turned } from './turned';
import type { LayBin, LayFlaw, LayPlace, LayRepeat, LayShape } from './types';

/** What is wrong with a lay, by the piece that it is wrong with. */
export type LayFault = { key: string; kind: 'overlap' | 'outside' | 'flaw' | 'repeat' | 'turned' | 'missing'; other?: string };

type Path = { x: number; y: number }[];
const pathOf = (ring: Polygon): Path => ring.map(([x, y]) => ({ x, y }));
const areaOf = (rings: Path[]): number =>
  rings.reduce((sum, ring) => sum + Math.abs(polygonArea(ring.map(({ x, y }): Point => [x, y]))), 0);

/** An area smaller than this is the clipping library's own rounding, mm². */
const NOTHING = 3;
/** A motif may lie so far off its repeat, mm. */
const OFF = 0.5;

/** Where a piece lies: its outline on the roll or sheet. */
export function laidOutline(shape: Pick<LayShape, 'outline'>, { x, y, turn }: Pick<LayPlace, 'x' | 'y' | 'turn'>): Polygon {
  return turned(shape.outline, turn).outline.map(([px, py]): Point => [px + x, py + y]);
}

const rectangle = ({ x, y, width, height }: LayFlaw): Polygon => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
];

/** Far beyond any roll, mm. */
const ENDLESS = 10_000_000;

/**
 * What is wrong with a lay, looked at by a clipping library that had no part in finding it: pieces over each other or nearer than
 * they may be, beyond the edge, over a flaw, off the repeat, turned as they may not be, or not laid at all.
 *
 * @param shapes all that must be laid
 * @param bins what they lie on
 * @param places where
 * @param options.gap between two, mm
 * @param options.repeat how the pattern is matched
 * @param [options.all] false lets pieces be missing: while one is still laying
 */
export function layFaults(
  shapes: readonly LayShape[],
  bins: readonly LayBin[],
  places: readonly LayPlace[],
  { gap, repeat, all = true }: { gap: number; repeat: LayRepeat | null; all?: boolean },
): LayFault[] {
  const byKey = new Map(shapes.map((shape) => [shape.key, shape]));
  const faults: LayFault[] = [];
  const laid = places.flatMap((place) => {
    const shape = byKey.get(place.key);
    if (!shape) return [];
    const outline = laidOutline(shape, place);
    const xs = outline.map(([x]) => x);
    const ys = outline.map(([, y]) => y);
    return [{ place, shape, outline, box: [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)] as const }];
  });
  if (all) {
    const there = new Set(laid.map(({ place }) => place.key));
    for (const { key } of shapes) if (!there.has(key)) faults.push({ key, kind: 'missing' });
  }
  // Half of what must be left between two is taken round each, a hair less for the library's rounding.
  const round = Math.max(0, gap / 2 - 0.05);
  const grown = (outline: Polygon): Path[] =>
    round > 0 ? inflatePathsD([pathOf(outline)], round, JoinType.Round, EndType.Polygon, 2, 4) : [pathOf(outline)];
  laid.forEach((item, at) => {
    const { place, shape, outline, box } = item;
    const bin = bins[place.bin];
    const key = place.key;
    if (!bin) return void faults.push({ key, kind: 'outside' });
    if (!shape.turns.includes(place.turn)) faults.push({ key, kind: 'turned' });
    const edge = bin.outline ?? rectangle({ x: 0, y: 0, width: bin.width, height: bin.length ?? ENDLESS });
    if (areaOf(differenceD([pathOf(outline)], [pathOf(edge)], FillRule.NonZero, 4)) > NOTHING) faults.push({ key, kind: 'outside' });
    for (const flaw of bin.flaws)
      if (areaOf(intersectD([pathOf(outline)], [pathOf(rectangle(flaw))], FillRule.NonZero, 4)) > NOTHING) {
        faults.push({ key, kind: 'flaw' });
        break;
      }
    if (repeat && shape.motif) {
      const motif = turned(shape.outline, place.turn, shape.motif).point!;
      const off = (value: number, every: number): number => {
        if (every <= 0) return 0;
        const rest = (((value - (repeat.between ? every / 2 : 0)) % every) + every) % every;
        return Math.min(rest, every - rest);
      };
      if (off(place.x + motif[0], repeat.across) > OFF || off(place.y + motif[1], repeat.along) > OFF) faults.push({ key, kind: 'repeat' });
    }
    for (const other of laid.slice(at + 1)) {
      if (other.place.bin !== place.bin) continue;
      if (box[0] > other.box[2] + gap || other.box[0] > box[2] + gap || box[1] > other.box[3] + gap || other.box[1] > box[3] + gap)
        continue;
      if (areaOf(intersectD(grown(outline), grown(other.outline), FillRule.NonZero, 4)) > NOTHING)
        faults.push({ key, kind: 'overlap', other: other.place.key });
    }
  });
  return faults;
}
