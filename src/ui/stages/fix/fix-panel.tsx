'use client';

import { cornerWords } from '@/core/cover';
import { partWords } from '@/core/outline';
import { CAUTIONS } from '@/core/run';
import { Figure } from '@/ui/kit/figure';
import { inUnit } from '@/core/length';
import { useLength, useSettings } from '@/ui/kit/settings';
import { usePlan } from '@/ui/sheet/store';

/** What the drawing is read with, and the caution that belongs to it. */
export function FixPanel() {
  const say = useLength();
  const { unit } = useSettings();
  const plan = usePlan();
  const fixing = plan?.fixing;
  if (!plan || !fixing) return null;
  return (
    <div className="text-sm space-y-2">
      {fixing.fasteners.length === 0 && <p>Nothing is fastened: the cover is closed round its pad.</p>}
      {fixing.fasteners.map(({ id, name, size, count }) => (
        <p key={id}>
          {name}: {count} in one piece, {inUnit(size, unit)}
          {id === fixing.fastener.id && name === 'Staples' ? `, about ${say(fixing.pitch)} apart` : ''}.
        </p>
      ))}
      {fixing.order.length > 0 && (
        <p>The numbers are the order of work: centres of opposite sides first (filled), then outwards, corners last (ringed in blue).</p>
      )}
      {plan.corners.length > 0 && (
        <table className="w-full">
          <thead>
            <tr className="text-left border-b border-base-content/40">
              <th className="py-1 pr-2">Corner</th>
              <th>Spare cloth</th>
              <th>What is done</th>
            </tr>
          </thead>
          <tbody>
            {plan.corners.map((corner) => (
              <tr key={corner.station} className="border-b border-base-content/15">
                <td className="py-1 pr-2">{partWords(corner.part)}</td>
                <td>{corner.inside ? 'none' : <Figure says={say(corner.fullness)} />}</td>
                <td>{cornerWords(corner)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {plan.cover?.relief && plan.cover.relief.gather > 0 && (
        <p>Round the curves gather a little to each staple, {say(plan.cover.relief.gather)} at the most.</p>
      )}
      {plan.cover?.relief && plan.cover.relief.cuts.length > 0 && (
        <p>
          {plan.cover.relief.cuts.length} relief cuts, every {say(plan.cover.relief.pitch)} along the curve.
        </p>
      )}
      {fixing.fasteners.length > 0 && <p className="text-warning">{CAUTIONS.staples}</p>}
    </div>
  );
}
