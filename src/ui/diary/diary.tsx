'use client';

import Link from 'next/link';
import { useState } from 'react';
import { endsOf, workingDays, type PieceEnd } from '@/core/scheduling';
import { readTaskId } from '@/core/scheduling/solver';
import { sayDay } from '@/ui/kit/day';
import { Wrong } from '@/ui/kit/fields/lists';
import { AskedFor } from './asked-for';
import { Ends } from './ends';
import { InHand } from './in-hand';
import { useDiary, type Diary as DiaryState, type DiaryView } from './use-diary';
import { DayList, Week } from './week';

/** What is on its way, and when it is thought to come. */
function Deliveries({ view, change }: { view: DiaryView; change: DiaryState['change'] }) {
  const [message, setMessage] = useState<string | null>(null);
  const orders = view.deliveries.filter((delivery, k, all) => all.findIndex(({ order }) => order === delivery.order) === k);
  if (orders.length === 0) return null;
  return (
    <section aria-label="Deliveries">
      <h2 className="font-display text-lg mt-4">On its way</h2>
      <Wrong message={message} />
      <ul className="text-sm">
        {orders.map(({ order, supplier, kinds, day, expected }) => (
          <li key={order} className="flex flex-wrap items-center gap-3 border-b border-base-content/15 py-1" data-order={order}>
            <span className="w-72">
              {supplier}: {kinds.join(', ')}
            </span>
            <label className="flex items-center gap-2">
              comes on
              <input
                type="date"
                aria-label={`${supplier} comes on`}
                className="border border-base-content/40 px-1 h-8 bg-base-100"
                value={day}
                onChange={(event) =>
                  event.target.value && void change('PUT', '/api/diary/deliveries', { order, day: event.target.value }).then(setMessage)
                }
              />
            </label>
            {day !== expected && (
              <button
                type="button"
                className="underline underline-offset-2"
                onClick={() => void change('PUT', '/api/diary/deliveries', { order, day: null }).then(setMessage)}
              >
                {sayDay(expected)}, as the supplier says
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The search: how far it is, and a way to be content with what it has. */
function Search({ diary }: { diary: DiaryState }) {
  const { search, stop, plan, view } = diary;
  if (search)
    return (
      <span className="flex items-center gap-3 text-sm">
        <progress className="progress w-40" value={search.tried} max={search.of} aria-label="Schedules tried" />
        <span role="status">
          {search.tried} of {search.of} tried
        </span>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={stop}>
          Stop, keep the best
        </button>
      </span>
    );
  return (
    <button
      type="button"
      className="btn btn-sm btn-primary"
      disabled={!view || view.coming > 0 || view.input.pieces.length === 0}
      onClick={plan}
    >
      {view?.saved ? 'Plan again' : 'Plan the work'}
    </button>
  );
}

/** So many days are looked through, as a schedule goes. */
const AHEAD = 370;

/** The days that are looked at, and those before and after them. A plan of last week is opened where today is in it. */
function useTurned({ shop, begins, now }: DiaryView['input'], today: string, shown: number) {
  const [turned, onTurn] = useState<string | null>(null);
  const all = workingDays(shop.people, begins, AHEAD, now);
  const first = Math.max(
    0,
    all.findIndex((day) => day >= (turned ?? today)),
  );
  return {
    days: all.slice(first, first + shown),
    earlier: first > 0 ? all[Math.max(0, first - shown)] : undefined,
    later: all[first + shown],
    onTurn,
  };
}

type TurnProps = Omit<ReturnType<typeof useTurned>, 'days'> & { shown: 1 | 5; onShown: (days: 1 | 5) => void };

/** Earlier, later, one day or five. */
function Turn({ shown, earlier, later, onTurn, onShown }: TurnProps) {
  const to = (name: string, day: string | undefined) => (
    <button type="button" className="btn btn-sm btn-outline font-normal" disabled={!day} onClick={() => day && onTurn(day)}>
      {name}
    </button>
  );
  return (
    <div className="flex items-center gap-2 my-2 text-sm">
      {to('Earlier', earlier)}
      {to('Later', later)}
      <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => onShown(shown === 1 ? 5 : 1)}>
        {shown === 1 ? 'Five days' : 'One day'}
      </button>
      <span className="text-base-content/80">7.00 to 18.00 each day. Dots: moved by hand. Stripes below: which piece.</span>
    </div>
  );
}

/** What the schedule that is kept says, or what to do where there is none. */
function Planned({ diary, view, before }: { diary: DiaryState; view: DiaryView; before: readonly PieceEnd[] }) {
  const { saved, input } = view;
  const [shown, setShown] = useState<1 | 5>(1);
  const [chosen, setChosen] = useState<string | null>(null);
  const { change, ranges, promises, setPromises } = diary;
  const shownInput = saved?.input ?? input;
  const ends = saved ? endsOf(saved.input, saved.schedule) : [];
  const words = (task: string) => {
    const { piece: id, step: key, part } = readTaskId(task);
    const piece = shownInput.pieces.find((pieceToDo) => pieceToDo.id === id);
    const step = piece?.steps.find((stepToDo) => stepToDo.key === key);
    return {
      step: step?.name ?? key,
      piece: `${piece?.name ?? 'gone'}${part === 'first' ? ', the first' : part === 'rest' ? ', the others' : ''}`,
      detail: step?.detail ?? '',
    };
  };
  const lay = (task: string, day: string, minute: number, who: string | null) =>
    change('PUT', '/api/diary/pins', { task, pin: { day, minute, who } });
  const done = saved?.schedule.done.find(({ id }) => id === chosen);
  const turned = useTurned(shownInput, input.begins, shown);
  return (
    <>
      {saved && (
        <section aria-label="The days">
          <Turn shown={shown} {...turned} onShown={setShown} />
          <Week
            input={saved.input}
            done={saved.schedule.done}
            days={turned.days}
            pinned={new Set(input.pins.map(({ task }) => task))}
            chosen={chosen}
            onChoose={setChosen}
            onLay={(...where) => void lay(...where)}
          />
          {shown === 1 && (
            <DayList
              input={saved.input}
              done={saved.schedule.done}
              day={turned.days[0] ?? input.begins}
              chosen={chosen}
              words={words}
              onChoose={setChosen}
            />
          )}
          {done && (
            <InHand
              key={`${done.id} ${done.spans[0]![0]}`}
              input={saved.input}
              done={done}
              says={words(done.id)}
              pinned={input.pins.some(({ task }) => task === done.id)}
              onLay={lay}
              onLet={(task) => change('PUT', '/api/diary/pins', { task, pin: null })}
            />
          )}
        </section>
      )}
      <section aria-label="Pieces" className="mt-4">
        <Ends
          pieces={input.pieces}
          ends={ends}
          before={before}
          ranges={ranges}
          promises={promises}
          onPromise={(piece, day) => setPromises({ ...promises, [piece]: day })}
        />
      </section>
    </>
  );
}

/** The diary: who does what when, whether it is in time, and what changed since it was planned. */
export function Diary({ mayPlan, maySetUp }: { mayPlan: boolean; maySetUp: boolean }) {
  const diary = useDiary(mayPlan);
  const { view, message, change } = diary;
  if (!view)
    return (
      <main className="px-6 py-5">
        <h1 className="font-display text-2xl">Diary</h1>
        <p role="status">{message ?? 'Looking at everything on the floor…'}</p>
      </main>
    );
  const { saved, changed, without, coming, input } = view;
  return (
    <main className="w-full mx-auto px-6 py-5">
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="font-display text-2xl">Diary</h1>
        <span className="ml-auto" />
        {saved && (
          <span className="flex gap-3 text-sm">
            {input.shop.people.map(({ id, name }) => (
              <a key={id} href={`/api/diary/calendar?person=${id}`} className="underline underline-offset-2">
                {name}’s calendar
              </a>
            ))}
            <a href="/api/diary/calendar" className="underline underline-offset-2">
              All as a calendar
            </a>
          </span>
        )}
        {mayPlan && <Search diary={diary} />}
      </div>
      <Wrong message={message} />
      {saved && changed.length > 0 && (
        <p role="status" className="text-sm text-warning mt-1" data-changed>
          Changed since it was planned: {changed.join('; ')}.
        </p>
      )}
      {coming > 0 && (
        <p className="text-sm" role="status">
          Working out {coming === 1 ? 'one run sheet' : `${coming} run sheets`}…
        </p>
      )}
      {without.length > 0 && (
        <p className="text-sm text-error">Left out, because the house rules no longer suit them: {without.join(', ')}.</p>
      )}
      {input.pieces.length === 0 && <p className="mt-4">Nothing is left to do on the floor.</p>}
      <Planned diary={diary} view={view} before={diary.before} />
      <AskedFor view={view} />
      <Deliveries view={view} change={change} />
      {maySetUp && (
        <p className="text-sm mt-4">
          Who works when, and with how many benches:{' '}
          <Link href="/workshop#people" className="underline underline-offset-2">
            People and places
          </Link>
          .
        </p>
      )}
    </main>
  );
}
