import { mm, type Check, type Found } from '../finding';
import { distance, fromOutline, lineLength, type Point } from '../geometry';
import { sewnParts, sizeOf, type CoverPart } from '../parts';

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
function inspectEdge({ part, edge, points, length }: DrawnEdge): Found[] {
  const place = `edge “${edge.id}”`;
  const found: Found[] = [];
  if (Math.abs(length - edge.flat) > SAID.mm + SAID.share * length)
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

const isClosed = ({ points }: DrawnEdge): boolean => distance(points[0]!, points.at(-1)!) < ON_EDGE;

/** An edge's notches from its beginning to its end; a label that is there twice says nothing. */
const inOrder = ({ notches }: DrawnEdge): DrawnEdge['notches'] =>
  notches.filter(({ label }) => notches.filter((other) => other.label === label).length === 1).sort((a, b) => a.along - b.along);

/** A notch that two edges share: its number and its length along either. */
type Shared = { label: string; here: { k: number; along: number }; there: { k: number; along: number } };

function shared(one: DrawnEdge, other: DrawnEdge): Shared[] {
  const partners = inOrder(other);
  return inOrder(one).flatMap(({ label, along }, k): Shared[] => {
    const at = partners.findIndex((notch) => notch.label === label);
    return at < 0 ? [] : [{ label, here: { k, along }, there: { k: at, along: partners[at]!.along } }];
  });
}

/** Whether notches follow each other the same way round on both edges, forwards or backwards; a ring may be cut open anywhere. */
function followAlike(both: readonly Shared[]): boolean {
  const steps = both.map(({ there }, i) => Math.sign(both[(i + 1) % both.length]!.there.k - there.k));
  return both.length < 3 || Math.min(...[1, -1].map((sign) => steps.filter((step) => step === sign).length)) <= 1;
}

/** A stretch from one notch to another as it is drawn on two edges. */
type Stretch = { from: string; to: string; here: number; there: number };

/** Stretches between notches that are next to each other on both edges, and each row of such stretches as a whole. */
function stretchesOf(both: readonly Shared[], other: DrawnEdge): Stretch[] {
  const last = inOrder(other).length - 1;
  const found: Stretch[] = [];
  let row: Stretch | null = null;
  for (let i = 1; i < both.length; i++) {
    const [a, b] = [both[i - 1]!, both[i]!];
    const gap = Math.abs(b.there.k - a.there.k);
    const roundTheStart = isClosed(other) && gap === last && last > 1;
    if (b.here.k - a.here.k !== 1 || (gap !== 1 && !roundTheStart)) {
      row = null;
      continue;
    }
    const direct = Math.abs(b.there.along - a.there.along);
    const stretch = {
      from: a.label,
      to: b.label,
      here: b.here.along - a.here.along,
      there: roundTheStart ? other.length - direct : direct,
    };
    found.push(stretch);
    if (row) {
      row.to = stretch.to;
      row.here += stretch.here;
      row.there += stretch.there;
    } else {
      row = { ...stretch };
      found.push(row);
    }
  }
  return found;
}

/** Two edges of a seam, notch for notch. */
function inspectNotches(first: DrawnEdge, second: DrawnEdge, allowed: (length: number) => number): Found[] {
  if (first.part === second.part) return [];
  // An open edge is walked from end to end; a closed rim has the stretch of it that the other does not.
  const [one, other] = isClosed(first) ? [second, first] : [first, second];
  const both = shared(one, other);
  // Two that lie end to end on one side of a seam share the notches at their ends, and are not sewn to each other.
  const atEnd = (along: number, length: number): boolean => along < ON_EDGE || along > length - ON_EDGE;
  const endToEnd = both.every(({ here, there }) => atEnd(here.along, one.length) && atEnd(there.along, other.length));
  if (both.length < 2 || (!isClosed(other) && endToEnd)) return [];
  if (!followAlike(both)) {
    const says = `The notches of ${one.part.name} do not follow each other as those of ${other.part.name} do`;
    return [{ part: one.part.name, place: `edge “${one.edge.id}”`, by: null, says }];
  }
  return stretchesOf(both, other)
    .filter(({ here, there }) => Math.abs(here - there) > allowed(here))
    .map(({ from, to, here, there }) => ({
      part: one.part.name,
      place: `notches ${from} – ${to}`,
      by: here - there,
      says: `From notch ${from} to ${to}, ${one.part.name} is ${mm(here)} long and ${other.part.name} is ${mm(there)}`,
    }));
}

/** Both sides of a seam: notch for notch, and where two edges alone meet in it as wholes. */
function inspectSeam(seam: string, edges: readonly DrawnEdge[], ease: number): Found[] {
  const found: Found[] = [];
  const allowed = (length: number): number => ease + SEWN.mm + SEWN.share * length;
  // Two that meet in a join, a split or at a zip do so along their whole length; of a seam the notches say what meets.
  if (edges.length === 2 && edges.every(({ edge: { kind } }) => kind === 'join' || kind === 'zip')) {
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

/** Quilting moves the edges: a part that is quilted is cut larger than its template by so much all round at least, mm. */
const ROUGH = 15;

/** A part that is cut rough has room for its template all round. */
function inspectRough(part: CoverPart): Found[] {
  // A pulled cover has its pull allowance.
  if (!part.template || part.role === 'cover') return [];
  const [rough, template] = [sizeOf(part.outline), sizeOf(part.template.outline)];
  const by = Math.min(rough.width - template.width, rough.height - template.height) / 2;
  return by < ROUGH
    ? [
        {
          part: part.name,
          place: 'rough',
          by,
          says: `${part.name} is cut ${mm(by)} larger than its template all round, before it is quilted`,
        },
      ]
    : [];
}

export const SEWING: Check = {
  id: 'sewing',
  holds: 'two edges that are sewn together have the same length as drawn, notch for notch',
  needs: ['cover'],
  find: ({ plan: { cover } }) => {
    if (!cover) return [];
    // Parts of one pulled cloth keep the edge of the whole: nothing of that is sewn. What is quilted is sewn by its template.
    const edges = sewnParts(cover)
      .filter(({ role }) => role !== 'cover')
      .flatMap((part) => part.edges.filter(({ kind }) => kind !== 'dart').map((edge) => drawnEdge(part, edge)));
    const seams = new Map<string, DrawnEdge[]>();
    for (const drawn of edges) if (drawn.edge.seam !== null) seams.set(drawn.edge.seam, [...(seams.get(drawn.edge.seam) ?? []), drawn]);
    return [
      ...cover.pieces.flatMap(inspectRough),
      ...edges.flatMap(inspectEdge),
      ...[...seams].flatMap(([id, meeting]) => {
        const planned = cover.seams.find((seam) => seam.id === id);
        return inspectSeam(planned?.name ?? id, meeting, (planned?.ease ?? 0) + cover.corrected);
      }),
    ];
  },
};
