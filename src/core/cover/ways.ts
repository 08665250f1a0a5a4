import type { Model } from '../build';
import type { Covering } from '../piece';
import { STARTING, weltOf } from './covering';
import { cornerPlaces, insetSeam, levelSteps, lowerEdge, placeAt, topSeam } from './levels';
import type { EdgeUse, PanelSpec } from './panel-spec';
import type { Level, Slit } from './panel-mesh';
import { levelOutline } from './panel-mesh';
import type { Ring } from './ring';

/** A seam of the cover: where it lies, whether it goes all the way round, whether a cord is sewn into it. */
export type SeamSpec = { id: string; name: string; level: Level; welted: boolean };

/** The panels and seams of a sewn cover. */
export type Sewn = { panels: PanelSpec[]; seams: SeamSpec[]; zip: { from: number; to: number; length: number } | null };

/** Directions that lie within this of straight ahead or straight back belong to a saddle's nose or tail (cosine). */
const NOSE = 0.72;
/** A band that is sewn to a panel along both edges is cut straight only where they differ by less than this share. */
const SEWN_BOTH = 0.0004;
/** A dart runs this share of the way from the edge to the middle. */
const DART = 0.45;

const seamEdge = (id: string, allowance: number): EdgeUse => ({ id, kind: 'seam', seam: id, allowance });
const joinEdge = (id: string, allowance: number): EdgeUse => ({ id, kind: 'join', seam: id, allowance });

/** Stretches between places, counted on past the end. */
function stretches(ring: Ring, marks: readonly number[]): [number, number][] {
  const n = ring.places.length;
  const sorted = [...new Set(marks)].sort((a, b) => a - b);
  return sorted.map((from, k): [number, number] => [from, k + 1 < sorted.length ? sorted[k + 1]! : sorted[0]! + n]);
}

/** Where a band is joined: at the corners, or at the back and as often as the roll makes needed, even about the back. */
function joinMarks(ring: Ring, steps: Float64Array, covering: Covering, longest: number): number[] {
  const corners = cornerPlaces(ring);
  if (covering.joins === 'corners' && corners.length > 1) return corners;
  const total = steps.reduce((sum, step) => sum + step, 0);
  const count = Math.max(1, Math.ceil(total / longest));
  // Two parts meet at the sides: a front and a back; otherwise one join is at the back.
  return Array.from({ length: count }, (_, k) => placeAt(ring, count === 2 ? 0.25 + k / 2 : 0.5 + k / count));
}

function slitsOf(ring: Ring, level: Level, covering: Covering): Slit[] {
  const rim = levelOutline(
    ring,
    level.map((v) => Math.min(v, 0)),
  );
  if (covering.split === 'depth' || covering.split === 'width') {
    const axis = covering.split === 'depth' ? 1 : 0;
    const far = (sign: 1 | -1): number => {
      const other = 1 - axis;
      // The places where the seam crosses the centre line.
      let best = 0;
      rim.forEach((point, i) => {
        const better =
          sign * point[axis]! > 0 && (sign * rim[best]![axis]! <= 0 || Math.abs(point[other]!) < Math.abs(rim[best]![other]!) - 1e-9);
        if (better) best = i;
      });
      return best;
    };
    return [{ from: far(-1), to: far(1) }];
  }
  const middle = rim.reduce<[number, number]>(([x, y], p) => [x + p[0] / rim.length, y + p[1] / rim.length], [0, 0]);
  return [...new Set((covering.darts ?? []).map((share) => placeAt(ring, share)))].map((from) => {
    const [x, y] = rim[from]!;
    return { from, to: [x + (middle[0] - x) * DART, y + (middle[1] - y) * DART] };
  });
}

/** What is cut for a top that is sewn along its edge. */
function topPanel(ring: Ring, level: Level, covering: Covering, allowance: number, name = 'Top panel', seam = 'top'): PanelSpec {
  return {
    id: 'top',
    name,
    role: 'top',
    region: { kind: 'disc', level, slits: slitsOf(ring, level, covering) },
    outer: seamEdge(seam, allowance),
  };
}

/** Whether a band between two levels can be cut straight: its edges differ by less than the cloth gives between corners. */
export function straightEnough(ring: Ring, inner: Level, outer: Level, from: number, to: number, give: number): boolean {
  const n = ring.places.length;
  const [a, b] = [levelSteps(ring, inner), levelSteps(ring, outer)];
  let [upper, lower] = [0, 0];
  for (let i = from; i < to; i++) [upper, lower] = [upper + a[i % n]!, lower + b[i % n]!];
  return Math.abs(lower - upper) / Math.max(1, Math.min(upper, lower)) <= give;
}

/**
 * The panels of a sewn way of covering. Ways that are one pulled cloth have none.
 *
 * @param model the built piece
 * @param ring its covered surface
 * @param covering how it is covered
 * @param give what the cloth gives along its looser thread, as a share
 */
