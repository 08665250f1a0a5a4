import type { Weave } from '../cloth';
import type { Notch } from '../outline/notch';
import type { Covering } from './covering';
import type { BaseShape, PanRow } from './shapes';

/** The user's document. Lengths are millimetres; `piece-schema.ts` is the JSON Schema that validates it. */

export type { Buttons, Channels, Correction, Covering, Motif, Nails, SeamMove, Way, Welt } from './covering';
export type { Notch } from '../outline/notch';
export type { OutlineNode } from '../outline/nodes';
export type { BaseShape, BevelRow, CornerRadius, Join, OffsetRow, PanRow, TapeRow } from './shapes';

/** What is being padded. The kind settles what a new piece starts from and which words its drawing uses. */
export type PieceKind =
  | 'chair-seat'
  | 'round-seat'
  | 'bench'
  | 'corner-seat'
  | 'headboard'
  | 'headboard-bordered'
  | 'headboard-panelled'
  | 'headboard-nailed'
  | 'saddle'
  | 'arm-pad'
  | 'block-seat'
  | 'tight-seat';

/** What carries the board under load. */
export type Support = 'frame' | 'two-rails' | 'four-points' | 'solid';

/** A hole through the board: for air, a post, a bolt. Sizes mm. */
export type Hole =
  | { id: string; kind: 'round'; x: number; y: number; diameter: number }
  | { id: string; kind: 'slot'; x: number; y: number; width: number; height: number };

/** Something fixed to the board; `length` is how deep it goes in, mm. */
export type Hardware = {
  id: string;
  kind: 'insert' | 'bolt' | 'screw' | 'cleat';
  x: number;
  y: number;
  diameter: number;
  length: number;
};

/** What is known of one edge of the base, by its name. */
export type EdgeFact = {
  edge: string;
  /** the cover is fastened along here */
  fasten: boolean;
  visible: boolean;
  /** butts against a frame or wall: foam is kept flush */
  against: boolean;
  /** thin wood lip to finish a cloth against, mm, or none */
  strip: { width: number; thickness: number } | null;
  /** bent edge trim of this thickness, mm; 0 is none */
  trim: number;
};

/** A frame of battens under or behind the board. */
export type Frame = { width: number; thickness: number; inset: number; ribs: number; stock: number; kerf: number };

/** A base that is not flat: cross-sections along its centre line, or a map of heights read off a scan. */
export type Mould =
  | { kind: 'rows'; rows: PanRow[] }
  | { kind: 'map'; name: string; x0: number; y0: number; step: number; columns: number; rows: number; heights: number[] };

/** A photo traced for its outline: picture points that are known, and the picture points of the outline. */
export type Trace = {
  photo: string;
  /** two known points and their distance, or four corners of a rectangle and its sizes */
  scale: { kind: 'two'; apart: number } | { kind: 'four'; width: number; height: number };
  marks: [number, number][];
  points: [number, number][];
};

export type Base = {
  shape: BaseShape;
  board: { material: string; thickness: number };
  supports?: Support;
  notches?: Notch[];
  holes?: Hole[];
  hardware?: Hardware[];
  edges?: EdgeFact[];
  frame?: Frame | null;
  mould?: Mould | null;
  trace?: Trace | null;
};

/**
 * How a pad's rim is worked: left square, carved away over a width, carved to a dome over the whole pad, its underside
 * cut away over a width so that the top rolls down, its top rounded by a radius, or only a roll along the rim.
 */
export type PadEdge =
  | { kind: 'square' }
  | { kind: 'domed' }
  | { kind: 'feathered'; width: number }
  | { kind: 'bevelled'; width: number }
  | { kind: 'rounded'; width: number }
  | { kind: 'roll'; width: number };

/** A crown pad lies under the main pad and makes the crown; a main pad covers the base; a topper softens it. */
export type PadRole = 'crown' | 'main' | 'topper';

/** A softer (or harder) insert let into a pad from above: an oval of that width and length, so deep. */
export type Pocket = { x: number; y: number; width: number; length: number; deep: number; material: string };

/** A foam of the workshop's own, described by what pressing it by hand showed; kept with the piece that uses it. */
export type OwnFoam = {
  id: string;
  name: string;
  type: 'polyether' | 'high-resilience' | 'slow-recovery' | 'latex' | 'recycled chip' | 'closed cell' | 'backed';
  /** kg/m³ */
  density: number;
  /** N, and IFD65 ÷ IFD25 */
  ifd25: number;
  supportFactor: number;
  /** first stiff strain, where a third reading showed it */
  onset?: number;
  sold: number[];
};

