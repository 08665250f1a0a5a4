/** How a pad's thickness is made up from what is sold. */
export type Lamination = { layers: number[]; exact: boolean };

/** Foam is sold to a nominal thickness: an inch pad is cut from the 25 mm sheet, mm. */
const NOMINAL = 1;

/** A pad of more layers than this is not glued up by hand. */
const MOST_LAYERS = 6;

/** A skin is thinner than this, mm, and than a quarter of its pad. Of two nobody makes up a pad: so much glue for so little. */
const SKIN = 20;

/**
 * The fewest sold thicknesses that add up to a pad's, to within a millimetre, as somebody would glue it up; failing that, the fewest
 * that reach it, to be slit down. One more slab than reaches it is still glued, two skins are not: 47 mm is a sheet of 50 and never
 * 25 + 13 + 10.
 *
 * @param thickness wanted, mm
 * @param sold thicknesses sold, mm
 * @param [short] how much less than is wanted still counts as it, mm: nothing for a block that a wedge is cut from
 */
export function laminate(thickness: number, sold: readonly number[], short = NOMINAL): Lamination {
  const thickest = Math.max(...sold);
  const whole = Math.floor(thickness / thickest);
  const rest = thickness - whole * thickest;
  const next = rest > 1e-9 ? Math.min(...sold.filter((t) => t >= rest - 1e-9)) : 0;
  const reaching = [...Array<number>(whole).fill(thickest), ...(next ? [next] : [])];
  const exact = search(
    thickness,
    [...sold].sort((a, b) => b - a),
    Math.min(MOST_LAYERS, reaching.length + 1),
    short,
  );
  return exact ? { layers: exact, exact: true } : { layers: reaching, exact: false };
}

/** What sheets make up is looked for so far from what is wanted, mm. */
const LOOKED = 20;

/** One slab less to glue is worth so much of the thickness, mm. */
const JOINT = 3;

/**
 * The thickness that sheets make up as they are and that somebody would take instead, mm: near, and of few slabs. Null where none is
 * near.
 *
 * @param thickness wanted, mm
 * @param sold thicknesses sold, mm
 */
export function nearestMade(thickness: number, sold: readonly number[]): number | null {
  let best: { made: number; costs: number } | null = null;
  for (let tried = Math.max(1, Math.round(thickness) - LOOKED); tried <= thickness + LOOKED; tried++) {
    const { layers, exact } = laminate(tried, sold);
    if (!exact) continue;
    const made = layers.reduce((sum, layer) => sum + layer, 0);
    const costs = Math.abs(made - thickness) + JOINT * (layers.length - 1);
    // Of two as good the thicker: foam is pulled down, it is not pulled up.
    if (!best || costs <= best.costs) best = { made, costs };
  }
  return best?.made ?? null;
}

/** The fewest layers that come to within a millimetre, and of as few the nearest. */
function search(thickness: number, sold: number[], most: number, short: number): number[] | null {
  const skins = (taken: readonly number[]): number => taken.filter((layer) => layer < Math.min(SKIN, thickness / 4)).length;
  let best: { taken: number[]; off: number } | null = null;
  const walk = (left: number, from: number, taken: number[]): void => {
    const off = Math.abs(left);
    if (taken.length > 0 && off <= NOMINAL && left <= short + 1e-9) {
      if (!best || taken.length < best.taken.length || (taken.length === best.taken.length && off < best.off)) best = { taken, off };
      return;
    }
    if (taken.length >= Math.min(most, best ? best.taken.length : most)) return;
    for (let i = from; i < sold.length; i++) {
      const next = [...taken, sold[i]!];
      if (sold[i]! <= left + NOMINAL && skins(next) <= 1) walk(left - sold[i]!, i, next);
    }
  };
  walk(thickness, 0, []);
  return (best as { taken: number[] } | null)?.taken ?? null;
}
