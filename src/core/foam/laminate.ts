/** How a pad's thickness is made up from what is sold. */
export type Lamination = { layers: number[]; exact: boolean };

/** Foam is sold to a nominal thickness: an inch pad is cut from the 25 mm sheet, mm. */
const NOMINAL = 1;

/** A pad of more layers than this is not glued up by hand. */
const MOST_LAYERS = 6;

/**
 * The fewest sold thicknesses that add up to a pad's, to within a millimetre; failing that, the fewest that reach it, to be slit down.
 *
 * @param thickness wanted, mm
 * @param sold thicknesses sold, mm
 */
export function laminate(thickness: number, sold: readonly number[]): Lamination {
  const exact = search(
    thickness,
    [...sold].sort((a, b) => b - a),
    MOST_LAYERS,
  );
  if (exact) return { layers: exact, exact: true };
  const thickest = Math.max(...sold);
  const whole = Math.floor(thickness / thickest);
  const rest = thickness - whole * thickest;
  const next = rest > 1e-9 ? Math.min(...sold.filter((t) => t >= rest - 1e-9)) : 0;
  return { layers: [...Array<number>(whole).fill(thickest), ...(next ? [next] : [])], exact: false };
}

/** The fewest layers that come to within a millimetre, and of as few the nearest. */
function search(rest: number, sold: number[], most: number): number[] | null {
  let best: { taken: number[]; off: number } | null = null;
  const walk = (left: number, from: number, taken: number[]): void => {
    const off = Math.abs(left);
    if (taken.length > 0 && off <= NOMINAL) {
      if (!best || taken.length < best.taken.length || (taken.length === best.taken.length && off < best.off)) best = { taken, off };
      return;
    }
    if (taken.length >= Math.min(most, best ? best.taken.length : most)) return;
    for (let i = from; i < sold.length; i++) if (sold[i]! <= left + NOMINAL) walk(left - sold[i]!, i, [...taken, sold[i]!]);
  };
  walk(rest, 0, []);
  return (best as { taken: number[] } | null)?.taken ?? null;
}
