import type { BaseShape, CornerRadius } from '../schema/shapes';
import type { Corner } from '../polygon/fillet-polygon';
import type { Point } from '../types';

/** mm */
const LEAST_RADIUS = 0.05;

/** A radius nobody could see or saw is a sharp corner. */
export function seenRadius(radius: number): number {
  return radius < LEAST_RADIUS ? 0 : radius;
}

/** A direction turned left by an angle. */
export function turned([x, y]: Point, angle: number): Point {
  return [x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)];
}

function along([x, y]: Point, [dx, dy]: Point, length: number): Point {
  return [x + dx * length, y + dy * length];
}

/** Names four corners, given counter-clockwise from the front left, the way a chair is spoken of. */
export function fourCorners(points: readonly [Point, Point, Point, Point], radius: CornerRadius, words = ['front', 'back']): Corner[] {
  const [front, back] = words as [string, string];
  const [f, b] = [seenRadius(radius.front), seenRadius(radius.back)];
  return [
    { at: points[0], name: `${front} left`, edgeAfter: front, radius: f },
    { at: points[1], name: `${front} right`, edgeAfter: 'right', radius: f },
    { at: points[2], name: `${back} right`, edgeAfter: back, radius: b },
    { at: points[3], name: `${back} left`, edgeAfter: 'left', radius: b },
  ];
}

/** A rectangle or trapezoid about the middle of its depth and its centre line. */
export function quarteredCorners(shape: Extract<BaseShape, { type: 'rectangle' | 'trapezoid' }>): Corner[] {
  const front = (shape.type === 'rectangle' ? shape.width : shape.frontWidth) / 2;
  const back = (shape.type === 'rectangle' ? shape.width : shape.backWidth) / 2;
  const half = shape.depth / 2;
  return fourCorners(
    [
      [-front, -half],
      [front, -half],
      [back, half],
      [-back, half],
    ],
    shape.cornerRadius,
  );
}

/** A seat between two walls: the back wall lies straight, the sides leave it at their bevel angles. */
export function alcoveCorners(shape: Extract<BaseShape, { type: 'alcove' }>): Corner[] {
  const backRight: Point = [shape.backWidth / 2, 0];
  const backLeft: Point = [-shape.backWidth / 2, 0];
  // At a corner of inside angle θ a counter-clockwise way turns left by π − θ.
  const leftSide = turned([-1, 0], Math.PI - shape.leftAngle);
  const rightSide = turned([-1, 0], shape.rightAngle - Math.PI);
  return fourCorners([along(backLeft, leftSide, shape.leftDepth), along(backRight, rightSide, -shape.rightDepth), backRight, backLeft], {
    front: shape.frontRadius,
    back: 0,
  });
}

/** A seat round a corner of the room: two runs of their own depths along two walls, their ends cut at their own angles. */
export function cornerSeatCorners(shape: Extract<BaseShape, { type: 'corner' }>): Corner[] {
  const leftWay: Point = [Math.cos(shape.angle), -Math.sin(shape.angle)];
  const leftEnd = along([0, 0], leftWay, shape.leftWall);
  const leftFront = along(leftEnd, turned(leftWay, Math.PI - shape.leftEnd), shape.leftDepth / Math.sin(shape.leftEnd));
  const rightEnd: Point = [shape.rightWall, 0];
  const rightFront = along(rightEnd, turned([-1, 0], shape.rightEnd - Math.PI), -shape.rightDepth / Math.sin(shape.rightEnd));
  // The two front edges, each parallel to its wall, meet in the inside corner.
  const toMeet = (rightFront[1] - leftFront[1]) / leftWay[1];
  const inside = along(leftFront, leftWay, toMeet);
  const corner = (at: Point, name: string, edgeAfter: string, radius = 0): Corner => ({ at, name, edgeAfter, radius: seenRadius(radius) });
  return [
    corner([0, 0], 'wall', 'left wall'),
    corner(leftEnd, 'left end wall', 'left end'),
    corner(leftFront, 'left end front', 'left front'),
    corner(inside, 'inside', 'right front', shape.insideRadius),
    corner(rightFront, 'right end front', 'right end'),
    corner(rightEnd, 'right end wall', 'right wall'),
  ];
}

/** A headboard whose top steps up from low shoulders. */
export function steppedCorners(shape: Extract<BaseShape, { type: 'stepped' }>): Corner[] {
  const half = shape.width / 2;
  const [low, step, high] = [-shape.height / 2, shape.sideHeight - shape.height / 2, shape.height / 2];
  const inner = half - shape.shoulder;
  const [outer, inside] = [seenRadius(shape.cornerRadius.back), seenRadius(shape.insideRadius)];
  const bottom = seenRadius(shape.cornerRadius.front);
  return [
    { at: [-half, low], name: 'bottom left', edgeAfter: 'bottom', radius: bottom },
    { at: [half, low], name: 'bottom right', edgeAfter: 'right', radius: bottom },
    { at: [half, step], name: 'right shoulder', edgeAfter: 'right shoulder', radius: outer },
    { at: [inner, step], name: 'right inside', edgeAfter: 'right step', radius: inside },
    { at: [inner, high], name: 'top right', edgeAfter: 'top', radius: outer },
    { at: [-inner, high], name: 'top left', edgeAfter: 'left step', radius: outer },
    { at: [-inner, step], name: 'left inside', edgeAfter: 'left shoulder', radius: inside },
    { at: [-half, step], name: 'left shoulder', edgeAfter: 'left', radius: outer },
  ];
}
