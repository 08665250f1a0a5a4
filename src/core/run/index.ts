export { batchMinutes } from './batches';
export { CAUTIONS } from './cautions';
export { runSteps, type Ingredients } from './run-steps';
export type { Step } from './step';
