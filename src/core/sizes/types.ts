import type { Piece } from '../piece';
import type { Bought } from '../wares';
import type { SheetPlan } from '../plan-data';

/** How a figure is printed. */
/** `roll` is cloth off the roll, `thread` thread and cord: lengths that are said in metres or yards; a `pitch` is marked
 * over and over, so that its tenths add up. */
export type SizeUnit =
  'length' | 'roll' | 'thread' | 'pitch' | 'area' | 'count' | 'percent' | 'minutes' | 'mass' | 'force' | 'pressure' | 'money';

/** One value that goes into a number: from the piece, worked out, or a house rule that can be overridden. */
export type Term = {
  symbol: string;
  label: string;
  value: number;
  unit: SizeUnit | 'seconds';
  /** key of the house rule it comes from, when it is one */
  rule?: string;
};

/** The groups that sizes are read in, in their order, each with the part of the plan that it needs. */
export const SIZE_GROUPS = [
  { id: 'Board', needs: [] },
  { id: 'Padding', needs: [] },
  { id: 'Cover', needs: ['cover'] },
  { id: 'Buy', needs: ['cover', 'cut', 'fixing'] },
  { id: 'Fastening', needs: ['fixing'] },
  { id: 'Work', needs: ['run'] },
] as const satisfies readonly { id: string; needs: readonly string[] }[];
export type SizeGroup = (typeof SIZE_GROUPS)[number]['id'];

/** The size that something is sold in, mm; what is not said may be any. A nail’s thickness is its head’s, a rivet’s its shank’s. */
export type SoldSize = { width?: number; thickness?: number; length?: number };

/** One entry of a sum: what it is and how much it puts on, mm; less than nothing takes off. */
export type SumPart = { label: string; value: number };

/** How a cut size adds up: width and height each as entries whose total is the size, mm. */
export type Sums = { width: SumPart[]; height: SumPart[] };

/** One number with the reason for it. */
export type SizeLine = {
  key: string;
  group: SizeGroup;
  label: string;
  value: number;
  /** a second figure, for sizes */
  by?: number;
  unit: SizeUnit;
  /** words that go with the figure */
  note?: string;
  /** of the shopping list: what it is bought as, or that it is laid out and bought by its lay */
  ware?: Bought | 'laid';
  /** in what size it is bought */
  sold?: SoldSize;
  /** it stands in the answer line, under this name; of a sheet also its thickness, mm */
  answers?: { name: string; thickness?: number };
  formula: string;
  terms: Term[];
  /** of a size that is cut: how both its figures add up */
  sums?: Sums;
};

/** A line of the shopping list. */
export type BuyLine = SizeLine & Required<Pick<SizeLine, 'ware'>>;

/** What the lines of a group are made from. */
export type Making = {
  plan: SheetPlan;
  piece: Piece;
  /** makes a term of a house rule */
  rule: (symbol: string, key: string) => Term;
};

export const length = (symbol: string, label: string, value: number): Term => ({ symbol, label, value, unit: 'length' });
export const count = (symbol: string, label: string, value: number): Term => ({ symbol, label, value, unit: 'count' });