export function sewnPanels(model: Model, ring: Ring, covering: Covering, give: number): Sewn {
  const { rule } = model;
  const n = ring.places.length;
  const allowance = rule('seamAllowance');
  const longest =
    model.piece.cloth.direction === 'along' ? Math.min(rule('stripLongest'), model.piece.cloth.rollWidth) - 2 * allowance : Infinity;
  const top = topSeam(ring, covering, rule);
  const lower = lowerEdge(ring);
  const welt = weltOf(covering);
  const staple: EdgeUse = { id: 'edge', kind: 'staple', seam: null, allowance: rule('return') + rule('bandExtra') };
  const band = (
    id: string,
    name: string,
    role: PanelSpec['role'],
    inner: Level,
    outer: Level,
    from: number,
    to: number,
    change: Partial<PanelSpec>,
  ): PanelSpec => ({
    id,
    name,
    role,
    region: { kind: 'strip', inner, outer, from, to },
    straight:
      covering.bandCut === 'straight' ||
      (covering.bandCut !== 'shaped' &&
        straightEnough(ring, inner, outer, from, to, covering.way === 'block' ? SEWN_BOTH : give) &&
        'if it gives'),
    inner: seamEdge('top', allowance),
    outer: staple,
    stapleAt: rule('return'),
    ...change,
  });
  switch (covering.way) {
    case 'boxed': {
      const parts = stretches(ring, joinMarks(ring, levelSteps(ring, top), covering, longest));
      const below = welt?.lower ? { outer: seamEdge('lower', allowance), stapleAt: undefined } : {};
      return {
        panels: [
          topPanel(ring, top, covering, allowance),
          ...parts.map(([from, to], k) =>
            band(parts.length > 1 ? `band-${k + 1}` : 'band', parts.length > 1 ? `Band ${k + 1}` : 'Band', 'band', top, lower, from, to, {
              ...below,
              first: joinEdge(`join ${k + 1}`, allowance),
              last: joinEdge(`join ${((k + 1) % parts.length) + 1}`, allowance),
            }),
          ),
        ],
        seams: [
          { id: 'top', name: 'Top seam', level: top, welted: Boolean(welt?.upper) },
          ...(welt?.lower ? [{ id: 'lower', name: 'Lower seam', level: lower, welted: true }] : []),
        ],
        zip: null,
      };
    }
    case 'bordered': {
      const inset = insetSeam(ring, covering.border ?? STARTING.border, covering);
      const corners = cornerPlaces(ring);
      // Without corners the ring is cut in two, so that it can be laid flat.
      const parts = stretches(ring, corners.length > 1 ? corners : [placeAt(ring, 0), placeAt(ring, 0.5)]);
      const names = parts.map(([from, to]) => edgeName(ring, from, to));
      const mitre = (k: number): string => `mitre ${(k % parts.length) + 1}`;
      return {
        panels: [
          topPanel(ring, inset, covering, allowance, 'Inner panel', 'inner'),
          ...parts.map(([from, to], k): PanelSpec => ({
            id: `border-${k + 1}`,
            name: `Border, ${names[k]}`,
            role: 'border',
            region: { kind: 'strip', inner: inset, outer: top, from, to, lay: 'plan' },
            inner: seamEdge('inner', allowance),
            outer: seamEdge('top', allowance),
            first: joinEdge(mitre(k), allowance),
            last: joinEdge(mitre(k + 1), allowance),
          })),
          ...parts.map(([from, to], k) =>
            band(`outer-${k + 1}`, `Outer band, ${names[k]}`, 'band', top, lower, from, to, {
              first: joinEdge(`band ${mitre(k)}`, allowance),
              last: joinEdge(`band ${mitre(k + 1)}`, allowance),
              note: 'Its joins lie in line with the mitres.',
            }),
          ),
        ],
        seams: [
          { id: 'inner', name: 'Inner seam', level: inset, welted: Boolean(welt?.upper) },
          { id: 'top', name: 'Edge seam', level: top, welted: Boolean(welt?.lower) },
        ],
        zip: null,
      };
    }
    case 'saddle-set': {
      const panel = covering.panelAllowance === 'none' ? 0 : allowance;
      const marks = noseAndTail(ring);
      const roles = ['nose', 'right', 'tail', 'left'] as const;
      const spec = (k: number): PanelSpec => {
        const role = roles[k]!;
        const side = role === 'left' || role === 'right';
        return band(role, side ? `Side, ${role}` : role === 'nose' ? 'Nose' : 'Tail', side ? 'side' : role, top, lower, ...marks[k]!, {
          ...(side ? { hand: role } : {}),
          first: joinEdge(`join ${k + 1}`, allowance),
          last: joinEdge(`join ${((k + 1) % 4) + 1}`, allowance),
        });
      };
      return {
        panels: [
          { ...topPanel(ring, top, covering, panel), note: panel === 0 ? 'Cut on the seam line: the pull makes it tight.' : '' },
          spec(1),
          spec(3),
          spec(0),
          spec(2),
        ],
        seams: [{ id: 'top', name: 'Top seam', level: top, welted: Boolean(welt?.upper) }],
        zip: null,
      };
    }
    case 'lipped': {
      const lip = insetSeam(ring, covering.lip ?? STARTING.lip, covering);
      return {
        panels: [
          {
            ...topPanel(ring, lip, covering, allowance, 'Panel'),
            outer: { id: 'edge', kind: 'turn', seam: 'lip', allowance: rule('turnUnder') },
            note: 'Turned under against the lip; the cord is laid along it.',
          },
        ],
        seams: [{ id: 'lip', name: 'Lip', level: lip, welted: true }],
        zip: null,
      };
    }
    case 'block': {
      const zip = zipStretch(ring, levelSteps(ring, top), rule('zipClear'));
      const middle = top.map((v, i) => (v + lower[i]!) / 2);
      const zipEdge: EdgeUse = { id: 'zip', kind: 'zip', seam: 'zip', allowance };
      const ends = { first: joinEdge('zip end 1', allowance), last: joinEdge('zip end 2', allowance) };
      return {
        panels: [
          topPanel(ring, top, covering, allowance),
          band('band', 'Band, front and sides', 'band', top, lower, zip.to, zip.from + n, {
            outer: seamEdge('lower', allowance),
            stapleAt: undefined,
            first: ends.last,
            last: ends.first,
          }),
          band('zip-upper', 'Zip band, upper half', 'zip', top, middle, zip.from, zip.to, { ...ends, outer: zipEdge, stapleAt: undefined }),
          band('zip-lower', 'Zip band, lower half', 'zip', middle, lower, zip.from, zip.to, {
            ...ends,
            inner: zipEdge,
            outer: seamEdge('lower', allowance),
            stapleAt: undefined,
          }),
        ],
        seams: [
          { id: 'top', name: 'Top seam', level: top, welted: Boolean(welt?.upper) },
          { id: 'lower', name: 'Bottom seam', level: lower, welted: Boolean(welt?.lower) },
        ],
        zip,
      };
    }
    default:
      return { panels: [], seams: [], zip: null };
  }
}

