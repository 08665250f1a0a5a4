'use client';

import { Moon, Ruler, Sun } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { MouseEvent } from 'react';
import type { Member } from '@/data/members';
import { send } from './api';
import { UnitSwitch, useSettings } from './settings';
import { useTape } from './tape';

const PLACES = [
  { href: '/', label: 'Floor' },
  { href: '/jobs', label: 'Jobs' },
  { href: '/store', label: 'Store' },
  { href: '/diary', label: 'Diary' },
  { href: '/log', label: 'Log' },
  { href: '/house', label: 'House rules' },
  { href: '/workshop', label: 'Workshop' },
];

const TAPE_WORDS = {
  off: 'Digital tape: off',
  looking: 'Digital tape: searching',
  connected: 'Digital tape: on',
  slow: 'Digital tape: slow',
} as const;

/** Turns the digital tape on and off and says how it is. */
function TapeSwitch() {
  const { status, note, turn } = useTape();
  return (
    <div className="flex items-center gap-2 min-w-0">
      <p role="status" className="text-xs max-w-64 text-right truncate" title={note ?? undefined}>
        {note}
      </p>
      <button
        type="button"
        className={`flex items-center gap-1.5 px-2 py-1.5 rounded-sm text-sm whitespace-nowrap hover:bg-base-200 ${status === 'connected' ? 'text-secondary font-semibold' : ''}`}
        aria-pressed={status !== 'off'}
        data-tape-status={status}
        onClick={() => turn(status === 'off')}
      >
        <Ruler size={16} aria-hidden /> <span className="narrow:sr-only">{TAPE_WORDS[status]}</span>
      </button>
    </div>
  );
}

/** Who is here: on the workshop's own machine nobody is asked. */
type Who = Pick<Member, 'name' | 'role'> | 'own machine' | null;

/** Somebody who came in over the network, and the way out. */
function Inside({ name }: { name: string }) {
  const leave = () => void send('DELETE', '/api/enter').finally(() => window.location.assign('/enter'));
  return (
    <span className="text-sm whitespace-nowrap">
      {name}{' '}
      <button type="button" className="underline underline-offset-2 cursor-pointer px-1 py-1.5" onClick={leave}>
        Sign out
      </button>
    </span>
  );
}

/** What of the house each may look at. */
function placesFor(who: Who): typeof PLACES {
  if (who === null) return [];
  return who === 'own machine' || who.role === 'owner' ? PLACES : PLACES.filter(({ href }) => href !== '/workshop');
}

/** The first thing that Tab reaches: past the header, to what the page is about. */
function SkipLink() {
  const skip = (event: MouseEvent) => {
    event.preventDefault();
    const main = document.querySelector('main');
    if (!main) return;
    main.tabIndex = -1;
    main.focus();
  };
  return (
    <a
      href="#main"
      onClick={skip}
      className="sr-only focus:not-sr-only focus:absolute focus:left-2 focus:top-1 focus:z-50 focus:bg-base-100 focus:border focus:border-primary focus:px-3 focus:py-1.5"
    >
      Skip to content
    </a>
  );
}

/** The strip along the top of every screen. */
export function Header({ who }: { who: Who }) {
  const path = usePathname();
  const { theme, change } = useSettings();
  const other = theme === 'day' ? 'evening' : 'day';
  return (
    <header className="flex items-center gap-6 upright:gap-2 px-4 h-12 phone:h-auto phone:flex-wrap phone:px-2 phone:gap-y-0 border-b border-base-content/25 bg-base-100">
      <SkipLink />
      <Link href="/" className="font-display text-xl tracking-tight" aria-label="Fovea, to the floor">
        Fovea
      </Link>
      <nav aria-label="Workshop" className="flex gap-1 phone:order-last phone:w-full phone:overflow-x-auto">
        {placesFor(who).map(({ href, label }) => {
          const here =
            href === '/' ? path === '/' || path.startsWith('/piece') || path === '/new' : path.startsWith(href === '/jobs' ? '/job' : href);
          return (
            <Link
              key={href}
              href={href}
              aria-current={here ? 'page' : undefined}
              className={`px-3 upright:px-1.5 py-1.5 text-sm rounded-sm whitespace-nowrap hover:bg-base-200 ${here ? 'font-semibold underline underline-offset-[6px] decoration-2 decoration-primary' : ''}`}
            >
              {label}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex items-center gap-3 upright:gap-1">
        {who !== null && who !== 'own machine' && <Inside name={who.name} />}
        {who !== null && <TapeSwitch />}
        {who !== null && <UnitSwitch />}
        <button
          type="button"
          className="p-2 rounded-sm hover:bg-base-200"
          aria-label={`Switch to the ${other} theme`}
          onClick={() => change({ theme: other })}
        >
          {theme === 'day' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
        </button>
      </div>
    </header>
  );
}
