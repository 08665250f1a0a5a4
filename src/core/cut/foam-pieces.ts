import type { Model } from '../build';
import { laminate } from '../foam';
import { bounds, polygonArea, type Polygon } from '../outline';

/** A pad as foam pieces to cut: `count` is pieces over the whole set, layers included. */
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
};

/**
 * The foam pieces of every pad.
 *
 * @param model the built piece
 */
export function foamPieces(model: Model): FoamPiece[] {
  return model.pads.map(({ pad, foam, polygon }) => {
    const { layers, exact } = laminate(pad.thickness, foam.sold);
    const box = bounds(polygon);
    return {
      pad: pad.id,
      role: pad.role,
      material: foam.id,
      materialName: foam.name,
      thickness: pad.thickness,
      layers,
      exact,
      count: model.piece.count * layers.length,
      width: box.width,
      height: box.height,
      area: polygonArea(polygon),
      outline: polygon,
    };
  });
}
