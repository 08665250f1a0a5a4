import { type Static } from '@sinclair/typebox';
import { TRACE } from './base';
import { EDGE } from '../../outline/schema/edge';
import { choice, day, figure, id, length, list, optional, orNull, PLAN, record, tick, whole, words, type Range } from '../../fields';

/** How the cloth goes over a piece: the way, and every choice that belongs to one. What a way does not use is kept. */

const SHARE: Range = [0, 1];
const NAIL_HEAD: Range = [4, 40];

/** Where the top seam sits. */
export const SEAM_PLACES = [
  { id: 'on-top', name: 'On top of the pad' },
  { id: 'edge', name: 'On the edge' },
  { id: 'below', name: 'Just below the edge' },
] as const;

/** How a band's strip is cut. */
export const BAND_CUTS = [
  { id: 'straight', name: 'Straight' },
  { id: 'shaped', name: 'Shaped' },
] as const;

/** How a lower welt is held. */
export const WELT_HOLDS = [
  { id: 'stapled', name: 'Stapled under the edge' },
  { id: 'sewn', name: 'Sewn in, with a fly below' },
] as const;

/** Schools of the order in which a cover is fastened. */
export const ORDERS = [
  { id: 'centres', name: 'Centres of opposite sides, then outwards' },
  { id: 'long-side', name: 'One long side, then its opposite' },
  { id: 'curved', name: 'The bowed side, then its opposite' },
  { id: 'front', name: 'Front, back, then the sides backwards' },
] as const;

/** A covered cord sewn into a seam, or two side by side. */
export const WELT = record({
  cord: length('Cord', [2, 25], { hint: 'its thickness', default: 6 }),
  cut: choice(
    'Piping strip',
    [
      { id: 'as-it-bends', name: 'As its curves want' },
      { id: 'straight', name: 'On the straight' },
      { id: 'bias', name: 'On the bias' },
    ],
    { default: 'as-it-bends' },
  ),
  upper: tick('Piping in the top seam', { default: true }),
  lower: tick('Piping along the lower edge', { default: true }),
  /** stapled on once the band is fastened; or sewn between the band and a fly that is stapled under */
  held: optional(choice('Lower piping', WELT_HOLDS, { default: 'stapled' })),
  double: tick('Double piping', { default: false }),
});

/** A sewn swatch: how many lines, its width before and after. */
export const SWATCH = record({
  lines: whole('Lines in the swatch', [1, 60], { default: 5 }),
  before: length('Swatch before', [20, 2000], { default: 250 }),
  after: length('Swatch after', [20, 2000], { default: 235 }),
});

/** Two strips of the cloth sewn together along their length: so long before, so long after. */
export const SEAM_SWATCH = record({
  before: length('Sewn strip, before', [100, 3000], { default: 500 }),
  after: length('Sewn strip, after', [95, 3150], { default: 497, hint: 'laid flat, not stretched' }),
});

/** Stitched lines that make channels (ribs, flutes). */
export const CHANNELS = record({
  lay: choice('Channels lie', ['straight', 'radiating'], { default: 'straight' }),
  /** which way straight channels run */
  run: choice(
    'Channels run',
    [
      { id: 'front-to-back', name: 'Front to back' },
      { id: 'across', name: 'Across' },
    ],
    { default: 'front-to-back' },
  ),
  /** finished width of one; of the outer end where they radiate */
  width: length('Channel width', [8, 400], { hint: 'as sewn', default: 45 }),
  centre: choice(
    'On the middle',
    [
      { id: 'channel', name: 'A channel' },
      { id: 'line', name: 'A stitched line' },
    ],
    { default: 'channel' },
  ),
  /** thickness of the backed foam under the cloth; 0 is none, and plain foam tears */
  backing: length('Backed foam', [0, 25], { hint: 'its thickness; leave empty for none', default: 6 }),
  swatch: orNull(SWATCH),
});

