import type { Model } from '../../build';
import { notchNamed, samePart, type Point } from '../../outline';
import type { StationWrap } from './wrap';

/** A Y-cut at a post or rail, on the flat blank: the stem from the cloth's edge, and two arms to the post's corners. */
export type YCut = { name: string; stem: [Point, Point]; arms: [Point, Point][]; stop: number; arm: number };

/** On the flat blank: the place at a distance beyond the covered line of a station. */
function onBlank(station: StationWrap, distance: number): Point {
  const growth = station.top - station.planDistance + distance;
  return [station.x + station.normalX * growth, station.y + station.normalY * growth];
}

/**
 * Y-cuts at the notches that posts stand in: the stem runs in from the cloth's edge and stops short of the post; from
 * there two arms part to its corners. A notch out of a corner has one inside corner and takes a single cut, which is
 * planned with the corners. Source: docs/models.md, "Corners".
 *
 * @param model the built piece
 * @param stations the measured stations
 */
export function yCuts(model: Model, stations: readonly StationWrap[]): YCut[] {
  const { rule } = model;
  return (model.piece.base.notches ?? []).flatMap((notch, k): YCut[] => {
    if (notch.at.kind !== 'edge') return [];
    const part = notchNamed(notch.id);
    const own = stations.filter((station, i) => samePart(station.part, part) && model.places[i]!.turn < 0);
    if (own.length < 2) return [];
    const [a, b] = [own[0]!, own.at(-1)!];
    const stop = rule('yCutStop');
    const arm = rule('yCutArm');
    const middle: Point = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    // Out of the notch: square to its floor, away from the piece.
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const size = Math.hypot(dx, dy) || 1;
    const out: Point = [dy / size, -dx / size];
    const far = onBlank(a, a.wrap);
    const reach = (far[0] - middle[0]) * out[0] + (far[1] - middle[1]) * out[1];
    const at = (t: number, s: number): Point => [middle[0] + out[0] * t + (dx / size) * s, middle[1] + out[1] * t + (dy / size) * s];
    const fork = at(stop, 0);
    const half = Math.min(size / 2, arm);
    return [
      {
        name: `Post ${k + 1}`,
        stem: [at(Math.max(reach, stop + arm), 0), fork],
        arms: [
          [fork, at(Math.max(0, stop - half), -half)],
          [fork, at(Math.max(0, stop - half), half)],
        ],
        stop,
        arm,
      },
    ];
  });
}
