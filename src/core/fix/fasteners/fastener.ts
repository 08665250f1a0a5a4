import type { Model } from '../../build';
import type { Choices, CornerPlan, Relief } from '../../cover';
import type { RuleReader } from '../../house';
import type { Step } from '../../run/step';
import type { Warning } from '../../warning';

/** The size that a fastener is sold in, mm: a nail’s thickness is its head’s, a rivet’s its shank’s. */
export type SoldSize = { thickness?: number; length?: number };

/** What fasteners are chosen and placed for. */
export type Fastening = { model: Model; choices: Choices; corners: readonly CornerPlan[]; relief: Relief | null };

/** One fastener: its place in the plan and its turn in the order of work. */
export type FastenerPlace = {
  n: number;
  x: number;
  y: number;
  edge: string;
  kind: 'centre' | 'edge' | 'corner';
  /** diameter of its head, where it shows, mm */
  head?: number;
};

/**
 * A way of fastening: everything the rest of the application knows of it. A new one is a file beside these and a line in
 * the list.
 */
export type Fastener = {
  id: string;
  name: string;
  /** staples have a leg and a pitch of their own in the sizes */
  kind: 'staple' | 'other';
  /** what it is for, in a line */
  words: string;
  /** whether this piece has any */
  used: (fastening: Fastening) => boolean;
  /** which size, and whether it holds */
  size: (fastening: Fastening) => { says: string; fits: boolean; /** in what size it is bought, mm */ sold?: SoldSize };
  /** the places that are drawn, in the order of work */
  places: (fastening: Fastening) => FastenerPlace[];
  /** how many more one piece takes that are not drawn */
  more?: (fastening: Fastening) => number;
  /** percent to buy beyond what is needed */
  spare: (rule: RuleReader) => number;
  /** steps that fasten the cover, and those that come once it is fastened and trimmed */
  steps: (fastening: Fastening, places: readonly FastenerPlace[]) => { fasten?: Step[]; finish?: Step[] };
  warnings?: (fastening: Fastening) => Warning[];
};

/** A fastener as a piece has it: which size, how many in one, how many to buy for the set, where. */
export type FastenerPlan = {
  id: string;
  name: string;
  kind: Fastener['kind'];
  size: string;
  fits: boolean;
  count: number;
  toBuy: number;
  places: FastenerPlace[];
  /** in what size it is bought, mm */
  sold: SoldSize;
};
