'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { LogEntry } from '@/data/bench';
import { foamOf } from '@/core/piece';
import { send } from '@/ui/kit/api';
import { useLength } from '@/ui/kit/settings';

function words(entry: LogEntry): string {
  return [entry.serial, entry.piece.name, entry.note, entry.piece.cloth.name, entry.piece.notes].join(' ').toLowerCase();
}

/** Finished work, newest first, with a search over serials, names, cloths and notes. */
export function Log({ entries }: { entries: LogEntry[] }) {
  const say = useLength();
  const [search, setSearch] = useState('');
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const again = async (entry: LogEntry) => {
    try {
      const answer = await send<{ id: string }>('POST', '/api/pieces', { piece: { ...entry.piece, due: '' } });
      if (answer.ok) router.push(`/piece/${answer.data.id}`);
      else setMessage(answer.data.message ?? 'It could not be put on the floor.');
    } catch {
      setMessage('The workshop cannot be reached; nothing was put on the floor.');
    }
  };
  const found = entries.filter((entry) =>
    search
      .toLowerCase()
      .split(/\s+/)
      .every((word) => words(entry).includes(word)),
  );
  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <div className="flex items-center gap-4 mb-4">
        <h1 className="font-display text-2xl">Log</h1>
        <input
          type="search"
          aria-label="Search the log"
          placeholder="Search name, serial, cloth, note"
          className="ml-auto w-80 px-3 py-2 border border-base-content/40 rounded-sm bg-base-100 placeholder:text-base-content/70"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      </div>
      {message && (
        <p role="alert" className="text-error mb-3">
          {message}
        </p>
      )}
      {entries.length === 0 && <p>Nothing finished yet. A job comes here when its run sheet is done and it gets its serial number.</p>}
      {entries.length > 0 && found.length === 0 && <p>Nothing in the log has “{search}”.</p>}
      <ul>
        {found.map((entry) => (
          <li key={entry.id} className="border-t border-base-content/25 py-3 grid grid-cols-[7rem_1fr_10rem] gap-4">
            <span className="font-semibold">{entry.serial}</span>
            <div>
              {entry.onFloor ? (
                <Link href={`/piece/${entry.pieceId}`} className="font-display text-lg hover:underline underline-offset-4">
                  {entry.piece.name}
                </Link>
              ) : (
                <span className="font-display text-lg">{entry.piece.name}</span>
              )}
              {entry.piece.count > 1 && <span className="text-sm"> set of {entry.piece.count}</span>}
              <p className="text-sm">{entry.note || 'No note.'}</p>
              <p className="text-sm text-base-content/80">
                {entry.piece.pads
                  .map((pad) => `${foamOf(entry.piece, pad.material)?.name ?? pad.material} ${say(pad.thickness)}`)
                  .join(', ')}
                ; {entry.piece.cloth.name}
              </p>
            </div>
            <div className="text-right">
              <time dateTime={entry.finishedAt} className="text-sm block mb-1">
                {new Date(entry.finishedAt).toLocaleDateString('en-GB', {
                  day: 'numeric',
                  month: 'long',
                  year: 'numeric',
                  timeZone: 'UTC',
                })}
              </time>
              <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void again(entry)}>
                Make again
              </button>
            </div>
          </li>
        ))}
      </ul>
    </main>
  );
}
