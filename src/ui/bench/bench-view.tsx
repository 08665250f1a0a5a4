'use client';

import { TriangleAlert } from 'lucide-react';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { inUnit } from '@/core/length';
import { kindOf } from '@/core/piece';
import type { Step } from '@/core/run-sheet';
import { SmallSection } from '@/ui/drawing/small-section';
import { useSettings } from '@/ui/kit/settings';
import { BoardPicture } from './board-picture';
import { CornersPicture } from './corners-picture';
import { Clocks } from './clocks';
import { FasteningPicture } from './fastening-picture';
import { FlatPicture } from './flat-picture';
import { Noting } from './noting';
import { behind, meanwhile, pieceProgress } from './meanwhile';
import type { Sending } from './queue';
import { useBench, type Bench, type BenchView as View } from './use-bench';
import { readOut, useAwake, useHandsFree, useOffline } from './use-hands-free';

const BIG = 'btn h-16 min-w-16 text-2xl font-normal';

/** The pieces of the set at this step: each ticked by itself, or all at once. */
function Units({ view, step, onTick }: { view: View; step: Step; onTick: (units: number[], done: boolean) => void }) {
  const units = Array.from({ length: view.count }, (_, k) => k + 1);
  const done = (unit: number): boolean => view.ticks.some((tick) => tick.unit === unit && tick.step === step.key);
  if (view.count === 1) return null;
  return (
    <div role="group" aria-label={`${step.name}, done on`} className="flex flex-wrap gap-2">
      {units.map((unit) => (
        <button
          key={unit}
          type="button"
          aria-pressed={done(unit)}
          aria-label={`Piece ${unit}`}
          className={`size-16 border-2 text-2xl ${done(unit) ? 'bg-base-content text-base-100 border-base-content' : 'border-base-content/50'}`}
          onClick={() => onTick([unit], !done(unit))}
        >
          {done(unit) ? '✓' : unit}
        </button>
      ))}
    </div>
  );
}

/** The little drawing that belongs to a step. */
function StepPicture({ view, step: { sees } }: { view: View; step: Step }) {
  const { section, piece, id, cloth, foam, corners, board, fastening } = view;
  if (sees?.in === 'fastening')
    return (
      fastening && (
        <div className="w-2/5 upright:w-full upright:h-1/2 flex flex-col min-h-0">
          <FasteningPicture fastening={fastening} />
        </div>
      )
    );
  const drawn = (): ReactNode => {
    switch (sees?.in) {
      case 'board':
      case 'frame':
      case 'back':
      case 'nails':
        return <BoardPicture board={board} words={kindOf(piece.kind).words} of={sees.in} />;
      case 'foam':
        return foam.length > 0 && <FlatPicture flat={foam} label="The foam that is cut" line="var(--ink)" />;
      case 'cloth':
        return cloth.length > 0 && <FlatPicture flat={cloth} label="The cover’s pieces" line="var(--cover-line)" />;
      case 'corners':
        return corners.length > 0 && <CornersPicture corners={corners} />;
      case 'section':
        return (
          section && (
            <SmallSection
              section={section}
              piece={piece}
              id={`bench-${id}`}
              width={1.15 * (section.board.right - section.board.left)}
              {...(sees.pad ? { pad: sees.pad } : {})}
            />
          )
        );
      default:
        return null;
    }
  };
  const picture = drawn();
  return picture ? (
    <div className="w-2/5 upright:w-full h-full upright:h-1/2 sticky top-0" data-sees={sees?.pad ?? sees?.in}>
      {picture}
    </div>
  ) : null;
}

/** The step in hand: what is done, with every figure that it needs, its caution and its picture. */
function StepInHand({ view, step }: { view: View; step: Step }) {
  const { unit } = useSettings();
  return (
    // What scrolls must be reachable for those who scroll with keys.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <section aria-label="The step in hand" tabIndex={0} className="flex-1 min-h-0 overflow-y-auto flex upright:flex-col gap-6">
      <div className="flex-1 min-w-0">
        <h1 className="font-display text-4xl mb-3">{step.name}</h1>
        <p className="text-[28px] leading-snug max-w-[40ch] whitespace-pre-line">{inUnit(step.detail, unit)}</p>
        <p className="text-2xl mt-3 text-base-content/80">
          {step.minutes} min for one{step.wait > 0 && `, then ${step.wait} min wait`}
          {step.open !== undefined && `, laid within ${step.open} min`}
        </p>
        {step.stop && (
          <div className="text-2xl mt-3">
            Check:
            <ul className="list-disc pl-8">
              {step.stop.map((says) => (
                <li key={says}>{says}</li>
              ))}
            </ul>
          </div>
        )}
        {step.caution && (
          <p className="text-2xl flex gap-3 mt-3 text-warning">
            <TriangleAlert size={32} className="shrink-0" aria-hidden />
            <span>{step.caution}</span>
          </p>
        )}
        {step.photos && (
          <div className="flex gap-2 mt-3">
            {step.photos.map((name) => (
              <img key={name} src={`/api/photos/${name}`} alt="How it was" className="h-40" />
            ))}
          </div>
        )}
      </div>
      <StepPicture view={view} step={step} />
    </section>
  );
}

