import { intersectD, FillRule } from 'clipper2-ts';
import type { Model } from '../build';
import { laminate } from '../foam';
import { bounds, polygonArea, type Polygon } from '../outline';

/** One block of a pad: what is cut as one piece. */
export type FoamBlock = { outline: Polygon; width: number; height: number; area: number };

/** A pad as foam pieces to cut: `count` is pieces over the whole set, layers and blocks included. */
export type FoamPiece = {
  pad: string;
  role: string;
  material: string;
  materialName: string;
  thickness: number;
  /** thicknesses sold that make it up, base up; more than its own when it must be slit */
  layers: number[];
  exact: boolean;
  count: number;
  width: number;
  height: number;
  area: number;
  outline: Polygon;
  /** the blocks it is joined from side by side; one where it is whole */
  blocks: FoamBlock[];
  /** cut from what is left over in the store: nothing is bought for it */
  scrap: boolean;
};

/** Reach of a strip beyond the pad, mm. */
const BEYOND = 10;

function blockOf(outline: Polygon): FoamBlock {
  const box = bounds(outline);
  return { outline, width: box.width, height: box.height, area: polygonArea(outline) };
}

/**
 * Splits a pad into blocks of even width side by side, joins running from front to back.
 *
 * @param outline of the pad
 * @param count how many blocks
 */
export function inBlocks(outline: Polygon, count: number): FoamBlock[] {
  if (count <= 1) return [blockOf(outline)];
  const box = bounds(outline);
  const subject = outline.map(([x, y]) => ({ x, y }));
  return Array.from({ length: count }, (_, i) => {
    const [left, right] = [box.minX + (box.width * i) / count, box.minX + (box.width * (i + 1)) / count];
    const [low, high] = [box.minY - BEYOND, box.maxY + BEYOND];
    const strip = [
      { x: left, y: low },
      { x: right, y: low },
      { x: right, y: high },
      { x: left, y: high },
    ];
    return intersectD([subject], [strip], FillRule.NonZero, 4).map((ring): Polygon => ring.map(({ x, y }) => [x, y] as const));
  })
    .flat()
    .map((ring) => blockOf(polygonArea(ring) < 0 ? [...ring].reverse() : ring));
}

/**
 * The foam pieces of every pad.
 *
 * @param model the built piece
 */
export function foamPieces(model: Model): FoamPiece[] {
  return model.pads.map(({ pad, foam, polygon }) => {
    const { layers, exact } = laminate(Math.max(pad.thickness, pad.wedge ?? 0), foam.sold);
    const box = bounds(polygon);
    const blocks = inBlocks(polygon, pad.blocks ?? 1);
    return {
      pad: pad.id,
      role: pad.role,
      material: foam.id,
      materialName: foam.name,
      thickness: pad.thickness,
      layers,
      exact,
      count: model.piece.count * layers.length * blocks.length,
      width: box.width,
      height: box.height,
      area: polygonArea(polygon),
      outline: polygon,
      blocks,
      scrap: Boolean(pad.scrap),
    };
  });
}
