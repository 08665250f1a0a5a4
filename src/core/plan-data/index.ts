export { firstOutlineCount } from './first-outline';
export { PLAN_PARTS, type Plan, type PlanPart, type SheetPlan, type VariantPlan } from './types';
