/** A surface of triangles: x, y, z of each node one after the other, mm; three node numbers to a triangle. */
export type SurfaceMesh = { points: Float64Array; triangles: Uint32Array };
