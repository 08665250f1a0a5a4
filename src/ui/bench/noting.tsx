'use client';

import { useState } from 'react';
import type { Step } from '@/core/run-sheet';
import { useDraft } from '@/ui/kit/fields/draft';
import { Wrong } from '@/ui/kit/fields/lists';
import { BenchNotes } from '@/ui/kit/bench-notes';
import type { Bench, BenchView } from './use-bench';

type NotingProps = { step: Step; view: BenchView; tell: Bench['tell']; since: number };

const FIELD = 'block h-14 border border-base-content/40 bg-base-100 px-2 text-xl w-full';

type WhichProps = { view: BenchView; person: string; unit: number; onPerson: (name: string) => void; onUnit: (unit: number) => void };

/** Who says it, and of which piece of the set. */
function WhoAndWhich({ view, person, unit, onPerson, onUnit }: WhichProps) {
  return (
    <>
      <label>
        Who
        <select className={FIELD} value={person} onChange={(event) => onPerson(event.target.value)}>
          {view.people.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <label>
        Piece
        <select className={FIELD} value={unit} onChange={(event) => onUnit(Number(event.target.value))}>
          {Array.from({ length: view.count }, (_, k) => (
            <option key={k} value={k + 1}>
              {k + 1}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}

/** Photos that were picked and not kept yet, by piece and step: they live as long as the page. */
const picked = new Map<string, File>();
/** What is typed at a step and not kept yet. */
const DRAFTS = ['note', 'reading', 'took'] as const;
const draftKey = (view: BenchView, step: Step, what: (typeof DRAFTS)[number]): string => `bench ${view.id} ${step.key} ${what}`;

/** Whether something was typed or picked here that nobody has kept. */
const isBegun = (view: BenchView, step: Step): boolean =>
  typeof sessionStorage !== 'undefined' &&
  (picked.has(`${view.id} ${step.key}`) || DRAFTS.some((what) => sessionStorage.getItem(draftKey(view, step, what))));

/** What is typed and picked at a step: it waits here while other steps are looked at. */
function useNoteDraft(view: BenchView, step: Step) {
  const [note, setNote] = useDraft(draftKey(view, step, 'note'));
  const [reading, setReading] = useDraft(draftKey(view, step, 'reading'));
  const [took, setTook] = useDraft(draftKey(view, step, 'took'));
  const text = `${view.id} ${step.key}`;
  const [photo, setPhoto] = useState<File | null>(picked.get(text) ?? null);
  const pick = (file: File | null) => {
    if (file) picked.set(text, file);
    else picked.delete(text);
    setPhoto(file);
  };
  const clear = () => {
    setNote(null);
    setReading(null);
    setTook(null);
    pick(null);
  };
  return { note: note ?? '', reading: reading ?? '', took: took ?? '', photo, setNote, setReading, setTook, pick, clear };
}

/** A time, a reading, words or a photo at a step. */
function NoteForm({ step, view, tell, since }: NotingProps) {
  const [person, setPerson] = useDraft('bench person');
  const [unit, setUnit] = useState(1);
  const { note, reading, took, photo, setNote, setReading, setTook, pick, clear } = useNoteDraft(view, step);
  const minutes = Number(took.replace(',', '.'));
  const notMinutes = took.trim() && !(minutes > 0) ? `“${took}” is not a number of minutes; write it like 7.5` : null;
  const empty = !note.trim() && !reading.trim() && !photo && !(minutes > 0);
  const keep = () => {
    const body = {
      unit,
      step: step.key,
      name: step.name,
      at: new Date().toISOString(),
      person: person ?? view.people[0] ?? '',
      took: minutes > 0 ? minutes : null,
      told: minutes > 0 ? step.minutes : null,
      reading,
      note,
    };
    void tell([{ method: 'POST', url: `/api/pieces/${view.id}/notes`, body, ...(photo ? { photo } : {}) }]);
    clear();
  };
  return (
    <div className="grid grid-cols-2 upright:grid-cols-1 gap-3 py-2">
      <label>
        Minutes for one
        <span className="flex gap-2">
          <input
            className={FIELD}
            inputMode="decimal"
            value={took}
            aria-invalid={notMinutes !== null}
            onChange={(event) => setTook(event.target.value)}
          />
          <button
            type="button"
            className="btn h-14 font-normal text-lg"
            onClick={() => setTook(String(Math.max(0.5, Math.round(((Date.now() - since) / 60_000) * 2) / 2)))}
          >
            Since opening
          </button>
        </span>
        <Wrong message={notMinutes} />
      </label>
      <label>
        Measured
        <input className={FIELD} value={reading} onChange={(event) => setReading(event.target.value)} />
      </label>
      <label>
        Note
        <input className={FIELD} value={note} onChange={(event) => setNote(event.target.value)} />
      </label>
      <label>
        Photo{photo && `: ${photo.name}`}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className={`${FIELD} py-2`}
          onChange={(event) => pick(event.target.files?.[0] ?? null)}
        />
      </label>
      <WhoAndWhich view={view} person={person ?? view.people[0] ?? ''} unit={unit} onPerson={setPerson} onUnit={setUnit} />
      <button type="button" className="btn btn-outline h-16 text-2xl font-normal" disabled={empty || notMinutes !== null} onClick={keep}>
        Save note
      </button>
    </div>
  );
}

/** What is said of a step, and what was said of it so far. */
export function Noting({ step, view, tell, since }: NotingProps) {
  const matching = view.notes.filter((note) => note.step === step.key);
  const [begun] = useState(() => isBegun(view, step));
  return (
    <details className="text-xl" data-notes={matching.length} open={begun}>
      <summary className="cursor-pointer h-16 flex items-center">
        Add a note{matching.length > 0 ? ` (${matching.length} so far)` : ''}
      </summary>
      <NoteForm step={step} view={view} tell={tell} since={since} />
      <BenchNotes notes={matching} count={view.count} />
    </details>
  );
}
