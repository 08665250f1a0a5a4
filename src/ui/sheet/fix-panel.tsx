'use client';

import { CAUTIONS } from '@/core/run';
import type { Plan } from '@/core/plan';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';
import type { Stage } from './stages';

/** What the drawing of a stage is read with, and the caution that belongs to it. */
export function FixPanel({ plan, stage }: { plan: Plan; stage: Stage }) {
  const say = useLength();
  const { fixing } = plan;
  if (stage === 'cut') {
    return (
      <div className="text-sm space-y-2">
        <p>
          Everything for the set of {plan.piece.count}, laid out. Sheet sizes, roll widths and gaps are house rules; open a number on the
          slip to change one for this piece.
        </p>
        <p className="text-warning">{CAUTIONS.knife}</p>
      </div>
    );
  }
  if (stage === 'bench') {
    return (
      <div className="text-sm space-y-2">
        <p>Tick each step for each piece of the set. The step in hand is marked.</p>
        <p className="text-warning">{CAUTIONS.fire}</p>
      </div>
    );
  }
  return (
    <div className="text-sm space-y-2">
      <p>
        {fixing.order.length} staples in the cover, {say(fixing.fastener.leg)} leg, {fixing.fastener.crown} crown, about {say(fixing.pitch)}{' '}
        apart.
      </p>
      <p>The numbers are the order of work: centres of opposite sides first (filled), then outwards, corners last (ringed in blue).</p>
      {plan.corners.length > 0 && (
        <table className="w-full">
          <thead>
            <tr className="text-left border-b border-base-content/40">
              <th className="py-1">Corner</th>
              <th>Spare cloth</th>
              <th>Pleats</th>
            </tr>
          </thead>
          <tbody>
            {plan.corners.map((corner) => (
              <tr key={corner.station} className="border-b border-base-content/15">
                <td className="py-1">{corner.edge.replace(' corner', '')}</td>
                <td>{corner.inside ? 'none' : <Figure says={say(corner.fullness)} />}</td>
                <td>{corner.inside ? 'cut in' : corner.pleats}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {plan.cover.relief && (
        <p>
          {plan.cover.relief.cuts.length} relief cuts, every {say(plan.cover.relief.pitch)} along the edge.
        </p>
      )}
      <p className="text-warning">{CAUTIONS.staples}</p>
    </div>
  );
}
