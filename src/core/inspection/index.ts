export { CHECKS } from './checks';
export type { Check, Finding, Goods, Inspected } from './finding';
export { inspectPlan } from './inspect';
export { expectSound, UnsoundPlan } from './unsound';
