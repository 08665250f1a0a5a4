export { distanceAlong } from './blank';
export { cornerPlans, reliefCuts, type CornerPlan, type Cut, type ReliefCut } from './corners';
export { dustCover, pullOver, waddingPiece, type CoverPiece, type FlatPiece, type LiningPiece } from './pieces';
export { stationSections, wrapAt, type StationSection, type StationWrap } from './wrap';
