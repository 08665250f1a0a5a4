import type { Model } from '../../build';
import { preShrink } from '../../cloth';
import { findMaterial, WADDINGS } from '../../foam';
import { bounds, offsetPolygon, polygonArea, polygonPerimeter, withoutLoops, type Point, type Polygon } from '../../outline';
import { growOutline } from './grow';
import { flatPiece, type CoverPiece, type LiningPiece } from '../laying/cloth-piece';
import type { Beyond } from '../ways/way';
import type { StationWrap } from './wrap';

/** How much longer the cover is over the top than the plan says: the crown, less what a rounded rim saves. */
function topGrowth(station: StationWrap): number {
  return station.top - station.planDistance;
}

function scaled(outline: Polygon, factor: number): Polygon {
  return factor === 1 ? outline : outline.map(([x, y]): Point => [x * factor, y * factor]);
}

/**
 * The pull-over blank: the board's outline grown at every station by what the covered section asks.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param [beyond] how far the cloth runs on under the board; each station's own return and grip otherwise
 */
export function pullOver(model: Model, stations: readonly StationWrap[], beyond?: Beyond): CoverPiece {
  const longer = preShrink(model.piece.cloth);
  const grown = (grow: (station: StationWrap) => number): Polygon => scaled(withoutLoops(growOutline(model, stations, grow)), longer);
  const staple = (s: StationWrap): number => beyond?.staple ?? s.return;
  const grip = (s: StationWrap): number => beyond?.grip ?? s.grip;
  const outline = grown((s) => topGrowth(s) + s.side + staple(s) + grip(s));
  const stapleLine = grown((s) => topGrowth(s) + s.side + staple(s));
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
    trimLine: grown((s) => topGrowth(s) + s.side + staple(s) + Math.min(grip(s), model.rule('stapleToTrim'))),
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
    lines: [],
    marks: [],
    strain: null,
    net: Math.abs(polygonArea(stapleLine)) / longer ** 2,
    surface: 0,
    motif: null,
    note: '',
  };
}

/**
 * The wadding blank: over the crown and as far beyond the top edge as the house rule says.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @returns null for a piece without wadding
 */
export function waddingPiece(model: Model, stations: readonly StationWrap[]): LiningPiece | null {
  const wadding = model.piece.wadding === null ? undefined : findMaterial(WADDINGS, model.piece.wadding);
  if (!wadding) return null;
  const outline = withoutLoops(growOutline(model, stations, (s) => topGrowth(s) + model.rule('waddingBeyond')));
  return { ...flatPiece('Wadding', model.piece.count, outline), material: wadding.id };
}

/**
 * The dust cover: the board's outline, in by the inset and out again by what is turned under.
 *
 * @param model the built piece
 */
export function dustCover(model: Model): LiningPiece & { finishedWidth: number; finishedHeight: number } {
  const cut = offsetPolygon(model.board, model.rule('dustTurn') - model.rule('dustInset'))!;
  const finished = offsetPolygon(model.board, -model.rule('dustInset')) ?? cut;
  const box = bounds(finished);
  return {
    ...flatPiece('Dust cover', model.piece.count, cut),
    material: 'dust-cloth',
    finishedWidth: box.width,
    finishedHeight: box.height,
  };
}
