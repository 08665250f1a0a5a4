export { domeHalfArc, domeHeight } from './dome';
export { modelOf, type BuiltPad, type Model } from './model';
export { freeHeight, padHeight } from './pad-height';
export { heightAt, lengthTo, sectionAlong, sectionAtChalk, type PadCut, type Section } from './section';
export { baseGrid, coveredGrid, surfaceOf, type HeightGrid, type Surface } from './surface';
export { pathLength } from './taut-line';
