import { bounds } from '../outline';
import { laidOutline } from './check';
import { turned } from './turned';
import type { Lay, LayBin, LayPlace, LayRepeat, LayShape, Turn } from './types';
import { usedOf } from './score';

/** A piece moved by hand comes against what it is so near to, mm. */
export const SNAP = 8;

/** The nearest of some figures, where it is near enough. */
function nearest(value: number, to: readonly number[]): number {
  let best = value;
  let off = SNAP;
  for (const figure of to) {
    if (Math.abs(figure - value) >= off) continue;
    off = Math.abs(figure - value);
    best = figure;
  }
  return best;
}

/** The nearest place on the repeat. */
function onGrid(value: number, motif: number, every: number, between: boolean): number {
  if (every <= 0) return value;
  const phase = between ? every / 2 : 0;
  return Math.round((value + motif - phase) / every) * every + phase - motif;
}

/**
 * Where a piece that is dragged comes to lie: on the repeat where it must, else against an edge or another piece that is near.
 *
 * @param shape that is moved
 * @param place where it was dragged to
 * @param among the bin, the other places on it with their shapes, the gap and the repeat
 */
export function snapped(
  shape: LayShape,
  place: LayPlace,
  {
    bin,
    others,
    gap,
    repeat,
  }: { bin: LayBin; others: readonly { shape: LayShape; place: LayPlace }[]; gap: number; repeat: LayRepeat | null },
): LayPlace {
  const item = turned(shape.outline, place.turn, shape.motif);
  const { width, height } = bounds(item.outline);
  const boxes = others.map((other) => bounds(laidOutline(other.shape, other.place)));
  const across = [0, bin.width - width, ...boxes.flatMap((box) => [box.maxX + gap, box.minX - gap - width, box.minX, box.maxX - width])];
  const along = [
    0,
    ...(bin.length === null ? [] : [bin.length - height]),
    ...boxes.flatMap((box) => [box.maxY + gap, box.minY - gap - height, box.minY, box.maxY - height]),
  ];
  let [x, y] = [nearest(place.x, across), nearest(place.y, along)];
  if (repeat && item.point) {
    if (repeat.across > 0) x = onGrid(place.x, item.point[0], repeat.across, repeat.between);
    if (repeat.along > 0) y = onGrid(place.y, item.point[1], repeat.along, repeat.between);
  }
  return { ...place, x, y };
}

/** The next way round that a piece may lie, about its own middle. */
export function turnedOn(shape: LayShape, place: LayPlace): LayPlace {
  const at = shape.turns.indexOf(place.turn);
  const turn: Turn = shape.turns[(at + 1) % shape.turns.length] ?? place.turn;
  const [before, after] = [bounds(turned(shape.outline, place.turn).outline), bounds(turned(shape.outline, turn).outline)];
  return { ...place, turn, x: place.x + (before.width - after.width) / 2, y: place.y + (before.height - after.height) / 2 };
}

/**
 * A lay with one piece elsewhere; what it takes of each bin is measured anew.
 *
 * @param lay as it was
 * @param shapes all that is laid
 * @param place where the piece lies now
 */
export function withPlace(lay: Lay, shapes: readonly LayShape[], place: LayPlace): Lay {
  const places = lay.places.map((layPlace) => (layPlace.key === place.key ? place : layPlace));
  const byKey = new Map(shapes.map((shape) => [shape.key, shape]));
  const tops = places.map((layPlace) => ({ bin: layPlace.bin, top: bounds(laidOutline(byKey.get(layPlace.key)!, layPlace)).maxY }));
  return { ...lay, places, used: usedOf(lay.bins, tops) };
}
