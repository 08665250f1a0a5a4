export { CAUTIONS, runSteps, type Step } from './steps';
