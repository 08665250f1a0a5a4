import type { CornerModel } from '../reads';
import { giveOf } from '../../cloth';
import { notchNamed, type EdgePart, type Point, type Polygon } from '../../outline';
import type { CutCloth } from '../../piece';
import { wayOf } from '../ways';
import { clothOut } from './cloth-out';
import { CornerDrawing } from './corner-drawing';
import { cutKeptClear, LEAST_CUT, seenLine } from './seen-line';
import type { StationWrap } from './wrap';

/** A straight cut into the cloth's edge, on the flat blank. */
export type Cut = { from: Point; to: Point };

/** What is done with the cloth that a bend leaves over. */
export type CornerWay = 'parcel fold' | 'bulk cut away' | 'tucks' | 'gathered' | 'cut in' | 'relieved';

/**
 * One bend of the edge and what is done with the cloth it leaves over: the one result that drawing, template, staples,
 * steps and minutes read.
 */
export type CornerPlan = {
  station: string;
  part: EdgePart;
  edge: string;
  x: number;
  y: number;
  /** radians; negative at an inside corner */
  turn: number;
  /** extra cloth round the bend at the staple line: θ·(side + return), mm; none at an inside corner, where the cloth is cut to spread */
  fullness: number;
  /** what of it the cloth eases away on the bias and the foam gives under the pull, mm */
  eased: number;
  way: CornerWay;
  /** folds or tucks */
  pleats: number;
  /** how deep each is, mm */
  depth: number;
  /** radius of a rounded corner, mm; nothing where it is sharp */
  radius?: number;
  inside: boolean;
  /** the cut into an inside corner, to short of the board's edge */
  cut: Cut | null;
  /** what is cut off where the bulk is cut away */
  away: Polygon | null;
};

/** What is done at a corner, as it is said beside it. */
export function cornerWords({ way, pleats }: Pick<CornerPlan, 'way' | 'pleats'>): string {
  return way === 'tucks' ? `${pleats} tucks` : way;
}

/** Rounder than the first a corner is tucked, rounder than the second it is gathered, mm. */
export const SHARP = 20;
const GATHERED = 70;
/** Thicker cloth than this is not laid over itself, mm. */
const THICK = 1.2;

/** Whether a cloth is cut away rather than stacked: thick, or coated. */
export function isBulky({ thickness, coated }: Pick<CutCloth, 'thickness' | 'coated'>): boolean {
  return coated || thickness > THICK;
}

/** A board so many times as long as wide gets parcel ends, whatever the cloth. */
const LONG = 2;
/** Tucks at a rounded corner: one to either side, one more where that is too deep. */
const TUCKS: readonly [number, number] = [2, 3];
/** What is left standing on one side of a cut-away corner, to be stapled under, mm. */
export const TAIL = 25;

/** What of the whole piece matters at its corners. */
type Facts = { banded: boolean; bulky: boolean; long: boolean; bias: number };

function factsOf({ piece, board }: CornerModel): Facts {
  const { cloth } = piece;
  const [xs, ys] = [board.map(([x]) => x), board.map(([, y]) => y)];
  const [w, h] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
  return {
    banded: !wayOf(piece.covering.way).pulled,
    bulky: isBulky(cloth),
    long: Math.max(w, h) >= LONG * Math.min(w, h),
    bias: giveOf(cloth).bias,
  };
}

function wayAt(inside: boolean, radius: number, { banded, bulky, long }: Facts): CornerWay {
  if (inside) return 'cut in';
  // A band is sewn round the corner: only what goes under the board is left over.
  if (banded) return 'relieved';
  if (radius >= GATHERED) return 'gathered';
  if (radius >= SHARP) return 'tucks';
  return bulky && !long ? 'bulk cut away' : 'parcel fold';
}

/**
 * How many folds or tucks, and how deep. Source: docs/models.md, "Corners": what is left once the cloth has eased is made
 * up in 2·n·depth.
 */
