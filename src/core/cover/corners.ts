import type { Model } from '../build';
import type { Point } from '../outline';
import type { StationWrap } from './wrap';

/** A straight cut into the cloth's edge, on the flat blank. */
export type Cut = { from: Point; to: Point };

/** One bend of the edge and what to do with the cloth it leaves over. */
export type CornerPlan = {
  station: string;
  edge: string;
  x: number;
  y: number;
  /** radians */
  turn: number;
  /** extra cloth round the bend: θ·(side + return), mm */
  fullness: number;
  pleats: number;
  /** the relief cut, from the cloth's corner to short of the board's edge */
  cut: Cut;
};

/** On the flat blank: the place at a distance from a station, measured from the board's outline. */
function onBlank(station: StationWrap, distance: number, mitre = 1): Point {
  const growth = station.top - station.planDistance;
  return [station.x + station.normalX * (growth + distance) * mitre, station.y + station.normalY * (growth + distance) * mitre];
}

/**
 * Fullness, pleats and relief cut of every corner. Source: docs/models.md, "Corners": F = θ·(H + d),
 * n = ⌈F / 2a⌉ with a the deepest pleat.
 *
 * @param model the built piece
 * @param stations the measured stations
 */
export function cornerPlans(model: Model, stations: readonly StationWrap[]): CornerPlan[] {
  return model.places.flatMap((place, i): CornerPlan[] => {
    if (place.turn <= 1e-6) return [];
    const station = stations[i]!;
    const fullness = place.turn * (station.side + station.return);
    // A sharp corner of the blank is a mitre: farther out along its bisector than along either edge.
    const mitre = place.curvature === 0 ? 1 / Math.cos(place.turn / 2) : 1;
    return [
      {
        station: place.id,
        edge: place.edge,
        x: place.point[0],
        y: place.point[1],
        turn: place.turn,
        fullness,
        pleats: Math.max(1, Math.ceil(fullness / (2 * model.rule('pleatDepth')) - 1e-9)),
        cut: { from: onBlank(station, station.wrap, mitre), to: onBlank(station, station.side + model.rule('cornerCutStop'), mitre) },
      },
    ];
  });
}

/**
 * Relief cuts round a curved base: at a pitch p the cloth overlaps by p·stop/R at the cut's root, which may not be
 * more than the rule. Straight-edged bases have none; their corners are planned one by one.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @returns the cuts on the flat blank and their pitch along the board's edge, mm
 */
export function reliefCuts(model: Model, stations: readonly StationWrap[]): { pitch: number; cuts: Cut[] } | null {
  const shape = model.piece.base.shape;
  if (shape.type !== 'round') return null;
  const radius = shape.diameter / 2;
  const stop = model.rule('cornerCutStop');
  const station = stations[0]!;
  const around = 2 * Math.PI * radius;
  const count = Math.ceil(around / ((model.rule('reliefOpening') * radius) / stop));
  const growth = station.top - station.planDistance;
  const cuts = Array.from({ length: count }, (_, i): Cut => {
    const angle = -Math.PI / 2 + (2 * Math.PI * (i + 0.5)) / count;
    const at = (distance: number): Point => [
      Math.cos(angle) * (radius + growth + distance),
      Math.sin(angle) * (radius + growth + distance),
    ];
    return { from: at(station.wrap), to: at(station.side + stop) };
  });
  return { pitch: around / count, cuts };
}
