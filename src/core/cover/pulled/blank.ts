import type { CoverModel, LiningModel } from '../reads';
import { preShrink } from '../../cloth';
import { findMaterial, overAllName, WADDINGS } from '../../foam';
import { kindOf, type Covering, type CoverEnd } from '../../piece';
import {
  bounds,
  distanceTo,
  isInside,
  lineCrossings,
  offsetPolygon,
  polygonArea,
  polygonPerimeter,
  type Point,
  type Polygon,
} from '../../outline';
import { meetings } from '../../meeting-marks';
import { endedAt, foldLines, shortened } from './ended';
import { grownPlace, growOutline } from './grow';
import { seenLine } from './seen-line';
import { wayOf } from '../ways';
import { flatPiece, type CoverPiece, type LiningPiece, type PieceLine, type PieceMark } from '../laying/cloth-piece';
import type { Beyond } from '../ways/way';
import type { CornerPlan } from './corners';
import type { Relief, ReliefCut } from './relief';
import type { StationWrap } from './wrap';
import type { YCut } from './y-cuts';

/** How much longer the cover is over the top than the plan says: the crown, less what a rounded rim saves. */
function topGrowth(station: StationWrap): number {
  return station.top - station.planDistance;
}

function scaled(outline: Polygon, factor: number): Polygon {
  return factor === 1 ? outline : outline.map(([x, y]): Point => [x * factor, y * factor]);
}

/** A cut that comes no farther into the cloth than this lies beside it, mm. */
const BESIDE = 1;

/** What is cut into a blank: into inside corners, round curves, at notches; and the bulk that is cut away. */
export type BlankCuts = { corners: readonly CornerPlan[]; relief: Relief | null; yCuts: readonly YCut[] };

/** The cuts as lines on the blank. */
function cutLines({ corners, relief, yCuts }: BlankCuts, longer: number, outline: Polygon): PieceLine[] {
  const line = (points: readonly Point[], closed = false): PieceLine => ({ kind: 'cut', points: scaled([...points], longer), closed });
  const wedged = ({ from, to, wedge }: ReliefCut): PieceLine => {
    if (wedge <= 0) return line([from, to]);
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const size = Math.hypot(dx, dy) || 1;
    const [px, py] = [(-dy / size) * (wedge / 2), (dx / size) * (wedge / 2)];
    return line([[from[0] + px, from[1] + py], to, [from[0] - px, from[1] - py]]);
  };
  return [
    ...corners.flatMap(({ cut, away }) => [
      ...(cut ? [fromItsEdge(line([cut.from, cut.to]), outline)] : []),
      ...(away ? [line(away, true)] : []),
    ]),
    ...(relief?.cuts ?? []).map((cut) => fromItsEdge(wedged(cut), outline)),
    ...yCuts.flatMap(({ stem, arms }) => [fromItsEdge(line(stem), outline), ...arms.map((arm) => line(arm))]),
  ];
}

/** A cut whose mouth lies inside the cloth, where two edges' cloth lies together, runs on to the edge that there is. */
function fromItsEdge(line: PieceLine, outline: Polygon): PieceLine {
  if (line.closed) return line;
  const [tip, ...ends] = line.points.length === 3 ? [line.points[1]!, line.points[0]!, line.points[2]!] : [...line.points].reverse();
  const [first, second] = ends.map((mouth) => runOn(mouth, tip!, outline));
  return { ...line, points: second ? [first!, tip!, second] : [first!, tip!] };
}

/** The mouth of a cut, or where its line leaves the cloth beyond it. */
function runOn(mouth: Point, tip: Point, outline: Polygon): Point {
  if (!isInside(outline, mouth)) return mouth;
  const size = Math.hypot(mouth[0] - tip[0], mouth[1] - tip[1]) || 1;
  const out: Point = [(mouth[0] - tip[0]) / size, (mouth[1] - tip[1]) / size];
  const met = lineCrossings(outline, mouth, out).filter((at) => at > 0);
  const by = met.length > 0 ? Math.min(...met) : 0;
  return [mouth[0] + out[0] * by, mouth[1] + out[1] * by];
}

/**
 * The pull-over blank: the board's outline grown at every station by what the covered section asks.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param cuts what is cut into it
 * @param [beyond] how far the cloth runs on under the board; each station's own return and grip otherwise
 */
