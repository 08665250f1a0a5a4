'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { LogEntry, LogView } from '@/data/bench';
import { foamOf } from '@/core/piece';
import { send, UNREACHED } from '@/ui/kit/api';
import { BenchNotes } from '@/ui/kit/bench-notes';
import { useLength } from '@/ui/kit/settings';

/** A search waits so long for the next letter, ms. */
const LETTER = 200;

/** The log a stretch at a time, searched where it is kept. */
function useLog(first: LogView) {
  const [search, setSearch] = useState('');
  const [found, setFound] = useState(first);
  const [wrong, setWrong] = useState<string | null>(null);
  const ask = async (words: string, before: LogEntry[], from: number): Promise<void> => {
    try {
      const response = await fetch(`/api/log?search=${encodeURIComponent(words)}&from=${from}`);
      const { entries, next } = (await response.json()) as LogView;
      setFound({ entries: [...before, ...entries], next });
      setWrong(null);
    } catch {
      setWrong(UNREACHED);
    }
  };
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  return {
    ...found,
    search,
    wrong,
    look: (words: string) => {
      setSearch(words);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void ask(words, [], 0), LETTER);
    },
    goOn: () => void ask(search, found.entries, found.next ?? 0),
  };
}

/** A finished job. */
function Entry({ entry, onAgain }: { entry: LogEntry; onAgain: () => void }) {
  const say = useLength();
  return (
    <li className="border-t border-base-content/25 py-3 grid grid-cols-[7rem_1fr_10rem] gap-4 phone:grid-cols-1 phone:gap-1">
      <span className="font-semibold">{entry.serial}</span>
      <div>
        {entry.onFloor ? (
          <Link href={`/piece/${entry.pieceId}`} className="font-display text-lg hover:underline underline-offset-4" translate="no">
            {entry.piece.name}
          </Link>
        ) : (
          <span className="font-display text-lg" translate="no">
            {entry.piece.name}
          </span>
        )}
        {entry.piece.count > 1 && <span className="text-sm"> set of {entry.piece.count}</span>}
        <p className="text-sm" translate="no">
          {entry.note || 'No note.'}
        </p>
        <p className="text-sm text-base-content/80">
          {entry.piece.pads.map((pad) => `${foamOf(entry.piece, pad.material)?.name ?? pad.material} ${say(pad.thickness)}`).join(', ')};{' '}
          {entry.piece.cloth.name}
        </p>
        {entry.said.length > 0 && (
          <details className="text-sm">
            <summary className="cursor-pointer">Said at the bench ({entry.said.length})</summary>
            <BenchNotes notes={entry.said} count={entry.piece.count} named />
          </details>
        )}
      </div>
      <div className="text-right phone:text-left">
        <time dateTime={entry.finishedAt} className="text-sm block mb-1">
          {new Date(entry.finishedAt).toLocaleDateString('en-GB', {
            day: 'numeric',
            month: 'long',
            year: 'numeric',
            timeZone: 'UTC',
          })}
        </time>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={onAgain}>
          Make again
        </button>
      </div>
    </li>
  );
}

/** Finished work, newest first, with a search over serials, names, cloths and notes. */
export function Log({ first }: { first: LogView }) {
  const { entries, next, search, wrong, look, goOn } = useLog(first);
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const again = async (entry: LogEntry) => {
    try {
      const answer = await send<{ id: string }>('POST', '/api/pieces', { piece: { ...entry.piece, due: '' } });
      if (answer.ok) router.push(`/piece/${answer.data.id}`);
      else setMessage(answer.data.message ?? 'It could not be added to the floor.');
    } catch {
      setMessage(UNREACHED);
    }
  };
  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <div className="flex items-center gap-4 mb-4">
        <h1 className="font-display text-2xl">Log</h1>
        <input
          type="search"
          aria-label="Search the log"
          placeholder="Search name, serial, cloth, note"
          className="ml-auto w-80 min-w-0 px-3 py-2 border border-base-content/40 rounded-sm bg-base-100 placeholder:text-base-content/70"
          value={search}
          onChange={(event) => look(event.target.value)}
        />
      </div>
      {(message ?? wrong) && (
        <p role="alert" className="text-error mb-3">
          {message ?? wrong}
        </p>
      )}
      {first.entries.length === 0 && (
        <p>Nothing finished yet. A job comes here when its run sheet is done and it gets its serial number.</p>
      )}
      {first.entries.length > 0 && entries.length === 0 && <p>Nothing in the log has “{search}”.</p>}
      <ul>
        {entries.map((entry) => (
          <Entry key={entry.id} entry={entry} onAgain={() => void again(entry)} />
        ))}
      </ul>
      {next !== null && (
        <button type="button" className="btn btn-outline font-normal mt-3" onClick={goOn}>
          Older work
        </button>
      )}
    </main>
  );
}
