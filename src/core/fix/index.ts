export { LEGS, stapleLeg, type LegChoice } from './staple-leg';
export { staplePlaces, type StaplePlace } from './staples';
