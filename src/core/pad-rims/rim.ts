import type { Static, TObject } from '@sinclair/typebox';

/** A place of a pad whose rim is worked: how thick the pad is there before that, and where the place lies. Lengths mm. */
export type RimPlace = {
  thickness: number;
  /** how far inside the pad's outline */
  away: () => number;
  /** how far from the pad's middle, and how far its outline is that way; null where the outline cannot all be seen from there */
  ray: { at: number; reach: number } | null;
  /** how far the outline is from the place deepest inside it */
  depth: number;
};

/**
 * How a pad's rim is worked. A new one is one file and one line in the list of `index.ts`.
 */
export type PadRim<S extends TObject = TObject, R = Static<S>> = {
  id: string;
  name: string;
  schema: S;
  /** it runs out to nothing: a pad over it has no step to come down, and no edge of it shows through */
  soft: boolean;
  /** it is shaped from the middle outwards, beyond its outline too */
  fromMiddle?: boolean;
  /** a pad all of one thickness: nothing is taken off */
  whole?: boolean;
  /** so narrow that its volume is summed in small cells */
  narrow?: boolean;
  /** as it is first given to a pad so thick */
  first: (thickness: number) => R;
  /** what is wrong with its width, or null */
  check?: (rim: R, thickness: number) => string | null;
  /** how high the pad stands at its very rim, mm: what a pad over it comes down from */
  step: (rim: R, thickness: number) => number;
  /** how thick the pad is at a place, mm */
  thickness: (rim: R, place: RimPlace) => number;
  /** whether there is foam so far inside the outline; everywhere where nothing is said */
  isThere?: (rim: R, away: number) => boolean;
  /** what is cut away from below, mm */
  lift?: (rim: R, thickness: number, away: number) => number;
  /** how far in from the outline it shapes the pad, mm */
  reach: (rim: R, depth: number) => number;
  /** how it is worked on a pad so thick, so wide across, with its lines and depths; null where nothing is to be done */
  words: (rim: R, thickness: number, across: number) => string | null;
  /** what its work grows with */
  work: 'rim' | 'area';
};

/** A rim with the type of its own fields. */
export function padRim<S extends TObject>(rim: PadRim<S>): PadRim<S> {
  return rim;
}
