import { bounds, type Point } from '../../outline';
import { hiddenEdge, type Covering } from '../../piece';
import type { EdgeUse, PanelSpec } from '../laying/panel-spec';
import type { Slit } from '../laying/disc-mesh';
import { bareMargin } from '../../padding';
import { isGreater, isLess, TIE, wholeUp } from '../../ties';
import { cornerPlaces, levelOutline, levelSteps, placeAt, type Level } from '../surface/levels';
import { sideOf, type Ring } from '../surface/ring';
import { hiddenJoins } from '../surface/band-joins';
import type { Against, ReachPart, ReachRow, SeamSpec, Working } from './way';

/** Parts that several ways are put together from. */

/** A dart runs this share of the way from the edge to the middle. */
const DART = 0.45;
/** A band that is sewn along both edges is cut straight only where they differ by less than this share. */
export const SEWN_BOTH = 0.0004;

export const seamEdge = (id: string, allowance: number): EdgeUse => ({ id, kind: 'seam', seam: id, allowance });
export const joinEdge = (id: string, allowance: number): EdgeUse => ({ id, kind: 'join', seam: id, allowance });

/** The middles of a piece's ends: the places where its longer centre line meets the edge. */
function endsOf(ring: Ring): number[] {
  const rim = ring.places.map(({ point }) => point);
  const box = bounds(rim);
  const axis = isGreater(box.height, box.width) ? 1 : 0;
  return [crossing(rim, axis, -1), crossing(rim, axis, 1)].sort((a, b) => a - b);
}

/** Where a band is joined: at the corners – always where the padding is held back, and the band lies flat round it like a frame –, or at the hidden edge and as often as the roll makes needed, even about its middle. */
export function joinMarks(working: Working, steps: Float64Array, longest: number): number[] {
  const { ring, covering, model } = working;
  const corners = cornerPlaces(ring);
  if ((covering.joins === 'corners' || bareMargin(model) > 0) && corners.length > 1) return corners;
  const total = steps.reduce((sum, step) => sum + step, 0);
  // The ends of a long narrow piece are its short sides: the joins come to their middles.
  if (covering.joins === 'two' && total / 2 <= longest) return endsOf(ring);
  if (isTooLongInOne(working, total)) return endsOf(ring);
  const count = Math.max(1, wholeUp(total / longest));
  const { along } = hiddenEdge(model.piece.kind);
  const joins = count > 1 ? hiddenJoins(ring, steps, longest, along) : null;
  if (joins) return joins;
  // Two parts meet at the sides: a front and a back; otherwise one join is at the hidden edge.
  return Array.from({ length: count }, (_, k) => placeAt(ring, count === 2 ? 0.25 + k / 2 : along + k / count));
}

/** The longest strip that comes off the roll in one, as sewn, mm. */
export function longestStrip({ model, rule }: Working): number {
  const { cloth } = model.piece;
  if (cloth.direction !== 'along') return Infinity;
  return Math.min(rule('stripLongest'), cloth.rollWidth) - 2 * rule('seamAllowance');
}

/**
 * Whether a band that could be cut in one along the roll is better joined from two: in one, the roll would be bought as long
 * as the band, for nothing that lies beside it. Joined at the middles of the ends it is half as long, and nobody sees where.
 */
function isTooLongInOne({ ring, covering, model, rule }: Working, total: number): boolean {
  if (model.piece.cloth.direction === 'along' || covering.joins === 'one') return false;
  return isGreater(total, Math.max(rule('stripLongest'), bounds(ring.places.map(({ point }) => point)).width));
}

/** The place of a rim where it crosses a centre line, in front (−1) or behind (1); axis 1 is front to back. */
function crossing(rim: readonly Point[], axis: 0 | 1, sign: 1 | -1): number {
  const other = axis === 1 ? 0 : 1;
  let best = 0;
  rim.forEach((point, i) => {
    const better = sign * point[axis] > 0 && (sign * rim[best]![axis] <= 0 || isLess(Math.abs(point[other]), Math.abs(rim[best]![other])));
    if (better) best = i;
  });
  return best;
}

function slitsOf(ring: Ring, level: Level, covering: Covering): Slit[] {
  const rim = levelOutline(
    ring,
    level.map((v) => Math.min(v, 0)),
  );
  if (covering.split === 'depth' || covering.split === 'width') {
    const axis = covering.split === 'depth' ? 1 : 0;
    return [{ from: crossing(rim, axis, -1), to: crossing(rim, axis, 1) }];
  }
  const middle = rim.reduce<[number, number]>(([x, y], p) => [x + p[0] / rim.length, y + p[1] / rim.length], [0, 0]);
  return [...new Set((covering.darts ?? []).map((share) => placeAt(ring, share)))].map((from) => {
    const [x, y] = rim[from]!;
    return { from, to: [x + (middle[0] - x) * DART, y + (middle[1] - y) * DART] };
  });
}

