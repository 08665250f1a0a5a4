import type { EdgePart, Point, Segment } from '../types';

type Curve = Extract<Segment, { kind: 'curve' }>;

/** Nodes and weights of the 8-point Gauss–Legendre rule on −1…1 (one half; the rule is symmetric). */
const GAUSS = [
  [0.1834346424956498, 0.362683783378362],
  [0.525532409916329, 0.3137066458778873],
  [0.7966664774136267, 0.2223810344533745],
  [0.9602898564975363, 0.1012285362903763],
] as const;
/** A curve's length is summed over this many stretches; a hairpin is then still true to 0.001 mm. */
const STRETCHES = 4;

function derivative({ from, c1, c2, to }: Curve, u: number): Point {
  const [a, b, c] = [3 * (1 - u) ** 2, 6 * u * (1 - u), 3 * u * u];
  return [
    a * (c1[0] - from[0]) + b * (c2[0] - c1[0]) + c * (to[0] - c2[0]),
    a * (c1[1] - from[1]) + b * (c2[1] - c1[1]) + c * (to[1] - c2[1]),
  ];
}

function secondDerivative({ from, c1, c2, to }: Curve, u: number): Point {
  const part = (axis: 0 | 1): number => 6 * (1 - u) * (c2[axis] - 2 * c1[axis] + from[axis]) + 6 * u * (to[axis] - 2 * c2[axis] + c1[axis]);
  return [part(0), part(1)];
}

/** Length of a Bézier curve from its start to parameter u, mm. */
function curveLength(curve: Curve, u: number): number {
  let sum = 0;
  for (let k = 0; k < STRETCHES; k++) {
    const half = u / STRETCHES / 2;
    const middle = (2 * k + 1) * half;
    for (const [node, weight] of GAUSS) {
      for (const sign of [-1, 1]) {
        const [dx, dy] = derivative(curve, middle + sign * node * half);
        sum += weight * half * Math.hypot(dx, dy);
      }
    }
  }
  return sum;
}

/** Length of one stretch of an outline, mm. */
export function segmentLength(segment: Segment): number {
  if (segment.kind === 'arc') return segment.radius * Math.abs(segment.sweep);
  if (segment.kind === 'curve') return curveLength(segment, 1);
  return Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1]);
}

/**
 * Where a segment is at its own parameter u (0 to 1): a share of the length for lines and arcs, the Bézier
 * parameter for curves.
 */
export function pointAt(segment: Segment, u: number): Point {
  if (segment.kind === 'line') {
    return [segment.from[0] + (segment.to[0] - segment.from[0]) * u, segment.from[1] + (segment.to[1] - segment.from[1]) * u];
  }
  if (segment.kind === 'arc') {
    const angle = segment.start + segment.sweep * u;
    return [segment.centre[0] + segment.radius * Math.cos(angle), segment.centre[1] + segment.radius * Math.sin(angle)];
  }
  const v = 1 - u;
  const [a, b, c, d] = [v * v * v, 3 * v * v * u, 3 * v * u * u, u * u * u];
  const { from, c1, c2, to } = segment;
  return [a * from[0] + b * c1[0] + c * c2[0] + d * to[0], a * from[1] + b * c1[1] + c * c2[1] + d * to[1]];
}

/** Unit vector along a segment at its parameter u. */
export function tangentAt(segment: Segment, u: number): Point {
  if (segment.kind === 'arc') {
    const angle = segment.start + segment.sweep * u;
    const way = Math.sign(segment.sweep) || 1;
    return [-Math.sin(angle) * way, Math.cos(angle) * way];
  }
  let [x, y] = segment.kind === 'line' ? [segment.to[0] - segment.from[0], segment.to[1] - segment.from[1]] : derivative(segment, u);
  if (segment.kind === 'curve' && Math.hypot(x, y) < 1e-9) {
    // A handle drawn back onto its point leaves no direction there: look a little further along.
    const at = pointAt(segment, Math.max(0, u - 1e-3));
    const on = pointAt(segment, Math.min(1, u + 1e-3));
    [x, y] = [on[0] - at[0], on[1] - at[1]];
  }
  const length = Math.hypot(x, y) || 1;
  return [x / length, y / length];
}

