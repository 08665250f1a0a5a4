import { at, mm, type Check, type Found } from '../finding';
import { distance, selfCrossing, signedArea, type Point } from '../geometry';
import { flatParts, sizeOf, type FlatPart } from '../parts';

/** A spike turns back sharper than this (cosine of 170°) and is longer than this, mm. */
const SPIKE = { cosine: -0.985, length: 1 };
/** A loop shorter than this is left by rounding, not by a fault, mm. */
const LOOP = 0.3;
/** A figure that is said may be off what is drawn by the rounding of a plan, mm; an area by that along its whole edge. */
const ROUNDED = 0.01;

/** The first place where an outline runs out and straight back. */
function spikeOf(outline: readonly Point[]): { place: Point; length: number } | null {
  const points = outline.filter((point, i) => distance(point, outline[(i + 1) % outline.length]!) > ROUNDED);
  for (let i = 0; i < points.length; i++) {
    const [a, b, c] = [points[(i + points.length - 1) % points.length]!, points[i]!, points[(i + 1) % points.length]!];
    const [before, after] = [distance(a, b), distance(b, c)];
    const cosine = ((b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1])) / (before * after || 1);
    if (cosine < SPIKE.cosine && Math.min(before, after) > SPIKE.length) return { place: b, length: Math.min(before, after) };
  }
  return null;
}

function inspectPart({ name, width, height, area, outline }: FlatPart): Found[] {
  if (outline.length < 3) return [{ part: name, place: 'outline', by: null, says: `${name} has no outline` }];
  const found: Found[] = [];
  const crossed = selfCrossing(outline);
  if (crossed && crossed.loop > LOOP)
    found.push({
      part: name,
      place: at(crossed.place),
      by: crossed.loop,
      says: `The outline of ${name} crosses itself at ${at(crossed.place)}: a loop of ${mm(crossed.loop)}`,
    });
  const spike = spikeOf(outline);
  if (spike)
    found.push({
      part: name,
      place: at(spike.place),
      by: spike.length,
      says: `The outline of ${name} has a spike of ${mm(spike.length)} at ${at(spike.place)}`,
    });
  const drawn = sizeOf(outline);
  for (const [what, value, real] of [
    ['wide', width, drawn.width],
    ['long', height, drawn.height],
  ] as const)
    if (Math.abs(value - real) > ROUNDED)
      found.push({
        part: name,
        place: what,
        by: value - real,
        says: `${name} is given as ${mm(value)} ${what}, and drawn ${mm(real)}`,
      });
  const inside = Math.abs(signedArea(outline));
  if (Math.abs(area - inside) > ROUNDED * (drawn.width + drawn.height) + 1)
    found.push({
      part: name,
      place: 'area',
      by: null,
      says: `${name} is given as ${(area / 100).toFixed(1)} cm², and drawn as ${(inside / 100).toFixed(1)} cm²`,
    });
  return found;
}

export const OUTLINES: Check = {
  id: 'outlines',
  holds: 'every outline is simple, and as large as it is given',
  needs: [],
  find: ({ plan }) => flatParts(plan).flatMap(inspectPart),
};
