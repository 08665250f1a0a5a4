'use client';

import { useEffect, useState } from 'react';
import { LOADERS } from '@/core/loaders';
import { usualShare, usualSitting, type PocketPlan, type SitPlan } from '@/core/seat-check';
import type { Sitting } from '@/core/piece';
import { inUnit } from '@/core/length';
import { ChoiceField, LengthField } from '@/ui/kit/fields/fields';
import { Figure } from '@/ui/kit/fields/figure';
import { useLength, useSettings } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/worker/use-job';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, useRule, useSheet } from '@/ui/sheet/store';
import { CarveCheck } from './carve-check';
import { FoamChartBox } from './foam-chart';
import { MatCompare } from './mat-compare';

const kPa = (p: number) => `${Math.round(p * 10000) / 10} kPa`;

/** A figure with its name. */
function Line({ label, says, big }: { label: string; says: string; big?: boolean }) {
  return (
    <div className="flex justify-between gap-2 text-sm py-0.5">
      <dt>{label}</dt>
      <dd className={big ? 'font-semibold' : ''}>
        <Figure says={says} />
      </dd>
    </div>
  );
}

/** Changes that cure what is wrong, each solved again; one press makes one. */
function Cures() {
  const piece = usePiece();
  const house = useSheet((state) => state.house);
  const apply = useSheet((state) => state.apply);
  const { unit } = useSettings();
  const job = useJob('cures');
  const { start, stop } = job;
  useEffect(() => {
    start({ piece, house });
    return stop;
  }, [piece, house, start, stop]);
  return (
    <section aria-label="Cures" className="py-1">
      <h3 className="font-semibold text-sm">What would cure it</h3>
      {job.running && (
        <p className="text-xs flex items-center gap-2" role="status">
          Trying changes… <progress className="progress w-24" value={job.done} aria-label="Changes tried" />
        </p>
      )}
      {!job.running && job.answer?.length === 0 && (
        <p className="text-xs">Nothing that is sold cures it alone; change the shape or the sitter.</p>
      )}
      {!job.running && (
        <ul className="space-y-1">
          {job.answer?.map((cure, i) => (
            <li key={cure.kind} className="text-xs border-l-3 border-secondary pl-2">
              {inUnit(cure.words, unit)}
              {i === 0 && ' (cheapest)'}
              <button type="button" className="btn btn-xs btn-outline ml-2" onClick={() => apply({ ...piece, pads: cure.pads })}>
                Do this
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** The thickness to build for a wanted height under the sitter. */
function WantedHeight() {
  const piece = usePiece();
  const pieceId = useSheet((state) => state.id);
  const house = useSheet((state) => state.house);
  const apply = useSheet((state) => state.apply);
  const say = useLength();
  const job = useJob('height');
  const [wanted, setWanted] = useState<number | null>(null);
  const at = piece.pads.findIndex((pad) => pad.role === 'main');
  const build = (thickness: number) =>
    apply({ ...piece, pads: piece.pads.map((pad, i) => (i === at ? { ...pad, thickness: Math.round(thickness * 10) / 10 } : pad)) });
  const sold = job.answer?.sold;
  return (
    <>
      <LengthField
        label="Wanted, sat on"
        name={`${pieceId} wanted height`}
        value={wanted}
        hint="height over the board; gives the pad to build"
        onCommit={(mm) => {
          if (!(mm >= 3 && mm <= 250)) return 'A loaded height of 3 to 250 mm';
          setWanted(mm);
          job.start({ piece, house, wanted: mm });
          return null;
        }}
      />
      {job.running && (
        <p className="text-xs" role="status">
          Building and sitting…
        </p>
      )}
      {wanted !== null && !job.running && job.done === 1 && (
        <p className="text-xs" data-wanted>
          {job.answer ? (
            <>
              Main pad <Figure says={say(job.answer.thickness)} />, {say(job.answer.unloadedHeight)} unloaded
              {job.answer.bottoms ? '; but it bottoms out' : ''}.{' '}
              <button type="button" className="underline cursor-pointer" onClick={() => build(job.answer!.thickness)}>
                Build it so
              </button>
              {sold && Math.abs(sold.thickness - job.answer.thickness) >= 0.5 && (
                <>
                  {' '}
                  As sold {say(sold.thickness)}, sat on {say(sold.loadedHeight)}.{' '}
                  <button type="button" className="underline cursor-pointer" onClick={() => build(sold.thickness)}>
                    Take that
                  </button>
                </>
              )}
            </>
          ) : (
            'No thickness of this foam gives that height under this sitter.'
          )}
        </p>
      )}
    </>
  );
}

/** Who presses, how hard and where. */
function Sitter() {
  const piece = usePiece();
  const rule = useRule();
  const [, put] = useField('sit');
  const sitting: Sitting = piece.sit ?? usualSitting(piece, rule('sitMass'));
  const set = (change: Partial<Sitting>) => put({ ...sitting, ...change });
  const houseShare = Math.round(usualShare(piece, sitting.loader, rule) * 10) / 10;
  const field = (key: 'mass' | 'x' | 'y') => (
    <PieceField at={`sit.${key}`} standing={sitting[key]} onCommit={(value: never) => set({ [key]: value })} />
  );
  return (
    <>
      <ChoiceField label="Who presses" value={sitting.loader} options={LOADERS} onChange={(id) => set({ loader: id, share: null })} />
      {field('mass')}
      <PieceField
        at="sit.share"
        standing={houseShare}
        hint={
          sitting.share === null ? (
            'usual for this form'
          ) : (
            <button type="button" className="underline cursor-pointer" onClick={() => set({ share: null })}>
              set here; back to {houseShare} %
            </button>
          )
        }
        onCommit={(share: never) => set({ share })}
      />
      {field('x')}
      {field('y')}
    </>
  );
}

/** What the padding says to it. */
function Verdict({ plan }: { plan: SitPlan }) {
  const say = useLength();
  const { unit } = useSettings();
  const wrong = plan.bottoms || plan.edgeFelt || !plan.converged;
  return (
    <>
      <ul className="text-sm space-y-1 pb-1" aria-label="Verdict">
        {plan.words.map((words) => (
          <li key={words} className={`border-l-3 pl-2 ${wrong ? 'border-error font-semibold' : 'border-secondary'}`}>
            {inUnit(words, unit)}
          </li>
        ))}
      </ul>
      <dl>
        <Line label="Sinks" says={say(plan.sink)} big />
        {plan.deck !== null && <Line label="Of it the deck" says={say(plan.deck)} />}
        <Line label="Loaded height" says={say(plan.loadedHeight)} big />
        <Line label="The same place unloaded" says={say(plan.unloadedHeight)} />
        <Line label="Least foam left" says={say(plan.leastLeft)} />
        <Line label="Highest pressure" says={kPa(plan.peakPressure)} />
        <Line label="Mean pressure" says={kPa(plan.meanPressure)} />
        <Line label="Area borne" says={`${Math.round(plan.contactArea / 100)} cm²`} />
        <Line label="Force" says={`${Math.round(plan.load)} N`} />
        {plan.strains.map(({ pad, strain }, i) => (
          <Line key={i} label={`${pad.charAt(0).toUpperCase()}${pad.slice(1)} pressed away`} says={`${Math.round(strain * 100)} %`} />
        ))}
      </dl>
    </>
  );
}

function Pocket({ pocket }: { pocket: PocketPlan }) {
  const say = useLength();
  const id = useSheet((state) => state.id);
  return (
    <section aria-label="Pocket" className="border-t border-base-content/25 py-2 text-sm">
      <h3 className="font-semibold">Pocket</h3>
      <dl>
        <Line label="Floor under it" says={say(pocket.floor)} />
        <Line label="Highest pressure without" says={kPa(pocket.before)} />
        <Line label="Highest pressure with" says={kPa(pocket.after)} />
        <Line label="Carve passes" says={`${pocket.passes.length}`} />
      </dl>
      <p className="text-xs">Carve to {pocket.passes.map((deep) => say(deep)).join(', ')}; feel along after each pass.</p>
      <p className="text-xs">Carving makes dust and slips: extract, mask and eyes, cut away from the body. Follow your local rules.</p>
      {pocket.thin && <p className="text-error text-xs">The floor under the pocket is thinner than must be left over the base.</p>}
      <CarveCheck name={`${id} ${pocket.pad}`} />
    </section>
  );
}

/** Who sits, where, and what the padding says to it. */
export function SitPanel() {
  const piece = usePiece();
  const sit = useSheet((state) => state.sit);
  const rule = useRule();
  const plan = sit.view?.sit;
  if (piece.pads.length === 0) return <p className="text-sm py-2">Nothing to sit on yet: build the stack first.</p>;
  const sitting = piece.sit ?? usualSitting(piece, rule('sitMass'));
  return (
    <>
      <Sitter />
      <div className="border-t border-base-content/25 py-2" data-sat={sit.running ? 'running' : 'still'}>
        {plan ? (
          <Verdict plan={plan} />
        ) : (
          <p className="text-sm" role="status">
            {sit.wrong ?? 'Sitting down…'}
          </p>
        )}
        {plan && (plan.bottoms || plan.edgeFelt) && !sit.running && <Cures />}
        <WantedHeight />
      </div>
      {sit.view?.pockets.map((pocket) => (
        <Pocket key={pocket.pad} pocket={pocket} />
      ))}
      <FoamChartBox />
      {sit.view && <MatCompare view={sit.view} middle={[sitting.x, sitting.y]} />}
    </>
  );
}
