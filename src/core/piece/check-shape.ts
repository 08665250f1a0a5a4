import { bounds, crossesItself, flatten, measuredOutline, outlineArea, quarteredCorners, tangentLength } from '../outline';
import { checkRange } from './check-range';
import { LIMITS } from './limits';
import type { Problem } from './problem';
import { readField, shapeKind } from './shape-fields';
import type { BaseShape } from './types';

const DEGREE = Math.PI / 180;

/** Says what is wrong with one angle, radians. */
export function checkAngle(label: string, value: number, [low, high]: readonly [number, number]): string | null {
  if (!Number.isFinite(value)) return `${label} is not a figure`;
  if (value >= low - 1e-9 && value <= high + 1e-9) return null;
  return `${label}: ${Math.round((value / DEGREE) * 10) / 10}° cannot be; ${Math.round(low / DEGREE)}° to ${Math.round(high / DEGREE)}° can`;
}

/** Two radii on one edge may not reach past each other. */
function checkRadii(shape: Extract<BaseShape, { type: 'rectangle' | 'trapezoid' }>, path: string): Problem[] {
  const corners = quarteredCorners(shape);
  for (let i = 0; i < corners.length; i++) {
    const next = corners[(i + 1) % corners.length]!;
    const corner = corners[i]!;
    const length = Math.hypot(next.at[0] - corner.at[0], next.at[1] - corner.at[1]);
    const reach = tangentLength(corners, i) + tangentLength(corners, (i + 1) % corners.length);
    if (reach <= length + 1e-6) continue;
    const share = length / reach;
    const front = corner.edgeAfter !== 'back' && shape.cornerRadius.front > 0;
    const radius = front ? shape.cornerRadius.front : shape.cornerRadius.back;
    return [
      {
        path: `${path}.cornerRadius.${front ? 'front' : 'back'}`,
        message: `The corner radii need ${Math.ceil(reach)} mm of the ${corner.edgeAfter} edge, which is ${Math.floor(length)} mm long; ${Math.floor(radius * share)} mm would fit`,
      },
    ];
  }
  return [];
}

/** What cannot be between two measurements of a shape: [field, what is wrong]. */
function checkTogether(shape: BaseShape): [string, string] | null {
  const fit = (mm: number): string => `${Math.floor(mm)} mm would fit`;
  switch (shape.type) {
    case 'bowed':
      if (shape.bow > Math.min(shape.frontWidth / 2, shape.depth - 20))
        return ['bow', `The bow is more than half a circle, or leaves no side; ${fit(Math.min(shape.frontWidth / 2, shape.depth - 20))}`];
      return null;
    case 'd':
      if (shape.straight > shape.depth - 5) return ['straight', `The straight side is as long as the depth; ${fit(shape.depth - 5)}`];
      if (shape.depth - shape.straight > shape.width / 2 + 1e-6)
        return [
          'straight',
          `The round front is more than half a circle; a straight side of ${Math.ceil(shape.depth - shape.width / 2)} mm makes it one`,
        ];
      return null;
    case 'kidney':
      return shape.hollow > shape.depth * 0.6 ? ['hollow', `The hollow nearly cuts it in two; ${fit(shape.depth * 0.6)}`] : null;
    case 'arched':
    case 'crowned':
    case 'stepped': {
      if (shape.height <= shape.sideHeight) return ['height', 'The middle must be higher than the sides'];
      if (shape.type === 'arched' && shape.height - shape.sideHeight > shape.width / 2)
        return ['height', `The arch is more than half a circle; ${fit(shape.sideHeight + shape.width / 2)}`];
      if (shape.type !== 'arched' && shape.shoulder >= shape.width / 2 - 20)
        return ['shoulder', `Two shoulders leave no middle; ${fit(shape.width / 2 - 20)}`];
      return null;
    }
    case 'saddle':
    case 'offsets': {
      const late = shape.rows.findIndex((row, i) => i > 0 && row.at <= shape.rows[i - 1]!.at);
      if (late >= 0)
        return [
          `rows.${late}.at`,
          `Row ${late + 1} lies at ${shape.rows[late]!.at} mm, before or on the one above it; they go from the front backwards`,
        ];
      if (shape.type === 'offsets') {
        const narrow = shape.rows.findIndex((row, i) => row.left + row.right <= (i === 0 || i === shape.rows.length - 1 ? -1e-9 : 1));
        if (narrow >= 0) return [`rows.${narrow}.left`, `Row ${narrow + 1}: left and right cross over each other`];
      }
      return null;
    }
    case 'two-tapes': {
      const lost = shape.rows.findIndex(({ a, b }) => a + b < shape.apart * 0.999 || Math.abs(a - b) > shape.apart * 1.001);
      if (lost < 0) return null;
      const { a, b } = shape.rows[lost]!;
      return [
        `rows.${lost}.a`,
        a + b < shape.apart
          ? `Point ${lost + 1}: ${a} and ${b} mm do not reach each other over the ${shape.apart} mm between the fixed points`
          : `Point ${lost + 1}: ${a} and ${b} mm differ by more than the ${shape.apart} mm between the fixed points`,
      ];
    }
    default:
      return null;
  }
}

