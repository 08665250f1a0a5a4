import { Type, type Static } from '@sinclair/typebox';
import { DECKS, TIGHT_ENOUGH } from '../../foam';
import { MAP } from '../../heights';
import { EDGE } from '../../outline/schema/edge';
import { NOTCH } from '../../outline/schema/notch';
import { choice, figure, id, length, list, oneOf, optional, orNull, pair, record, spot, tag, tick, whole, type Range } from '../../fields';
import { BASE_SHAPE, BOARD_SIZE, PAN_ROW } from '../../outline/schema/shapes';
import { HARDWARE } from './hardware';

/** A hole through the board. */
export const HOLE_SIZE: Range = [2, 1000];
const STRIP_SIZE: Range = [2, 100];

/** What carries the board under load. */
export const SUPPORTS = [
  { id: 'frame', name: 'A frame all round' },
  { id: 'two-rails', name: 'Two rails, left and right' },
  { id: 'four-points', name: 'Four points' },
  { id: 'solid', name: 'Solid below' },
] as const;

/** A hole through the board: for air, a post, a bolt. */
export const HOLE_FORMS = {
  round: record({ id: id(), kind: tag('round'), ...spot, diameter: length('Diameter', HOLE_SIZE, { default: 20 }), held: optional(tick('Held the old cover', { default: false })) }),
  slot: record({
    id: id(),
    kind: tag('slot'),
    ...spot,
    width: length('Across', HOLE_SIZE, { default: 80 }),
    height: length('Front to back', HOLE_SIZE, { default: 25 }),
  }),
};
export const HOLE = oneOf('kind', [HOLE_FORMS.round, HOLE_FORMS.slot]);

/** How a cloth that ends in sight is held along its fold, and how far apart; nothing is one seam. */
export const END_HOLDS = [
  { id: 'gimp-pins', name: 'Gimp pins', plural: 'gimp pins', apart: 40 },
  { id: 'close-nails', name: 'Nails, head to head', plural: 'nails', apart: 0 },
  { id: 'slip-stitch', name: 'Slip-stitched', plural: 'stitches', apart: null },
] as const;

/** Where a pulled cover ends in sight on the board's face, its own edge turned under. */
export const COVER_END = record({
  up: length('Fold above the board’s lower edge', [0, 60], { default: 4 }),
  turn: length('Turned under', [8, 40], { default: 15 }),
  held: choice('Held by', END_HOLDS, { default: 'gimp-pins' }),
});

/** What is known of one edge of the base. */
export const EDGE_FACT = record({
  edge: EDGE,
  /** the cover is fastened along here */
  fasten: tick('Fastened', { default: true }),
  visible: tick('Seen', { default: true }),
  /** butts against a frame or wall: foam is kept flush */
  against: tick('Against a frame', { default: false }),
  /** thin wood lip to finish a cloth against, or none */
  strip: orNull(
    record({
      width: length('Hard-edge strip, width', STRIP_SIZE, { hint: 'leave empty for none' }),
      thickness: length('Strip thickness', STRIP_SIZE, { default: 5 }),
    }),
  ),
  /** bent edge trim of this thickness; 0 is none */
  trim: length('Edge trim, thickness', [0, 40], { hint: 'leave empty for none', default: 0 }),
  /** the cloth ends in sight here, with a finished fold; left out, it goes on under the board */
  end: optional(orNull(COVER_END)),
  /** what holds the cover here where it is not what holds the rest; null is the same */
  held: optional(orNull(id('Held along here by', { empty: 'Same as the rest' }))),
  /** the cloth is cut so much shorter here than there is to hold elsewhere */
  short: optional(length('Cloth cut short here', [0, 20], { hint: 'where it is out of sight: less pull allowance', default: 0 })),
});

/** A frame of battens under or behind the board. */
export const FRAME = record({
  width: length('Batten width', STRIP_SIZE, { default: 45 }),
  thickness: length('Batten thickness', STRIP_SIZE, { default: 20 }),
  inset: length('In from the edge', [0, 300], { default: 20 }),
  ribs: whole('Ribs', [0, 20], { default: 1 }),
  /** ribs that only rest under the board carry nothing of its load */
  ribsFixed: optional(tick('Ribs glued and screwed', { default: true, hint: 'to board and frame; loose ribs are not counted on' })),
  /** three-cornered blocks in the frame's corners; none where their leg is nothing */
  blocks: optional(length('Corner blocks, along either leg', [0, 200], { hint: 'leave empty for none', default: 0 })),
  stock: length('Stock length', [300, 6000], { default: 2400 }),
  kerf: length('Saw kerf', [0, 10], { default: 3 }),
});

/** Whether webbing or springs are put in, or are there and good. */
export const DECK_MADE = [
  { id: 'new', name: 'Stretched new' },
  { id: 'stays', name: 'Old, stays in' },
] as const;

