import { weaveOf } from './cloths';

/** What of a cloth matters to a seam. */
type Sewable = Parameters<typeof weaveOf>[0] & { weight?: number; coated: boolean };

/** What a seam in a cloth is sewn with: needle by its number, its point, thread by its tex, length of a stitch in mm. */
export type Stitching = { needle: number; point: 'round' | 'ball' | 'leather'; thread: number; stitch: number };

/** Cloth of an upholstery's middle weight, where nobody has weighed it, g/m². */
const USUAL = 400;

/**
 * The rows of a sewing room's chart, lightest first: up to so many g/m². A heavier cloth wants a thicker needle and thread and
 * a longer stitch; a short one in a thick cloth draws the seam up.
 */
const BY_WEIGHT: readonly (Omit<Stitching, 'point'> & { upTo: number })[] = [
  { upTo: 250, needle: 90, thread: 45, stitch: 3.5 },
  { upTo: 500, needle: 100, thread: 70, stitch: 4 },
  { upTo: Infinity, needle: 110, thread: 90, stitch: 4.5 },
];

/** Cloth that every hole weakens for good is sewn with long stitches. */
const PERFORATED = 5;

/**
 * What to sew a cloth with.
 *
 * @param cloth of the piece
 */
export function stitchingFor(cloth: Sewable): Stitching {
  const weave = weaveOf(cloth);
  const row = BY_WEIGHT.find(({ upTo }) => (cloth.weight ?? USUAL) <= upTo)!;
  const { needle, thread, stitch } = row;
  if (weave === 'hide') return { needle: Math.max(needle, 110), point: 'leather', thread: Math.max(thread, 90), stitch: PERFORATED };
  if (cloth.coated || weave === 'coated' || weave === 'coated stretch')
    return { needle: Math.max(needle, 100), point: weave === 'coated stretch' ? 'ball' : 'round', thread, stitch: PERFORATED };
  if (weave === 'knit') return { needle, point: 'ball', thread, stitch: Math.min(stitch, 3.5) };
  return { needle, point: 'round', thread, stitch };
}

const POINTS = { round: '', ball: ' with a ball point', leather: ' with a leather point' };

/** The same in words, for the bench. */
export function stitchingWords(cloth: Sewable): string {
  const { needle, point, thread, stitch } = stitchingFor(cloth);
  return `Needle ${needle}${POINTS[point]}, thread of tex ${thread}, stitch ${stitch} mm; try it on a scrap of the same layers first.`;
}
