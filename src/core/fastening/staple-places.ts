import { modelFrom, type ModelReads } from '../padding';
import type { Keep } from '../keep';
import { placeFields, type FixModel, type PlaceFields, type PlaceModel } from './reads';
import { endsInSight, type CornerPlan } from '../cover';
import { cornerAlong, distanceAlong, offsetPolygon, pointAlong, polygonPerimeter, type Point, type Polygon } from '../outline';
import { fieldsOf, kindOf } from '../piece';
import type { FastenerPlace } from './fasteners/fastener';
import { heldBy, heldOn } from './held';
import { ordered, type OrderId, type Place, type Side } from './orders';

/** A corner as it moves staples. */
type FoldedCorner = Pick<CornerPlan, 'x' | 'y' | 'edge' | 'way' | 'pleats' | 'inside'>;
type PlaceReads = ModelReads<PlaceFields> & { corners: readonly FoldedCorner[]; by: string; pitch: number };

/** A stretch of the staple line between two corners (or a quarter of a round one). */
type Run = {
  edge: string;
  /** as it is said: “top” where it has a left and a right half */ called: string;
  middle: number;
  places: number[];
};

const QUARTERS = ['front', 'right', 'back', 'left'] as const;

/** Opposite edges are worked in turn: front, back, left, right; edges with names of their own come after. */
const PAIRED: readonly string[] = ['front', 'bottom', 'back', 'top', 'left', 'right'];

function turnOf(edge: string): number {
  const at = PAIRED.indexOf(edge);
  return at < 0 ? PAIRED.length : at;
}

/** Even places over a stretch, no farther apart than the pitch, always one in the middle. */
function evenly(from: number, to: number, pitch: number): number[] {
  const middle = (from + to) / 2;
  const half = Math.max(0, (to - from) / 2);
  const steps = Math.ceil(half / pitch - 1e-9);
  const places = [middle];
  for (let k = 1; k <= steps; k++) places.push(middle - (half * k) / steps, middle + (half * k) / steps);
  return places;
}

function runsOf(model: PlaceModel, line: Polygon, corners: readonly FoldedCorner[], pitch: number): Run[] {
  const total = polygonPerimeter(line);
  if (corners.length === 0) {
    // A round seat has no corners: four quarters about the centre lines, closing on each other at the pitch.
    const perQuarter = Math.max(1, Math.ceil(total / 4 / pitch));
    const front = distanceAlong(line, [0, -1e6]);
    return QUARTERS.map((edge, i) => {
      const middle = front + (total * i) / 4;
      const offsets = Array.from({ length: perQuarter }, (_, k) => (k % 2 === 0 ? 1 : -1) * Math.ceil(k / 2));
      return { edge, called: edge, middle, places: offsets.map((k) => middle - (k * total) / 4 / perQuarter) };
    });
  }
  const at = corners.map((corner) => cornerAlong(line, [corner.x, corner.y]));
  return corners.map((corner, i) => {
    const next = (i + 1) % corners.length;
    const from = at[i]! + model.rule('cornerOpen');
    const to = at[i]! + ((at[next]! - at[i]! + total) % total) - model.rule('cornerOpen');
    const middle = (from + to) / 2;
    const edge = nearestEdge(model, pointAlong(line, middle));
    return {
      edge,
      called: calledOf(model, line, [from, to], edge),
      middle,
      places: evenly(Math.min(from, middle), Math.max(to, middle), pitch),
    };
  });
}

/** Looks along a side to see whether it has halves with names of their own. */
const HALVES = [0.25, 0.75];

/** A side whose halves are “top left” and “top right” is the top. */
function calledOf(model: PlaceModel, line: Polygon, [from, to]: [number, number], edge: string): string {
  const [first] = edge.split(' ');
  const names = new Set(HALVES.map((share) => nearestEdge(model, pointAlong(line, from + share * (to - from)))));
  return names.size > 1 && [...names].every((name) => name.split(' ')[0] === first) ? first! : edge;
}