/** What is cut for a top that is sewn along its edge. */
export function topPanel({ ring, covering }: Working, level: Level, outer: EdgeUse, name = 'Top panel'): PanelSpec {
  return { id: 'top', name, role: 'top', region: { kind: 'disc', level, slits: slitsOf(ring, level, covering) }, outer };
}

/** Whether a band between two levels can be cut straight: its edges differ by less than the cloth gives between corners. */
export function straightEnough(ring: Ring, band: Between, give: number): boolean {
  const n = ring.places.length;
  const [a, b] = [levelSteps(ring, band.inner), levelSteps(ring, band.outer)];
  let [upper, lower] = [0, 0];
  for (let i = band.from; i < band.to; i++) [upper, lower] = [upper + a[i % n]!, lower + b[i % n]!];
  return Math.abs(lower - upper) / Math.max(1, Math.min(upper, lower)) <= give + TIE;
}

/** What lies between two seams over a stretch of the way round. */
export type Between = { inner: Level; outer: Level; from: number; to: number };

/** A band between two seams, stapled below unless it says otherwise; cut straight where its edges differ by `most` at most. */
export function bandPanel(
  working: Working,
  between: Between,
  item: Pick<PanelSpec, 'id' | 'name' | 'role'> & Partial<PanelSpec>,
  most = Math.max(working.give.warp, working.give.weft),
): PanelSpec {
  const { ring, covering, rule } = working;
  const allowance = rule('seamAllowance');
  return {
    region: { kind: 'strip', ...between },
    straight: covering.bandCut === 'straight' || (covering.bandCut !== 'shaped' && straightEnough(ring, between, most) && 'if it gives'),
    inner: seamEdge('top', allowance),
    outer: { id: 'edge', kind: 'staple', seam: null, allowance: rule('return') + rule('bandExtra') },
    stapleAt: rule('return'),
    ...item,
  };
}

/** What a pulled cloth needs beyond the board. */
export function pulledReach(
  under: ReachPart,
): (working: Working, seams: readonly SeamSpec[], beyond: { staple: number; grip: number }) => ReachRow {
  return ({ ring }, _seams, beyond) => ({
    parts: [{ label: 'Side, down the covered section', rule: null }, under, { label: 'Pull allowance, beyond the staples', rule: 'grip' }],
    at: (i) => [sideOf(ring.places[i]!.profile), beyond.staple, beyond.grip],
  });
}

/** What a top and a band need beyond the board: the panel to its seam, the band down to where it ends. */
export function bandedReach(
  working: Working,
  seams: readonly SeamSpec[],
  { inner, sewnBelow = false, panel, pulled = false }: { inner?: Level; sewnBelow?: boolean; panel?: number; pulled?: boolean } = {},
): ReachRow {
  const { ring, rule } = working;
  const allowance = rule('seamAllowance');
  const upper = seams.find((seam) => seam.id === 'top')!.level;
  const parts: ReachPart[] = [
    { label: inner ? 'Inner panel: back to its seam' : 'Panel: to its seam', rule: null },
    pulled
      ? { label: 'Pull allowance, beyond the staples on the lip', rule: 'grip' }
      : { label: 'Its seam allowance', rule: 'seamAllowance' },
  ];
  if (inner)
    parts.push(
      { label: 'Border, line to line', rule: null },
      pulled
        ? { label: 'Tacked inside, and pull allowance outside', rule: 'grip' }
        : { label: 'Its two seam allowances', rule: 'seamAllowance' },
    );
  parts.push({ label: 'Band, seam to the lower edge', rule: null }, { label: 'Its upper seam allowance', rule: 'seamAllowance' });
  if (sewnBelow) parts.push({ label: 'Its lower seam allowance', rule: 'seamAllowance' });
  else parts.push({ label: 'Under the board, to the staples', rule: 'return' }, { label: 'Extra to pull on', rule: 'bandExtra' });
  return {
    parts,
    at: (i) => [
      inner ? inner[i]! : upper[i]!,
      panel ?? (pulled ? rule('grip') : allowance),
      ...(inner ? [upper[i]! - inner[i]!, pulled ? allowance + rule('grip') : 2 * allowance] : []),
      sideOf(ring.places[i]!.profile) - upper[i]!,
      allowance,
      ...(sewnBelow ? [allowance] : [rule('return'), rule('bandExtra')]),
    ],
  };
}

export const mm = (value: number): string => `${Math.round(value)} mm`;
export const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;

/** A band lower than this is no band, mm. */
export const LEAST_BAND = 25;

/** A side that leaves no band or side pieces. */
export const noBand = (side: number, what = 'no band'): Against => [side < LEAST_BAND, true, `A side of ${mm(side)} leaves ${what}.`];
