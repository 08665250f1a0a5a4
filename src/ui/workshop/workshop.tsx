'use client';

import type { KeptBackup } from '@/data/backup';
import type { Shop } from '@/core/scheduling';
import type { Event } from '@/server/event-log';
import { Backups } from './backups';
import { Instant } from './instant';
import { Members } from './members';
import { People } from './people';

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

/** The workshop: who works here, the network, backups, and what happened. */
export function Workshop({ first, shop, events }: { first: KeptBackup[]; shop: Shop; events: Event[] }) {
  return (
    <main className="max-w-4xl w-full mx-auto px-6 py-5">
      <h1 className="font-display text-2xl mb-3">Workshop</h1>
      <People first={shop} />
      <Members />
      <Backups first={first} />
      <Events events={events} />
    </main>
  );
}
