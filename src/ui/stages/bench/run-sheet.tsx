'use client';

import { Check, TriangleAlert } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { Step } from '@/core/run-sheet';
import { inUnit } from '@/core/length';
import { printFigure } from '@/core/sizes';
import type { BenchNote } from '@/data/diary';
import { PhotosWithPins } from '@/ui/kit/pinned-photo';
import { useSettings } from '@/ui/kit/settings';
import { BenchNotes } from '@/ui/kit/bench-notes';
import { send, UNREACHED } from '@/ui/kit/api';
import { useDraft } from '@/ui/kit/fields/draft';
import { Wrong } from '@/ui/kit/fields/lists';
import { batchMinutes } from '@/core/run-sheet';
import { usePlan, useSheet, usePiece } from '@/ui/sheet/store';
import { useTicking, type Ticking } from './use-ticking';

/** What was said at the bench, as it stands when the sheet is opened. */
function useNotes(id: string): BenchNote[] {
  const [notes, setNotes] = useState<BenchNote[]>([]);
  useEffect(() => {
    const asked = new AbortController();
    fetch(`/api/pieces/${id}/notes`, { signal: asked.signal })
      .then(async (answer) => answer.ok && setNotes(((await answer.json()) as { notes: BenchNote[] }).notes))
      // Away from the workshop the run sheet stands without them.
      .catch(() => undefined);
    return () => asked.abort();
  }, [id]);
  return notes;
}

type RowProps = {
  step: Step;
  notes: readonly BenchNote[];
  number: number;
  current: boolean;
  units: number[];
  ticking: Ticking;
  /** an earlier step on the sheet that says the same caution in full, by its number */
  cautionAt: number | null;
};

/** A step that is done on every piece, in one line; opened, it is as it was. */
function DoneRow({ step, number, onOpen }: Pick<RowProps, 'step' | 'number'> & { onOpen: () => void }) {
  return (
    <li data-step={step.key} data-done className="border-t border-base-content/20 pl-3 border-l-4 border-l-transparent">
      <button
        type="button"
        className="flex items-center gap-2 w-full text-left min-h-12 cursor-pointer"
        aria-expanded={false}
        onClick={onOpen}
      >
        <Check size={16} aria-hidden />
        <span className="font-semibold">
          {number}. {step.name}
        </span>
        <span className="text-sm text-base-content/80">done</span>
      </button>
    </li>
  );
}

function StepRow({ step, notes, number, current, units, ticking: { done, tick }, cautionAt }: RowProps) {
  const { unit: shown } = useSettings();
  const pins = usePiece().strip?.pins ?? [];
  return (
    <li
      data-step={step.key}
      aria-current={current ? 'step' : undefined}
      className={`border-t border-base-content/20 py-2 pl-3 border-l-4 scroll-mt-12 phone:scroll-mt-2 ${current ? 'border-l-primary bg-base-200' : 'border-l-transparent'}`}
    >
      <div className="flex items-baseline gap-3">
        <h3 className="font-semibold">
          {number}. {step.name}
        </h3>
        <span className="text-sm text-base-content/80">
          {step.minutes} min{step.wait > 0 && `, then wait ${step.wait} min`}
        </span>
      </div>
      <p className="text-sm whitespace-pre-line">{inUnit(step.detail, shown)}</p>
      {step.stop && <p className="text-sm mt-1">Check: {step.stop.join('; ')}.</p>}
      <div className="text-sm">
        <BenchNotes notes={notes} count={units.length} />
      </div>
      {step.photos && <PhotosWithPins names={step.photos} pins={pins} alt="How it was" size="h-24 w-24" />}
      {step.caution && (
        <p className="text-sm flex gap-1.5 mt-1 text-warning">
          <TriangleAlert size={16} className="shrink-0 mt-0.5" aria-hidden />
          <span>
            <span className="font-semibold">Caution{cautionAt === null ? '. ' : `: as at step ${cautionAt}.`}</span>
            {cautionAt === null && step.caution}
          </span>
        </p>
      )}
      <div className="flex flex-wrap gap-1.5 mt-2" role="group" aria-label={`${step.name}, done on`}>
        {units.length > 1 && units.some((unit) => !done(unit, step.key)) && (
          <button
            type="button"
            className="btn btn-outline h-12 font-normal"
            aria-label={`${step.name}, all done`}
            onClick={() => units.filter((unit) => !done(unit, step.key)).forEach((unit) => tick(unit, step.key, true))}
          >
            All done
          </button>
        )}
        {units.map((unit) => (
          <label
            key={unit}
            className={`relative size-12 border rounded-sm flex items-center justify-center cursor-pointer text-lg focus-within:outline-2 focus-within:outline-offset-1 ${done(unit, step.key) ? 'bg-base-content text-base-100 border-base-content' : 'border-base-content/40 bg-base-100'}`}
          >
            <input
              type="checkbox"
              className="sr-only"
              checked={done(unit, step.key)}
              aria-label={`${step.name}, piece ${unit}`}
              onChange={(event) => tick(unit, step.key, event.target.checked)}
            />
            <span aria-hidden>{done(unit, step.key) ? '✓' : unit}</span>
          </label>
        ))}
      </div>
    </li>
  );
}

