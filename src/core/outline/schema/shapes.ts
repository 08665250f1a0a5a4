import { type Static, type TObject, type TProperties } from '@sinclair/typebox';
import { angle, choice, length, list, oneOf, PLAN, place, record, tag, tick, words, optional, type Range } from '../../fields';

/** The shapes a base can be measured as. Lengths mm, angles radians; each is centred when it is drawn. */

const DEGREE = Math.PI / 180;
const SQUARE = Math.PI / 2;

/** A side of a base. */
export const BOARD_SIZE: Range = [40, 3000];
/** A part of one: a shoulder, a width of a pan, a notch. */
export const PART_SIZE: Range = [10, 2000];
/** How many points an outline is drawn with. */
export const POINTS: Range = [2, 400];
/** A rise, a hollow, a bow: may be nothing. */
const RISE: Range = [0, 2000];
const ALONG: Range = [0, 4000];
/** To the left or right of a line; − is beyond it. */
const OUT: Range = [-1500, 1500];
const HEIGHT: Range = [-300, 300];
const RADIUS: Range = [0, 750];
const ANGLE: Range = [30 * DEGREE, 150 * DEGREE];
/** The inside angle of a side; more than 180° at an inside corner. */
const BEVEL: Range = [15 * DEGREE, 345 * DEGREE];

/** A cross-section of a moulded pan, square to its centre line. */
export const PAN_ROW = record({
  at: length('From front', ALONG),
  width: length('Width', PART_SIZE),
  /** of the middle over the reference plane */
  height: length('Height', HEIGHT),
  /** how far the edges lie below the middle */
  drop: length('Drop', HEIGHT),
  /** how far the surface stands proud of the straight line from middle to edge, half way out */
  crown: length('Crown', HEIGHT),
});

/** How an outline goes on from a node to the next. */
export const NODE_LINE = oneOf('kind', [
  record({ kind: tag('line') }),
  record({ kind: tag('smooth') }),
  /** `rise` is how far an arc stands off its chord, + outwards */
  record({ kind: tag('arc'), rise: length('Rise of the arc', [-1500, 1500]) }),
  record({ kind: tag('curve'), c1: place, c2: place }),
]);

/** One point of a free outline. `radius` rounds the corner here; `name` is the edge that leaves it. */
export const OUTLINE_NODE = record({
  x: length('Right of the middle', PLAN),
  y: length('Behind the middle', PLAN),
  radius: length('Corner radius', RADIUS),
  to: NODE_LINE,
  name: optional(words('Name of the edge')),
});

const width = length('Width', BOARD_SIZE);
const depth = length('Depth', BOARD_SIZE);
const radii = (front: string, back: string) =>
  record({ front: length(`${front} corner radius`, RADIUS), back: length(`${back} corner radius`, RADIUS) });
const join = choice('Points joined', [
  { id: 'straight', name: 'Straight' },
  { id: 'smooth', name: 'As a flexible rule' },
]);
const none = { front: 0, back: 0 };
const pan = (at: number, wide: number, height: number, drop: number, crown: number) => ({ at, width: wide, height, drop, crown });

type Described<T extends string, F extends TProperties> = {
  type: T;
  name: string;
  /** how it is measured, in a line */
  how: string;
  schema: TObject<{ type: ReturnType<typeof tag<T>> } & F>;
  /** what it starts from when nothing has been measured yet */
  start: Static<TObject<{ type: ReturnType<typeof tag<T>> } & F>>;
};

function shape<const T extends string, F extends TProperties>(
  type: T,
  name: string,
  how: string,
  fields: F,
  start: Static<TObject<F>>,
): Described<T, F> {
  const schema = record({ type: tag(type), ...fields });
  return { type, name, how, schema, start: { type, ...(start as object) } as unknown as Described<T, F>['start'] };
}

