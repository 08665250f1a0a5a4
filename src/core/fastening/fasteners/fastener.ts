import type { FixModel } from '../reads';
import type { Choices, CornerPlan, Relief } from '../../cover';
import type { RuleReader } from '../../house';
import type { Point } from '../../outline';
import type { StepDraft } from '../../step/step';
import type { Bought } from '../../wares';
import type { Warning } from '../../warning';

/** The size that a fastener is sold in, mm: a nail’s thickness is its head’s, a rivet’s its shank’s. */
export type SoldSize = { thickness?: number; length?: number; width?: number };

/** What fasteners are chosen and placed for. */
export type Fastening = { model: FixModel; choices: Choices; corners: readonly CornerPlan[]; relief: Relief | null };

/** One fastener: its place in the plan and its turn in the order of work. */
export type FastenerPlace = {
  n: number;
  x: number;
  y: number;
  edge: string;
  kind: 'centre' | 'edge' | 'corner';
  /** what is done in the wave that it belongs to */
  wave?: string;
  /** which way the cloth is pulled there, a unit vector in the plan */
  pull?: Point;
  /** diameter of its head, where it shows, mm */
  head?: number;
};

/** When the steps of a fastener come: each is done for all of them before the next. */
export type FasteningSteps = {
  /** done to the bare base, before anything lies on it */
  bare: StepDraft[];
  /** sewn to the edge before anything is pulled on */
  ahead: StepDraft[];
  /** the cover is pulled and held along its edges */
  fasten: StepDraft[];
  /** corners, ends in sight, what stands over */
  close: StepDraft[];
  /** what goes on over the fastened cover */
  finish: StepDraft[];
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
  /** the face of the board that it goes into, where that is not the one below */
  face?: 'top';
  /** it can hold the cover along its edge, and is offered for that */
  holdsEdge?: boolean;
  /** what it is bought as */
  ware: Bought;
  /** what it is for, in a line */
  words: string;
  /** what can hurt at it */
  caution: string;
  /** whether this piece has any */
  used: (fastening: Fastening) => boolean;
  /** which size, and whether it holds */
  size: (fastening: Fastening) => { says: string; fits: boolean; /** in what size it is bought, mm */ sold?: SoldSize };
  /** the places that are drawn, in the order of work */
  places: (fastening: Fastening) => FastenerPlace[];
  /** what holds it while it is looked at, and comes out again: where, in the order of work */
  temporary?: (fastening: Fastening) => FastenerPlace[];
  /** how many more one piece takes that are not drawn */
  more?: (fastening: Fastening) => number;
  /** bought by length or area instead of by its count, mm or mm² of one piece */
  bulk?: { unit: 'thread' | 'area'; amount: (fastening: Fastening) => number };
  /** how much of it is glued on, mm² of one piece */
  glued?: (fastening: Fastening) => number;
  /** stitching along the cover's edge before it is held, mm of it on one piece */
  seam?: (fastening: Fastening) => number;
  /** percent to buy beyond what is needed */
  spare: (rule: RuleReader) => number;
  /** its steps */
  steps: (fastening: Fastening, places: readonly FastenerPlace[]) => Partial<FasteningSteps>;
  warnings?: (fastening: Fastening) => Warning[];
};

/** A fastener as a piece has it: which size, how many in one, how many to buy for the set, where. */
export type FastenerPlan = {
  id: string;
  name: string;
  kind: Fastener['kind'];
  /** the face of the board that it goes into */
  face: 'top' | 'under';
  size: string;
  fits: boolean;
  count: number;
  toBuy: number;
  places: FastenerPlace[];
  caution: string;
  /** what comes out again once these hold */
  temporary: FastenerPlace[];
  /** what it is bought as, and in what size, mm */
  ware: Bought;
  sold: SoldSize;
  /** what of it is glued on in one piece, mm² */
  glued: number;
  /** stitching along the cover's edge on one piece, mm */
  seam: number;
  /** what of it is bought by length or area, in one piece; null where it is counted */
  bulk: { unit: 'thread' | 'area'; amount: number } | null;
};
