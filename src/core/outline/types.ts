import type { EdgePart } from './schema/edge';

/** A place in the plan: x to the right, y to the back, millimetres. */
export type Point = readonly [x: number, y: number];

/**
 * A straight, round or freely curved (cubic Bézier) stretch of an outline, walked counter-clockwise as seen from above.
 * An arc with a negative sweep bows inwards.
 */
export type Segment =
  | { kind: 'line'; edge: EdgePart; from: Point; to: Point }
  | { kind: 'arc'; edge: EdgePart; centre: Point; radius: number; start: number; sweep: number }
  | { kind: 'curve'; edge: EdgePart; from: Point; c1: Point; c2: Point; to: Point };

/**
 * A closed plan curve, counter-clockwise, about the origin. `edge` on a segment says which part it is: the front, right,
 * back or left edge, or the front right corner for the arc between two.
 */
export type Outline = { segments: Segment[] };

/** A closed polyline, counter-clockwise, first point not repeated. */
export type Polygon = Point[];

export type { EdgePart };
