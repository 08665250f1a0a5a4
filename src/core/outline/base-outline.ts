import type { BaseShape } from '../piece/types';
import { filletPolygon, type Corner } from './fillet-polygon';
import type { Outline } from './types';

/** mm */
const LEAST_RADIUS = 0.05;

/**
 * The corners of a straight-edged base, counter-clockwise from the front left, about the middle of its depth and
 * its centre line.
 *
 * @param shape a rectangle or trapezoid, mm
 */
export function baseCorners(shape: Exclude<BaseShape, { type: 'round' }>): Corner[] {
  const front = (shape.type === 'rectangle' ? shape.width : shape.frontWidth) / 2;
  const back = (shape.type === 'rectangle' ? shape.width : shape.backWidth) / 2;
  const half = shape.depth / 2;
  // A radius nobody could see or saw is a sharp corner.
  const seen = (radius: number): number => (radius < LEAST_RADIUS ? 0 : radius);
  const radius = { front: seen(shape.cornerRadius.front), back: seen(shape.cornerRadius.back) };
  return [
    { at: [-front, -half], name: 'front left corner', edgeAfter: 'front', radius: radius.front },
    { at: [front, -half], name: 'front right corner', edgeAfter: 'right', radius: radius.front },
    { at: [back, half], name: 'back right corner', edgeAfter: 'back', radius: radius.back },
    { at: [-back, half], name: 'back left corner', edgeAfter: 'left', radius: radius.back },
  ];
}

/**
 * The base's outline as lines and arcs.
 *
 * @param shape the measured shape, mm
 */
export function baseOutline(shape: BaseShape): Outline {
  if (shape.type !== 'round') return filletPolygon(baseCorners(shape));
  const segment = {
    kind: 'arc' as const,
    edge: 'edge',
    centre: [0, 0] as const,
    radius: shape.diameter / 2,
    start: -Math.PI / 2,
    sweep: 2 * Math.PI,
  };
  return { segments: [segment] };
}
