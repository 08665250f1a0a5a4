import type { CoverPlan } from '../cover';
import type { RuleReader } from '../house';
import type { Covering } from '../piece';

type SewnPart = CoverPlan['pieces'][number];
type PartEdge = SewnPart['edges'][number];

/** A seam that bends tighter than this is eased round as it is sewn, mm. */
const CURVED = 300;

/** Which share of a part's edge is curved, by its length. */
function curvedShare({ sewn }: SewnPart, { from, sides }: PartEdge): number {
  const points = Array.from({ length: sides + 1 }, (_, k) => sewn[(from + k) % sewn.length]!);
  const lengths = points.slice(1).map(([x, y], k) => Math.hypot(x - points[k]![0], y - points[k]![1]));
  const headings = points.slice(1).map(([x, y], k) => Math.atan2(y - points[k]![1], x - points[k]![0]));
  const all = lengths.reduce((sum, length) => sum + length, 0);
  const curved = lengths.reduce((sum, length, k) => {
    const bend = k + 1 < headings.length ? Math.abs(Math.sin((headings[k + 1]! - headings[k]!) / 2)) : 0;
    return 2 * bend * CURVED > length ? sum + length : sum;
  }, 0);
  return all > 0 ? curved / all : 0;
}

/**
 * Minutes at the machine for the cover's seams: each part got ready, each seam by how it is sewn, top stitching on top of it.
 * Source: trade.md, “Work values”.
 *
 * @param cover its parts and seams
 * @param covering how it is stitched
 * @param rule the house rules of the times
 */
export function sewingMinutes({ pieces, seams }: CoverPlan, covering: Covering, rule: RuleReader): number {
  const stitched = seams.filter(({ laid }) => !laid);
  const names = new Set(stitched.map(({ id }) => id));
  const parts = pieces.filter(({ edges }) => edges.some(({ seam, kind }) => kind === 'seam' && names.has(seam ?? '')));
  const rows = covering.doubleStitch ? 2 : 1;
  const seconds = stitched.reduce((sum, { id, length, welted }) => {
    const metres = length / 1000;
    const top = (covering.topStitch ?? 0) > 0 ? metres * rule('timeTopStitch') : 0;
    if (welted) return sum + metres * rule('timeSewPiped') * rows + top;
    const edges = parts.flatMap((part) => part.edges.filter(({ seam }) => seam === id).map((edge) => curvedShare(part, edge)));
    const curved = Math.max(0, ...edges);
    return sum + metres * rows * (curved * rule('timeSewCurve') + (1 - curved) * rule('timeSewMetre')) + top;
  }, 0);
  return seconds / 60 + parts.length * rule('timePart');
}
