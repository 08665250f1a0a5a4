export type { EdgePart, Outline, Point, Polygon, Segment } from './types';
export { cornerNamed, edgeNamed, jointPart, notchNamed, partWords, samePart, UNNAMED } from './edge-part';
export { baseOutline } from './base-outline';
export { closingOf, measuredOutline } from './measured-outline';
export { crossesItself } from './crossing';
export { between } from './between';
export { pointOnEdge } from './edge-point';
export { edgeLength } from './edge-length';
export { cutNotch, notchGrip, notchPlaces, type Notch } from './notch';
export { drawNodes, wholeRing, type Drawn, type NodeLine, type OutlineNode } from './nodes';
export { fitNodes } from './fit-nodes';
export { fold, type Folded } from './fold';
export { tangentLength } from './fillet-polygon';
export { flatten } from './flatten';
export { bounds, outlineArea, outlineSize, perimeter, polygonArea, polygonCentroid, polygonPerimeter } from './measure';
export { offsetPolygon, offsetRounded, withoutLoops } from './offset';
export {
  cornerAlong,
  deepest,
  distanceAlong,
  distanceTo,
  isInside,
  lineCrossings,
  pointAlong,
  reachFrom,
  seesAllFrom,
} from './polygon-queries';
export { nodesOf, rightHalf } from './to-nodes';
export { curvatureAt, pointAt, pointOn, segmentLength, tangentAt } from './segment';
export { quarteredCorners } from './shapes/straight';
export { CORNER_BEND, stations, type Place } from './stations';
export type { Closing, ClosingShare } from './survey/quad';
export { distanceField, type GridPlaces } from './distance-field';
export { evenCorners } from './even-corners';
export { lineAs, middleAfter, nodesMoved, withNodeAfter, type NodeGrip } from './edit-nodes';