/** The edge of the station nearest a place, for bases whose corners do not name their edges. */
function nearestEdge(model: PlaceModel, [x, y]: Point): string {
  const edges = model.places.filter((place) => place.turn === 0);
  const far = ({ point }: (typeof edges)[number]): number => Math.hypot(point[0] - x, point[1] - y);
  return (edges.length > 0 ? edges : model.places).reduce((best, place) => (far(place) < far(best) ? place : best)).edge;
}

/** How far a staple is moved to look for a place clear of hardware, and in what steps, mm. */
const LOOK = { step: 2, reach: 14 };

/** Beside a hole that an old fastener left, wood holds again so far from it, mm: there are too many to keep away from. */
const OLD_CLEAR = 2;

/** Whether a staple would meet a hole or something fixed to the board. */
function meets(model: PlaceModel, [x, y]: Point): boolean {
  const clear = model.rule('hardwareClear');
  const { holes = [], hardware = [] } = model.piece.base;
  return (
    hardware.some((item) => Math.hypot(item.x - x, item.y - y) < item.diameter / 2 + clear) ||
    holes.some((hole) =>
      hole.kind === 'round'
        ? Math.hypot(hole.x - x, hole.y - y) < hole.diameter / 2 + (hole.held ? OLD_CLEAR : clear)
        : Math.abs(hole.x - x) < hole.width / 2 + clear && Math.abs(hole.y - y) < hole.height / 2 + clear,
    )
  );
}

/** Staples at a corner: each fold or tuck has one and the middle one more; where nothing is folded they go on at the pitch. */
function cornerStaples({ way, pleats }: FoldedCorner, open: number, pitch: number): number {
  // What stands farther apart than a corner is wide has one at it.
  if (pitch > open) return 1;
  return way === 'gathered' || way === 'relieved' ? Math.max(2, Math.ceil((2 * open) / pitch) - 1) : pleats + 1;
}

/**
 * Places every staple and numbers it in the order of work: the centres of opposite sides first, then outwards on
 * all sides in turn, corners last and opposite each other.
 *
 * @param model the built piece
 * @param corners the planned corners
 * @param by what is placed: only along edges that are held by it; corners belong to what holds most of the cover
 * @param [pitch] no farther apart than this, mm; that of staples where nothing is said
 */
export function staplePlaces(
  model: FixModel,
  corners: readonly CornerPlan[],
  by: string,
  pitch = model.rule('staplePitch'),
): FastenerPlace[] {
  const { keep, stack, rule, piece } = model;
  const reads: PlaceReads = {
    stack,
    // How much cloth is left for the hand at a corner moves no staple.
    corners: corners.map((corner) => fieldsOf(corner, 'x', 'y', 'edge', 'way', 'pleats', 'inside')),
    figures: { return: rule('return'), cornerOpen: rule('cornerOpen'), hardwareClear: rule('hardwareClear') },
    piece: placeFields(piece),
    by,
    pitch,
  };
  return keep('staple places', reads, placed);
}

/** A side bends by more than this share of its length: it is bowed. */
const BOWED = 0.015;

/** Whether a side is bowed: its middle lies off the line between its ends. */
function isBowed({ places }: Side): boolean {
  if (places.length < 3) return false;
  const [middle, from, to] = [places[0]!, places.at(-2)!, places.at(-1)!];
  const along = Math.hypot(to.x - from.x, to.y - from.y);
  const off = Math.abs((to.x - from.x) * (from.y - middle.y) - (from.x - middle.x) * (to.y - from.y)) / Math.max(1, along);
  return off > BOWED * along;
}

/** The order that is usual: front first on a pan, a single bowed side first, otherwise the centres of opposite sides. */
function usualOrder({ piece }: PlaceModel, bowed: readonly string[]): OrderId {
  if (kindOf(piece.kind).traits.pan) return 'front';
  return bowed.length === 1 ? 'curved' : 'centres';
}

