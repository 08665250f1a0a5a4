import { samePart, type EdgePart, type Point } from '../../outline';
import type { Making, PanelSpec } from './panel-spec';
import { onRing, type Ring } from '../surface/ring';

/** A correction fades out over this much edge beyond the one where it showed, mm. */
const FADE = 80;
/** How much of a correction counts at a place round the edge. */
function weightAt(ring: Ring, where: EdgePart | null, i: number): number {
  if (where === null) return 1;
  const matching = ring.places.filter((place) => samePart(place.part, where));
  const away = Math.min(
    ...matching.map((place) => {
      const d = Math.abs(place.at - ring.places[i]!.at);
      return Math.min(d, ring.total - d);
    }),
  );
  return Math.max(0, 1 - away / FADE);
}

/** Distance of two places in any number of directions. */
export function distance(a: readonly number[], b: readonly number[]): number {
  return Math.hypot(...a.map((value, k) => value - b[k]!));
}

/** Turns and moves a flat shape so that it lies as its first picture did. */
export function aligned(flat: Float64Array, start: Float64Array): Float64Array {
  const n = flat.length / 2;
  const mean = (of: Float64Array): Point => {
    let [x, y] = [0, 0];
    for (let i = 0; i < n; i++) [x, y] = [x + of[2 * i]! / n, y + of[2 * i + 1]! / n];
    return [x, y];
  };
  const [a, b] = [mean(flat), mean(start)];
  let [c, s] = [0, 0];
  for (let i = 0; i < n; i++) {
    const [fx, fy] = [flat[2 * i]! - a[0], flat[2 * i + 1]! - a[1]];
    const [gx, gy] = [start[2 * i]! - b[0], start[2 * i + 1]! - b[1]];
    c += fx * gx + fy * gy;
    s += fx * gy - fy * gx;
  }
  const size = Math.hypot(c, s) || 1;
  const out = new Float64Array(flat.length);
  for (let i = 0; i < n; i++) {
    const [fx, fy] = [flat[2 * i]! - a[0], flat[2 * i + 1]! - a[1]];
    out[2 * i] = (c * fx - s * fy) / size + b[0];
    out[2 * i + 1] = (s * fx + c * fy) / size + b[1];
  }
  return out;
}

/** A straight strip: as long as its seam, at every place as high as the side there. */
export function straightFlat(spec: PanelSpec, making: Making, start: Float64Array): Float64Array {
  const { ring, seams } = making;
  const { region } = spec;
  if (region.kind !== 'strip') return start;
  const n = ring.places.length;
  const partner = spec.inner?.seam ? seams.get(spec.inner.seam) : undefined;
  const columns = region.to - region.from + 1;
  const rows = start.length / 2 / columns - 1;
  const flat = new Float64Array(start.length);
  let x = 0;
  for (let k = 0; k < columns; k++) {
    const i = (region.from + k) % n;
    if (k > 0) {
      const before = (region.from + k - 1) % n;
      const value = partner?.[before];
      x +=
        value !== undefined && !Number.isNaN(value)
          ? value
          : distance(onRing(ring.places[before]!, region.inner[before]!), onRing(ring.places[i]!, region.inner[i]!));
    }
    const height = region.outer[i]! - region.inner[i]!;
    for (let r = 0; r <= rows; r++) flat.set([x, -(height * r) / rows], 2 * (k * (rows + 1) + r));
  }
  for (let i = 0; i < flat.length; i += 2) flat[i] = flat[i]! - x / 2;
  return flat;
}

/** What the first one of the set showed, taken into the pattern. */
export function corrected(spec: PanelSpec, making: Making, flat: Float64Array): Float64Array {
  const matching = making.corrections.filter((correction) => correction.piece === spec.id);
  if (matching.length === 0) return flat;
  const out = Float64Array.from(flat);
  const { region } = spec;
  for (const { what, where, by } of matching) {
    if (what === 'height' && region.kind === 'strip') {
      const columns = region.to - region.from + 1;
      const rows = out.length / 2 / columns - 1;
      for (let k = 0; k < columns; k++) {
        const weight = weightAt(making.ring, where, (region.from + k) % making.ring.places.length);
        const [top, low] = [k * (rows + 1), k * (rows + 1) + rows];
        const [dx, dy] = [out[2 * top]! - out[2 * low]!, out[2 * top + 1]! - out[2 * low + 1]!];
        const size = Math.hypot(dx, dy) || 1;
        for (let r = 0; r <= rows; r++) {
          const share = (by * weight * r) / rows / size;
          out[2 * (top + r)]! += dx * share;
          out[2 * (top + r) + 1]! += dy * share;
        }
      }
      continue;
    }
    const axis = what === 'width' ? 0 : 1;
    const values = out.filter((_, i) => i % 2 === axis);
    const [low, high] = [values.reduce((a, b) => Math.min(a, b), Infinity), values.reduce((a, b) => Math.max(a, b), -Infinity)];
    const factor = (high - low - by) / (high - low || 1);
    for (let i = axis; i < out.length; i += 2) out[i] = (low + high) / 2 + (out[i]! - (low + high) / 2) * factor;
  }
  return out;
}
