export { JOB, type Job } from './job';
export { readScope, writeScope, type Scope } from './scope';