/** What stands still while glue dries, and what can be done meanwhile. */
function Meanwhile({ view, go }: { view: View; go: (key: string) => void }) {
  const waiting = view.timers.filter(({ pieceId }) => pieceId === view.id).map(({ step }) => step);
  const next = waiting.length > 0 ? meanwhile(view.steps, view.ticks, view.count, waiting) : null;
  if (!next) return null;
  return (
    <button type="button" className={`${BIG} btn-outline`} data-meanwhile={next.key} onClick={() => go(next.key)}>
      Meanwhile: {next.name}
    </button>
  );
}

/** Which step is in hand, and what can be done with it. */
function useInHand(bench: Bench) {
  const { view, tell } = bench;
  const [at, setAt] = useState<string | null>(null);
  const [opened, setOpened] = useState(() => Date.now());
  const steps = view?.steps ?? [];
  const units = Array.from({ length: view?.count ?? 0 }, (_, k) => k + 1);
  const isDone = (unit: number, key: string): boolean => view?.ticks.some((ticked) => ticked.unit === unit && ticked.step === key) ?? false;
  const open = steps.findIndex(({ key }) => units.some((unit) => !isDone(unit, key)));
  const chosen = steps.findIndex(({ key }) => key === at);
  const index = chosen >= 0 ? chosen : Math.max(0, open);
  const step = steps[index];
  const left = step ? units.filter((unit) => !isDone(unit, step.key)) : [];
  const go = (to: number): void => {
    const next = steps[Math.min(steps.length - 1, Math.max(0, to))];
    if (!next) return;
    setAt(next.key);
    setOpened(Date.now());
  };
  const tick = (which: number[], is: boolean): void => {
    if (!view || !step || which.length === 0) return;
    const sendings: Omit<Sending, 'id'>[] = which.map((unit) => ({
      method: 'PUT',
      url: `/api/pieces/${view.id}/ticks`,
      body: { unit, step: step.key, done: is },
    }));
    // What is waited for begins when the last of a batch is done.
    const batch = view.count > 1 && which.length === 1 ? which[0] : 0;
    const now = new Date(Date.now() + bench.ahead).toISOString();
    if (is && step.wait > 0)
      sendings.push({ method: 'POST', url: '/api/timers', body: { piece: view.id, unit: batch, step: step.key, at: now } });
    // What it was waited for is gone on with; of a batch once the last of it is.
    const last = left.every((unit) => which.includes(unit));
    const gone = (timer: View['timers'][number]): boolean =>
      step.after.includes(timer.step) && (timer.unit === 0 ? last : which.includes(timer.unit));
    const over = is ? view.timers.filter(gone) : [];
    sendings.push(...over.map(({ id }): Omit<Sending, 'id'> => ({ method: 'DELETE', url: `/api/timers/${id}`, body: {} })));
    void tell(sendings);
  };
  const finish = (): void => {
    if ('Notification' in window && Notification.permission === 'default') void Notification.requestPermission();
    tick(left, true);
    go(index + 1);
  };
  return { steps, step, index, left, opened, go, tick, finish };
}

const sayStep = ({ name, detail, caution = '' }: Step): string => `${name}. ${detail} ${caution}`;

