/** How the cloth goes over a piece: the way, and every choice that belongs to one. Lengths mm. */

/** The ways of covering. */
export type Way =
  'pull-over' | 'boxed' | 'bordered' | 'channelled' | 'saddle-set' | 'lipped' | 'block' | 'tight-deck' | 'nail-edged' | 'buttoned';

/** A covered cord sewn into a seam, or two side by side. */
export type Welt = {
  /** diameter of the cord */
  cord: number;
  cut: 'straight' | 'bias';
  /** in the upper seam, in the lower one */
  upper: boolean;
  lower: boolean;
  double: boolean;
};

/** Stitched lines that make channels (ribs, flutes). */
export type Channels = {
  lay: 'straight' | 'radiating';
  /** which way straight channels run */
  run: 'front-to-back' | 'across';
  /** finished width of one; of the outer end where they radiate */
  width: number;
  /** what lies on the middle */
  centre: 'channel' | 'line';
  /** thickness of the backed foam under the cloth; 0 is none, and plain foam tears */
  backing: number;
  /** a sewn swatch: how many lines, its width before and after */
  swatch: { lines: number; before: number; after: number } | null;
};

/** Buttons on a square grid, drawn in by a depth. */
export type Buttons = { columns: number; rows: number; spacing: number; depth: number; size: number };

/** Nails along the edge; `small` is the second head where sizes alternate, 0 where they do not. */
export type Nails = { pitch: number; head: number; small: number };

/** A stripe or motif laid on a chosen point of the piece. */
export type Motif = { x: number; y: number; on: 'stripe' | 'between' };

/** What the first one of a set showed, and what is done about it on the rest. */
export type Correction = {
  id: string;
  /** id of the cloth piece */
  piece: string;
  /** how it showed: too high or too wide (+), too low or too narrow (−) */
  what: 'height' | 'width' | 'depth';
  /** the edge where it showed, or all round */
  where: string;
  by: number;
  note: string;
  day: string;
};

/** A seam moved by eye: by so much cover length towards the side (+) or the middle (−), at a share of the way round. */
export type SeamMove = { at: number; by: number };

/** Everything chosen about the cover. What another way does not use is kept for when it is chosen again. */
export type Covering = {
  way: Way;
  liner?: boolean;
  slipFilm?: boolean;
  waterproof?: boolean;
  /** where the top seam sits */
  seamAt?: 'on-top' | 'edge' | 'below';
  seamMoves?: SeamMove[];
  /** bands cut as straight strips, or shaped as the side is; null lets the cloth decide */
  bandCut?: 'straight' | 'shaped' | null;
  /** where bands are joined */
  joins?: 'back' | 'corners';
  welt?: Welt;
  /** distance from the board's edge to the inner panel's seam */
  border?: number;
  /** distance from the board's edge to the lip that a panel is finished against */
  lip?: number;
  channels?: Channels;
  buttons?: Buttons;
  nails?: Nails;
  /** saddles: a seam allowance is added, or left out so that the pull makes the panel tight */
  panelAllowance?: 'add' | 'none';
  /** edges that the deck passes over as a pull of plain cloth */
  pulls?: boolean;
  motif?: Motif | null;
  /** darts into the top, at a share of the way round; the top split along a centre line */
  darts?: number[];
  split?: 'none' | 'depth' | 'width';
  /** distance of a second, visible row of stitching from the seam; 0 is none */
  topStitch?: number;
  doubleStitch?: boolean;
  /** strips behind opened seams */
  backingStrips?: boolean;
  corrections?: Correction[];
};
