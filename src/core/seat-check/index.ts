export { foamChart, type ChartCell, type ChartLimits } from './chart';
export { cheapestOf, cureOfRow, cureRows, curesFor, type Cure } from './cures';
export { fromAbove, pocketAt, satInPhoto, satOnMarks, satOnMat, type SeatPlace } from './where-sat';
export { carveCheck, carvePasses, pocketPlan, type CarvePair, type PocketPlan } from './pocket';
export { bedOf, sitPlan, type Sat, type SitPlan } from './sit-plan';
export { verdictOf } from './verdict';
export { formOf, loadOf, shareOf, sittingOf, usualShare, usualSitting } from './sitting';
export { sitStep, trySitting } from './solve';
export { forLoadedHeight } from './wanted-height';
