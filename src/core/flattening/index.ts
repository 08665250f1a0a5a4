export { flattenSurface, type Flattened, type FlattenOptions } from './flatten-surface';
export { EASED, shareOf, strainOf, strainSummary, type Give, type Strain, type StrainSummary } from './strain';
export type { SurfaceMesh } from './types';
export { edgeFullness, sectionLength } from './fullness';
