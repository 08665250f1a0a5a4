import type { Model } from '../build';
import { findMaterial, WADDINGS } from '../foam';
import { bounds, offsetPolygon, polygonArea, withoutLoops, type Point, type Polygon } from '../outline';
import { growOutline } from './blank';
import type { StationWrap } from './wrap';

/** A flat piece to cut: outline about the piece's middle, x to the right, y to the back; grain runs along y. */
export type FlatPiece = { name: string; count: number; width: number; height: number; area: number; outline: Polygon };

/** A cloth piece and the lines drawn on it. */
export type CoverPiece = FlatPiece & {
  grain: 'depth';
  /** ends of the two centre lines on the cloth's edge: front, right, back, left */
  centreMarks: Point[];
  /** where the cloth is trimmed once it is stapled */
  trimLine: Polygon;
  /** where the staples go, laid flat */
  stapleLine: Polygon;
};

/** A piece that is not a cover, with what it is cut from. */
export type LiningPiece = FlatPiece & { material: string };

/** How much longer the cover is over the top than the plan says: the crown, less what a rounded rim saves. */
function topGrowth(station: StationWrap): number {
  return station.top - station.planDistance;
}

function flatPiece(name: string, count: number, outline: Polygon): FlatPiece {
  const box = bounds(outline);
  return { name, count, width: box.width, height: box.height, area: polygonArea(outline), outline };
}

function scaled(outline: Polygon, factor: number): Polygon {
  return factor === 1 ? outline : outline.map(([x, y]): Point => [x * factor, y * factor]);
}

/**
 * The pull-over blank: the board's outline grown at every station by what the covered section asks.
 *
 * @param model the built piece
 * @param stations the measured stations
 */
export function pullOver(model: Model, stations: readonly StationWrap[]): CoverPiece {
  // Cloth that will shrink by s % is cut longer by 1/(1 − s).
  const preShrink = 1 / (1 - model.piece.cloth.shrinkage / 100);
  const grown = (grow: (station: StationWrap) => number): Polygon => scaled(withoutLoops(growOutline(model, stations, grow)), preShrink);
  const outline = grown((s) => topGrowth(s) + s.wrap);
  const box = bounds(outline);
  return {
    ...flatPiece('Cover', model.piece.count, outline),
    grain: 'depth',
    centreMarks: [
      [0, box.minY],
      [box.maxX, 0],
      [0, box.maxY],
      [box.minX, 0],
    ].map(([x, y]): Point => [x!, y!]),
    stapleLine: grown((s) => topGrowth(s) + s.side + s.return),
    trimLine: grown((s) => topGrowth(s) + s.side + s.return + Math.min(s.grip, model.rule('stapleToTrim'))),
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