/** Buttons on a square grid, drawn in by a depth. */
export const BUTTONS = record({
  columns: whole('Buttons across', [1, 30], { default: 5 }),
  rows: whole('Rows of buttons', [1, 30], { default: 3 }),
  spacing: length('Button to button', [20, 800], { default: 180 }),
  /** null is as far as across */
  down: optional(orNull(length('Row to row', [20, 800], { hint: 'empty: as across' }))),
  grid: optional(
    choice(
      'Grid',
      [
        { id: 'square', name: 'Square' },
        { id: 'diamond', name: 'Diamond' },
      ],
      { default: 'square' },
    ),
  ),
  depth: length('Drawn in', [0, 120], { default: 18 }),
  size: length('Button size', [8, 80], { default: 22 }),
});

/** Nails along the edge; `small` is the second head where sizes alternate. */
export const NAILS = record({
  pitch: length('Nail pitch', [6, 120], { hint: 'evened out over each side', default: 25 }),
  head: length('Nail head', NAIL_HEAD, { default: 11 }),
  small: orNull(length('Small head', NAIL_HEAD)),
});

/** A stripe or motif laid on a chosen point of the piece. */
export const MOTIF = record({
  x: length('Motif, to the right', PLAN, { default: 0 }),
  y: length('Motif, to the back', PLAN, { default: 0 }),
  on: choice('Motif', [
    { id: 'stripe', name: 'A stripe on the point' },
    { id: 'between', name: 'Between two stripes' },
  ]),
});

/** What the first one of a set showed, and what is done about it on the rest. */
export const CORRECTION = record({
  id: id(),
  /** id of the cloth piece */
  piece: words('Cloth piece'),
  /** how it showed: too high or too wide (+), too low or too narrow (−) */
  what: choice('What', ['height', 'width', 'depth']),
  /** the edge where it showed; null is all round */
  where: orNull(EDGE),
  by: length('Came out too big (+) or too small (−) by', [-60, 60]),
  note: words('Note', 400),
  day: day('Day'),
});

/**
 * A cloth that was pinned on and marked along its seams or its edge: read by tape from its middle line, or off a photo of it
 * laid flat.
 */
export const PINNED_ROW = record({
  at: length('From its near edge', [0, 4000], { default: 0 }),
  left: length('Left of the middle', [0, 2000], { default: 200 }),
  right: length('Right of the middle', [0, 2000], { default: 200 }),
});
export const PINNED = record({
  id: id(),
  /** id of the cloth piece */
  piece: words('Cloth piece'),
  rows: list('Readings', PINNED_ROW, [0, 40]),
  trace: optional(orNull(TRACE)),
});

/** A seam moved by eye: by so much cover length towards the side (+) or the middle (−), at a share of the way round. */
export const SEAM_MOVE = record({ at: figure('Share of the way round', 'ratio', SHARE), by: length('Moved by', [-150, 150]) });

/** What of a cover can be cut from a second cloth. */
export const SECOND_PARTS = [
  { id: 'top', name: 'Top' },
  { id: 'band', name: 'Band' },
  { id: 'border', name: 'Border' },
  { id: 'side', name: 'Sides' },
  { id: 'nose', name: 'Nose' },
  { id: 'tail', name: 'Tail' },
  { id: 'bottom', name: 'Bottom' },
  { id: 'welt', name: 'Piping' },
  { id: 'loose', name: 'Loose cushions' },
] as const;

