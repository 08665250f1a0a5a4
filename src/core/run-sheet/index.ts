export { batchMinutes } from '../step/batches';
export { holesBehind } from './button-holes';
export { CAUTIONS } from '../step/cautions';
export { runSteps, type Ingredients } from './run-steps';
export { STEP_PLACES, type Step, type StepPlace, type Strand } from '../step/step';
