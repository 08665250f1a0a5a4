import { mm, type Check, type Found } from '../finding';
import { distance, fromOutline, lineLength, type Point } from '../geometry';
import type { CoverPart } from '../parts';

/** A length that is said and one that is drawn may differ by so much and by this share of it: rounding, at every point. */
const SAID = { mm: 0.5, share: 0.001 };
/** Two sides of a seam, as a whole and from one notch to the next, beyond the ease that is stated: mm and share of the length. */
const SEWN = { mm: 1.5, share: 0.006 };
/** A join that ends at a stapled edge may end there by so much apart: what stands over is trimmed, mm. */
const TRIMMED = 4;
/** A notch lies on its own edge within so much, mm. */
const ON_EDGE = 0.5;

type Edge = CoverPart['edges'][number];

/** An edge as it is drawn, with how far along it each of its notches lies. */
type DrawnEdge = { part: CoverPart; edge: Edge; points: Point[]; length: number; notches: { label: string; along: number }[] };

/** How far along a line its place nearest to a point is, and how far off that is, mm. */
function placeOn(points: readonly Point[], [x, y]: Point): { along: number; off: number } {
  let best = { along: 0, off: Infinity };
  let gone = 0;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const side = distance(a, b);
    const t = side > 0 ? Math.min(1, Math.max(0, ((x - a[0]) * (b[0] - a[0]) + (y - a[1]) * (b[1] - a[1])) / side ** 2)) : 0;
    const off = Math.hypot(x - a[0] - t * (b[0] - a[0]), y - a[1] - t * (b[1] - a[1]));
    if (off < best.off) best = { along: gone + t * side, off };
    gone += side;
  }
  return best;
}

function drawnEdge(part: CoverPart, edge: Edge): DrawnEdge {
  const n = part.sewn.length;
  const points = Array.from({ length: edge.sides + 1 }, (_, k): Point => part.sewn[(edge.from + k) % n]!);
  return {
    part,
    edge,
    points,
    length: lineLength(points) / part.longer,
    notches: part.notches
      .filter((notch) => notch.edge === edge.id)
      .map(({ x, y, label }) => ({ label, along: placeOn(points, [x, y]).along / part.longer })),
  };
}

/** An edge by itself: drawn as long as it is said to be, its notches on it. */
function inspectEdge({ part, edge, points, length }: DrawnEdge, opened: number): Found[] {
  const place = `edge “${edge.id}”`;
  const found: Found[] = [];
  if (Math.abs(length - edge.flat) > SAID.mm + SAID.share * length + opened)
    found.push({
      part: part.name,
      place,
      by: length - edge.flat,
      says: `The ${place} of ${part.name} is drawn ${mm(length)} long, and ${mm(edge.flat)} is given`,
    });
  for (const { x, y, label } of part.notches.filter((notch) => notch.edge === edge.id)) {
    const off = fromOutline([...points, ...points.slice(1, -1).reverse()], [x, y]);
    if (off > ON_EDGE)
      found.push({
        part: part.name,
        place: `notch ${label}`,
        by: off,
        says: `Notch ${label} of ${part.name} lies ${mm(off)} off its edge`,
      });
  }
  return found;
}

/** Notches that two edges share, in the order of the first, each with how far along either it lies. */
function shared(one: DrawnEdge, other: DrawnEdge): { label: string; along: number; other: number }[] {
  if (one.part === other.part) return [];
  return [...one.notches]
    .sort((a, b) => a.along - b.along)
    .flatMap(({ label, along }) => {
      const found = other.notches.filter((notch) => notch.label === label);
      // A rim that is closed carries a label once; one that is there twice says nothing.
      return found.length === 1 && one.notches.filter((notch) => notch.label === label).length === 1
        ? [{ label, along, other: found[0]!.along }]
        : [];
    });
}

const isClosed = ({ points }: DrawnEdge): boolean => distance(points[0]!, points.at(-1)!) < ON_EDGE;

