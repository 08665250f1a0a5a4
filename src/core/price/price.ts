import type { RuleReader } from '../house';

/** Something that the work uses, priced: so much of it at what it costs, and what of it lies in the store afterwards. */
export type PricedThing = {
  name: string;
  cost: number;
  /** what is left of it and worth keeping, at what it cost */
  left: number;
};

/** The work on one piece of the floor: minutes with hands on, of one and of all of the set. */
export type PricedWork = { id: string; name: string; count: number; minutes: number };

/** A line of a price. */
export type PriceLine = { key: 'materials' | 'left' | 'consumables' | 'time' | 'margin'; label: string; amount: number; note: string };
export type Price = {
  things: PricedThing[];
  work: PricedWork[];
  lines: PriceLine[];
  total: number;
  /** what the store has no price for: the total is too low by it */
  unpriced: string[];
};

const MINUTES = 60;
const cents = (value: number): number => Math.round(value * 100) / 100;

/** Hours as they are said. */
function hours(minutes: number): string {
  const rounded = Math.round(minutes);
  return rounded < MINUTES ? `${rounded} min` : `${Math.floor(rounded / MINUTES)} h ${rounded % MINUTES} min`;
}

/**
 * What work comes to: materials as they are bought, less what is left of them; small things that nobody counts; the time; the
 * margin on all of it. Source: docs/models.md, "Price".
 *
 * @param things materials in whole sheets and roll lengths, small things by how much is used
 * @param work minutes of every piece
 * @param rule hour, consumables, credit for leftovers, margin
 * @param unpriced names of what has no price
 */
export function priceOf(
  things: readonly PricedThing[],
  work: readonly PricedWork[],
  rule: RuleReader,
  unpriced: readonly string[] = [],
): Price {
  const materials = cents(things.reduce((sum, { cost }) => sum + cost, 0));
  const left = cents((things.reduce((sum, pricedThing) => sum + pricedThing.left, 0) * rule('leftCredit')) / 100);
  const consumables = cents(((materials - left) * rule('consumables')) / 100);
  const minutes = work.reduce((sum, pricedWork) => sum + pricedWork.minutes * pricedWork.count, 0);
  const time = cents((minutes / MINUTES) * rule('hourPrice'));
  const before = materials - left + consumables + time;
  const margin = cents((before * rule('margin')) / 100);
  const lines: PriceLine[] = [
    {
      key: 'materials',
      label: 'Materials',
      amount: materials,
      note: 'whole sheets, packets and roll lengths; reels and boxes by the share used',
    },
    { key: 'left', label: 'Leftovers', amount: -left, note: `worth keeping, credited at ${rule('leftCredit')} % of cost` },
    { key: 'consumables', label: 'Consumables', amount: consumables, note: `${rule('consumables')} % of the materials used` },
    { key: 'time', label: 'Time', amount: time, note: `${hours(minutes)} at ${rule('hourPrice')} an hour` },
    { key: 'margin', label: 'Margin', amount: margin, note: `${rule('margin')} % of the lines above` },
  ];
  return { things: [...things], work: [...work], lines, total: cents(before + margin), unpriced: [...unpriced] };
}
