'use client';

import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { LOADERS } from '@/core/loaders';
import { usualShare, usualSitting, verdictOf, type PocketPlan, type SitPlan } from '@/core/seat-check';
import type { Sitting } from '@/core/piece';
import { inUnit } from '@/core/length';
import { ChoiceField, LengthField } from '@/ui/kit/fields/fields';
import { Figure } from '@/ui/kit/fields/figure';
import { useLength, useSettings } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/worker/use-job';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, useRule, useSheet } from '@/ui/sheet/store';
import { usePieceJob } from '@/ui/sheet/use-piece-job';
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
  const apply = useSheet((state) => state.apply);
  const { unit } = useSettings();
  const job = usePieceJob('cures');
  return (
    <section aria-label="Cures" className="py-1">
      <h3 className="font-semibold text-sm">Ways to put it right</h3>
      {job.running && (
        <p className="text-xs flex items-center gap-2" role="status">
          Trying changes… <progress className="progress w-24" value={job.done} aria-label="Changes tried" />
        </p>
      )}
      {!job.running && job.answer?.length === 0 && (
        <p className="text-xs">No foam on sale puts this right alone: change the shape or the sitter.</p>
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
        label="Seat height, loaded"
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
          Calculating…
        </p>
      )}
      {wanted !== null && !job.running && job.done === 1 && (
        <p className="text-xs" data-wanted>
          {job.answer ? (
            <>
              Main pad <Figure says={say(job.answer.thickness)} />, {say(job.answer.unloadedHeight)} unloaded
              {job.answer.bottoms ? '; but it bottoms out' : ''}.{' '}
              <button type="button" className="underline cursor-pointer" onClick={() => build(job.answer!.thickness)}>
                Use this thickness
              </button>
              {sold && Math.abs(sold.thickness - job.answer.thickness) >= 0.5 && (
                <>
                  {' '}
                  Sold as {say(sold.thickness)}: {say(sold.loadedHeight)} loaded.{' '}
                  <button type="button" className="underline cursor-pointer" onClick={() => build(sold.thickness)}>
                    Use that
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
      <ChoiceField label="Sitter" value={sitting.loader} options={LOADERS} onChange={(id) => set({ loader: id, share: null })} />
      {field('mass')}
      <PieceField
        at="sit.share"
        standing={houseShare}
        hint={
          sitting.share === null ? (
            'usual for this kind'
          ) : (
            <button type="button" className="underline cursor-pointer" onClick={() => set({ share: null })}>
              changed for this job; back to {houseShare} %
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
        {plan.deck !== null && <Line label="Of which webbing or springs" says={say(plan.deck)} />}
        <Line label="Loaded height" says={say(plan.loadedHeight)} big />
        <Line label="Unloaded height" says={say(plan.unloadedHeight)} />
        <Line label="Least foam left" says={say(plan.leastLeft)} />
        <Line label="Highest pressure" says={kPa(plan.peakPressure)} />
        <Line label="Mean pressure" says={kPa(plan.meanPressure)} />
        <Line label="Contact area" says={`${Math.round(plan.contactArea / 100)} cm²`} />
        <Line label="Force" says={`${Math.round(plan.load)} N`} />
        {plan.strains.map(({ pad, strain }, i) => (
          <Line key={i} label={`${pad.charAt(0).toUpperCase()}${pad.slice(1)} compressed`} says={`${Math.round(strain * 100)} %`} />
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

/** Who sits, where, and how the padding takes it. */
function SitPanel() {
  const piece = usePiece();
  const sit = useSheet((state) => state.sit);
  const rule = useRule();
  const plan = sit.view?.sit;
  const sitting = piece.sit ?? usualSitting(piece, rule('sitMass'));
  return (
    <>
      <Sitter />
      <div className="border-t border-base-content/25 py-2">
        {plan && <Verdict plan={plan} />}
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

/** The verdict of the present stack in one line; opened, who sits and all that comes of it. */
export function Sat() {
  const piece = usePiece();
  const { unit } = useSettings();
  const sit = useSheet((state) => state.sit);
  const stage = useSheet((state) => state.stage);
  const open = useSheet((state) => state.look === 'sit');
  const goTo = useSheet((state) => state.goTo);
  if (piece.pads.length === 0) return null;
  const plan = sit.view?.sit;
  const current = sit.of === piece && !sit.running;
  const wrong = plan && (plan.bottoms || plan.edgeFelt || !plan.converged);
  return (
    <section
      aria-label="Sitting"
      className="border-t-2 border-base-content/40 mt-2 pt-1"
      data-sat={current || sit.wrong ? 'still' : 'running'}
    >
      <button
        type="button"
        data-verdict
        className={`flex gap-1 w-full text-left text-sm cursor-pointer py-1 ${wrong ? 'text-error font-semibold' : ''} ${current ? '' : 'italic'}`}
        aria-expanded={open}
        onClick={() => goTo(stage, open ? undefined : 'sit')}
      >
        {open ? (
          <ChevronDown size={15} className="shrink-0 mt-0.5" aria-hidden />
        ) : (
          <ChevronRight size={15} className="shrink-0 mt-0.5" aria-hidden />
        )}
        <span role="status">{sit.wrong ?? (plan ? inUnit(verdictOf(plan), unit) : 'Checking the seat…')}</span>
      </button>
      {open && <SitPanel />}
    </section>
  );
}
