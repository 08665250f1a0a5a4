'use client';

import { CAUTIONS } from '@/core/run';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';
import { usePlan } from '@/ui/sheet/store';

/** What the drawing is read with, and the caution that belongs to it. */
export function FixPanel() {
  const say = useLength();
  const plan = usePlan();
  const fixing = plan?.fixing;
  if (!plan || !fixing) return null;
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
                <td className="py-1">{corner.part.name}</td>
                <td>{corner.inside ? 'none' : <Figure says={say(corner.fullness)} />}</td>
                <td>{corner.inside ? 'cut in' : corner.pleats}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {plan.cover?.relief && (
        <p>
          {plan.cover.relief.cuts.length} relief cuts, every {say(plan.cover.relief.pitch)} along the edge.
        </p>
      )}
      <p className="text-warning">{CAUTIONS.staples}</p>
    </div>
  );
}
