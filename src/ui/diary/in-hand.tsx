'use client';

import { useState } from 'react';
import { momentOf, readMinute, sayMinute, type DiaryInput } from '@/core/scheduling';
import { beginOf, type Done } from '@/core/scheduling/solver';
import { Wrong } from '@/ui/kit/fields/lists';

type InHandProps = {
  input: DiaryInput;
  done: Done;
  says: { step: string; piece: string; detail: string };
  pinned: boolean;
  onLay: (task: string, day: string, minute: number, who: string | null) => Promise<string | null>;
  onLet: (task: string) => Promise<string | null>;
};

/** A task that was chosen: what it is, and a typed way to lay it on a day, a time and a person. */
export function InHand({ input, done, says, pinned, onLay, onLet }: InHandProps) {
  const start = momentOf(input.begins, beginOf(done));
  const [day, setDay] = useState(start.day);
  const [time, setTime] = useState(sayMinute(start.minute));
  const [who, setWho] = useState(done.who);
  const [message, setMessage] = useState<string | null>(null);
  const lay = () => {
    const minute = readMinute(time);
    if (minute === null) return setMessage(`“${time}” is not a time; write it like 8.30`);
    void onLay(done.id, day, minute, who).then(setMessage);
  };
  const field = 'block border border-base-content/40 px-1 h-9 bg-base-100';
  return (
    <section aria-label="The task in hand" className="border border-base-content/30 p-3 text-sm mt-2" data-in-hand={done.id}>
      <h2 className="font-semibold">
        {says.step}, {says.piece}
      </h2>
      <p className="max-w-prose whitespace-pre-line">{says.detail}</p>
      <div className="flex flex-wrap items-end gap-3 mt-2">
        <label className="block">
          Day
          <input type="date" className={field} value={day} onChange={(event) => setDay(event.target.value)} />
        </label>
        <label className="block">
          Not before
          <input className={`${field} w-20`} value={time} onChange={(event) => setTime(event.target.value)} />
        </label>
        <label className="block">
          By
          <select className={field} value={who} onChange={(event) => setWho(event.target.value)}>
            {input.shop.people.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn btn-sm btn-primary" onClick={lay}>
          Move it there
        </button>
        {pinned && (
          <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void onLet(done.id).then(setMessage)}>
            Let the schedule decide
          </button>
        )}
      </div>
      <Wrong message={message} />
    </section>
  );
}
