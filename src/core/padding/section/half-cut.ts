import { bounds, lineEllipse, type Point } from '../../outline';
import { formOf } from '../../pad-forms';
import { rimOf } from '../../pad-rims';
import { letInDepth, letInto, thickest } from '../../piece';
import { foamLaw, type Layer, type StackCut } from '../../mechanics/section';
import type { BuiltPad, Stack } from '../model';
import { stackAt } from '../pads/stack';

/** A line through the plan on which a stack is cut: where x = 0 lies, which way x grows. */
export type CutLine = { origin: Point; direction: Point };

/** Thinner than this a layer is not meshed, mm: a dome's rim ends in nothing. */
const THIN = 0.5;

/** Far from any edge the columns are as wide as this at most, mm; a curve's chords are then true to 0.1 mm. */
const WIDEST = 12;

/** Coordinates of a cut are rounded to this, mm: two cuts that are mirror images then are one problem. */
const HAIR = 2 ** -20;

function tidied(values: Float64Array): Float64Array {
  return values.map((v) => Math.round(v / HAIR) * HAIR);
}

/** Wanted side of a triangle for a stack of that height, mm. */
export function elementFor(height: number, coarse: boolean): number {
  const fine = height > 80 ? height / 16 : Math.min(5, Math.max(1, height / 6));
  return coarse ? fine * 2 : fine;
}

/** Places where columns must stand, and whether the foam bends sharply there. */
type Feature = { x: number; sharp: boolean };

/** Columns from the rim inwards, close together where the foam bends, wider towards the middle. */
function columns(features: readonly Feature[], end: number, element: number, zone: number): Float64Array {
  const sharp = features.filter((f) => f.sharp);
  const size = (x: number): number =>
    Math.min(WIDEST, ...sharp.map((f) => element + 0.25 * Math.max(0, Math.abs(x - f.x) - zone)), Math.max(element, WIDEST));
  const stops = [
    ...new Set([0, ...features.map((f) => f.x).filter((x) => x > 0.05 && x < end - 1e-6), end].map((x) => Math.round(x * 1e6) / 1e6)),
  ]
    .sort((a, b) => a - b)
    // Two stops nearer than a hair would make a sliver.
    .filter((x, i, all) => i === 0 || x - all[i - 1]! > 0.05);
  if (stops.at(-1)! < end - 1e-6) stops[stops.length - 1] = end;
  const xs: number[] = [stops[0]!];
  for (let i = 1; i < stops.length; i++) {
    const [a, b] = [stops[i - 1]!, stops[i]!];
    const looks = 16;
    let wanted = 0;
    const share = [0];
    for (let k = 0; k < looks; k++) {
      wanted += (b - a) / looks / size(a + ((b - a) * (k + 0.5)) / looks);
      share.push(wanted);
    }
    const n = Math.max(1, Math.round(wanted));
    for (let k = 1; k <= n; k++) {
      const at = (wanted * k) / n;
      let j = 1;
      while (j < looks && share[j]! < at) j++;
      const t = (at - share[j - 1]!) / (share[j]! - share[j - 1]!);
      xs.push(k === n ? b : a + ((b - a) * (j - 1 + t)) / looks);
    }
  }
  return Float64Array.from(xs);
}

/** Half of a cut: where it begins on its line and which way it goes, the board's end there, and where each pad lies. */
export type HalfLine = {
  line: CutLine;
  /** x of the half's middle */
  from: number;
  sign: 1 | -1;
  /** x of the board's edge on that side */
  boardEnd: number;
  /** where each pad lies on the line, null where it does not */
  runs: readonly (readonly [number, number] | null)[];
};

type Span = [number, number] | null;

/** A band takes in foam that stands out, and spans what falls short, by so much at most, as much as is usual, mm. */
export const TAKEN_IN = 12;

/**
 * Where the seam of a band lies: over the board's edge, or farther out where all the foam does.
 *
 * @param ends where each layer ends, mm from the half's middle
 * @param edgeX where the board does
 */
export function bandX(ends: readonly number[], edgeX: number): number {
  const least = Math.min(Infinity, ...ends.filter((end) => end >= edgeX));
  return Number.isFinite(least) ? Math.max(edgeX, least - TAKEN_IN) : edgeX;
}

/** Places of a half where columns must stand: rims, the ends of what is worked there, pockets. */
function featuresOf(stack: Stack, spans: readonly Span[], edgeX: number, at: (u: number) => Point): Feature[] {
  const features: Feature[] = [{ x: edgeX, sharp: true }];
  if (stack.boxed) {
    const ends = spans.flatMap((span) => (span ? [span[1]] : []));
    features.push({ x: bandX(ends, edgeX), sharp: true });
  }
  spans.forEach((span, k) => {
    if (!span) return;
    const { pad, polygon } = stack.pads[k]!;
    const rim = rimOf(pad.edge);
    const { soft } = rim;
    const rimReach = rim.reach(pad.edge, 0);
    const covered = stack.pads.slice(k + 1).some((_, i) => spans[k + 1 + i]);
    features.push({ x: span[1], sharp: !soft || !covered });
    if (span[0] > 0) features.push({ x: span[0], sharp: !soft });
    if (rimReach > 0) features.push({ x: span[1] - rimReach, sharp: false });
    for (const pocket of letInto(pad)) {
      for (const x of lineEllipse(pocket, at(0), at(1))) features.push({ x, sharp: false });
      const floor = { ...pocket, width: pocket.width - 2 * (pocket.blend ?? 0), length: pocket.length - 2 * (pocket.blend ?? 0) };
      if (pocket.blend && Math.min(floor.width, floor.length) > 1)
        for (const x of lineEllipse(floor, at(0), at(1))) features.push({ x, sharp: false });
    }
    if (pad.profile) features.push(...formOf(pad.profile).bends(pad.profile, at, bounds(polygon)));
  });
  return features;
}

