import { type Static } from '@sinclair/typebox';
import { choice, id, length, optional, record, spot, type Range } from '../../fields';

const HARDWARE_SIZE: Range = [1, 200];

/**
 * What is fixed to a board, with the size it usually has: the place it takes up on the board, and how deep it or its screws go.
 * `plate` is screwed on from below and takes up its place there; `flush` ends in the board by its nature; `bare` is driven into the
 * bare board, before any padding lies on it; `screws` hold one of it.
 */
export const HARDWARE_KINDS = [
  { id: 'insert', name: 'Threaded insert', diameter: 10, length: 9, plate: false, flush: true, bare: true, screws: 0 },
  { id: 'bolt', name: 'Bolt', diameter: 8, length: 12, plate: false, flush: false, bare: false, screws: 0 },
  { id: 'screw', name: 'Screw', diameter: 5, length: 10, plate: false, flush: false, bare: false, screws: 0 },
  { id: 'cleat', name: 'Cleat', diameter: 40, length: 6, plate: false, flush: true, bare: false, screws: 2 },
  { id: 'tee-nut', name: 'Tee nut', diameter: 22, length: 9, plate: false, flush: true, bare: true, screws: 0 },
  { id: 'leg', name: 'Leg plate', diameter: 70, length: 10, plate: true, flush: false, bare: false, screws: 4 },
  { id: 'castor', name: 'Castor plate', diameter: 60, length: 10, plate: true, flush: false, bare: false, screws: 4 },
  { id: 'bracket', name: 'Bracket', diameter: 40, length: 10, plate: true, flush: false, bare: false, screws: 2 },
  { id: 'hinge', name: 'Hinge', diameter: 50, length: 10, plate: true, flush: false, bare: false, screws: 3 },
  { id: 'latch', name: 'Latch', diameter: 45, length: 10, plate: true, flush: false, bare: false, screws: 2 },
  { id: 'post', name: 'Post', diameter: 45, length: 10, plate: true, flush: false, bare: false, screws: 4 },
] as const;
export type HardwareKind = (typeof HARDWARE_KINDS)[number];

/** A kind of hardware by its id. */
export const hardwareKind = (kind: HardwareKind['id']): HardwareKind => HARDWARE_KINDS.find(({ id }) => id === kind)!;

/** Where a piece of hardware is while the work goes on. */
export const HARDWARE_COMES = [
  { id: 'stays', name: 'Stays on' },
  { id: 'refit', name: 'Goes back on' },
  { id: 'new', name: 'Bought new' },
] as const;

/** Something fixed to the board; `length` is how deep it goes in. */
export const HARDWARE = record({
  id: id(),
  kind: choice('What', HARDWARE_KINDS),
  ...spot,
  diameter: length('Diameter', HARDWARE_SIZE),
  length: length('Length', HARDWARE_SIZE),
  /** left out, it stays on */
  comes: optional(choice('Old or new', HARDWARE_COMES, { default: 'stays' })),
});
export type Hardware = Static<typeof HARDWARE>;
