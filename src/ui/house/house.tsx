'use client';

import { useState } from 'react';
import { checkRule, RULES, unusual, type HouseRules, type Rule } from '@/core/house';
import { CURRENCIES, NO_CURRENCY } from '@/core/money';
import { printFigure } from '@/core/sizes';
import { send, UNREACHED } from '@/ui/kit/api';
import { DIALECTS } from '@/core/dialect';
import { ChoiceField, FigureField, LengthField } from '@/ui/kit/fields/fields';
import { useSettings } from '@/ui/kit/settings';

const SUFFIX: Partial<Record<Rule['unit'], string>> = { percent: '%', seconds: 's', minutes: 'min', mass: 'kg', force: 'N' };

/** The currency that prices are written in; none until the workshop chooses one. */
function CurrencyField() {
  const { currency, change } = useSettings();
  const options = [{ id: NO_CURRENCY, name: 'None chosen' }, ...CURRENCIES.map(([code, name]) => ({ id: code, name: `${code}, ${name}` }))];
  return (
    <div className="border-t border-base-content/20 grid grid-cols-[minmax(0,26rem)_1fr] gap-6 items-center">
      <ChoiceField label="Currency" value={currency} options={options} onChange={(code) => change({ currency: code })} />
      <p className="text-sm text-base-content/85">Used wherever a price is shown. Changing it converts nothing.</p>
    </div>
  );
}

/** Which words of the trade everything is written in. */
function WordsField() {
  const { words, change } = useSettings();
  return (
    <div className="border-t border-base-content/20 grid grid-cols-[minmax(0,26rem)_1fr] gap-6 items-center">
      <ChoiceField label="Words" value={words} options={DIALECTS} onChange={(chosen) => change({ words: chosen })} />
      <p className="text-sm text-base-content/85" translate="no">
        {DIALECTS.map(({ name, says }) => `${name}: ${says}.`).join(' ')}
      </p>
    </div>
  );
}

/** The workshop's own figures, each with its usual range and reason. */
export function House({ initial }: { initial: HouseRules }) {
  const { unit } = useSettings();
  const [house, setHouse] = useState(initial);
  const [status, setStatus] = useState('');
  const groups = [...new Set(RULES.map((rule) => rule.group))];

  const set = (rule: Rule, value: number | null): string | null => {
    const wrong = value === null ? null : checkRule(rule.key, value);
    if (wrong) return wrong;
    const next = { ...house };
    if (value === null || value === rule.value) delete next[rule.key];
    else next[rule.key] = value;
    setHouse(next);
    setStatus('Saving…');
    send('PUT', '/api/house', { key: rule.key, value: next[rule.key] ?? null })
      .then((answer) => setStatus(answer.ok ? 'Saved' : (answer.data.message ?? 'Not saved')))
      .catch(() => setStatus(UNREACHED));
    return null;
  };

  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <div className="flex items-baseline gap-4">
        <h1 className="font-display text-2xl">House rules</h1>
        <span role="status" className="text-sm">
          {status}
        </span>
      </div>
      <p className="text-sm mb-3">
        Every number in the sizes says which rule it came from. A change here reaches every piece that has not set its own.
      </p>
      <WordsField />
      {groups.map((group) => (
        <section key={group} aria-label={group} className="mb-5">
          <h2 className="font-display text-lg">{group}</h2>
          {group === 'Sewn, nailed and framed work' && <p className="text-sm mb-1">A pull-over chair seat uses none of these.</p>}
          {group === 'Price' && <CurrencyField />}
          {RULES.filter((rule) => rule.group === group).map((rule) => {
            const value = house[rule.key] ?? rule.value;
            const remark = unusual(rule.key, value);
            const field = { label: rule.label, name: `house ${rule.key}`, value, onCommit: (next: number) => set(rule, next) };
            return (
              <div key={rule.key} className="border-t border-base-content/20 grid grid-cols-[minmax(0,26rem)_1fr] gap-6 items-center">
                {rule.unit === 'length' ? <LengthField {...field} /> : <FigureField {...field} suffix={SUFFIX[rule.unit]} />}
                <p className="text-sm text-base-content/85">
                  {rule.reason} Usual {printFigure(rule.sensible[0], rule.unit, unit)} to {printFigure(rule.sensible[1], rule.unit, unit)}.
                  {remark && <span className="text-warning font-semibold"> Outside the usual.</span>}
                  {value !== rule.value && (
                    <button type="button" className="ml-2 underline cursor-pointer" onClick={() => set(rule, null)}>
                      Back to {printFigure(rule.value, rule.unit, unit)}
                    </button>
                  )}
                </p>
              </div>
            );
          })}
        </section>
      ))}
    </main>
  );
}
