'use client';

import { Moon, Ruler, Sun } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { UnitSwitch, useSettings } from './settings';
import { useTape } from './tape';

const PLACES = [
  { href: '/', label: 'Floor' },
  { href: '/log', label: 'Log' },
  { href: '/house', label: 'House rules' },
  { href: '/workshop', label: 'Workshop' },
];

const TAPE_WORDS = { off: 'Tape off', looking: 'No tape', connected: 'Tape', slow: 'Tape slow' } as const;

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
        <Ruler size={16} aria-hidden /> {TAPE_WORDS[status]}
      </button>
    </div>
  );
}

/** The strip along the top of every screen. */
export function Header() {
  const path = usePathname();
  const { theme, change } = useSettings();
  const other = theme === 'day' ? 'evening' : 'day';
  return (
    <header className="flex items-center gap-6 px-4 h-12 border-b border-base-content/25 bg-base-100">
      <Link href="/" className="font-display text-xl tracking-tight" aria-label="Fovea, to the floor">
        Fovea
      </Link>
      <nav aria-label="Workshop" className="flex gap-1">
        {PLACES.map(({ href, label }) => {
          const here = href === '/' ? path === '/' || path.startsWith('/piece') || path === '/new' : path.startsWith(href);
          return (
            <Link
              key={href}
              href={href}
              aria-current={here ? 'page' : undefined}
              className={`px-3 py-1.5 text-sm rounded-sm hover:bg-base-200 ${here ? 'font-semibold underline underline-offset-[6px] decoration-2 decoration-primary' : ''}`}
            >
              {label}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex items-center gap-3">
        <TapeSwitch />
        <UnitSwitch />
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