/** Plan curvature of a segment at its parameter u, 1/mm: + where it bows outwards, 0 on a straight line. */
export function curvatureAt(segment: Segment, u: number): number {
  if (segment.kind === 'line') return 0;
  if (segment.kind === 'arc') return (Math.sign(segment.sweep) || 1) / segment.radius;
  const [dx, dy] = derivative(segment, u);
  const [ax, ay] = secondDerivative(segment, u);
  const speed = Math.hypot(dx, dy);
  return speed < 1e-9 ? 0 : (dx * ay - dy * ax) / speed ** 3;
}

/** The parameter at a share (0 to 1) of a segment's length. */
export function parameterAt(segment: Segment, share: number): number {
  if (segment.kind !== 'curve' || share <= 0 || share >= 1) return share;
  const wanted = share * curveLength(segment, 1);
  let [low, high] = [0, 1];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (curveLength(segment, middle) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Where a segment is at a share t (0 to 1) of its length. */
export function pointOn(segment: Segment, t: number): Point {
  return pointAt(segment, parameterAt(segment, t));
}

/** The stretch of a segment between two of its parameters, u0 < u1. */
export function stretch(segment: Segment, u0: number, u1: number): Segment {
  if (segment.kind === 'line') return { ...segment, from: pointAt(segment, u0), to: pointAt(segment, u1) };
  if (segment.kind === 'arc') return { ...segment, start: segment.start + segment.sweep * u0, sweep: segment.sweep * (u1 - u0) };
  // The ends' derivatives, shortened to the stretch, place the new handles.
  const third = (u1 - u0) / 3;
  const [from, to] = [pointAt(segment, u0), pointAt(segment, u1)];
  const [a, b] = [derivative(segment, u0), derivative(segment, u1)];
  return {
    ...segment,
    from,
    c1: [from[0] + a[0] * third, from[1] + a[1] * third],
    c2: [to[0] - b[0] * third, to[1] - b[1] * third],
    to,
  };
}

/** A segment walked the other way. */
export function reversed(segment: Segment): Segment {
  if (segment.kind === 'line') return { ...segment, from: segment.to, to: segment.from };
  if (segment.kind === 'arc') return { ...segment, start: segment.start + segment.sweep, sweep: -segment.sweep };
  return { ...segment, from: segment.to, c1: segment.c2, c2: segment.c1, to: segment.from };
}

/** A segment moved in the plan. */
export function translated(segment: Segment, [dx, dy]: Point): Segment {
  const by = ([x, y]: Point): Point => [x + dx, y + dy];
  if (segment.kind === 'line') return { ...segment, from: by(segment.from), to: by(segment.to) };
  if (segment.kind === 'arc') return { ...segment, centre: by(segment.centre) };
  return { ...segment, from: by(segment.from), c1: by(segment.c1), c2: by(segment.c2), to: by(segment.to) };
}

/** A segment made larger about the origin, by a positive factor. */
export function scaledBy(segment: Segment, factor: number): Segment {
  const by = ([x, y]: Point): Point => [x * factor, y * factor];
  if (segment.kind === 'line') return { ...segment, from: by(segment.from), to: by(segment.to) };
  if (segment.kind === 'arc') return { ...segment, centre: by(segment.centre), radius: segment.radius * factor };
  return { ...segment, from: by(segment.from), c1: by(segment.c1), c2: by(segment.c2), to: by(segment.to) };
}

/**
 * The arc from one point to another that stands off their chord by a rise (+ to the right of the way, which is
 * outwards on a counter-clockwise outline): R = c²/8h + h/2.
 *
 * @param edge which part it is
 * @param rise mm; nearly nothing gives the straight line
 */
export function arcByRise(edge: EdgePart, from: Point, to: Point, rise: number): Segment {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const chord = Math.hypot(dx, dy);
  if (Math.abs(rise) < 1e-6 || chord < 1e-9) return { kind: 'line', edge, from, to };
  const radius = (chord * chord) / (8 * Math.abs(rise)) + Math.abs(rise) / 2;
  const sweep = 4 * Math.atan((2 * rise) / chord);
  const outward: Point = [dy / chord, -dx / chord];
  const inset = rise - Math.sign(rise) * radius;
  const centre: Point = [(from[0] + to[0]) / 2 + outward[0] * inset, (from[1] + to[1]) / 2 + outward[1] * inset];
  return { kind: 'arc', edge, centre, radius, start: Math.atan2(from[1] - centre[1], from[0] - centre[0]), sweep };
}