export const DESCRIBED = [
  shape(
    'rectangle',
    'Rectangle',
    'width and depth',
    { width, depth, cornerRadius: radii('Front', 'Back') },
    { width: 450, depth: 420, cornerRadius: { front: 30, back: 30 } },
  ),
  shape(
    'trapezoid',
    'Tapered',
    'front, back and depth',
    {
      frontWidth: length('Front width', BOARD_SIZE, { hint: 'measure to the square corner' }),
      backWidth: length('Back width', BOARD_SIZE),
      depth,
      cornerRadius: radii('Front', 'Back'),
    },
    { frontWidth: 450, backWidth: 390, depth: 420, cornerRadius: { front: 40, back: 20 } },
  ),
  shape(
    'bowed',
    'Bowed front',
    'as wider in front, and the front bows out',
    {
      frontWidth: length('Front width', BOARD_SIZE, { hint: 'between the front corners' }),
      bow: length('Bow of the front', RISE, { hint: 'middle beyond the corners' }),
      backWidth: length('Back width', BOARD_SIZE),
      /** at the middle, the bow included */
      depth: length('Depth in the middle', BOARD_SIZE),
      cornerRadius: radii('Front', 'Back'),
    },
    { frontWidth: 460, backWidth: 390, depth: 430, bow: 30, cornerRadius: { front: 25, back: 15 } },
  ),
  shape('round', 'Round', 'diameter', { diameter: length('Diameter', BOARD_SIZE) }, { diameter: 380 }),
  shape('oval', 'Oval', 'width and depth', { width, depth }, { width: 460, depth: 360 }),
  shape(
    'd',
    'D',
    'straight back and sides, round front',
    { width, depth, straight: length('Straight side', RISE, { hint: 'before the round begins' }) },
    { width: 420, depth: 400, straight: 200 },
  ),
  shape(
    'kidney',
    'Kidney',
    'an oval with a hollow front',
    { width, depth, hollow: length('Hollow of the front', RISE) },
    { width: 900, depth: 420, hollow: 60 },
  ),
  shape(
    'arched',
    'Arched top',
    'sides and one arc over them',
    {
      width,
      sideHeight: length('Height at the sides', BOARD_SIZE),
      height: length('Height in the middle', BOARD_SIZE),
      cornerRadius: radii('Bottom', 'Top'),
    },
    { width: 1400, sideHeight: 560, height: 720, cornerRadius: none },
  ),
  shape(
    'stepped',
    'Stepped top',
    'low shoulders and a raised middle',
    {
      width,
      sideHeight: length('Height of the shoulders', BOARD_SIZE),
      shoulder: length('Width of a shoulder', PART_SIZE),
      height: length('Height in the middle', BOARD_SIZE),
      cornerRadius: radii('Bottom', 'Outer'),
      insideRadius: length('Inside corner radius', RADIUS),
    },
    { width: 1400, sideHeight: 560, shoulder: 220, height: 700, cornerRadius: { front: 0, back: 40 }, insideRadius: 20 },
  ),
  shape(
    'crowned',
    'Crowned top',
    'shoulders that swell up to the middle',
    {
      width,
      sideHeight: length('Height of the shoulders', BOARD_SIZE),
      shoulder: length('Flat of a shoulder', RISE),
      height: length('Height in the middle', BOARD_SIZE),
      cornerRadius: radii('Bottom', 'Shoulder'),
    },
    { width: 1400, sideHeight: 560, shoulder: 120, height: 720, cornerRadius: { front: 0, back: 20 } },
  ),
  shape(
    'alcove',
    'Between walls',
    'back wall, then each side by its bevel angle',
    {
      backWidth: length('Back, along the wall', BOARD_SIZE),
      leftAngle: angle('Angle at the left wall', ANGLE),
      leftDepth: length('Left side', BOARD_SIZE),
      rightAngle: angle('Angle at the right wall', ANGLE),
      rightDepth: length('Right side', BOARD_SIZE),
      frontRadius: length('Front corner radius', RADIUS),
    },
    { backWidth: 900, leftAngle: SQUARE, leftDepth: 480, rightAngle: SQUARE, rightDepth: 480, frontRadius: 0 },
  ),
  shape(
    'corner',
    'Round a corner',
    'two runs along two walls, by bevel angles',
    {
      leftWall: length('Left wall, from the corner', BOARD_SIZE),
      angle: angle('Angle of the corner', ANGLE),
      rightWall: length('Right wall, from the corner', BOARD_SIZE),
      leftDepth: length('Depth of the left run', BOARD_SIZE),
      rightDepth: length('Depth of the right run', BOARD_SIZE),
      leftEnd: angle('Angle at the left end', ANGLE),
      rightEnd: angle('Angle at the right end', ANGLE),
      insideRadius: length('Inside corner radius', RADIUS),
    },
    {
      leftWall: 1200,
      angle: SQUARE,
      rightWall: 1400,
      leftDepth: 460,
      rightDepth: 460,
      leftEnd: SQUARE,
      rightEnd: SQUARE,
      insideRadius: 60,
    },
  ),
  shape(
    'saddle',
    'Saddle pan',
    'cross-sections along the centre line',
    {
      nose: length('Nose beyond the first section', RISE),
      tail: length('Tail beyond the last section', RISE),
      rows: list('Cross-sections', PAN_ROW, [2, 40]),
    },
    {
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
  ),
  shape(
    'quad',
    'Sides and diagonals',
    'four sides and both diagonals, for what is not square',
    {
      front: length('Front', BOARD_SIZE),
      right: length('Right side', BOARD_SIZE),
      back: length('Back', BOARD_SIZE),
      left: length('Left side', BOARD_SIZE),
      diagonalA: length('Front left to back right', BOARD_SIZE),
      diagonalB: length('Front right to back left', BOARD_SIZE),
      cornerRadius: radii('Front', 'Back'),
    },
    { front: 450, right: 420, back: 450, left: 420, diagonalA: 615.5, diagonalB: 615.5, cornerRadius: none },
  ),
  shape(
    'offsets',
    'Offsets from a line',
    'left and right of a centre line, step by step',
    {
      join,
      rows: list('Steps along the line', record({ at: length('From front', ALONG), left: length('Left', OUT), right: length('Right', OUT) }), [
        2, 100,
      ]),
    },
    {
      join: 'smooth',
      rows: [
        { at: 0, left: 190, right: 190 },
        { at: 100, left: 220, right: 220 },
        { at: 200, left: 225, right: 225 },
        { at: 300, left: 215, right: 215 },
        { at: 400, left: 185, right: 185 },
      ],
    },
  ),
  shape(
    'two-tapes',
    'Triangulated',
    'each point from two fixed points',
    {
      apart: length('Fixed points apart', BOARD_SIZE),
      join,
      rows: list('Points, counter-clockwise', record({ a: length('From the first', ALONG), b: length('From the second', ALONG) }), [3, 100]),
    },
    {
      apart: 400,
      join: 'straight',
      rows: [
        { a: 0, b: 400 },
        { a: 400, b: 0 },
        { a: 565.7, b: 400 },
        { a: 400, b: 565.7 },
      ],
    },
  ),
  shape(
    'bevel',
    'Sides and bevels',
    'side, inside angle, side, … all the way round',
    {
      rows: list('Sides, counter-clockwise', record({ length: length('Side', BOARD_SIZE), angle: angle('Angle at its end', BEVEL) }), [3, 40]),
    },
    {
      rows: [
        { length: 900, angle: SQUARE },
        { length: 480, angle: SQUARE },
        { length: 900, angle: SQUARE },
        { length: 480, angle: SQUARE },
      ],
    },
  ),
  shape(
    'drawn',
    'Drawn freely',
    'points, lines, arcs and smooth curves in the plan',
    { mirrored: tick('Half drawn, half mirrored'), nodes: list('Points of the outline', OUTLINE_NODE, POINTS) },
    {
      mirrored: true,
      nodes: [
        { x: 0, y: -210, radius: 0, to: { kind: 'line' } },
        { x: 225, y: -210, radius: 40, to: { kind: 'line' } },
        { x: 195, y: 210, radius: 20, to: { kind: 'line' } },
        { x: 0, y: 210, radius: 0, to: { kind: 'line' } },
      ],
    },
  ),
] as const;

/** A measured base, whichever way it was measured. */
export const BASE_SHAPE = oneOf<(typeof DESCRIBED)[number]['schema'][]>(
  'type',
  DESCRIBED.map(({ schema }) => schema),
);

export type BaseShape = Static<typeof BASE_SHAPE>;
export type ShapeType = BaseShape['type'];
export type PanRow = Static<typeof PAN_ROW>;
export type OutlineNode = Static<typeof OUTLINE_NODE>;
export type NodeLine = Static<typeof NODE_LINE>;
export type CornerRadius = Extract<BaseShape, { type: 'rectangle' }>['cornerRadius'];
export type OffsetRow = Extract<BaseShape, { type: 'offsets' }>['rows'][number];
export type TapeRow = Extract<BaseShape, { type: 'two-tapes' }>['rows'][number];
export type BevelRow = Extract<BaseShape, { type: 'bevel' }>['rows'][number];
/** How measured points are joined: straight from one to the next, or as a flexible rule would lie. */
export type Join = Extract<BaseShape, { type: 'offsets' }>['join'];
