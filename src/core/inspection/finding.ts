import type { PlanPart, SheetPlan } from '../plan-data';

/** A line of the shopping list, as far as it is inspected: `ware` is what it is bought as, or that its lay says how much. */
export type Goods = {
  key: string;
  label: string;
  value: number;
  unit: string;
  ware?: { kind: string } | 'laid';
};

/** What is inspected: a plan as it is published, whole or in part, and the sizes that are shown and printed with it. */
export type Inspected = { plan: SheetPlan; sizes?: readonly Goods[] };

/** Something about a plan that cannot be right: which part, where on it, and by how many millimetres, where it is a length. */
export type Finding = {
  check: string;
  part: string;
  place: string;
  by: number | null;
  says: string;
};

/** What a check finds; the inspection adds which check it was. */
export type Found = Omit<Finding, 'check'>;

/**
 * One thing that must hold of every plan. A new one is a file in `checks` and a line in their list.
 */
export type Check = {
  id: string;
  /** what holds, in words */
  holds: string;
  /** parts of a plan without which it has nothing to look at */
  needs: readonly PlanPart[];
  find: (inspected: Required<Inspected>) => Found[];
};

/** A length in words, to a tenth of a millimetre. */
export const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;

/** A place on a flat part in words. */
export const at = ([x, y]: readonly [number, number]): string => `x ${Math.round(x)}, y ${Math.round(y)}`;
