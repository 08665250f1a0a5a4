import { loaderOf } from '../loaders';
import type { SitPlan } from './sit-plan';

/**
 * What a sitting comes to, in one line: "85 kg: sinks 31 mm, 19 mm left, edge not felt".
 *
 * @param plan the sitting
 * @returns words with lengths in mm
 */
export function verdictOf(plan: Pick<SitPlan, 'loader' | 'mass' | 'sink' | 'leastLeft' | 'bottoms' | 'edgeFelt' | 'converged'>): string {
  const { loader, mass, sink, leastLeft } = plan;
  const who = loader === 'seated' ? `${mass} kg` : `${mass} kg, ${loaderOf(loader).name.toLowerCase()}`;
  if (!plan.converged) return `${who}: no verdict, the sit check could not be worked out`;
  const left = plan.bottoms ? `bottoms out with ${Math.round(leastLeft)} mm left` : `${Math.round(leastLeft)} mm left`;
  return `${who}: sinks ${Math.round(sink)} mm, ${left}, edge ${plan.edgeFelt ? 'felt' : 'not felt'}`;
}
