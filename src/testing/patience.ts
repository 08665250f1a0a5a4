import { newPiece } from '../core/piece';
import { createPlanner, planPiece } from '../core/plan';

/** An accepted document plans within this, ms: what takes longer hangs a page. */
export const LONGEST = 3000;
/** On a machine that is slow or busy, within so many times what a chair takes there. */
const CHAIRS = 25;

/** How long a piece of work takes, ms. */
export function timed(work: () => void): number {
  const began = performance.now();
  work();
  return performance.now() - began;
}

const chair = newPiece('chair-seat');

/** How long a plan may take on this machine at this hour, ms. */
export const patience = (): number => {
  const chairs = [0, 1, 2].map(() => timed(() => planPiece(chair, {}, { sits: false, coarse: true, planner: createPlanner() })));
  return Math.max(LONGEST, CHAIRS * Math.min(...chairs));
};
