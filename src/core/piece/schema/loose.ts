import { type Static } from '@sinclair/typebox';
import { choice, id, length, list, optional, record, tick, whole, words } from '../../fields';

/** What lies loose on a piece: filled, not built. */
export const LOOSE_KINDS = [
  { id: 'roll', name: 'Filled roll' },
  { id: 'cushion', name: 'Loose cushion' },
] as const;

/** A filled roll, or a cushion of two panels sewn edge to edge, that hangs or lies on the piece. */
export const LOOSE = record({
  id: id(),
  kind: choice('What', LOOSE_KINDS),
  name: words('Name', 60),
  count: whole('How many on one piece', [1, 8], { default: 1 }),
  length: length('Finished length', [120, 2400], { default: 450 }),
  height: length('Finished height', [120, 1200], { default: 450 }),
  /** of a roll its diameter, of a cushion its thickness in the middle */
  thick: length('Finished thickness', [40, 400], { default: 150 }),
  zip: tick('Closed by a zip', { default: true }),
  welted: tick('Piping in its seams', { default: false }),
  loops: whole('Loops', [0, 12], { hint: 'none, and it lies loose', default: 2 }),
  loopLong: optional(length('Loop, as it hangs', [10, 300], { default: 40 })),
});

export const LOOSE_ONES = list('Loose cushions', LOOSE, [0, 6]);

export type Loose = Static<typeof LOOSE>;