/** Two staples nearer to each other than this split the wood between them, mm: the second is not put in. */
const LEAST_APART = 8;

/** Of places that come too near to each other only the first: centres of sides before corners, and those before what lies between. */
function spacedPlaces(sides: readonly Side[], atCorners: readonly Place[]): { sides: Side[]; corners: Place[] } {
  const taken: Place[] = [];
  const free = (place: Place): boolean => {
    if (taken.some(({ x, y }) => Math.hypot(x - place.x, y - place.y) < LEAST_APART)) return false;
    taken.push(place);
    return true;
  };
  const centres = sides.map(({ places }) => places.filter((place) => place.kind === 'centre' && free(place)));
  const corners = atCorners.filter(free);
  return {
    sides: sides.map(({ edge, places }, i) => ({
      edge,
      places: [...centres[i]!, ...places.filter((place) => place.kind !== 'centre' && free(place))],
    })),
    corners,
  };
}

/** Every staple, in the order of work. */
function placed({ corners, by, pitch, ...reads }: PlaceReads, keep: Keep): FastenerPlace[] {
  const model = modelFrom(reads, keep);
  const line = offsetPolygon(model.board, -model.rule('return'))!;
  const finished = endsInSight(model.piece);
  const loose = new Set(
    (model.piece.base.edges ?? []).filter((fact) => !fact.fasten || (fact.end && finished)).map((fact) => fact.edge.name),
  );
  const runs = runsOf(model, line, corners, pitch)
    .filter((run) => !loose.has(run.edge) && heldOn(model, run.edge) === by)
    .sort((a, b) => turnOf(a.edge) - turnOf(b.edge));
  const put = (at: number, edge: string, kind: FastenerPlace['kind']): Place[] => {
    for (let by = 0; by <= LOOK.reach; by += LOOK.step) {
      const found = [at + by, at - by].map((place) => pointAlong(line, place)).find((place) => !meets(model, place));
      if (found) return [{ x: found[0], y: found[1], edge, kind, pull: inwards(model.board, found) }];
    }
    return [];
  };
  const wanted = runs.map(({ called, places }): Side => ({
    edge: called,
    places: places.flatMap((at, k) => put(at, called, k === 0 ? 'centre' : 'edge')),
  }));
  const open = model.rule('cornerOpen');
  const half = Math.ceil(corners.length / 2);
  const opposite = Array.from({ length: half }, (_, i) => [i, i + half])
    .flat()
    .filter((i) => i < corners.length);
  const values = by === heldBy(model) ? opposite : [];
  const wantedAtCorners = values.flatMap((i) => {
    const corner = corners[i]!;
    const middle = cornerAlong(line, [corner.x, corner.y]);
    const count = cornerStaples(corner, open, pitch);
    const reach = open * (corner.pleats > 0 || corner.inside ? 0.6 : 1);
    return Array.from({ length: count }, (_, k) => put(middle + reach * ((2 * (k + 0.5)) / count - 1), corner.edge, 'corner')).flat();
  });
  const { sides, corners: atCorners } = spacedPlaces(wanted, wantedAtCorners);
  // A round one has no sides that could be bowed against straight ones.
  const bowed = corners.length > 0 ? sides.filter(isBowed).map(({ edge }) => edge) : [];
  return ordered(model.piece.covering.order ?? usualOrder(model, bowed), {
    sides,
    corners: atCorners,
    bowed,
    pan: kindOf(model.piece.kind).traits.pan,
  });
}

/** Which way the cloth is pulled at a place of the line: from the board's edge straight in under it. */
function inwards(board: Polygon, at: Point): Point {
  const edge = pointAlong(board, distanceAlong(board, at));
  const [dx, dy] = [at[0] - edge[0], at[1] - edge[1]];
  const far = Math.hypot(dx, dy) || 1;
  return [dx / far, dy / far];
}
