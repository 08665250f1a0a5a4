export { halfCut, inPocket } from './section/half-cut';
export { coveredSize, type CoveredSize } from './surface/covered-size';
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
export type { FormLeft } from './pads/forms-left';
export { sideOf } from './pads/pad-form';
export { padHeight } from './pads/pad-height';
export { padOffsets } from './pads/pad-offset';
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
} from './section/section';
export { bridge, bridgeReach, freeHeight, stackAt, type PadAt } from './pads/stack';
export type { ShowThrough } from './surface/show-through';
export type { CoveredSurface } from './surface/covered';
export { readGrid, type HeightGrid } from '../heights';
export { baseGrid, coveredSurface, surfaceOf, type Cut, type Surface } from './surface/surface';
export { lineLength } from '../mechanics/section';
export { steepEnd } from './section/steep-end';
export { stationCuts, stationSections, type StationSection } from './section/station-sections';
export { chalkStep, coveredStep, cutsStep, sectionsStep, surfaceStep, type Fineness } from './section/solved';
