import { Type, type Static } from '@sinclair/typebox';
import { figure, list, record, words } from '../fields';

/** A line of an order: what, how many, at which price, and how many came. */
export const PURCHASE_LINE = record({
  ware: Type.String({ maxLength: 80 }),
  name: words('Name', 120),
  units: figure('How many', 'ratio', [0.1, 1_000_000]),
  price: figure('Price of one', 'money', [0, 1_000_000]),
  arrived: figure('Received', 'ratio', [0, 1_000_000], { default: 0 }),
});

/** An order to a supplier. */
export const PURCHASE = record({
  lines: list('Lines', PURCHASE_LINE, [1, 400]),
  carriage: figure('Carriage', 'money', [0, 100_000], { default: 0 }),
  /** what the supplier calls it, and the day it says it comes */
  reference: words('Reference', 60, { default: '' }),
  expected: Type.String({ title: 'Expected', pattern: '^(\\d{4}-\\d{2}-\\d{2})?$', default: '' }),
  says: words('The supplier says', 400, { default: '' }),
});
export type Purchase = Static<typeof PURCHASE>;
export type PurchaseLine = Static<typeof PURCHASE_LINE>;
export const PURCHASE_STATES = [
  { id: 'sending', name: 'Being sent' },
  { id: 'unknown', name: 'Not confirmed' },
  { id: 'ordered', name: 'Ordered' },
  { id: 'refused', name: 'Not ordered' },
  { id: 'arrived', name: 'Arrived' },
] as const;
export type PurchaseState = (typeof PURCHASE_STATES)[number]['id'];

/** Whether nobody knows yet if the supplier has an order. */
export const isUnanswered = ({ state }: { state: PurchaseState }): boolean => state === 'sending' || state === 'unknown';
