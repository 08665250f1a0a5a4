export { BOARDS, findMaterial, FOAM_TYPES, FOAMS, WADDINGS, type Board, type Foam, type FoamType, type Wadding } from './materials';
export { deckOf, DECKS, TIGHT_ENOUGH, type Deck } from './decks';
export { laminate, type Lamination } from './laminate';
export { energyAt, firstModulus, modulusAt, strainAt, stressAt, type FoamCurve } from './curve';
export { pressDisc, SHEAR_SHARE, shearStiffness, SPECIMEN, specimenForce } from './disc-test';
export { curveOf, fitByHand, GRAVITY, type HandFit, type HandReading } from './fit';
export { isStretched, overAll, overAllName, stretchedStaples, STRETCHED_APART, WADDING_CURVE, type OverAll } from './over-all';
export { glueOf, GLUES, type Glue } from './glues';
export { answerOf, foamAnswer, scaledAnswer, STRAIN_ENTRIES, type FoamAnswer } from './answer';