/** What an edge between two corners is called: the edge that most of it belongs to. */
function edgeName(ring: Ring, from: number, to: number): string {
  const names = new Map<string, number>();
  for (let i = from + 1; i < to; i++) {
    const { edge } = ring.places[i % ring.places.length]!;
    names.set(edge, (names.get(edge) ?? 0) + 1);
  }
  return [...names].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'all round';
}

/** Nose, right side, tail and left side of a saddle: by which way its edge faces. */
function noseAndTail(ring: Ring): [number, number][] {
  const n = ring.places.length;
  const faces = ring.places.map(({ out }) => out[1] / Math.hypot(...out));
  const grown = (from: number, is: (face: number) => boolean): [number, number] => {
    let [low, high] = [from, from];
    while (is(faces[(low - 1 + n) % n]!) && high - low < n / 3) low--;
    while (is(faces[(high + 1) % n]!) && high - low < n / 3) high++;
    return [low, high];
  };
  const [noseFrom, noseTo] = grown(0, (face) => face < -NOSE);
  const [tailFrom, tailTo] = grown(placeAt(ring, 0.5), (face) => face > NOSE);
  // At least a step of each, so that nothing comes out empty.
  const nose: [number, number] = [Math.min(noseFrom, -1), Math.max(noseTo, 1)];
  return [
    [nose[0] + n, nose[1] + n],
    [nose[1], tailFrom],
    [tailFrom, tailTo],
    [tailTo, nose[0] + n],
  ];
}

/** The stretch of the band that the zip takes: the back edge and a hand's breadth round either corner. */
function zipStretch(ring: Ring, steps: Float64Array, clear: number): { from: number; to: number; length: number } {
  const n = ring.places.length;
  const back = placeAt(ring, 0.5);
  const corners = cornerPlaces(ring);
  const reach = (way: 1 | -1): number => {
    let i = back;
    let beyond = 0;
    let past = corners.length === 0;
    let gone = 0;
    for (let k = 0; k < n / 3; k++) {
      const step = steps[(way > 0 ? i : i - 1 + n) % n]!;
      gone += step;
      i += way;
      if (past) beyond += step;
      else if (corners.includes(((i % n) + n) % n)) past = true;
      // A round pad opens over a third of its way round.
      if (past && beyond >= clear && (corners.length > 0 || gone > ring.total / 6)) break;
    }
    return i;
  };
  const [from, to] = [reach(-1), reach(1)];
  let length = 0;
  for (let i = from; i < to; i++) length += steps[((i % n) + n) % n]!;
  return { from: from < 0 ? from + n : from, to: from < 0 ? to + n : to, length };
}
