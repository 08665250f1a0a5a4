import type { Point, Polygon } from '../outline';

/** A quarter turn is 90; a piece of cloth may be turned by what its nap, pattern and direction let it. */
export type Turn = 0 | 90 | 180 | 270;

/** One piece to lay, as it is cut; its outline's least x and y are nothing, x across the roll and y along it. */
export type LayShape = {
  /** tells it from every other: its piece, its part, which of the set */
  key: string;
  /** what it is called on the lay */
  label: string;
  /** the piece of the floor that it belongs to */
  piece: string;
  outline: Polygon;
  turns: readonly Turn[];
  /** where the motif must fall on the repeat, measured as the outline is; null where nothing is matched */
  motif: Point | null;
};

/** A spoilt spot. */
export type LayFlaw = { x: number; y: number; width: number; height: number };

/** What is cut from: a roll, a part of one, a sheet, an offcut. */
export type LayBin = {
  id: string;
  says: string;
  /** from the store; null is bought */
  stock: string | null;
  ware: string | null;
  width: number;
  /** null goes on as long as is needed */
  length: number | null;
  flaws: readonly LayFlaw[];
  /** an offcut that is no rectangle */
  outline: Polygon | null;
};

/** A piece laid down: the least x and y of its turned outline. */
export type LayPlace = { key: string; bin: number; x: number; y: number; turn: Turn; locked?: boolean };

/** How a pattern is matched: its repeat, and whether motifs fall on it or between. */
export type LayRepeat = { across: number; along: number; between: boolean };

/** What is to be laid, and from what. */
export type LayTask = {
  shapes: readonly LayShape[];
  /** from the store, in the order they are used up */
  stock: readonly LayBin[];
  /** what is bought where those do not do: as many as are needed */
  fresh: LayBin;
  /** between two pieces: room for the shears, or what the blade takes, mm */
  gap: number;
  repeat: LayRepeat | null;
  /** where pieces are held by hand */
  locked: readonly LayPlace[];
};

/** A lay: what was found. */
export type Lay = {
  bins: LayBin[];
  places: LayPlace[];
  /** pieces that fit on nothing, by their keys */
  left: string[];
  /** how much of each bin is taken, from its end, mm */
  used: number[];
};