type Filled = { base: Float64Array; lower: Float64Array[]; upper: Float64Array[]; there: { from: number; to: number }[] };

/** The heights of every pad at every column. */
function filled(stack: Stack, spans: readonly Span[], x: Float64Array, at: (u: number) => Point): Filled {
  const n = x.length;
  const base = new Float64Array(n);
  const lower = stack.pads.map(() => new Float64Array(n));
  const upper = stack.pads.map(() => new Float64Array(n));
  const there = stack.pads.map(() => ({ from: -1, to: -1 }));
  for (let i = 0; i < n; i++) {
    const { pads, base: level } = stackAt(
      stack,
      at(x[i]!),
      (k) => spans[k] !== null && x[i]! >= spans[k]![0] - 1e-6 && x[i]! <= spans[k]![1] + 1e-6,
    );
    base[i] = level;
    let raised = 0;
    pads.forEach((pad, k) => {
      if (!pad) return;
      // What is too thin to mesh is made as thick as can be, and lifts what lies on it.
      lower[k]![i] = pad.lower + raised;
      const thickness = pad.upper - pad.lower;
      raised += Math.max(0, THIN - thickness);
      upper[k]![i] = pad.lower + raised + thickness;
      if (there[k]!.from < 0) there[k]!.from = i;
      there[k]!.to = i;
    });
  }
  return { base: tidied(base), lower: lower.map(tidied), upper: upper.map(tidied), there };
}

function layerOf(built: BuiltPad, k: number, { there, lower, upper }: Filled, x: Float64Array, at: (u: number) => Point): Layer {
  const layer: Layer = { ...there[k]!, lower: lower[k]!, upper: upper[k]!, law: foamLaw(built.answer.curve) };
  const letIn = built.letIn.flatMap(({ pocket, answer }) => {
    const deep = Float64Array.from(x, (value, i) => (i + 1 < x.length ? letInDepth(pocket, at((value + x[i + 1]!) / 2)) : 0));
    return deep.some((value) => value > 0) ? [{ deep, law: foamLaw(answer.curve) }] : [];
  });
  return letIn.length > 0 ? { ...layer, letIn } : layer;
}

/**
 * Cuts the stack from a place on a line outwards to the board's edge and whatever stands beyond it.
 *
 * @param stack the built stack
 * @param half which half of which line
 * @param [coarse=false] larger triangles, for a picture while something is dragged
 * @returns the cut, which pads its layers are, and the wanted side of its triangles, mm
 */
export function halfCut(stack: Stack, half: HalfLine, coarse = false): { stack: StackCut; pads: number[]; element: number } {
  const { line, from, sign, boardEnd, runs } = half;
  const edgeX = tidied(Float64Array.of((boardEnd - from) * sign))[0]!;
  // Each pad's stretch in the half's own coordinate, u = 0 in the middle.
  const spans = runs.map((run): Span => {
    if (!run) return null;
    const [a, b] = [(run[0] - from) * sign, (run[1] - from) * sign].sort((p, q) => p - q) as [number, number];
    return b <= 1e-6 ? null : [Math.max(0, a), b];
  });
  const at = (u: number): Point => {
    const x = from + sign * u;
    return [line.origin[0] + line.direction[0] * x, line.origin[1] + line.direction[1] * x];
  };
  const end = Math.max(edgeX, ...spans.map((span) => span?.[1] ?? 0));
  const total = stack.pads.reduce((sum, { pad }, k) => sum + (spans[k] ? thickest(pad) : 0), 0);
  const element = elementFor(total, coarse);
  const x = tidied(columns(featuresOf(stack, spans, edgeX, at), end, element, Math.min(60, 0.8 * total)));
  const filling = filled(stack, spans, x, at);
  const pads = stack.pads.map((_, k) => k).filter((k) => filling.there[k]!.to > filling.there[k]!.from);
  const edgeIndex = x.findIndex((v) => Math.abs(v - edgeX) < 1e-5);
  const top = edgeIndex >= 0 ? filling.base[edgeIndex]! : tidied(Float64Array.of(stack.baseHeight(...at(edgeX))))[0]!;
  const layers = pads.map((k) => layerOf(stack.pads[k]!, k, filling, x, at));
  return { stack: { x, layers, base: filling.base, edge: { x: edgeX, top, bottom: top - stack.edgeThickness } }, pads, element };
}

/** Whether a plan point lies in a pocket's oval. */
export function inPocket(pocket: { x: number; y: number; width: number; length: number }, [x, y]: Point): boolean {
  return ((2 * (x - pocket.x)) / pocket.width) ** 2 + ((2 * (y - pocket.y)) / pocket.length) ** 2 <= 1;
}
