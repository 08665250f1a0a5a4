import { createPlanner } from '../core/plan';

/** The planner that the tests of a process share: what one has solved no other solves again. */
export const sharedPlanner = createPlanner(4);

/** A plan without its sitting, of large triangles, by the shared planner. */
export const QUICK = { sits: false, coarse: true, planner: sharedPlanner };