export function pullOver(model: CoverModel, stations: readonly StationWrap[], cuts: BlankCuts, beyond?: Beyond): CoverPiece {
  const longer = preShrink(model.piece.cloth);
  const grown = (grow: (station: StationWrap) => number, turned: (end: CoverEnd) => number): Polygon =>
    scaled(endedAt(model, stations, growOutline(model, stations, grow), turned), longer);
  const folded = (): number => 0;
  const turnedUnder = ({ turn }: CoverEnd): number => turn;
  const staple = (s: StationWrap): number => beyond?.staple ?? (s.ends ? model.rule('return') : s.return);
  const grip = (s: StationWrap): number => beyond?.grip ?? (s.ends ? model.rule('grip') : s.grip);
  // What is cut short is cut straight across, past both of its corners.
  const whole = growOutline(model, stations, (s) => topGrowth(s) + s.side + staple(s) + grip(s));
  const under = { staple: beyond?.staple ?? model.rule('return'), grip: beyond?.grip ?? model.rule('grip') };
  const outline = scaled(shortened(model, stations, endedAt(model, stations, whole, turnedUnder), under), longer);
  const stapleLine = grown((s) => topGrowth(s) + s.side + staple(s), folded);
  const box = bounds(outline);
  const length = polygonPerimeter(stapleLine);
  return {
    ...flatPiece('Cover', model.piece.count, outline),
    id: 'cover',
    role: 'cover',
    cloth: 'cover',
    grain: 'depth',
    hand: null,
    centreMarks: [
      [0, box.minY],
      [box.maxX, 0],
      [0, box.maxY],
      [box.minX, 0],
    ].map(([x, y]): Point => [x!, y!]),
    stapleLine,
    trimLine: grown((s) => topGrowth(s) + s.side + staple(s) + Math.min(grip(s), model.rule('stapleToTrim')), turnedUnder),
    sewn: stapleLine,
    edges: [
      {
        id: 'edge',
        kind: 'staple',
        seam: null,
        from: 0,
        sides: stapleLine.length,
        allowance: beyond?.grip ?? model.rule('grip'),
        flat: length / longer,
        sewn: length / longer,
      },
    ],
    notches: [],
    // Channels, buttons and corrections open the blank later: what is cut into it and its fold go with it.
    lines: [
      { kind: 'fold', points: scaled(endedAt(model, stations, seenLine(model, stations), folded), longer), closed: true },
      ...foldLines(model, stations).map((points): PieceLine => ({ kind: 'fold', points: scaled(points, longer), closed: false })),
      // What would be cut into cloth that is not there any more is not cut.
      ...cutLines(cuts, longer, outline).filter(({ points }) =>
        points.some((at) => isInside(outline, at) && distanceTo(outline, at) > BESIDE),
      ),
    ],
    marks: meetings(model.piece.strip, model.outline).map(({ letter, at }): PieceMark => {
      const placed = (under: (s: StationWrap) => number): Point =>
        scaled([grownPlace(model, stations, at, (s) => topGrowth(s) + s.side + under(s))], longer)[0]!;
      const stapled = placed(staple);
      const [x, y] = isInside(outline, stapled) ? stapled : placed((s) => (s.ends ? s.return : 0));
      return { kind: 'match', x, y, label: letter };
    }),
    strain: null,
    template: null,
    longer,
    net: Math.abs(polygonArea(stapleLine)) / longer ** 2,
    surface: 0,
    motif: null,
    note: '',
  };
}

/**
 * How many pieces of wadding go on one piece: a loose pad is wrapped on both faces, by two that meet half-way down its sides.
 *
 * @param way of covering
 */
export function waddingFaces(way: Covering['way']): number {
  return wayOf(way).loose ? 2 : 1;
}

/** Wadding stops so far short of a finished fold, mm. */
const WADDING_SHORT = 5;

/**
 * The wadding blank: over the crown and down the whole side, whatever its length; on a wall piece under the board as well,
 * where it is stapled. On a seat that drops in it ends at the board's lower edge: bulk under it would keep it out. A loose pad
 * takes two, each over one face and half-way down the sides, where their edges butt.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @returns null for a piece without wadding
 */
export function waddingPiece(model: LiningModel, stations: readonly StationWrap[]): LiningPiece | null {
  const wadding = model.piece.wadding === null ? undefined : findMaterial(WADDINGS, model.piece.wadding);
  if (!wadding) return null;
  // What is stretched has to be held: under the board, but for a loose cover, which has none.
  const faces = waddingFaces(model.piece.covering.way);
  const isHeld = Boolean(wadding.stretched) && faces === 1;
  const under = isHeld || kindOf(model.piece.kind).traits.wall ? model.rule('waddingUnder') : 0;
  // Bulk in the fold would show: it ends short of what is turned under.
  const outline = endedAt(
    model,
    stations,
    growOutline(model, stations, (s) => topGrowth(s) + s.side / faces + under),
    () => -WADDING_SHORT,
  );
  return {
    ...flatPiece(overAllName(wadding.id), faces * model.piece.count, outline),
    material: wadding.id,
    row: under > 0 ? 'over-all' : null,
  };
}

/**
 * The dust cover: the board's outline, in by the inset and out again by what is turned under.
 *
 * @param model the built piece
 * @returns null where nothing is seen from below
 */
export function dustCover(model: LiningModel): (LiningPiece & { finishedWidth: number; finishedHeight: number }) | null {
  // Nobody looks under a pan, a loose cover is closed all round, and edge tape is what is taken instead.
  const { kind, covering } = model.piece;
  if (kindOf(kind).traits.pan || wayOf(covering.way).loose || covering.edgeTape) return null;
  const cut = offsetPolygon(model.board, model.rule('dustTurn') - model.rule('dustInset'))!;
  const finished = offsetPolygon(model.board, -model.rule('dustInset')) ?? cut;
  const box = bounds(finished);
  return {
    ...flatPiece('Dust cover', model.piece.count, cut),
    material: 'dust-cloth',
    row: 'dust',
    finishedWidth: box.width,
    finishedHeight: box.height,
  };
}
