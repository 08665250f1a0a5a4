import { baseGrid, type Stack } from '../../padding';
import { onProfile, sideOf, type Ring } from '../surface/ring';

/** The board's underside as a surface of its own, bounded by its lower edge. */
export function underside(stack: Stack, ring: Ring): Ring {
  const under = baseGrid(stack);
  return {
    ...ring,
    grid: { ...under, heights: under.heights.map((z) => z - stack.edgeThickness) },
    places: ring.places.map((place) => {
      const [u, z] = onProfile(place.profile, sideOf(place.profile));
      return { ...place, profile: { u: Float64Array.of(u - 1, u), z: Float64Array.of(z, z), v: Float64Array.of(-1, 0) } };
    }),
  };
}
