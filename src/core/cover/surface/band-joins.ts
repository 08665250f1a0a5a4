import { saidEdge, type PieceKind } from '../../piece';
import { isGreater, isLess, leastOf, TIE } from '../../ties';
import { cornerPlaces, placeAt, type Stretch } from './levels';
import type { Ring } from './ring';

/** No part of a band is shorter than this: a sliver sewn on is seen, and puckers, mm. */
const SLIVER = 150;
/** Two corners are each other's mirror image where they lie as far from the hidden edge's middle, within this, mm. */
const ALIKE = 2;

/** How much a join is seen: none in the middle of the hidden edge, at a corner the less the nearer it is to that edge, and most along a side. */
const SEEN = { corner: 1, side: 2.5 };

/** So many places, or pairs of them, are tried in all combinations; of more, the least seen of every stretch of the way round. */
const MOST_GROUPS = 12;

/** A join, or a left and a right one together; each as its length from the middle of the hidden edge, mm. */
type Group = { at: number[]; seen: number };

/** Where a band can be joined so that nobody looks there, left and right alike. */
function groupsOf(ring: Ring, from: readonly number[], total: number, quarters: readonly number[]): Group[] {
  const corners = cornerPlaces(ring).map((i) => from[i]!);
  const rest = [...corners].sort((a, b) => a - b);
  const groups: Group[] = [{ at: [0], seen: 0 }];
  while (rest.length > 0) {
    const at = rest.shift()!;
    const mirror = rest.findIndex((other) => Math.abs(other - (total - at)) < ALIKE);
    const pair = mirror < 0 ? [at] : [at, ...rest.splice(mirror, 1)];
    const away = Math.min(at, total - at) / (total / 2);
    groups.push({ at: pair, seen: pair.length * (SEEN.corner + away) });
  }
  groups.push({ at: [...quarters], seen: quarters.length * SEEN.side });
  return groups;
}

/** A drawn outline may have dozens of corners: what is tried stays bounded, and is spread over the whole way round. */
function fewGroups(groups: readonly Group[], total: number): Group[] {
  if (groups.length <= MOST_GROUPS) return [...groups];
  const perStretch = new Map<number, Group>();
  for (const group of groups) {
    const stretch = Math.min(MOST_GROUPS - 1, Math.floor((group.at[0]! / total) * MOST_GROUPS));
    const known = perStretch.get(stretch);
    if (!known || isLess(group.seen, known.seen)) perStretch.set(stretch, group);
  }
  return [...perStretch.values()];
}

/** How long each part is that a band has between its joins, mm; `open` is a stretch that is cut out of it. */
function partsBetween(joins: readonly number[], total: number, open: readonly [number, number] | null): number[] {
  const cuts = [...joins, ...(open ?? [])].sort((a, b) => a - b);
  const parts = cuts.map((at, i) => (cuts[i + 1] ?? cuts[0]! + total) - at);
  if (!open) return parts;
  // What lies across the hidden edge, from the last cut round to the first, is the zip's.
  return parts.slice(0, -1);
}

/**
 * Where a band is joined when it does not come off the roll in one: at the fewest places, left and right alike, where nobody looks:
 * the middle of the hidden edge, corners, the sides; never in the middle of what is seen, and no part a sliver.
 *
 * @param ring the covered edge
 * @param steps length on the piece from each place to the next, mm
 * @param most the longest part that comes off the roll, mm
 * @param hidden where along the edge its hidden side has its middle, as a share of the way round
 * @param [zip] places between which the band is cut for a zip, across the hidden edge
 * @returns places, in the order of the ring; null where no such joins make every part short enough
 */
export function hiddenJoins(
  ring: Ring,
  steps: Float64Array,
  most: number,
  hidden: number,
  zip?: { from: number; to: number },
): number[] | null {
  const n = ring.places.length;
  const start = placeAt(ring, hidden);
  const from = new Array<number>(n);
  let total = 0;
  for (let k = 0; k < n; k++) {
    from[(start + k) % n] = total;
    total += steps[(start + k) % n]!;
  }
  const open = zip ? ([from[zip.to % n]!, from[zip.from % n]!] as const) : null;
  const possible = groupsOf(
    ring,
    from,
    total,
    [placeAt(ring, hidden + 0.25), placeAt(ring, hidden + 0.75)].map((i) => from[i]!),
  )
    // What the zip opens is not joined, nor beside it.
    .filter(({ at }) => !open || at.every((x) => x > open[0] + TIE && x < open[1] - TIE));
  const groups = fewGroups(possible, total);
  const choices = Array.from({ length: 2 ** groups.length }, (_, bits) => groups.filter((_, k) => bits & (1 << k)))
    .filter((chosen) => chosen.length > 0)
    .map((chosen) => {
      const joins = chosen.flatMap(({ at }) => at);
      return { joins, parts: partsBetween(joins, total, open), seen: chosen.reduce((sum, group) => sum + group.seen, 0) };
    })
    .filter(({ parts }) => parts.every((part) => !isGreater(part, most) && part >= SLIVER));
  if (choices.length === 0) return null;
  // Fewest first, then what is least seen, then even parts.
  const best =
    choices[
      leastOf(choices.length, (i) => choices[i]!.joins.length * 1000 + choices[i]!.seen * 10 + Math.max(...choices[i]!.parts) / 10_000)
    ]!;
  const placeOf = (at: number): number => leastOf(n, (i) => Math.abs(from[i]! - at));
  return best.joins.map(placeOf).sort((a, b) => a - b);
}

/** An edge of which a part of a band covers less than this share is not in its name. */
const NAMED = 0.12;

/**
 * What a part of a band is called: its number, and the edges that it goes along, so that nobody holds it to the wrong one.
 *
 * @param kind whose words the edges have
 * @param ring the covered edge
 * @param stretch from which place to which
 * @param k its number, from 0
 */
export function bandPartName(kind: PieceKind, ring: Ring, { from, to }: Stretch, k: number): string {
  const n = ring.places.length;
  const along = new Map<string, number>();
  for (let i = from; i < (to > from ? to : to + n); i++) {
    const { edge } = ring.places[i % n]!;
    along.set(edge, (along.get(edge) ?? 0) + 1);
  }
  const whole = [...along.values()].reduce((sum, count) => sum + count, 0);
  const edges = [...along].filter(([, count]) => count > NAMED * whole).map(([edge]) => edge);
  const sides = edges.includes('left') && edges.includes('right');
  const ends = edges.filter((edge) => !sides || (edge !== 'left' && edge !== 'right')).map((edge) => saidEdge(kind, edge));
  const names = [...ends, ...(sides ? ['sides'] : [])];
  // A round one has one edge: its parts differ by their number alone.
  const every = new Set(ring.places.map(({ edge }) => edge)).size;
  return every > 1 && names.length > 0 && names.length < every ? `Band ${k + 1}, ${names.join(' and ')}` : `Band ${k + 1}`;
}
