import { LIMITS } from './limits';
import type { BaseShape } from './shapes';

type Range = readonly [number, number];

/** One measurement of a shape: its place in the document, what it is called, and what is taken. Angles in radians. */
export type ShapeField = { key: string; label: string; unit: 'length' | 'angle'; range: Range; hint?: string };
/** A column of a table of measurements. */
export type ShapeColumn = { key: string; label: string; unit: 'length' | 'angle'; range: Range };

/** A shape as it is measured: fields in the order a tape goes round, then a table if it has one, then choices. */
export type ShapeKind = {
  type: BaseShape['type'];
  name: string;
  /** how it is measured, in a line */
  how: string;
  fields: ShapeField[];
  rows?: { label: string; least: number; most: number; columns: ShapeColumn[] };
  join?: true;
  /** what it starts from when nothing has been measured yet */
  start: BaseShape;
};

const length = (key: string, label: string, range: Range = LIMITS.seat, hint?: string): ShapeField => ({
  key,
  label,
  unit: 'length',
  range,
  ...(hint ? { hint } : {}),
});
const angle = (key: string, label: string, range: Range = LIMITS.angle): ShapeField => ({ key, label, unit: 'angle', range });
const radii = (front: string, back: string): ShapeField[] => [
  length('cornerRadius.front', `${front} corner radius`, LIMITS.radius),
  length('cornerRadius.back', `${back} corner radius`, LIMITS.radius),
];
const SQUARE = Math.PI / 2;
const none = { front: 0, back: 0 };
const WIDTH = length('width', 'Width');
const column = (key: string, label: string, range: Range, unit: 'length' | 'angle' = 'length'): ShapeColumn => ({
  key,
  label,
  unit,
  range,
});

const pan = (at: number, width: number, height: number, drop: number, crown: number) => ({ at, width, height, drop, crown });

