export { domeHalfArc, domeHeight } from './dome';
export { halfCut, inPocket } from './half-cut';
export { coveredSize, type CoveredSize } from './covered-size';
export { foamMass, holesArea, massOf } from './mass';
export {
  bareMargin,
  figuresOn,
  hiddenJoin,
  LEAST_INSET,
  modelFrom,
  modelOf,
  type BuiltPad,
  type LyingPad,
  type DrawnBase,
  type Figures,
  type Model,
  type ModelOf,
  type ModelReads,
  type Stack,
} from './model';
export type { FormLeft } from './forms-left';
export { sideOf } from './pad-form';
export { padHeight } from './pad-height';
export { padOffsets } from './pad-offset';
export {
  distanceToLine,
  halfReads,
  halvesOf,
  heightAt,
  passageOf,
  sectionAlong,
  sectionAtChalk,
  type Half,
  solveHalf,
  type HalfTask,
  type HalvesOptions,
  type PadCut,
  type Passage,
  type Section,
  type SectionOptions,
} from './section';
export { BEVEL, bridge, bridgeReach, freeHeight, stackAt, type PadAt } from './stack';
export type { ShowThrough } from './show-through';
export type { CoveredSurface } from './covered';
export { readGrid, type HeightGrid } from './grid';
export { baseGrid, coveredSurface, surfaceOf, type Cut, type Surface } from './surface';
export { lineLength } from '../mechanics/section';
export { steepEnd } from './steep-end';
export { stationCuts, stationSections, type StationSection } from './station-sections';
export { chalkStep, coveredStep, cutsStep, sectionsStep, surfaceStep, type Fineness } from './solved';
