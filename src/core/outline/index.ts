export type { EdgePart, Outline, Point, Polygon, Segment } from './types';
export { cornerNamed, edgeNamed, jointPart, notchNamed, partWords, samePart, UNNAMED } from './edge-part';
export { baseOutline } from './base-outline';
export { closingOf, measuredOutline } from './survey/measured-outline';
export { crossesItself } from './polygon/crossing';
export { between } from './polygon/between';
export { pointOnEdge } from './edge-point';
export { edgeLength } from './edge-length';
export { lineEllipse } from './polygon/line-ellipse';
export { cutNotch, notchGrip, notchPlaces, type Notch } from './notch';
export { drawNodes, wholeRing, type Drawn, type NodeLine, type OutlineNode } from './editing/nodes';
export { fitNodes } from './editing/fit-nodes';
export { fold, type Folded } from './survey/fold';
export { tangentLength } from './polygon/fillet-polygon';
export { flatten } from './polygon/flatten';
export { bounds, outlineArea, outlineSize, perimeter, polygonArea, polygonCentroid, polygonPerimeter } from './polygon/measure';
export { offsetPolygon, offsetRounded, withoutLoops } from './polygon/offset';
export { withoutSpikes } from './polygon/spikes';
export { edgeIndex } from './polygon/edge-index';
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
} from './polygon/polygon-queries';
export { nodesOf, rightHalf } from './editing/to-nodes';
export { curvatureAt, pointAt, pointOn, segmentLength, tangentAt } from './polygon/segment';
export { quarteredCorners } from './shapes/straight';
export { CORNER_BEND, stations, type Place } from './stations';
export type { Closing, ClosingShare } from './survey/quad';
export { distanceField, type GridPlaces } from './polygon/distance-field';
export { evenCorners } from './editing/even-corners';
export { lineAs, middleAfter, nodesMoved, withNodeAfter, type NodeGrip } from './editing/edit-nodes';
