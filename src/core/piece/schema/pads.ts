import { type Static } from '@sinclair/typebox';
import { FOAM_TYPES } from '../../foam';
import { LOADERS } from '../../loaders';
import { PHOTO, pixel } from './base';
import { PAD_PROFILE } from '../../pad-forms';
import { PAD_EDGE } from '../../pad-rims';
import { choice, figure, id, length, list, optional, orNull, place, record, spot, tick, whole, words, type Range } from '../../fields';

const PAD_SIZE: Range = [0.5, 500];
/** How large a pocket can be across. */
export const POCKET_SIZE: Range = [20, 600];
/** − is short of the board, + beyond it. */
export const OFFSET: Range = [-300, 100];

/** A crown pad lies under the main pad and makes the crown; a main pad covers the base; a topper softens it. */
export const PAD_ROLES = [
  { id: 'crown', name: 'Crown pad' },
  { id: 'main', name: 'Main pad' },
  { id: 'topper', name: 'Topper' },
] as const;

/** What is done with an old pad that goes back in. */
export const KEPT = [
  { id: 'stays', name: 'Old, stays on the base' },
  { id: 'as-is', name: 'Old, as it is' },
  { id: 'cleaned', name: 'Old, cleaned' },
  { id: 'turned', name: 'Old, turned over' },
  { id: 'trimmed', name: 'Old, rim cut off' },
] as const;

/**
 * A photo from straight above of where somebody sat: seen on it, the middles of the front and the back edge, and then the
 * mark of each seat bone.
 */
export const SAT = record({
  photo: PHOTO,
  marks: list('Known points', pixel, [0, 2]),
  points: list('Seat bones', pixel, [0, 2]),
});

/** A softer (or harder) insert let into a pad from above: an oval of that width and length, so deep, its wall sloping over a blend. */
const LET_IN = {
  ...spot,
  width: length('Pocket width', POCKET_SIZE, { default: 180 }),
  length: length('Pocket length', POCKET_SIZE, { default: 160 }),
  deep: length('Pocket depth', [1, 500], { default: 15 }),
  /** how wide the sloping wall is; none stands upright */
  blend: optional(length('Edge blended over', [0, 150], { hint: 'nothing for an upright wall', default: 0 })),
  material: id('Insert'),
};
export const POCKET = record({ ...LET_IN, sat: optional(orNull(SAT)) });

/** Which way a wedge runs, and what its ends are called. */
export const WEDGE_WAYS = [
  { id: 'far', name: 'The far edge', ends: ['near', 'far'] },
  { id: 'right', name: 'The right edge', ends: ['left', 'right'] },
] as const;

/** Foam that comes cut: so large, so many in a packet; odd offcuts of one size alike. */
export const PACKET = record({
  width: length('Packet piece, width', [100, 3000], { default: 400 }),
  length: length('Packet piece, length', [100, 3000], { default: 400 }),
  each: whole('Pieces in a packet', [1, 200], { default: 10 }),
});

export const PAD = record({
  id: id(),
  role: choice('Role', PAD_ROLES),
  material: id('Foam'),
  thickness: length('Thickness', PAD_SIZE),
  /** beyond the board (+) or short of it (−); null follows the house rule for the pad's role */
  offset: orNull(length('Overhang', OFFSET)),
  edge: PAD_EDGE,
  /** drawn by hand or from a wished crown instead of following the board: corners of its outline */
  outline: optional(orNull(list('Drawn outline', place, [3, 400]))),
  /** thickness at the far edge where the pad is a wedge; `thickness` is then at the near edge */
  wedge: optional(orNull(length('Thick at its other end', PAD_SIZE))),
  /** which way a wedge runs: from the near edge to the far one, or from left to right */
  wedgeWay: optional(choice('A wedge to', WEDGE_WAYS, { default: 'far' })),
  /** the form of its top where it is neither level nor a wedge; null is level */
  profile: optional(orNull(PAD_PROFILE)),
  pocket: optional(orNull(POCKET)),
  /** more that is let in beside it: patches where old foam is worn, a second pocket */
  patches: optional(list('More let in', record(LET_IN), [0, 8])),
  /** joined from this many blocks side by side */
  blocks: optional(whole('Joined from blocks', [1, 12], { hint: 'side by side, glued', default: 1 })),
  /** a wedge is cut with its like from one block, turned round on each other: only one cut between two */
  pair: optional(tick('Wedges cut in pairs', { default: false })),
  /** and this many one behind the other */
  blocksDeep: optional(whole('Blocks one behind the other', [1, 12], { default: 1 })),
  /** cut from packets, or from offcuts of one size, and joined where one piece of them is too small */
  packet: optional(orNull(PACKET)),
  /** cut from scraps in the store; only for pads that another covers */
  scrap: optional(tick('Cut from scraps', { default: false })),
  /** rough-cut larger, glued, then trimmed with the blade against the board's edge; only for what reaches the edge */
  trim: optional(tick('Rough-cut, trimmed once glued', { default: false })),
  /** an old pad that goes back in: nothing is cut or bought for it, and it is as soft as it has become */
  kept: optional(orNull(choice('New or old', KEPT, { empty: 'New foam' }))),
  hardnessLeft: optional(
    figure('Hardness left', '%', [20, 100], {
      hint: 'of new',
      default: 80,
      reason: 'A seat that was sat on for years has usually lost a fifth of its hardness before it loses thickness that a rule would show.',
    }),
  ),
});

/** A foam of the workshop's own, described by what pressing it by hand showed; kept with the piece that uses it. */
export const OWN_FOAM = record({
  id: id(),
  name: words('Name'),
  type: choice('Type', FOAM_TYPES),
  density: figure('Density', 'kg/m³', [10, 400]),
  ifd25: figure('Hardness', 'N', [10, 3000]),
  /** IFD65 ÷ IFD25 */
  supportFactor: figure('Support factor', 'ratio', [1.3, 6]),
  /** first stiff strain, where a third reading showed it */
  onset: optional(figure('First stiff strain', 'ratio', [0.01, 0.4])),
  sold: list('Thicknesses sold', length('Thickness sold', PAD_SIZE), [0, 20]),
});

/** What is pressed by hand for a foam of one's own: the pad on the scale and the disc pressed into it. */
export const HAND_PRESS = record({
  name: words('Name', 120, { default: 'Our own foam' }),
  thickness: length('Pad thickness', [5, 300], { default: 50 }),
  disc: length('Disc width', [20, 350], { default: 100 }),
  density: figure('Density', 'kg/m³', [10, 400], { default: 35 }),
});

/** Who or what presses on the piece: the form pressed in, and where its middle lies on the plan. */
export const SITTING = record({
  loader: choice(
    'Sitter',
    LOADERS.map(({ id: text, name }) => ({ id: text, name })),
  ),
  mass: figure('Weight', 'kg', [5, 250]),
  /** percent of the mass that comes on the piece; null follows the house rule for the loader */
  share: orNull(figure('Weight on the seat', '%', [5, 100])),
  ...spot,
});

export type Pad = Static<typeof PAD>;
export type PadRole = Pad['role'];
export type SatPhoto = Static<typeof SAT>;
export type Packet = Static<typeof PACKET>;
export type Pocket = Static<typeof POCKET>;
export type OwnFoam = Static<typeof OWN_FOAM>;
export type Sitting = Static<typeof SITTING>;