/** What stands over the step: which piece, how far, what is not sent yet, a voice. */
function BenchHead({ bench, view, hand }: { bench: Bench; view: View; hand: ReturnType<typeof useInHand> }) {
  return (
    <div className="flex items-center gap-4 phone:gap-2 text-xl phone:text-base">
      <Link
        href={`/piece/${view.id}?stage=bench`}
        className="btn btn-ghost h-16 text-xl phone:h-12 phone:text-base phone:px-1 font-normal"
        translate="no"
      >
        {view.name}
      </Link>
      <span className="tabular-nums whitespace-nowrap">
        {hand.index + 1} of {hand.steps.length}
      </span>
      {bench.waiting > 0 && (
        <span role="status" className="text-warning">
          {bench.waiting} kept here{bench.reached ? '' : ' until the workshop is reached'}
        </span>
      )}
      <button
        type="button"
        className="btn btn-ghost h-16 text-xl phone:h-12 phone:text-base phone:px-2 whitespace-nowrap font-normal ml-auto"
        onClick={() => hand.step && readOut(sayStep(hand.step))}
      >
        Read it out
      </button>
    </div>
  );
}

/** What the workshop refused: sent once more or discarded; a click selects the whole of it, to be copied out. */
function Refused({ bench }: { bench: Bench }) {
  if (bench.aside.length === 0) return null;
  return (
    <details className="text-base" data-refused={bench.aside.length}>
      <summary className="cursor-pointer py-2 text-error">Refused by the workshop: {bench.aside.length}</summary>
      <ul className="max-h-40 overflow-y-auto">
        {bench.aside.map((sending) => (
          <li key={sending.id} className="flex flex-wrap items-center gap-2 border-t border-base-content/20 py-1">
            <span className="grow">
              {sending.why}{' '}
              <code className="text-xs break-all select-all" translate="no">
                {JSON.stringify(sending.body)}
              </code>
            </span>
            <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void bench.settle(sending, true)}>
              Send again
            </button>
            <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={() => void bench.settle(sending, false)}>
              Discard
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Back, on, and done. */
function BenchFoot({ view, hand }: { view: View; hand: ReturnType<typeof useInHand> }) {
  const { index, steps, left, go, finish } = hand;
  const which = left.length === view.count ? `all ${view.count}` : `the other ${left.length}`;
  return (
    <div className="flex flex-wrap gap-3">
      <button type="button" className={`${BIG} btn-outline px-8`} disabled={index === 0} onClick={() => go(index - 1)}>
        Back
      </button>
      <Meanwhile view={view} go={(key) => go(steps.findIndex((step) => step.key === key))} />
      <button
        type="button"
        className={`${BIG} btn-outline px-8 ml-auto`}
        disabled={index === steps.length - 1}
        onClick={() => go(index + 1)}
      >
        Next
      </button>
      <button type="button" className={`${BIG} btn-primary px-10 upright:w-full`} disabled={left.length === 0} onClick={finish}>
        {left.length > 0 && view.count > 1 ? `Done on ${which}` : 'Done'}
      </button>
    </div>
  );
}

/** One step at a time, for glue on the fingers. */
export function BenchView({ piece }: { piece: string }) {
  const bench = useBench(piece);
  const hand = useInHand(bench);
  const { view, tell } = bench;
  const { step, index, go } = hand;
  useAwake();
  useOffline(piece);
  useHandsFree({ next: () => go(index + 1), back: () => go(index - 1), done: hand.finish, read: () => step && readOut(sayStep(step)) });
  if (!view || !step)
    return (
      <main className="fixed inset-0 z-40 bg-base-100 p-8 text-2xl" role="status">
        {bench.message ?? 'Laying out the run sheet…'}
      </main>
    );
  const late = behind(pieceProgress(hand.steps, view.ticks, view.count));
  return (
    <main className="fixed inset-0 z-40 bg-base-100 flex flex-col gap-3 px-6 py-4" data-bench={step.key} data-waiting={bench.waiting}>
      <BenchHead bench={bench} view={view} hand={hand} />
      {bench.message && (
        <p role="alert" className="text-error text-xl">
          {bench.message}
        </p>
      )}
      <Refused bench={bench} />
      <Clocks
        timers={view.timers}
        ahead={bench.ahead}
        onStop={({ id }) => void tell([{ method: 'DELETE', url: `/api/timers/${id}`, body: {} }])}
      />
      {late.length > 0 && (
        <p className="text-xl text-warning" data-behind>
          {late.length === 1 ? 'Piece' : 'Pieces'} {late.map(({ unit }) => unit).join(', ')} {late.length === 1 ? 'is' : 'are'} behind the
          others by {Math.max(...late.map(({ by }) => by))} steps.
        </p>
      )}
      <StepInHand key={step.key} view={view} step={step} />
      <Noting key={`${step.key} notes`} step={step} view={view} tell={tell} since={hand.opened} />
      <Units view={view} step={step} onTick={hand.tick} />
      <BenchFoot view={view} hand={hand} />
    </main>
  );
}
