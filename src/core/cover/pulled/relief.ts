import type { CoverModel } from '../reads';
import { giveOf } from '../../cloth';
import { curvatureAt, distanceAlong, pointAt, segmentLength, tangentAt, type Outline, type Point, type Polygon } from '../../outline';
import { isGreater, isLess, leastOf, wholeDown, wholeUp } from '../../ties';
import { clothOut } from './cloth-out';
import { cutKeptClear, LEAST_CUT } from './seen-line';
import { isBulky, type Cut } from './corners';
import type { StationWrap } from './wrap';

/**
 * A relief cut and the place on the board's edge that it relieves. Thick or coated cloth is not laid over itself: there a
 * pie is cut out, `wedge` wide at the cloth's edge; 0 is a plain cut.
 */
export type ReliefCut = Cut & { x: number; y: number; wedge: number };

/** How curved edges are relieved: gathered so much to each staple, with these cuts where that is too much or it is hollow. */
export type Relief = { pitch: number; cuts: ReliefCut[]; gather: number };

/** Bends wider than this need no relief: the cloth gives that much by itself, mm. */
const WIDE = 3000;
/** Curves are walked in this many steps to place their cuts. */
const WALK = 60;
/** More than this gathered to one staple stands up in a ridge, mm. */
const MOST_GATHER = 6;
/** Round an edge no more snips than this are made, whatever it asks: the cloth would fray to a fringe. */
const MOST_SNIPS = 12;

type Segment = Outline['segments'][number];

/**
 * One stretch of the edge that bends one way. `from` is the segment's start along the edge, mm; `first` the step of its walk that the
 * stretch begins with; `due` what has come due at the end of each step of it.
 */
type Curve = { segment: Segment; from: number; whole: number; first: number; length: number; due: number[]; hollow: boolean };

/** Cuts due along a hollow stretch, in all; what a round one leaves over to each staple, and the snips that takes. */
function curvesOf(model: CoverModel, due: (bend: number, step: number) => number): Curve[] {
  const curves: Curve[] = [];
  let from = 0;
  for (const segment of model.outline.segments) {
    const length = segmentLength(segment);
    if (segment.kind !== 'line' && segment.edge.kind !== 'corner') {
      let curve: Curve | null = null;
      for (let k = 0; k < WALK; k++) {
        const bend = curvatureAt(segment, (k + 0.5) / WALK);
        const [a, b] = [pointAt(segment, k / WALK), pointAt(segment, (k + 1) / WALK)];
        const step = segment.kind === 'arc' ? length / WALK : Math.hypot(b[0] - a[0], b[1] - a[1]);
        // An S is a hollow and a bulge: each is relieved in its own way.
        if (!curve || curve.hollow !== isLess(bend, 0)) {
          curve = { segment, from, whole: length, first: k, length: 0, due: [0], hollow: isLess(bend, 0) };
          curves.push(curve);
        }
        curve.length += step;
        curve.due.push(curve.due.at(-1)! + (Math.abs(bend) > 1 / WIDE ? due(bend, step) : 0));
      }
    }
    from += length;
  }
  return curves;
}

/** So many cuts of a curve, each where its share has come due, on the flat blank. */
function cutsOf(curve: Curve, count: number, model: CoverModel, stations: readonly StationWrap[]): ReliefCut[] {
  const { segment, from, whole, first, length, due } = curve;
  const stop = model.rule('cornerCutStop');
  const bulky = isBulky(model.piece.cloth);
  return Array.from({ length: count }, (_, i): ReliefCut => {
    const wanted = ((i + 0.5) * due.at(-1)!) / count;
    const k = due.findIndex((value) => !isLess(value, wanted));
    const u = (first + k - 1 + (wanted - due[k - 1]!) / (due[k]! - due[k - 1]!)) / WALK;
    const [x, y] = pointAt(segment, u);
    const [tx, ty] = tangentAt(segment, u);
    const station = nearestStation(model, stations, from + whole * u);
    const growth = station.top - station.planDistance;
    const at = (distance: number): Point => [x + ty * (growth + distance), y - tx * (growth + distance)];
    const out = clothOut(model, station);
    // What overlaps at the cloth's edge, between this cut and the next.
    const over = (length / count) * Math.max(0, curvatureAt(segment, u)) * (out - station.side - stop);
    return { from: at(out), to: at(station.side + stop), x, y, wedge: bulky ? over : 0 };
  });
}

