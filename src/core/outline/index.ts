export type { Outline, Point, Polygon, Segment } from './types';
export { baseCorners, baseOutline } from './base-outline';
export { tangentLength } from './fillet-polygon';
export { flatten } from './flatten';
export { bounds, outlineArea, outlineSize, perimeter, polygonArea, polygonCentroid, polygonPerimeter } from './measure';
export { offsetPolygon } from './offset';
export { distanceTo, isInside, lineCrossings, reachFrom } from './polygon-queries';
export { stations, type Place } from './stations';
