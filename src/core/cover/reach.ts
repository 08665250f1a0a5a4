import type { Model } from '../build';
import type { Covering } from '../piece';
import { pulledOver, weltOf } from './covering';
import { levelSteps } from './levels';
import type { Beyond } from './pieces';
import type { SeamSpec } from './ways';
import { onProfile, sideOf, type Ring } from './ring';
import type { StationWrap } from './wrap';

/** One part of how much wider than the board the cloth is cut at a place, and the house rule that it comes from. */
export type ReachPart = { label: string; rule: string | null };

/** How much wider than the board to cut, at a place of its edge: each part in mm, in the order of `parts`. */
export type ReachPlace = { at: number; x: number; y: number; nx: number; ny: number; edge: string; values: number[]; total: number };

/** The answer to “how much wider than the board must I cut here, and why?”, all round. */
export type Reach = { parts: ReachPart[]; places: ReachPlace[] };

/**
 * Says, at every place round the edge, what the cloth needs beyond the board, part by part.
 *
 * @param model the built piece
 * @param ring its covered surface
 * @param stations the measured stations
 * @param covering how it is covered
 * @param seams the cover's seams
 * @param beyond how far a pulled cover runs on under the board
 */
export function reachOf(
  model: Model,
  ring: Ring,
  stations: readonly StationWrap[],
  covering: Covering,
  seams: readonly SeamSpec[],
  beyond: Beyond | null,
): Reach {
  const { rule } = model;
  const allowance = rule('seamAllowance');
  const shrink = 1 / (1 - model.piece.cloth.shrinkage / 100) - 1;
  const marks = model.places.map((place, i) => ({ at: place.at, growth: stations[i]!.top - stations[i]!.planDistance }));
  const growthAt = (at: number): number => {
    let low = marks.length - 1;
    for (let i = 0; i < marks.length; i++) if (marks[i]!.at <= at + 1e-9) low = i;
    const [a, b] = [marks[low]!, marks[(low + 1) % marks.length]!];
    const span = (b.at - a.at + ring.total) % ring.total || ring.total;
    return a.growth + (b.growth - a.growth) * Math.min(1, ((at - a.at + ring.total) % ring.total) / span);
  };
  const top: ReachPart = { label: 'Longer over the top than in plan', rule: null };
  const parts: ReachPart[] = [top];
  let values: (i: number) => number[];
  const along = (from: number, to: number): number => to - from;
  if (pulledOver(covering.way)) {
    parts.push(
      { label: 'Side, down the covered section', rule: null },
      {
        label: covering.way === 'tight-deck' ? 'Through the frame' : 'Return under the board',
        rule: covering.way === 'tight-deck' ? 'pullThrough' : 'return',
      },
      { label: 'Grip, trimmed later', rule: 'grip' },
    );
    values = (i) => {
      const { profile, at } = ring.places[i]!;
      return [growthAt(at), sideOf(profile), beyond?.staple ?? rule('return'), beyond?.grip ?? rule('grip')];
    };
  } else if (covering.way === 'lipped') {
    parts.push({ label: 'Back to the lip', rule: null }, { label: 'Turned under', rule: 'turnUnder' });
    const lip = seams[0]!.level;
    values = (i) => [growthAt(ring.places[i]!.at), lip[i]!, rule('turnUnder')];
  } else {
    const inner = covering.way === 'bordered' ? seams[0]!.level : null;
    const upper = seams.find((seam) => seam.id === 'top')!.level;
    parts.push({ label: inner ? 'Inner panel: back to its seam' : 'Top panel: to its seam', rule: null });
    parts.push({ label: 'Its seam allowance', rule: 'seamAllowance' });
    if (inner) parts.push({ label: 'Border, seam to seam', rule: null }, { label: 'Its two seam allowances', rule: 'seamAllowance' });
    parts.push({ label: 'Band, seam to the lower edge', rule: null }, { label: 'Its upper seam allowance', rule: 'seamAllowance' });
    const sewnBelow = covering.way === 'block' || (covering.way === 'boxed' && Boolean(weltOf(covering)?.lower));
    if (sewnBelow) parts.push({ label: 'Its lower seam allowance', rule: 'seamAllowance' });
    else parts.push({ label: 'Return under the board', rule: 'return' }, { label: 'Extra to pull on', rule: 'bandExtra' });
    const panel = covering.way === 'saddle-set' && covering.panelAllowance === 'none' ? 0 : allowance;
    values = (i) => {
      const { profile, at } = ring.places[i]!;
      return [
        growthAt(at),
        inner ? inner[i]! : upper[i]!,
        panel,
        ...(inner ? [along(inner[i]!, upper[i]!), 2 * allowance] : []),
        along(upper[i]!, sideOf(profile)),
        allowance,
        ...(sewnBelow ? [allowance] : [rule('return'), rule('bandExtra')]),
      ];
    };
  }
  if (shrink > 0) parts.push({ label: 'For shrinkage', rule: null });
  return {
    parts,
    places: ring.places.map(({ at, point, out, edge }, i) => {
      const size = Math.hypot(...out) || 1;
      const own = values(i);
      if (shrink > 0) {
        // Shrinkage takes its share of everything from the middle outwards.
        const half = Math.hypot(point[0] - model.middle[0], point[1] - model.middle[1]);
        own.push((half + own.reduce((sum, value) => sum + value, 0)) * shrink);
      }
      return {
        at,
        x: point[0],
        y: point[1],
        nx: out[0] / size,
        ny: out[1] / size,
        edge,
        values: own,
        total: own.reduce((sum, value) => sum + value, 0),
      };
    }),
  };
}

/** Where a seam lies in the plan, and how long it is on the piece, mm. */
export function seamLine(ring: Ring, { level }: SeamSpec): { points: [number, number][]; length: number } {
  return {
    points: ring.places.map((place, i): [number, number] => {
      const [u] = onProfile(place.profile, level[i]!);
      return [place.point[0] + u * place.out[0], place.point[1] + u * place.out[1]];
    }),
    length: levelSteps(ring, level).reduce((sum, step) => sum + step, 0),
  };
}
