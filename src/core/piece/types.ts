/** The user's document. Lengths are millimetres; `piece-schema.ts` is the JSON Schema that validates it. */

export type CornerRadius = { front: number; back: number };

export type BaseShape =
  | { type: 'rectangle'; width: number; depth: number; cornerRadius: CornerRadius }
  | { type: 'trapezoid'; frontWidth: number; backWidth: number; depth: number; cornerRadius: CornerRadius }
  | { type: 'round'; diameter: number };

export type Base = { shape: BaseShape; board: { material: string; thickness: number } };

/** How a pad's rim is worked: left square, carved away over a width, or carved to a dome over the whole pad. */
export type PadEdge = { kind: 'square' } | { kind: 'feathered'; width: number } | { kind: 'domed' };

/** A crown pad lies under the main pad and makes the crown; a main pad covers the base. */
export type PadRole = 'crown' | 'main';

export type Pad = {
  id: string;
  role: PadRole;
  /** id of a foam in the shipped table */
  material: string;
  thickness: number;
  /** mm beyond the board (+) or short of it (−); null follows the house rule for the pad's role */
  offset: number | null;
  edge: PadEdge;
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
  /** how hard the cover is pulled */
  pull: 'taut' | 'smooth';
};

/** The straight cut through the piece that the section shows: a point it passes through and its bearing. */
export type ChalkLine = { x: number; y: number; angle: number };

export type Piece = {
  schema: 'fovea.piece/1';
  kind: 'chair-seat';
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
};
