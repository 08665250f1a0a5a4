import type { Keep } from '../keep';
import { discMesh, SeamTooDeep } from './laying/disc-mesh';
import { lowerEdge } from './surface/levels';
import type { Ring } from './surface/ring';

/** The whole covered surface as triangles, from the middle of the top down to the board's lower edge: x y z by threes, mm. */
export type Skin = { points: Float64Array; triangles: Uint32Array };

/**
 * The surface that a picture in the round shows: the very one that the cover is cut from.
 *
 * @param ring the covered surface round the edge
 * @param spacing side of a triangle, mm
 * @param keep keeps what did not change
 * @returns null where the edge crosses itself on its way down
 */
export function skinOf(ring: Ring, spacing: number, keep: Keep): Skin | null {
  return keep('skin', [ring, spacing], () => {
    try {
      const { points, triangles } = discMesh(ring, lowerEdge(ring), spacing);
      return { points, triangles };
    } catch (error) {
      if (error instanceof SeamTooDeep) return null;
      throw error;
    }
  });
}
