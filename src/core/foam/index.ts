export { BOARDS, findMaterial, FOAMS, WADDINGS, type Board, type Foam, type Wadding } from './materials';
export { laminate, type Lamination } from './laminate';
export { energyAt, firstModulus, modulusAt, strainAt, stressAt, type FoamCurve } from './curve';
export { pressDisc, SHEAR_SHARE, shearStiffness, SPECIMEN, specimenForce } from './disc-test';
export { curveOf, fitByHand, GRAVITY, ONSET, type HandFit, type HandReading } from './fit';
