'use client';

import { cornerWords } from '@/core/cover';
import { partWords } from '@/core/outline';
import type { Fixing } from '@/core/fastening';
import { BenchViews } from '../bench-views';
import { Figure } from '@/ui/kit/fields/figure';
import { inUnit } from '@/core/length';
import { useLength, useSettings } from '@/ui/kit/settings';
import { usePlan, useSheet } from '@/ui/sheet/store';

/** The order wave by wave: one is shown at a time, what came before it as dots. */
function Waves({ order, waves }: Pick<Fixing, 'order' | 'waves'>) {
  const wave = useSheet((state) => state.wave);
  const show = useSheet((state) => state.show);
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
            {now.temporary ? '; they come out once the others hold' : ''}
          </>
        ) : (
          `All ${order.length}, in ${waves.length} waves.`
        )}
      </p>
      <div className="flex gap-1">
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => turn(-1)}>
          Previous wave
        </button>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => turn(1)}>
          {wave === null ? 'First wave' : wave === waves.length - 1 ? 'All waves' : 'Next wave'}
        </button>
      </div>
    </section>
  );
}

/** Every layer's own row behind the board, from the edge inwards. */
function Rows({ rows }: Pick<Fixing, 'rows'>) {
  const say = useLength();
  if (rows.length < 2) return null;
  return (
    <table className="w-full" aria-label="Rows behind the board">
      <thead>
        <tr className="text-left border-b border-base-content/40">
          <th className="py-1 pr-2">Row</th>
          <th>In from the edge</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, name, inset }) => (
          <tr key={id} className={`border-b border-base-content/15 ${id === 'cover' ? 'font-semibold' : ''}`} data-row={id}>
            <td className="py-1 pr-2">{name}</td>
            <td>
              <Figure says={say(inset)} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Rows in which parts are stapled on the board itself, before the cover is fastened behind it. */
function Tacked({ rows }: { rows: Fixing['tacked'] }) {
  const say = useLength();
  if (rows.length === 0) return null;
  return (
    <table className="w-full" aria-label="Rows on the board">
      <thead>
        <tr className="text-left border-b border-base-content/40">
          <th className="py-1 pr-2">On the board first</th>
          <th className="pr-2">In from the edge</th>
          <th>Staples</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, inset, places }) => (
          <tr key={name} className="border-b border-base-content/15" data-tacked-row={name}>
            <td className="py-1 pr-2">{name}</td>
            <td className="pr-2">{inset > 0 ? <Figure says={say(inset)} /> : 'on it'}</td>
            <td>{places.length}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What the drawing is read with, and the caution that belongs to it. */
export function FasteningPanel() {
  const say = useLength();
  const { unit } = useSettings();
  const plan = usePlan();
  const fixing = plan?.fixing;
  if (!plan || !fixing) return null;
  return (
    <div className="text-sm space-y-2">
      <BenchViews />
      {fixing.fasteners.length === 0 && <p>Nothing to fasten: the cover closes round its pad.</p>}
      {fixing.fasteners.map(({ id, name, size, count, bulk }) => (
        <p key={id}>
          {name}: {bulk ? '' : `${count} in one piece, `}
          {inUnit(size, unit)}
          {id === fixing.fastener.id && name === 'Staples' ? `, about ${say(fixing.pitch)} apart` : ''}.
        </p>
      ))}
      <Waves order={fixing.order} waves={fixing.waves} />
      <Tacked rows={fixing.tacked} />
      <Rows rows={fixing.rows} />
      {fixing.order.length > 0 && (
        <p>
          The numbers are the order of work; centres are filled, corners are ringed in blue. A stroke shows which way the cloth is drawn.
        </p>
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
      {[...new Set(fixing.fasteners.map(({ caution }) => caution))].map((caution) => (
        <p key={caution} className="text-warning">
          {caution}
        </p>
      ))}
    </div>
  );
}
