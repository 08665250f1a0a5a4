import type { Model } from '../../build';
import { curvatureAt, distanceAlong, pointAt, segmentLength, tangentAt, type EdgePart, type Point } from '../../outline';
import { wayOf } from '../ways';
import type { StationWrap } from './wrap';

/** A straight cut into the cloth's edge, on the flat blank. */
export type Cut = { from: Point; to: Point };

/**
 * A relief cut and the place on the board's edge that it relieves. Thick or coated cloth is not laid over itself: there a
 * pie is cut out, `wedge` wide at the cloth's edge; 0 is a plain cut.
 */
export type ReliefCut = Cut & { x: number; y: number; wedge: number };

/** One bend of the edge and what to do with the cloth it leaves over. */
export type CornerPlan = {
  station: string;
  part: EdgePart;
  edge: string;
  x: number;
  y: number;
  /** radians; negative at an inside corner */
  turn: number;
  /** extra cloth round the bend: θ·(side + return), mm; none at an inside corner, where the cloth is cut to spread */
  fullness: number;
  pleats: number;
  /** radius of a rounded corner, mm; nothing where it is sharp */
  radius?: number;
  inside: boolean;
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
  const banded = !wayOf(model.piece.covering.way).pulled;
  return model.places.flatMap((place, i): CornerPlan[] => {
    if (Math.abs(place.turn) <= 1e-6) return [];
    // The cut into a notch's inside corner frees the cloth at its mouth: nothing is folded there.
    if (place.turn > 0 && place.part.kind === 'notch') return [];
    const station = stations[i]!;
    const inside = place.turn < 0;
    // A band is sewn round the corner: only what goes under the board is left over.
    const fullness = inside ? 0 : place.turn * ((banded ? 0 : station.side) + station.return);
    // A sharp corner of the blank is a mitre: farther out along its bisector than along either edge.
    const mitre = place.curvature === 0 ? 1 / Math.cos(place.turn / 2) : 1;
    return [
      {
        station: place.id,
        part: place.part,
        edge: place.edge,
        x: place.point[0],
        y: place.point[1],
        turn: place.turn,
        fullness,
        pleats: inside ? 0 : Math.max(1, Math.ceil(fullness / (2 * model.rule('pleatDepth')) - 1e-9)),
        ...(place.curvature > 1e-9 ? { radius: 1 / place.curvature } : {}),
        inside,
        cut: { from: onBlank(station, station.wrap, mitre), to: onBlank(station, station.side + model.rule('cornerCutStop'), mitre) },
      },
    ];
  });
}

/** Bends wider than this need no relief: the cloth gives that much by itself, mm. */
const WIDE = 3000;
/** Thicker cloth than this is not laid over itself, mm. */
const BULKY = 1.3;
/** Curves are walked in this many steps to place their cuts. */
const WALK = 60;

/**
 * Relief cuts round curved edges: at a pitch p the cloth overlaps (or opens, in a hollow) by p·stop/R at the cut's
 * root, which may not be more than the rule. Straight edges have none; corners are planned one by one.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @returns the cuts on the flat blank and their tightest pitch along the board's edge, mm
 */
export function reliefCuts(model: Model, stations: readonly StationWrap[]): { pitch: number; cuts: ReliefCut[] } | null {
  const stop = model.rule('cornerCutStop');
  const perRadius = model.rule('reliefOpening') / stop;
  const bulky = model.piece.cloth.coated || model.piece.cloth.thickness > BULKY;
  const total = model.perimeter;
  const cuts: ReliefCut[] = [];
  let tightest = Infinity;
  let s = 0;
  for (const segment of model.outline.segments) {
    const length = segmentLength(segment);
    if (segment.kind !== 'line' && segment.edge.kind !== 'corner') {
      // How many cuts have come due by each place: the pitch follows the bend.
      const due = [0];
      for (let k = 1; k <= WALK; k++) {
        const bend = Math.abs(curvatureAt(segment, (k - 0.5) / WALK));
        const pitch = bend > 1 / WIDE ? perRadius / bend : Infinity;
        tightest = Math.min(tightest, pitch);
        const step = Math.hypot(
          pointAt(segment, k / WALK)[0] - pointAt(segment, (k - 1) / WALK)[0],
          pointAt(segment, k / WALK)[1] - pointAt(segment, (k - 1) / WALK)[1],
        );
        due.push(due[k - 1]! + (segment.kind === 'arc' ? length / WALK : step) / pitch);
      }
      const count = Math.ceil(due[WALK]! - 1e-9);
      if (segment.kind === 'arc' && count > 0) tightest = Math.min(tightest, length / count);
      for (let i = 0; i < count; i++) {
        const wanted = ((i + 0.5) * due[WALK]!) / count;
        const k = due.findIndex((value) => value >= wanted);
        const u = (k - 1 + (wanted - due[k - 1]!) / (due[k]! - due[k - 1]!)) / WALK;
        const [x, y] = pointAt(segment, u);
        const [tx, ty] = tangentAt(segment, u);
        const station = nearestStation(model, stations, s + length * u, total);
        const growth = station.top - station.planDistance;
        const at = (distance: number): Point => [x + ty * (growth + distance), y - tx * (growth + distance)];
        // What overlaps at the cloth's edge, between this cut and the next.
        const over = (length / count) * Math.max(0, curvatureAt(segment, u)) * (station.wrap - station.side - stop);
        cuts.push({ from: at(station.wrap), to: at(station.side + stop), x, y, wedge: bulky ? over : 0 });
      }
    }
    s += length;
  }
  return cuts.length > 0 ? { pitch: tightest, cuts } : null;
}

/** The station nearest a length along the outline; stations count from the first one's own place on it. */
function nearestStation(model: Model, stations: readonly StationWrap[], at: number, total: number): StationWrap {
  const start = startOf(model);
  const here = (((at - start) % total) + total) % total;
  let best = 0;
  let nearest = Infinity;
  model.places.forEach((place, i) => {
    const away = Math.min(Math.abs(place.at - here), total - Math.abs(place.at - here));
    if (away < nearest) [nearest, best] = [away, i];
  });
  return stations[best]!;
}

/** Where along the outline station 1 lies. */
function startOf(model: Model): number {
  return distanceAlong(model.board, model.places[0]!.point);
}