/** The run sheet in working order, ticked per piece of the set, and the end of the job. */
export function RunSheet() {
  const plan = usePlan();
  const ticking = useTicking();
  const pieceId = useSheet((state) => state.id);
  const notes = useNotes(pieceId);
  const { unit } = useSettings();
  const { message, done } = ticking;
  // What is done is folded away; the step that was ticked last stays open for a second look, and so does what is opened again.
  const [open, setOpen] = useState<readonly string[]>([]);
  const tick: Ticking['tick'] = (unit, step, to) => {
    setOpen([step]);
    ticking.tick(unit, step, to);
  };
  const inHand = useRef<HTMLOListElement>(null);
  const there = Boolean(plan?.steps);
  // Opened, and after a reload, the step in hand is in view.
  useEffect(() => {
    const row = there && inHand.current?.querySelector('[aria-current="step"]');
    if (row && row.previousElementSibling) row.scrollIntoView({ block: 'start' });
  }, [there]);
  if (!plan?.steps) return null;
  const { steps, minutes = 0 } = plan;
  const units = Array.from({ length: plan.piece.count }, (_, i) => i + 1);
  const current = steps.find((step) => units.some((unit) => !done(unit, step.key)));
  const isDone = (step: Step): boolean => units.every((unit) => done(unit, step.key));
  const folded = (step: Step): boolean => isDone(step) && !open.includes(step.key);
  // A caution is said in full once; on a step that is folded away nobody reads it.
  const cautionAt = (at: number): number | null => {
    const first = steps.findIndex((step) => step.caution === steps[at]!.caution && !folded(step));
    return first >= 0 && first < at ? first + 1 : null;
  };
  const left = steps.reduce((sum, step) => sum + units.filter((unit) => !done(unit, step.key)).length, 0);
  return (
    // A region that scrolls must be reachable for those who scroll with keys.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <section aria-label="Run sheet" tabIndex={0} className="p-4 overflow-y-auto h-full">
      <div className="flex items-baseline gap-4 sticky -top-4 -mt-4 pt-4 pb-2 z-10 bg-base-100 phone:static">
        <h2 className="font-display text-lg phone:sr-only">Run sheet</h2>
        <Link href={`/bench/${pieceId}`} className="btn btn-sm btn-primary order-last ml-auto">
          At the bench, step by step
        </Link>
        <p className="text-sm">
          {printFigure(minutes, 'minutes', unit)} for one
          {plan.piece.count > 1 &&
            `, ${printFigure(batchMinutes(steps, plan.piece.count), 'minutes', unit)} for all ${plan.piece.count} in batches`}
        </p>
      </div>
      <Wrong message={message} />
      <ol className="mt-2" ref={inHand}>
        {steps.map((step, i) =>
          folded(step) ? (
            <DoneRow key={step.key} step={step} number={i + 1} onOpen={() => setOpen([...open, step.key])} />
          ) : (
            <StepRow
              key={step.key}
              step={step}
              notes={notes.filter((note) => note.step === step.key)}
              number={i + 1}
              current={step === current}
              units={units}
              ticking={{ ...ticking, tick }}
              cautionAt={cautionAt(i)}
            />
          ),
        )}
      </ol>
      <Finish open={left} />
    </section>
  );
}

function Finish({ open }: { open: number }) {
  const pieceId = useSheet((state) => state.id);
  const nextSerial = useSheet((state) => state.nextSerial);
  const router = useRouter();
  const [serial, setSerial] = useDraft(`${pieceId} serial`);
  const [note, setNote] = useDraft(`${pieceId} finish note`);
  const [message, setMessage] = useState<string | null>(null);
  const finish = async () => {
    try {
      const answer = await send('POST', `/api/pieces/${pieceId}/finish`, { serial: serial ?? nextSerial, note: note ?? '' });
      if (!answer.ok) return setMessage(answer.data.message ?? 'Not written');
      setSerial(null);
      setNote(null);
      router.push('/log');
    } catch {
      setMessage(UNREACHED);
    }
  };
  return (
    <form
      className="border-t-2 border-base-content/40 mt-4 pt-3 max-w-xl"
      onSubmit={(event) => {
        event.preventDefault();
        void finish();
      }}
    >
      <h2 className="font-display text-lg">Finish the job</h2>
      {open > 0 && <p className="text-sm">{open} ticks are still open; the log takes the job as it is.</p>}
      <label className="block text-sm mt-2">
        Serial number
        <input
          className="block w-48 px-2 py-2 border border-base-content/40 rounded-sm bg-base-100"
          value={serial ?? nextSerial}
          onChange={(event) => setSerial(event.target.value)}
          aria-invalid={message !== null}
          aria-describedby="finish-message"
        />
      </label>
      <p id="finish-message" role={message ? 'alert' : undefined} className="text-error text-sm">
        {message}
      </p>
      <label className="block text-sm mt-2">
        What was learnt
        <textarea
          rows={2}
          className="block w-full px-2 py-2 border border-base-content/40 rounded-sm bg-base-100"
          value={note ?? ''}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-primary mt-2 h-12">
        Write into the log
      </button>
    </form>
  );
}
