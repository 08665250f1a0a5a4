'use client';

import { Archive, Download } from 'lucide-react';
import { useState } from 'react';
import type { KeptBackup } from '@/data/backup';
import type { Event } from '@/server/event-log';
import { send, UNREACHED } from '@/ui/kit/api';
import { Members } from './members';

/** An instant as it is said in this place. */
function Instant({ at }: { at: string }) {
  const date = new Date(at);
  return (
    <time dateTime={at} suppressHydrationWarning>
      {date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })},{' '}
      {date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
    </time>
  );
}

const sizeOf = (bytes: number): string => (bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`);

/** The workshop's backups: made daily by itself, and now. */
function Backups({ first }: { first: KeptBackup[] }) {
  const [backups, setBackups] = useState(first);
  const [status, setStatus] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const make = async () => {
    setWrong(null);
    setStatus('Making a backup…');
    try {
      const answer = await send<KeptBackup>('POST', '/api/backups');
      if (!answer.ok) throw new Error(answer.data.message);
      setBackups([answer.data, ...backups.filter(({ name }) => name !== answer.data.name)]);
      setStatus('Backed up');
    } catch (error) {
      setStatus('');
      setWrong(error instanceof Error && error.message ? error.message : UNREACHED);
    }
  };
  return (
    <section aria-label="Backups" className="mb-6">
      <h2 className="font-display text-lg">Backups</h2>
      <p className="text-sm mb-2 max-w-3xl">
        Everything there is: pieces with their whole history, ticks, the log, house rules and photos, in one file. One is made daily while
        the application runs. A backup in the same machine does not outlive the machine: keep one elsewhere from time to time. To put one
        back, or to move to another machine, stop the application and run{' '}
        <code className="whitespace-nowrap">npm run fovea -- restore FILE</code>.
      </p>
      <div className="flex items-center gap-3 mb-2">
        <button type="button" className="btn btn-primary" onClick={() => void make()} disabled={status === 'Making a backup…'}>
          <Archive size={16} aria-hidden /> Back up now
        </button>
        <span role="status" className="text-sm">
          {status}
        </span>
      </div>
      {wrong && (
        <p role="alert" className="text-error mb-2">
          {wrong}
        </p>
      )}
      {backups.length === 0 && <p>None yet.</p>}
      <ul className="max-w-3xl">
        {backups.map(({ name, madeAt, size }) => (
          <li key={name} className="border-t border-base-content/20 py-1.5 flex items-center gap-4">
            <span className="flex-1">
              <Instant at={madeAt} />
            </span>
            <span className="text-sm tabular-nums">{sizeOf(size)}</span>
            <a href={`/api/backups/${name}`} className="btn btn-sm btn-outline font-normal" download>
              <Download size={14} aria-hidden /> Keep elsewhere
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}

const LEVELS: Record<Event['level'], string> = { info: '', warn: 'Mind: ', error: 'Wrong: ' };

/** What happened, newest first. */
function Events({ events }: { events: Event[] }) {
  return (
    <section aria-label="What happened">
      <h2 className="font-display text-lg">What happened</h2>
      {events.length === 0 && <p className="text-sm">No events.</p>}
      <ul className="text-sm">
        {events.map((event, i) => (
          <li key={i} className="border-t border-base-content/20 py-1 grid grid-cols-[14rem_1fr] gap-4">
            <Instant at={event.time} />
            <span className={event.level === 'error' ? 'text-error' : ''}>
              {LEVELS[event.level]}
              {event.words}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How the workshop is kept: backups, and what went wrong. */
export function Workshop({ first, events }: { first: KeptBackup[]; events: Event[] }) {
  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <h1 className="font-display text-2xl mb-3">Workshop</h1>
      <Backups first={first} />
      <Members />
      <Events events={events} />
    </main>
  );
}
