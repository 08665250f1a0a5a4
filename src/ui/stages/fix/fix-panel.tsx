'use client';

import { cornerWords } from '@/core/cover';
import { partWords } from '@/core/outline';
import { wavesOf, type Fixing } from '@/core/fix';
import { CAUTIONS } from '@/core/run';
import { Figure } from '@/ui/kit/figure';
import { inUnit } from '@/core/length';
import { useLength, useSettings } from '@/ui/kit/settings';
import { usePlan, useSheet } from '@/ui/sheet/store';

/** The order wave by wave: one is shown at a time, what came before it as dots. */
function Waves({ order }: { order: Fixing['order'] }) {
  const wave = useSheet((state) => state.wave);
  const show = useSheet((state) => state.show);
  const waves = wavesOf(order);
  if (waves.length < 2) return null;
  const now = wave === null ? null : waves[Math.min(wave, waves.length - 1)]!;
  const turn = (by: number): void => {
    const next = wave === null ? (by > 0 ? 0 : waves.length - 1) : wave + by;
    show({ wave: next < 0 || next >= waves.length ? null : next });
  };
  return (
    <section aria-label="The order, wave by wave" className="border border-base-content/25 p-2" data-wave={wave ?? 'all'}>
      <p role="status" className="min-h-10">
        {now ? (
          <>
            <strong>{now.from === now.to ? now.from : `${now.from}–${now.to}`}</strong> {now.says}
          </>
        ) : (
          `All ${order.length}, in ${waves.length} waves.`
        )}
      </p>
      <div className="flex gap-1">
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => turn(-1)}>
          Before
        </button>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => turn(1)}>
          {wave === null ? 'Follow it' : wave === waves.length - 1 ? 'All of them' : 'Next'}
        </button>
      </div>
    </section>
  );
}

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
      <Waves order={fixing.order} />
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