/**
 * How curved edges are relieved; corners are planned one by one. A hollow is cut at a pitch p so that the cloth opens by no
 * more than the rule at the cut's root, p·stop/R. Round a bulge the cloth is eased and gathered under the board, a little
 * to each staple: F/R per length, less what it gives on the bias. Only where more than 6 mm would come to a staple is it
 * snipped, at most at every second staple and a dozen times. Source: docs/models.md, "Relief cuts".
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param reach how far the cloth hangs beyond the covered top, to the staples, mm; less where a band is sewn round
 * @returns null for an edge without curves
 */
export function reliefOf(model: CoverModel, stations: readonly StationWrap[], reach: (station: StationWrap) => number): Relief | null {
  const { rule, piece } = model;
  const perRadius = rule('reliefOpening') / rule('cornerCutStop');
  const pitch = rule('staplePitch');
  const give = giveOf(piece.cloth).bias;
  const out = Math.max(...stations.map(reach));
  const over = (bend: number): number => Math.max(0, bend * out - give);
  const curves = curvesOf(model, (bend, step) => (bend < 0 ? (step * -bend) / perRadius : step * over(bend)));
  const gather = Math.max(
    0,
    ...curves.flatMap(({ segment, first, due, hollow }) =>
      hollow ? [] : due.slice(1).map((_, k) => over(curvatureAt(segment, (first + k + 0.5) / WALK)) * pitch),
    ),
  );
  const round = curves.filter((curve) => !curve.hollow && curve.due.at(-1)! > 0);
  const left = round.reduce((sum, curve) => sum + curve.due.at(-1)!, 0);
  const staples = round.reduce((sum, curve) => sum + curve.length, 0) / pitch;
  const snips = isGreater(gather, MOST_GATHER) ? Math.min(MOST_SNIPS, wholeDown(staples / 2)) : 0;
  const cuts = curves.flatMap((curve) => {
    const whole = curve.due.at(-1)!;
    const count = curve.hollow ? wholeUp(whole) : left > 0 ? wholeDown((snips * whole) / left + 0.5) : 0;
    return cutsOf(curve, count, model, stations);
  });
  if (cuts.length === 0 && gather === 0) return null;
  const along = curves.filter(({ due }) => due.at(-1)! > 0).reduce((sum, { length }) => sum + length, 0);
  return { pitch: cuts.length > 0 ? along / cuts.length : 0, cuts, gather };
}

/**
 * Relief cuts kept clear of what is seen: where a hollow's two sides come together, the seen cloth reaches farther out than
 * along a cut's own line.
 *
 * @param relief the cuts
 * @param seen the board's lower edge on the flat blank
 * @param stop how far short of it they end, mm
 */
export function keptClear(relief: Relief | null, seen: Polygon, stop: number): Relief | null {
  if (!relief) return null;
  const clear = ({ from, to, ...cut }: ReliefCut): ReliefCut[] => {
    const retained = cutKeptClear(seen, from, to, stop);
    return retained.length < LEAST_CUT ? [] : [{ ...cut, from, to: retained.to }];
  };
  return { ...relief, cuts: relief.cuts.flatMap(clear) };
}

/** The station nearest a length along the outline; stations count from the first one's own place on it. */
function nearestStation(model: CoverModel, stations: readonly StationWrap[], at: number): StationWrap {
  const total = model.perimeter;
  const start = distanceAlong(model.board, model.places[0]!.point);
  const here = (((at - start) % total) + total) % total;
  const away = ({ at }: { at: number }): number => Math.min(Math.abs(at - here), total - Math.abs(at - here));
  return stations[leastOf(stations.length, (i) => away(model.places[i]!))]!;
}