function foldsOf(way: CornerWay, rest: number, deepest: number): { pleats: number; depth: number } {
  if (way === 'tucks') {
    const pleats = Math.min(TUCKS[1], Math.max(TUCKS[0], Math.ceil(rest / (2 * deepest) - 1e-9)));
    return { pleats, depth: rest / (2 * pleats) };
  }
  return way === 'parcel fold' || way === 'bulk cut away' ? { pleats: 1, depth: rest / 2 } : { pleats: 0, depth: 0 };
}

/** The drawing of a corner as it lies on the flat blank: `place` puts a point of it there. */
function onBlank(
  station: StationWrap,
  out: number,
  turn: number,
  radius: number,
): { drawing: CornerDrawing; place: (p: Point) => Point; growth: number } {
  const growth = station.top - station.planDistance;
  // Where the edges would meet, were the corner not rounded.
  const beyond = radius * (1 / Math.cos(Math.abs(turn) / 2) - 1);
  const [nx, ny] = [station.normalX, station.normalY];
  const [ox, oy] = [station.x + nx * beyond, station.y + ny * beyond];
  return {
    drawing: new CornerDrawing(Math.abs(turn), growth + out),
    place: ([x, y]) => [ox - ny * x - nx * y, oy + nx * x - ny * y],
    growth,
  };
}

/**
 * What is done at every corner. Source: docs/models.md, "Corners": F = θ·(H + d) at the staple line; bias give and what
 * the foam yields ease some of it away; the rest is folded, tucked or gathered as the trade does it.
 *
 * @param model the built piece
 * @param stations the measured stations
 */
export function cornerPlans(model: CornerModel, stations: readonly StationWrap[]): CornerPlan[] {
  const { rule } = model;
  const facts = factsOf(model);
  const cutNotches = new Set((model.piece.base.notches ?? []).filter(({ at }) => at.kind === 'edge').map(({ id }) => notchNamed(id).name));
  const seen = facts.banded || model.places.every(({ turn }) => turn >= 0) ? null : seenLine(model, stations);
  return model.places.flatMap((place, i): CornerPlan[] => {
    if (Math.abs(place.turn) <= 1e-6) return [];
    // The cut into a notch's inside corner frees the cloth at its mouth: nothing is folded there.
    if (place.turn > 0 && place.part.kind === 'notch') return [];
    // A notch in the middle of an edge takes one Y-cut for both its corners.
    if (place.part.kind === 'notch' && !facts.banded && cutNotches.has(place.part.name)) return [];
    const station = stations[i]!;
    const inside = place.turn < 0;
    const radius = place.curvature > 1e-9 ? 1 / place.curvature : 0;
    const way = wayAt(inside, radius, facts);
    const fullness = inside ? 0 : place.turn * ((facts.banded ? 0 : station.side) + station.return);
    const length = 2 * rule('cornerOpen') + radius * Math.abs(place.turn) + fullness;
    const eased = inside ? 0 : Math.min(fullness, facts.bias * length + place.turn * Math.max(0, rule('overhang')));
    const { drawing, place: put, growth } = onBlank(station, clothOut(model, station), place.turn, radius);
    const short = growth + station.side + rule('cornerCutStop');
    const mitre = place.curvature === 0 ? 1 / Math.cos(place.turn / 2) : 1;
    const straight = (distance: number): Point => [
      station.x + station.normalX * (growth + distance) * mitre,
      station.y + station.normalY * (growth + distance) * mitre,
    ];
    const cutIn = (): Cut | null => {
      const [from, to] = [straight(clothOut(model, station)), straight(station.side + rule('cornerCutStop'))];
      if (!seen) return { from, to };
      const clear = cutKeptClear(seen, from, to, rule('cornerCutStop'));
      return clear.length < LEAST_CUT ? null : { from, to: clear.to };
    };
    return [
      {
        station: place.id,
        part: place.part,
        edge: place.edge,
        x: place.point[0],
        y: place.point[1],
        turn: place.turn,
        fullness,
        eased,
        way,
        ...foldsOf(way, fullness - eased, rule('pleatDepth')),
        ...(radius > 0 ? { radius } : {}),
        inside,
        cut: inside ? cutIn() : null,
        away: way === 'bulk cut away' ? drawing.away(short, TAIL).map(put) : null,
      },
    ];
  });
}
