export { checkHolds } from './check-holds';
export { fixFields, type FixFields } from './reads';
export {
  edgeHolds,
  FASTENERS,
  type Fastener,
  type FastenerPlace,
  type FastenerPlan,
  type Fastening,
  type FasteningSteps,
} from './fasteners';
export { gunLegs, takesStaples } from './takes-staples';
export { stapleLeg, type LegChoice } from './fasteners/staple-leg';
export type { Behind, BehindThing } from './behind';
export { fixPlan, type Fixing } from './fix-plan';
export { ROWS_APART } from '../cover/rows-apart';
export { rowInset, rowsOf, type DrawnRow, type Row } from './rows';
export { wavesOf, type Wave } from './waves';
export { cornerLots } from './fastening-steps';
