import type { Static, TObject } from '@sinclair/typebox';
import type { Point, Polygon } from '../outline';

/** A pad as far as the form of its top reads it, mm: `low` and `high` are its thinner and its thicker end where it is a wedge. */
export type FormedPad = { thickness: number; low: number; high: number };

/** How thick a pad is at a place in the plan before its rim is worked, mm. */
export type Thickness = (at: Point) => number;

/** The extent of a pad or its board, mm. */
export type Extent = { minX: number; minY: number; maxX: number; maxY: number; width: number; height: number };

/** A place where the top is bent, as a share of the way along half a cut; sharp where it has a corner. */
export type Bend = { x: number; sharp: boolean };

/** One figure behind a size. */
export type FormTerm = { key: string; name: string; value: number };

/** What a form is marked out by. */
export type FormSize = { value: number; by?: number; note: string; formula: string; terms: FormTerm[] };

/** A vertical cut through the piece. */
export type FormCut = { origin: Point; direction: Point };

/** A place of a form that is dragged on the section: up and down for its value, along for where it lies. */
export type FormHandle<P> = { key: string; label: string; x: number; value: number; moved: (value: number, along: number) => P };

/** What the cover leaves of a form is measured in its middle against its rim; + where the middle is the lower. */
export type FormSpots = { at: Point; rim: Point[]; sign: 1 | -1; by: number };

/** Where something lies, as it is said: “20 mm right and 5 mm behind the middle”. */
export type PlaceWords = (x: number, y: number) => string;

/** Reports what is wrong with a field of the form. */
export type Report = (path: string, message: string) => void;

/**
 * The form of a pad's top where it is not level. A new one is one file and one line in the list of `index.ts`.
 */
export type PadForm<S extends TObject = TObject, P = Static<S>> = {
  id: string;
  name: string;
  /** what it is called beside its size */
  noun: string;
  schema: S;
  /** its fields in the order of the hand */
  fields: readonly string[];
  /** a table of points from the near edge to the far one, instead or as well */
  rows?: { key: string; columns: readonly string[]; noun: string };
  /** it can be brought in from a scan; one that comes from nowhere else is not offered before it is there */
  scan?: 'too' | 'only';
  /** whether dragging up makes its value larger */
  up: boolean;
  /** as it is first given to a pad; null where it comes from a file */
  first: (pad: Pick<FormedPad, 'thickness'>, extent: Extent) => P | null;
  check?: (profile: P, pad: FormedPad, report: Report) => void;
  thickest: (profile: P, pad: FormedPad) => number;
  thinnest: (profile: P, pad: FormedPad) => number;
  /** how thick the pad is from place to place; `level` is what it would be without the form */
  thickness: (profile: P, pad: FormedPad, outline: Polygon, level: Thickness) => Thickness;
  /** where half a cut meets its bends */
  bends: (profile: P, at: (u: number) => Point, extent: Extent) => Bend[];
  /**
   * the line on the pad's side, where it is the same over its whole width: its corners as lengths from the near edge, whether it
   * is curved between them, and whether it stands whatever wedge the pad is
   */
  side: (profile: P) => { corners: readonly number[]; curved: boolean; alone: boolean } | null;
  /** what is measured of it under a cover, and what cures it where the cover leaves too little */
  spots?: (profile: P, middle: Point) => FormSpots;
  cure?: string;
  /** how it is worked at the bench; null where nothing is to be done */
  words: (profile: P, pad: FormedPad, place: PlaceWords) => string | null;
  size: (profile: P, pad: FormedPad & { reused: boolean; most: number; least: number }) => FormSize;
  handles: (profile: P, cut: FormCut, pad: FormedPad, near: number) => FormHandle<P>[];
};

/** A form with the type of its own fields. */
export function padForm<S extends TObject>(form: PadForm<S>): PadForm<S> {
  return form;
}
