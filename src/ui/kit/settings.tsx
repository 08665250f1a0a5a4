'use client';

import { createContext, useContext, useState, type ReactNode } from 'react';
import type { Settings } from '@/data/settings';
import { saidLength, UNITS, type Unit } from '@/core/length';
import { formatMoney, NO_CURRENCY } from '@/core/money';
import { setDialect } from '@/ui/dialect/current';
import { send } from './api';

type Value = Settings & { change: (change: Partial<Settings>) => void };

const Context = createContext<Value>({ unit: 'mm', theme: 'day', currency: NO_CURRENCY, words: 'british', change: () => undefined });

/** Gives every screen the workshop's unit, theme, currency and words. */
export function SettingsProvider({ initial, children }: { initial: Settings; children: ReactNode }) {
  const [settings, set] = useState(initial);
  // Before anything below is drawn, on the server and in the page alike.
  setDialect(settings.words);
  const change = (part: Partial<Settings>) => {
    set((now) => ({ ...now, ...part }));
    if (part.theme) document.documentElement.dataset.theme = part.theme;
    // What is on the page already was written in the words of before: it is loaded again.
    void send('PUT', '/api/settings', part)
      .then(() => part.words && window.location.reload())
      .catch(() => undefined);
  };
  return <Context value={{ ...settings, change }}>{children}</Context>;
}

export function useSettings(): Value {
  return useContext(Context);
}

/** Prints lengths in the workshop's unit, as they are said. */
export function useLength(): (mm: number) => string {
  const { unit } = useSettings();
  return (mm) => saidLength(mm, unit);
}

/** Writes amounts in the workshop's currency. */
export function useMoney(): (amount: number) => string {
  const { currency } = useSettings();
  return (amount) => formatMoney(amount, currency);
}

const UNIT_WORDS: Record<Unit, string> = { mm: 'Millimetres', cm: 'Centimetres', in: 'Inches' };

/** The switch between mm, cm and inches. */
export function UnitSwitch() {
  const { unit, change } = useSettings();
  return (
    <div role="radiogroup" aria-label="Unit of length" className="flex border border-base-content/30 rounded-sm overflow-hidden">
      {UNITS.map((u) => (
        <label
          key={u}
          className={`relative px-3 py-1.5 cursor-pointer text-sm focus-within:outline-2 focus-within:outline-offset-1 ${u === unit ? 'bg-base-content text-base-100' : 'hover:bg-base-200'}`}
        >
          <input
            type="radio"
            name="unit"
            className="sr-only"
            checked={u === unit}
            aria-label={UNIT_WORDS[u]}
            onChange={() => change({ unit: u })}
          />
          {u}
        </label>
      ))}
    </div>
  );
}
