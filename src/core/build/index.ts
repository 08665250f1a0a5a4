export { domeHalfArc, domeHeight } from './dome';
export { halfCut, inPocket } from './half-cut';
export { modelOf, type BuiltPad, type Model } from './model';
export { padHeight } from './pad-height';
export {
  distanceToLine,
  halvesOf,
  heightAt,
  passageOf,
  sectionAlong,
  sectionAtChalk,
  type Half,
  type PadCut,
  type Passage,
  type Section,
} from './section';
export { bridge, bridgeReach, freeHeight, stackAt, type PadAt } from './stack';
export type { ShowThrough } from './show-through';
export { readGrid, type CoveredSurface, type HeightGrid } from './covered';
export { baseGrid, coveredSurface, surfaceOf, type Surface } from './surface';
export { lineLength } from '../pull';