export const COVERING = record({
  way: id('Way of covering'),
  /** which parts are cut from the piece's second cloth, where it has one */
  secondOn: optional(list('Cut from the second cloth', choice('Part', SECOND_PARTS), [0, SECOND_PARTS.length])),
  /** a fastener; null is what the board asks for */
  held: optional(orNull(id('Held by', { empty: 'By the board' }))),
  /** null is what is usual for the kind and its outline */
  order: optional(orNull(choice('Order', ORDERS, { empty: 'Usual order' }))),
  /** glued over the staples and the raw edge */
  edgeTape: optional(tick('Edge tape over the staples', { default: false })),
  /** left out, only a vehicle's pan does */
  outdoors: optional(tick('Lives outdoors, or gets wet', { default: false, hint: 'stainless fasteners, film under the cover' })),
  liner: optional(tick('Liner cloth', { default: false })),
  slipFilm: optional(tick('Slip film', { default: false })),
  waterproof: optional(tick('Waterproof cover', { default: false })),
  seamAt: optional(choice('Top seam', SEAM_PLACES, { default: 'edge' })),
  seamMoves: optional(list('Seam moved', SEAM_MOVE, [0, 24])),
  /** null lets the cloth decide */
  bandCut: optional(orNull(choice('Band is cut', BAND_CUTS, { empty: 'As the cloth allows' }))),
  joins: optional(
    choice(
      'Band joins',
      [
        { id: 'back', name: 'At the back' },
        { id: 'corners', name: 'At the corners' },
        { id: 'two', name: 'In two, joined at the ends' },
        { id: 'one', name: 'One strip, cut along the roll' },
      ],
      { default: 'back' },
    ),
  ),
  welt: optional(WELT),
  /** distance from the board's edge to the inner panel's seam */
  border: optional(length('Border width', [15, 600], { hint: 'from the board’s edge', default: 100 })),
  /** where a bordered panel has its border: what a mattress hides goes without */
  borders: optional(
    choice(
      'Border on',
      [
        { id: 'all', name: 'All sides' },
        { id: 'three', name: 'Three sides' },
      ],
      { default: 'all', hint: 'three: none at the bottom' },
    ),
  ),
  /** a bordered panel: back-tacked piece by piece on the board, or sewn together and pulled on as one */
  made: optional(
    choice(
      'Made',
      [
        { id: 'staged', name: 'In stages, back-tacked' },
        { id: 'sewn', name: 'Sewn as one cover' },
      ],
      { default: 'staged', reason: 'Each part is pulled where it lies: no seam has to meet a line on the board. Sewn as one is quicker where it is exactly cut.' },
    ),
  ),
  /** distance from the board's edge to the lip that a panel is finished against */
  lip: optional(length('Lip', [3, 200], { hint: 'in from the board’s edge', default: 12 })),
  channels: optional(CHANNELS),
  buttons: optional(BUTTONS),
  nails: optional(NAILS),
  /** saddles: a seam allowance is added, or left out so that the pull makes the panel tight */
  panelAllowance: optional(
    choice(
      'Panel’s seam allowance',
      [
        { id: 'add', name: 'Added' },
        { id: 'none', name: 'None: the pull makes it tight' },
      ],
      { default: 'add' },
    ),
  ),
  /** edges that the deck passes over as a pull of plain cloth */
  pulls: optional(tick('Pulls of plain cloth through the frame', { default: false })),
  /** a pattern that need not lie alike on all takes less cloth */
  matched: optional(tick('Pattern matched over the set', { default: true })),
  /** null is not placed */
  motif: optional(orNull(MOTIF)),
  /** darts into the top, at a share of the way round */
  darts: optional(list('Darts', figure('Share of the way round', 'ratio', SHARE), [0, 12])),
  split: optional(
    choice(
      'Top panel',
      [
        { id: 'none', name: 'In one' },
        { id: 'depth', name: 'Split front to back' },
        { id: 'width', name: 'Split across' },
      ],
      { default: 'none' },
    ),
  ),
  /** what a seam takes up, from a sewn strip; null where nobody has tried */
  seamSwatch: optional(orNull(SEAM_SWATCH)),
  /** distance of a second, visible row of stitching from the seam; 0 is none */
  topStitch: optional(length('Top stitch from the seam', [0, 25], { hint: 'leave empty for none', default: 0 })),
  doubleStitch: optional(tick('Double-stitched seams', { default: false })),
  backingStrips: optional(tick('Strips behind opened seams', { default: false })),
  corrections: optional(list('Corrections', CORRECTION, [0, 60])),
});

export type Covering = Static<typeof COVERING>;
export type SecondPart = (typeof SECOND_PARTS)[number]['id'];
export type Welt = Static<typeof WELT>;
export type Channels = Static<typeof CHANNELS>;
export type Buttons = Static<typeof BUTTONS>;
export type Nails = Static<typeof NAILS>;
export type Motif = Static<typeof MOTIF>;
export type Correction = Static<typeof CORRECTION>;
export type Pinned = Static<typeof PINNED>;
export type SeamMove = Static<typeof SEAM_MOVE>;
