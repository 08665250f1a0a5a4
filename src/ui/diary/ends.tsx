'use client';

import Link from 'next/link';
import { daysBetween, sayMinute, type PieceEnd, type PieceToDo, type Range } from '@/core/scheduling';
import { sayDay } from '@/ui/kit/day';
import { sayChance } from './chance';

type EndsProps = {
  pieces: readonly PieceToDo[];
  ends: readonly PieceEnd[];
  before: readonly PieceEnd[];
  ranges: readonly Range[];
  promises: Readonly<Record<string, string>>;
  onPromise: (piece: string, day: string) => void;
};

/** When each piece is done, whether that is in time, how sure that is; and whether it can be promised for a day. */
export function Ends({ pieces, ends, before, ranges, promises, onPromise }: EndsProps) {
  return (
    <table className="w-full text-sm" aria-label="When it is done">
      <thead>
        <tr className="text-left border-b border-base-content/40">
          <th className="py-1 pr-3">Piece</th>
          <th className="pr-3">Due</th>
          <th className="pr-3">Done</th>
          <th className="pr-3">Between</th>
          <th className="pr-3">Can it be promised for</th>
          <th>Answer</th>
        </tr>
      </thead>
      <tbody>
        {pieces.map(({ id, name, job, due, count }) => {
          const end = ends.find(({ piece }) => piece === id);
          const range = ranges.find(({ piece }) => piece === id);
          const was = before.find(({ piece }) => piece === id);
          const later = end?.ends && was?.ends ? daysBetween(was.ends.day, end.ends.day) : 0;
          const by = promises[id] ?? due;
          const honest = range?.late.day;
          return (
            <tr key={id} className="border-b border-base-content/15 align-top" data-end={id} data-late={end?.late ?? 0}>
              <td className="py-1.5 pr-3">
                <Link href={`/bench/${id}`} className="underline underline-offset-2">
                  {name}
                </Link>
                {count > 1 && `, ${count}`}
                {job && <span className="text-base-content/75"> · {job}</span>}
              </td>
              <td className="pr-3 py-1.5">{due ? sayDay(due) : '–'}</td>
              <td className={`pr-3 py-1.5 ${end && end.late > 0 ? 'text-error font-semibold' : ''}`}>
                {end === undefined
                  ? 'not planned yet'
                  : end.ends === null
                    ? 'not within a year'
                    : `${sayDay(end.ends.day)}, ${sayMinute(end.ends.minute)}`}
                {end && end.late > 0 && ` – ${end.late} ${end.late === 1 ? 'day' : 'days'} late`}
                {later !== 0 && (
                  <span className="block text-base-content/80 font-normal">
                    {later > 0 ? `${later} later` : `${-later} sooner`} than before
                  </span>
                )}
              </td>
              <td className="pr-3 py-1.5">
                {range
                  ? range.early.day === range.late.day
                    ? sayDay(range.late.day)
                    : `${sayDay(range.early.day)} and ${sayDay(range.late.day)}`
                  : ''}
              </td>
              <td className="pr-3 py-1">
                <input
                  type="date"
                  aria-label={`Promise ${name} for`}
                  className="border border-base-content/40 px-1 h-8 bg-base-100"
                  value={by}
                  onChange={(event) => onPromise(id, event.target.value)}
                />
              </td>
              <td className="py-1.5" data-answer={id}>
                {range && range.inTime !== null && by && honest && (
                  <>
                    {sayChance(range.inTime)}
                    {range.inTime < 0.95 && `; ${sayDay(honest)} is honest`}
                  </>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
