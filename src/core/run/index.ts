export { CAUTIONS } from './cautions';
export { runSteps, type Step } from './steps';
