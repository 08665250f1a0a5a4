export {
  disagreements,
  expectAgreement,
  fingerprintAt,
  fingerprintOf,
  FINGERPRINT_PARTS,
  PlansDisagree,
  SAME_WITHIN,
  type Disagreement,
  type Fingerprint,
} from './fingerprint';
export { mendOf, type Mend } from './mends';
export { planPiece, type PlanOptions } from './plan';
export { createPlanner, type Planner } from './planner';
export { PLAN_PARTS, type Plan, type PlanPart, type SheetPlan, type VariantPlan } from '../plan-data';
export { sheetView, sitView, type SheetView, type SitView, type ViewQuestion } from './view';
export type { Warning } from '../warning';
export { crownPads, cures, padForHeight, proposals, type Asked, type Tell } from './questions';
export { savings, type Saving, type Shelf } from './savings';
export { withinCloth, type WithinCloth } from './within-cloth';
export { savedAlready, type SavedAlready } from './saved-already';
export { cornersStep, coverStep, fixStep, foamStep, runStep, wrapsStep } from './steps';
