import type { Hardware } from '../piece';

/** A plate is so thick: its screws go that much less deep, mm. */
const PLATE = 2;
/** Lengths of wood screws on sale, mm. */
const LENGTHS = [8, 10, 12, 16, 20, 25, 30, 40, 50] as const;

/**
 * The longest screw on sale that goes no deeper through a plate than there is wood for it, mm; null where every one comes through.
 *
 * @param hardware how deep it goes
 */
export const plateScrew = ({ length }: Pick<Hardware, 'length'>): number | null =>
  LENGTHS.findLast((value) => value <= length + PLATE + 1e-9) ?? null;