/** Who or what presses on the piece: the form pressed in, and where its middle lies on the plan. */
export type Sitting = {
  loader: 'seated' | 'saddle' | 'leaning' | 'elbow' | 'disc';
  /** kg */
  mass: number;
  /** percent of the mass that comes on the piece; null follows the house rule for the loader */
  share: number | null;
  x: number;
  y: number;
};

export type Pad = {
  id: string;
  role: PadRole;
  /** id of a foam in the shipped table */
  material: string;
  thickness: number;
  /** mm beyond the board (+) or short of it (−); null follows the house rule for the pad's role */
  offset: number | null;
  edge: PadEdge;
  /** drawn by hand or from a wished crown instead of following the board: corners of its outline */
  outline?: [number, number][] | null;
  /** thickness at the far edge where the pad is a wedge; `thickness` is then at the near edge */
  wedge?: number | null;
  pocket?: Pocket | null;
  /** joined from this many blocks side by side */
  blocks?: number;
  /** cut from scraps in the store; only for pads that another covers */
  scrap?: boolean;
};

export type Cloth = {
  name: string;
  /** usable width of the roll, between selvedges */
  rollWidth: number;
  thickness: number;
  /** coated cloth (leathercloth, vinyl) wants a broad-crowned staple */
  coated: boolean;
  /** how the piece lies on the roll: its depth along the roll, across it, or either */
  direction: 'along' | 'across' | 'any';
  /** distance after which the pattern comes again, across and along the roll; 0 is plain */
  repeatAcross: number;
  repeatAlong: number;
  /** percent lost in the first wash, for natural fibre that has not been washed */
  shrinkage: number;
  /** how hard the cover is pulled, by school */
  pull: 'taut' | 'firm' | 'smooth';
  /** the same in N per 10 cm of edge, where it was measured; null follows the school */
  force?: number | null;
  weave?: Weave;
  fibre?: 'wool' | 'cotton' | 'linen' | 'synthetic' | 'mixed' | 'hide';
  /** g/m² */
  weight?: number;
  /** percent it gives along warp and weft */
  stretchWarp?: number;
  stretchWeft?: number;
  /** whether its face lies one way: pile, or a pattern with an upside */
  nap?: 'none' | 'pile' | 'one-way';
  /** number or name of the fire certificate on file; empty is none */
  certificate?: string;
  /** for one metre off the roll */
  price?: number;
};

/** The straight cut through the piece that the section shows: a point it passes through and its bearing. */
export type ChalkLine = { x: number; y: number; angle: number };

/** Panels side by side on a wall: N equal ones over a width, with gaps. `rating` is what one cleat carries, kg. */
export type Panels = { across: number; gap: number; count: number; mounting: 'joined' | 'hung'; cleats: number; rating: number };

/** A piece of the set whose base was measured differently; all else is shared. */
export type Variant = { id: string; name: string; count: number; shape: BaseShape };

/** What an item taken off was. */
export type StripKind = 'cover' | 'film' | 'wadding' | 'pad' | 'fastener' | 'screw' | 'hardware' | 'strap';

/** One thing taken off, in the order it came. */
export type StripItem = {
  id: string;
  what: StripKind;
  name: string;
  /** where it sat, and the alignment marks made */
  where: string;
  count: number;
  /** measured crown and leg of a fastener, or the thickness of a pad, mm; 0 is not measured */
  crown: number;
  leg: number;
  thickness: number;
  /** goes back on, is replaced by new, or is not wanted again */
  again: 'refit' | 'replace' | 'leave-off';
  photos: string[];
};

/** A measured piece of the old cover, kept as a pattern. */
export type OldPiece = { id: string; name: string; width: number; height: number };

/** Readings of the hand-press test on the old foam. Sizes mm, return in seconds. */
export type PressReadings = { asNew: number; now: number; seconds: number; crumbs: boolean; mould: boolean; marks: boolean };

export type StripRecord = {
  items: StripItem[];
  findings: string[];
  press: PressReadings | null;
  cover: OldPiece[];
  tasks: { id: string; text: string; done: boolean }[];
};

export type Piece = {
  schema: 'fovea.piece/1';
  kind: PieceKind;
  name: string;
  /** how many alike */
  count: number;
  /** day the work is due, YYYY-MM-DD, or empty */
  due: string;
  notes: string;
  base: Base;
  /** from the base up */
  pads: Pad[];
  /** id of a wadding in the shipped table, or null for none */
  wadding: string | null;
  cloth: Cloth;
  chalk: ChalkLine;
  /** house rules set otherwise for this piece alone, by rule key */
  overrides: Record<string, number>;
  strip?: StripRecord;
  panels?: Panels | null;
  variants?: Variant[];
  foams?: OwnFoam[];
  sit?: Sitting | null;
  covering?: Covering;
};
