import type { Pad } from '../../piece';

/** The house rules that say how far pads stand beyond the board, mm. */
export type OffsetRules = { overhang: number; crownInset: number };

/**
 * How far each pad stands beyond the board (+) or short of it (−), mm: its own figure, or the house rule for its role.
 * An old pad that stays on the base ends where it does: flush, unless its figure says otherwise. Where the main pad is held back from the
 * board's edge, its crown is held back from the pad's.
 *
 * @param pads from the base up
 * @param rules the house's
 */
export function padOffsets(pads: readonly Pick<Pad, 'role' | 'offset' | 'kept'>[], { overhang, crownInset }: OffsetRules): number[] {
  const main = pads.find((pad) => pad.role === 'main')?.offset ?? 0;
  let step = 0;
  return pads.map(({ role, offset, kept }) => {
    if (role === 'crown') step += 1;
    if (offset !== null) return offset;
    // What stays is not moved out over the edge.
    if (kept === 'stays') return 0;
    return role === 'crown' ? Math.min(0, main) - crownInset * step : overhang;
  });
}