/** Two edges of a seam notch for notch, and from the first to the last notch that they share; their notches follow in the same order. */
function inspectNotches(first: DrawnEdge, second: DrawnEdge, allowed: (length: number) => number): Found[] {
  // An open edge is walked from end to end; a closed rim has the stretch of it that the other does not.
  const [one, other] = isClosed(first) ? [second, first] : [first, second];
  const both = shared(one, other);
  if (both.length < 2) return [];
  // Two that lie end to end on one side of a seam share the notches at their ends, and are not sewn to each other.
  const atEnd = (along: number, length: number): boolean => along < ON_EDGE || along > length - ON_EDGE;
  if (!isClosed(other) && both.every((notch) => atEnd(notch.along, one.length) && atEnd(notch.other, other.length))) return [];
  const found: Found[] = [];
  // The way from notch to notch on the other edge: it may go round its end, and runs either with the first or against it.
  const way = (from: number, to: number): number => (isClosed(other) ? (to - from + other.length) % other.length : to - from);
  const forward = both.slice(1).reduce((sum, { other: to }, k) => sum + Math.abs(way(both[k]!.other, to)), 0);
  const backward = both.slice(1).reduce((sum, { other: to }, k) => sum + Math.abs(way(to, both[k]!.other)), 0);
  const gaps = both.slice(1).map(({ label, along, other: to }, k) => {
    const before = both[k]!;
    const there = forward <= backward ? way(before.other, to) : way(to, before.other);
    return { from: before.label, to: label, here: along - before.along, there: isClosed(other) ? there : Math.abs(there) };
  });
  const [start, end] = [both[0]!, both.at(-1)!];
  const whole = {
    from: start.label,
    to: end.label,
    here: end.along - start.along,
    there: gaps.reduce((sum, { there }) => sum + there, 0),
  };
  for (const { from, to, here, there } of [...gaps, whole])
    if (Math.abs(here - there) > allowed(here))
      found.push({
        part: one.part.name,
        place: `notches ${from} – ${to}`,
        by: here - there,
        says: `From notch ${from} to ${to}, ${one.part.name} is ${mm(here)} long and ${other.part.name} is ${mm(there)}`,
      });
  return found;
}

/** Both sides of a seam: notch for notch, and where two edges alone meet in it as wholes. */
function inspectSeam(seam: string, edges: readonly DrawnEdge[], openedOf: (edge: DrawnEdge) => number, ease: number): Found[] {
  const found: Found[] = [];
  const allowed = (length: number): number => ease + SEWN.mm + SEWN.share * length + Math.max(...edges.map(openedOf));
  // Two that meet in a join or a split do so along their whole length; of a seam the notches say what meets.
  if (edges.length === 2 && edges.every(({ edge }) => edge.kind !== 'seam')) {
    const [a, b] = edges as [DrawnEdge, DrawnEdge];
    const off = a.length - b.length;
    const isTrimmed = [a, b].every(({ edge, part }) => edge.kind === 'join' && part.edges.some(({ kind }) => kind === 'staple'));
    if (Math.abs(off) > (isTrimmed ? TRIMMED : 0) + allowed(Math.max(a.length, b.length)))
      found.push({
        part: a.part.name,
        place: `seam “${seam}”`,
        by: off,
        says: `${a.part.name} is ${mm(a.length)} long in the seam “${seam}”, and ${b.part.name} is ${mm(b.length)}`,
      });
  }
  edges.forEach((edge, i) => edges.slice(i + 1).forEach((other) => found.push(...inspectNotches(edge, other, allowed))));
  return found;
}

export const SEWING: Check = {
  id: 'sewing',
  holds: 'two edges that are sewn together have the same length as drawn, notch for notch',
  needs: ['cover'],
  find: ({ plan: { cover } }) => {
    if (!cover) return [];
    // Parts of one pulled cloth keep the edge of the whole: nothing of that is sewn.
    const edges = cover.pieces
      .filter(({ role }) => role !== 'cover')
      .flatMap((part) => part.edges.filter(({ kind }) => kind !== 'dart').map((edge) => drawnEdge(part, edge)));
    // A part that is quilted is cut wider by what its lines take up, and comes to its sewn size by them.
    const { channels } = cover;
    const openedOf = ({ part }: DrawnEdge): number => (channels?.parts.includes(part.id) ? 2 * channels.lines * channels.takeUp : 0);
    const seams = new Map<string, DrawnEdge[]>();
    for (const drawn of edges) if (drawn.edge.seam !== null) seams.set(drawn.edge.seam, [...(seams.get(drawn.edge.seam) ?? []), drawn]);
    return [
      ...edges.flatMap((edge) => inspectEdge(edge, openedOf(edge))),
      ...[...seams].flatMap(([id, meeting]) => {
        const planned = cover.seams.find((seam) => seam.id === id);
        return inspectSeam(planned?.name ?? id, meeting, openedOf, planned?.ease ?? 0);
      }),
    ];
  },
};