/** Every way a base can be measured, in the order they are offered. */
export const SHAPES: readonly ShapeKind[] = [
  {
    type: 'rectangle',
    name: 'Rectangle',
    how: 'width and depth',
    fields: [WIDTH, length('depth', 'Depth'), ...radii('Front', 'Back')],
    start: { type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 30, back: 30 } },
  },
  {
    type: 'trapezoid',
    name: 'Trapezoid',
    how: 'front, back and depth',
    fields: [
      length('frontWidth', 'Front width', LIMITS.seat, 'corner to corner, as if not rounded'),
      length('backWidth', 'Back width'),
      length('depth', 'Depth'),
      ...radii('Front', 'Back'),
    ],
    start: { type: 'trapezoid', frontWidth: 450, backWidth: 390, depth: 420, cornerRadius: { front: 40, back: 20 } },
  },
  {
    type: 'bowed',
    name: 'Bowed front',
    how: 'a trapezoid whose front bows out',
    fields: [
      length('frontWidth', 'Front width', LIMITS.seat, 'between the front corners'),
      length('bow', 'Bow of the front', LIMITS.rise, 'middle beyond the corners'),
      length('backWidth', 'Back width'),
      length('depth', 'Depth in the middle'),
      ...radii('Front', 'Back'),
    ],
    start: { type: 'bowed', frontWidth: 460, backWidth: 390, depth: 430, bow: 30, cornerRadius: { front: 25, back: 15 } },
  },
  {
    type: 'round',
    name: 'Round',
    how: 'diameter',
    fields: [length('diameter', 'Diameter')],
    start: { type: 'round', diameter: 380 },
  },
  {
    type: 'oval',
    name: 'Oval',
    how: 'width and depth',
    fields: [WIDTH, length('depth', 'Depth')],
    start: { type: 'oval', width: 460, depth: 360 },
  },
  {
    type: 'd',
    name: 'D',
    how: 'straight back and sides, round front',
    fields: [WIDTH, length('depth', 'Depth'), length('straight', 'Straight side', LIMITS.rise, 'before the round begins')],
    start: { type: 'd', width: 420, depth: 400, straight: 200 },
  },
  {
    type: 'kidney',
    name: 'Kidney',
    how: 'an oval with a hollow front',
    fields: [WIDTH, length('depth', 'Depth'), length('hollow', 'Hollow of the front', LIMITS.rise)],
    start: { type: 'kidney', width: 900, depth: 420, hollow: 60 },
  },
  {
    type: 'arched',
    name: 'Arched top',
    how: 'sides and one arc over them',
    fields: [WIDTH, length('sideHeight', 'Height at the sides'), length('height', 'Height in the middle'), ...radii('Bottom', 'Top')],
    start: { type: 'arched', width: 1400, sideHeight: 560, height: 720, cornerRadius: none },
  },
  {
    type: 'stepped',
    name: 'Stepped top',
    how: 'low shoulders and a raised middle',
    fields: [
      WIDTH,
      length('sideHeight', 'Height of the shoulders'),
      length('shoulder', 'Width of a shoulder', LIMITS.small),
      length('height', 'Height in the middle'),
      ...radii('Bottom', 'Outer'),
      length('insideRadius', 'Inside corner radius', LIMITS.radius),
    ],
    start: {
      type: 'stepped',
      width: 1400,
      sideHeight: 560,
      shoulder: 220,
      height: 700,
      cornerRadius: { front: 0, back: 40 },
      insideRadius: 20,
    },
  },
  {
    type: 'crowned',
    name: 'Crowned top',
    how: 'shoulders that swell up to the middle',
    fields: [
      WIDTH,
      length('sideHeight', 'Height of the shoulders'),
      length('shoulder', 'Flat of a shoulder', LIMITS.rise),
      length('height', 'Height in the middle'),
      ...radii('Bottom', 'Shoulder'),
    ],
    start: { type: 'crowned', width: 1400, sideHeight: 560, shoulder: 120, height: 720, cornerRadius: { front: 0, back: 20 } },
  },
  {
    type: 'alcove',
    name: 'Between walls',
    how: 'back wall, then each side by its bevel angle',
    fields: [
      length('backWidth', 'Back, along the wall'),
      angle('leftAngle', 'Angle at the left wall'),
      length('leftDepth', 'Left side'),
      angle('rightAngle', 'Angle at the right wall'),
      length('rightDepth', 'Right side'),
      length('frontRadius', 'Front corner radius', LIMITS.radius),
    ],
    start: { type: 'alcove', backWidth: 900, leftAngle: SQUARE, leftDepth: 480, rightAngle: SQUARE, rightDepth: 480, frontRadius: 0 },
  },
  {
    type: 'corner',
    name: 'Round a corner',
    how: 'two runs along two walls, by bevel angles',
    fields: [
      length('leftWall', 'Left wall, from the corner'),
      angle('angle', 'Angle of the corner'),
      length('rightWall', 'Right wall, from the corner'),
      length('leftDepth', 'Depth of the left run'),
      length('rightDepth', 'Depth of the right run'),
      angle('leftEnd', 'Angle at the left end'),
      angle('rightEnd', 'Angle at the right end'),
      length('insideRadius', 'Inside corner radius', LIMITS.radius),
    ],
    start: {
      type: 'corner',
      leftWall: 1200,
      angle: SQUARE,
      rightWall: 1400,
      leftDepth: 460,
      rightDepth: 460,
      leftEnd: SQUARE,
      rightEnd: SQUARE,
      insideRadius: 60,
    },
  },
  {
    type: 'saddle',
    name: 'Saddle pan',
    how: 'cross-sections along the centre line',
    fields: [length('nose', 'Nose beyond the first section', LIMITS.rise), length('tail', 'Tail beyond the last section', LIMITS.rise)],
    rows: {
      label: 'Cross-sections',
      least: 2,
      most: 40,
      columns: [
        column('at', 'From front', LIMITS.along),
        column('width', 'Width', LIMITS.small),
        column('height', 'Height', LIMITS.height),
        column('drop', 'Drop', LIMITS.height),
        column('crown', 'Crown', LIMITS.height),
      ],
    },
    start: {
      type: 'saddle',
      nose: 30,
      tail: 25,
      rows: [
        pan(40, 150, 12, 22, 5),
        pan(120, 180, 6, 26, 6),
        pan(200, 220, 2, 28, 7),
        pan(280, 250, 0, 28, 7),
        pan(360, 260, 4, 26, 6),
        pan(440, 255, 12, 24, 6),
        pan(520, 235, 22, 20, 5),
        pan(600, 200, 34, 16, 4),
      ],
    },
  },
  {
    type: 'quad',
    name: 'Sides and diagonals',
    how: 'four sides and both diagonals, for what is not square',
    fields: [
      length('front', 'Front'),
      length('right', 'Right side'),
      length('back', 'Back'),
      length('left', 'Left side'),
      length('diagonalA', 'Front left to back right'),
      length('diagonalB', 'Front right to back left'),
      ...radii('Front', 'Back'),
    ],
    start: { type: 'quad', front: 450, right: 420, back: 450, left: 420, diagonalA: 615.5, diagonalB: 615.5, cornerRadius: none },
  },
  {
    type: 'offsets',
    name: 'Offsets from a line',
    how: 'left and right of a centre line, step by step',
    fields: [],
    rows: {
      label: 'Steps along the line',
      least: 2,
      most: 100,
      columns: [column('at', 'From front', LIMITS.along), column('left', 'Left', LIMITS.out), column('right', 'Right', LIMITS.out)],
    },
    join: true,
    start: {
      type: 'offsets',
      join: 'smooth',
      rows: [
        { at: 0, left: 190, right: 190 },
        { at: 100, left: 220, right: 220 },
        { at: 200, left: 225, right: 225 },
        { at: 300, left: 215, right: 215 },
        { at: 400, left: 185, right: 185 },
      ],
    },
  },
  {
    type: 'two-tapes',
    name: 'Two tapes',
    how: 'each point from two fixed points',
    fields: [length('apart', 'Fixed points apart')],
    rows: {
      label: 'Points, counter-clockwise',
      least: 3,
      most: 100,
      columns: [column('a', 'From the first', LIMITS.along), column('b', 'From the second', LIMITS.along)],
    },
    join: true,
    start: {
      type: 'two-tapes',
      apart: 400,
      join: 'straight',
      rows: [
        { a: 0, b: 400 },
        { a: 400, b: 0 },
        { a: 565.7, b: 400 },
        { a: 400, b: 565.7 },
      ],
    },
  },
  {
    type: 'bevel',
    name: 'Sides and bevels',
    how: 'side, inside angle, side, … all the way round',
    fields: [],
    rows: {
      label: 'Sides, counter-clockwise',
      least: 3,
      most: 40,
      columns: [column('length', 'Side', LIMITS.seat), column('angle', 'Angle at its end', LIMITS.bevel, 'angle')],
    },
    start: {
      type: 'bevel',
      rows: [
        { length: 900, angle: SQUARE },
        { length: 480, angle: SQUARE },
        { length: 900, angle: SQUARE },
        { length: 480, angle: SQUARE },
      ],
    },
  },
  {
    type: 'drawn',
    name: 'Drawn freely',
    how: 'points, lines, arcs and smooth curves in the plan',
    fields: [],
    start: {
      type: 'drawn',
      mirrored: true,
      nodes: [
        { x: 0, y: -210, radius: 0, to: { kind: 'line' } },
        { x: 225, y: -210, radius: 40, to: { kind: 'line' } },
        { x: 195, y: 210, radius: 20, to: { kind: 'line' } },
        { x: 0, y: 210, radius: 0, to: { kind: 'line' } },
      ],
    },
  },
];

const BY_TYPE = new Map(SHAPES.map((shape) => [shape.type, shape]));

/** How a shape of that type is measured. */
export function shapeKind(type: BaseShape['type']): ShapeKind {
  return BY_TYPE.get(type)!;
}

/** What every shape starts from when nothing has been measured yet. */
export const STARTING_SHAPES = Object.fromEntries(SHAPES.map(({ type, start }) => [type, start])) as {
  [T in BaseShape['type']]: Extract<BaseShape, { type: T }>;
};

/** A measurement of a shape, by its key; keys with a dot lead inwards. */
export function readField(shape: BaseShape, key: string): number {
  return key.split('.').reduce<unknown>((value, part) => (value as Record<string, unknown>)[part], shape) as number;
}

/** The shape with one measurement changed. */
export function withField<T extends BaseShape>(shape: T, key: string, value: number): T {
  const [first, second] = key.split('.') as [string, string?];
  if (!second) return { ...shape, [first]: value };
  return { ...shape, [first]: { ...(shape as unknown as Record<string, object>)[first], [second]: value } };
}
