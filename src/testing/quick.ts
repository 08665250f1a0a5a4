import { createPlanner } from '../core/plan';

/** A plan without its sitting, of large triangles, by the planner that the tests of a process share: what one has solved no other solves again. */
export const QUICK = { sits: false, coarse: true, planner: createPlanner() };