/** What is stretched in a frame instead of a board: webbing or springs. */
export const DECK = record({
  kind: choice('Stretched in it', DECKS, { default: 'elastic' }),
  give: length('A hand leant on it goes down', [5, 120], {
    default: 30,
    reason: `Elbow straight, in the middle, before any padding lies on it: ${TIGHT_ENOUGH.join(' to ')} mm is tight enough and not a board.`,
  }),
  rail: length('Rail, width', [15, 150], { default: 40 }),
  /** left out, it is stretched new */
  made: optional(choice('Old or new', DECK_MADE, { default: 'new' })),
});

/** What the covered piece has to go between: a frame it drops into, two walls, a wall and a mattress. */
export const OPENING = record({
  width: orNull(length('Between left and right', BOARD_SIZE, { empty: 'Open' })),
  depth: orNull(length('Between near and far', BOARD_SIZE, { empty: 'Open', hint: 'leave empty if open' })),
  clear: length('Free on either side', [0, 50], {
    default: 2,
    hint: 'once it is covered',
    reason: 'A coin’s thickness: less and the cloth is rubbed through, more and the gap is seen.',
  }),
});

/** A base that is not flat: cross-sections along its centre line, or a map of heights read off a scan. */
export const MOULD = oneOf('kind', [record({ kind: tag('rows'), rows: list('Cross-sections', PAN_ROW, [2, 40]) }), MAP]);

/** Photos are named by what is in them. */
export const PHOTO = Type.String({ title: 'Photo', pattern: '^[0-9a-f]{64}\\.(jpg|png|webp)$' });
export const pixel = pair(figure('Place in the photo', 'px', [-20000, 20000]));

/** A photo traced for its outline: picture points that are known, and the picture points of the outline. */
export const TRACE = record({
  photo: PHOTO,
  /** two known points and their distance, or four corners of a rectangle and its sizes */
  scale: oneOf('kind', [
    record({ kind: tag('two'), apart: length('Apart', BOARD_SIZE) }),
    record({ kind: tag('four'), width: length('Width between the marks', BOARD_SIZE), height: length('Depth between the marks', BOARD_SIZE) }),
  ]),
  marks: list('Known points', pixel, [0, 4]),
  points: list('Traced points', pixel, [0, 400]),
});

/** A base that is put together: planks in courses one over the other, or boards in layers with staggered joints. */
export const COURSES = record({
  height: length('Course, how high', [40, 1500], { default: 200, hint: 'as the planks come' }),
  layers: whole('Layers', [1, 6], { default: 1, hint: 'joints staggered from layer to layer' }),
  glued: tick('Joints glued', { default: true }),
});

/** What hides the lower part of a piece once it is in its place. */
export const HIDING = [
  { id: 'mattress', name: 'The mattress' },
  { id: 'skirting', name: 'The skirting' },
  { id: 'frame', name: 'A frame before it' },
] as const;

/** A part that nobody sees: plain cloth does there. */
export const HIDDEN = record({
  by: choice('Hidden by', HIDING, { default: 'mattress' }),
  upTo: length('Hidden up to', [20, 2500], { default: 250, hint: 'from the near edge' }),
  lap: length('Good cloth goes on below that', [0, 400], { default: 80, reason: 'A mattress is pulled about and sinks: the join must not look over it.' }),
});

/** Where the board comes from. */
export const BOARD_MADE = [
  { id: 'there', name: 'Already here' },
  { id: 'sawn', name: 'Sawn new' },
] as const;

export const BASE = record({
  shape: BASE_SHAPE,
  board: record({
    material: id('Board'),
    thickness: length('Board thickness', [2, 60]),
    /** left out, it is there before the work begins */
    made: optional(choice('Old or new', BOARD_MADE, { default: 'there' })),
  }),
  supports: optional(choice('Carried by', SUPPORTS)),
  notches: optional(list('Notches', NOTCH, [0, 12])),
  holes: optional(list('Holes', HOLE, [0, 60])),
  hardware: optional(list('Hardware', HARDWARE, [0, 60])),
  edges: optional(list('Edges', EDGE_FACT, [0, 60])),
  frame: optional(orNull(FRAME)),
  deck: optional(orNull(DECK)),
  opening: optional(orNull(OPENING)),
  hidden: optional(orNull(HIDDEN)),
  courses: optional(orNull(COURSES)),
  mould: optional(orNull(MOULD)),
  trace: optional(orNull(TRACE)),
});

export type Base = Static<typeof BASE>;
export type Support = NonNullable<Base['supports']>;
export type Hole = Static<typeof HOLE>;
export type CoverEnd = Static<typeof COVER_END>;
export type EdgeFact = Static<typeof EDGE_FACT>;
export type Frame = Static<typeof FRAME>;
export type Courses = Static<typeof COURSES>;
export type Hidden = Static<typeof HIDDEN>;
export type Opening = Static<typeof OPENING>;
export type StretchedDeck = Static<typeof DECK>;
export type Mould = Static<typeof MOULD>;
export type Trace = Static<typeof TRACE>;
