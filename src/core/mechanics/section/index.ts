export { banded, endsOf, entryAt, factor, solve, type Banded } from './banded';
export { AIR, constantLaw, foamLaw, type Law } from './law';
export { meshOf, type Layer, type Mesh, type Edge, type StackCut } from './mesh';
export { pulledProblem, relax, type Relaxed } from './relax';
export { pullSection, type PulledSection } from './pull-section';
export { lineLength, pulledPoints, type Start } from './string';
export { linePressure, middleSlope, overWadding } from './wadding';
