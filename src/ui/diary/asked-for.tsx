'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { sayMinute } from '@/core/scheduling';
import { fieldAt, KINDS } from '@/core/piece';
import { send, UNREACHED } from '@/ui/kit/api';
import { sayDay } from '@/ui/kit/day';
import { Wrong } from '@/ui/kit/fields/lists';
import { SchemaField } from '@/ui/kit/fields/schema-field';
import { sayChance } from './chance';
import { useAskedFor, type Promised, type Question } from './use-asked-for';
import type { DiaryView } from './use-diary';

const FIELD = 'block border border-base-content/40 px-1 h-9 bg-base-100';
const days = (count: number): string => `${count} ${count === 1 ? 'day' : 'days'}`;

/** The answer in words: by when, how sure, and whose promise it would break. */
function Answer({ promised, view }: { promised: Promised; view: DiaryView }) {
  const { end, range, costs, question } = promised;
  const nameOf = (id: string): string => view.input.pieces.find((piece) => piece.id === id)?.name ?? 'a piece';
  if (!end.ends) return <p>It would not be done within a year: not with these people and hours.</p>;
  const { due } = question;
  return (
    <>
      <p>
        {due && range.inTime !== null && (
          <>
            For {sayDay(due)}: <strong>{sayChance(range.inTime)}</strong>.{' '}
          </>
        )}
        It would be done on {sayDay(end.ends.day)}, {sayMinute(end.ends.minute)}
        {range.early.day !== range.late.day && `, nine times in ten between ${sayDay(range.early.day)} and ${sayDay(range.late.day)}`}.{' '}
        <strong>{sayDay(range.late.day)}</strong> is an honest day{question.clothOn ? '' : ', if its cloth is here'}.
      </p>
      {costs.length === 0 && view.saved && <p>No promised day is missed because of it.</p>}
      {costs.map(({ piece, was, late }) => (
        <p key={piece} className="text-error" data-costs={piece}>
          {nameOf(piece)} would {late === null ? 'not be done within a year' : `be ${days(late)} late`}
          {was > 0 && `, ${days(was)} without it`}.
        </p>
      ))}
      {!view.saved && view.input.pieces.length > 0 && <p>Plan the work first to see what it would cost the others.</p>}
    </>
  );
}

/** Puts the job on the floor that can be promised. */
function Take({ promised }: { promised: Promised }) {
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const take = async () => {
    try {
      const answer = await send<{ id: string }>('POST', '/api/pieces', { piece: { ...promised.piece, due: promised.question.due } });
      if (answer.ok) router.push(`/piece/${answer.data.id}`);
      else setMessage(answer.data.message ?? 'It could not be added to the floor');
    } catch {
      setMessage(UNREACHED);
    }
  };
  return (
    <>
      <button type="button" className="btn btn-sm btn-outline font-normal mt-2" onClick={() => void take()}>
        Take it on: add it to the floor{promised.question.due && `, due ${sayDay(promised.question.due)}`}
      </button>
      <Wrong message={message} />
    </>
  );
}

type WhichProps = { view: DiaryView; value: string; onChange: (like: string) => void };

/** What it is like: a kind as it usually is, something on the floor, something that was made before. */
function Which({ view, value, onChange }: WhichProps) {
  return (
    <label>
      Similar to
      <select className={`${FIELD} w-72`} value={value} onChange={(event) => onChange(event.target.value)}>
        <optgroup label="As usual">
          {KINDS.map(({ id, name }) => (
            <option key={id} value={`kind/${id}`}>
              {name}
            </option>
          ))}
        </optgroup>
        {view.input.pieces.length > 0 && (
          <optgroup label="On the floor">
            {view.input.pieces.map(({ id, name }) => (
              <option key={id} value={`piece/${id}`}>
                {name}
              </option>
            ))}
          </optgroup>
        )}
        {view.finished.length > 0 && (
          <optgroup label="Made before">
            {view.finished.map(({ id, name }) => (
              <option key={id} value={`log/${id}`}>
                {name}
              </option>
            ))}
          </optgroup>
        )}
      </select>
    </label>
  );
}

/** Before anybody says yes: whether a job can be promised that is not on the floor yet, and what taking it costs the others. */
export function AskedFor({ view }: { view: DiaryView }) {
  const { message, promised, looking, ask, stop } = useAskedFor(view);
  const [question, setQuestion] = useState<Question>({ like: `kind/${KINDS[0].id}`, count: 1, due: '', clothOn: '' });
  const change = (more: Partial<Question>): null => {
    setQuestion({ ...question, ...more });
    return null;
  };
  const day = (label: string, key: 'due' | 'clothOn') => (
    <label>
      {label}
      <input type="date" className={FIELD} value={question[key]} onChange={(event) => change({ [key]: event.target.value })} />
    </label>
  );
  return (
    <section aria-label="Can I promise it?" className="mt-4 text-sm">
      <h2 className="font-display text-lg">Can I promise it?</h2>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void ask(question);
        }}
      >
        <Which view={view} value={question.like} onChange={(like) => change({ like })} />
        <div className="w-56">
          <SchemaField
            field={fieldAt('count')}
            name="asked-for count"
            value={question.count}
            onCommit={(count) => change({ count: count as number })}
          />
        </div>
        {day('Wanted by', 'due')}
        {day('Its cloth is here on', 'clothOn')}
        {looking ? (
          <>
            <progress className="progress w-40" value={looking.tried} max={looking.of} aria-label="Schedules tried for it" />
            <button type="button" className="btn btn-sm btn-outline font-normal" onClick={stop}>
              Stop
            </button>
          </>
        ) : (
          <button type="submit" className="btn btn-sm btn-primary">
            Can it be promised?
          </button>
        )}
      </form>
      <Wrong message={message} />
      <div role="status" data-promised>
        {promised && (
          <div className="mt-2">
            <p className="font-semibold">
              {promised.piece.name}
              {promised.piece.count > 1 && `, ${promised.piece.count}`}
            </p>
            <Answer promised={promised} view={view} />
          </div>
        )}
      </div>
      {promised && <Take promised={promised} />}
    </section>
  );
}