/**
 * Says what keeps a shape from being drawn.
 *
 * @param shape as it was measured
 * @param [path] of the shape in the document
 */
export function checkShape(shape: BaseShape, path = 'base.shape'): Problem[] {
  const kind = shapeKind(shape.type);
  const problems: Problem[] = [];
  const add = (key: string, message: string | null): void => {
    if (message) problems.push({ path: `${path}.${key}`, message });
  };
  const check = (key: string, label: string, unit: 'length' | 'angle', value: number, range: readonly [number, number]): void =>
    add(key, unit === 'angle' ? checkAngle(label, value, range) : checkRange(label, value, range));
  for (const { key, label, unit, range } of kind.fields) check(key, label, unit, readField(shape, key), range);
  if (kind.rows && 'rows' in shape) {
    if (shape.rows.length < kind.rows.least) add('rows', `${kind.rows.label}: at least ${kind.rows.least}`);
    shape.rows.forEach((row, i) => {
      for (const { key, label, unit, range } of kind.rows!.columns)
        check(`rows.${i}.${key}`, `${label}, row ${i + 1}`, unit, (row as unknown as Record<string, number>)[key]!, range);
    });
  }
  if (problems.length > 0) return problems;
  if (shape.type === 'rectangle' || shape.type === 'trapezoid') return checkRadii(shape, path);
  const clash = checkTogether(shape);
  if (clash) return [{ path: `${path}.${clash[0]}`, message: clash[1] }];
  return checkDrawn(shape, path);
}

/** What only the drawing shows: corners that do not fit, edges that cross, nothing inside, too large a whole. */
function checkDrawn(shape: BaseShape, path: string): Problem[] {
  const { outline, wrong } = measuredOutline(shape);
  if (wrong) return [{ path, message: wrong }];
  const polygon = flatten(outline, 0.2);
  if (polygon.length < 3 || !polygon.every(([x, y]) => Number.isFinite(x) && Number.isFinite(y)))
    return [{ path, message: 'These measurements do not make a closed outline yet' }];
  const crossing = crossesItself(polygon);
  if (crossing)
    return [
      { path, message: `The edge crosses itself ${Math.round(crossing[0])} mm right and ${Math.round(crossing[1])} mm back of the middle` },
    ];
  const box = bounds(polygon);
  const least = LIMITS.seat[0];
  if (outlineArea(outline) < least * least)
    return [{ path, message: `The outline has next to no area inside; ${least} × ${least} mm is the least` }];
  if (Math.max(box.width, box.height) > LIMITS.seat[1])
    return [{ path, message: `The outline is ${Math.round(Math.max(box.width, box.height))} mm long; ${LIMITS.seat[1]} mm is the most` }];
  return [];
}
