/** Makes wanted sides part of a triangulation, in its own place. */
export default class Constrainautor {
  constructor(triangulation: { triangles: Uint32Array; halfedges: Int32Array; coords: ArrayLike<number> });
  constrainAll(edges: readonly (readonly [number, number])[]): this;
}
