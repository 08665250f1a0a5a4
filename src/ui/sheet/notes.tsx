'use client';

import { inUnit } from '@/core/length';
import { useSettings } from '@/ui/kit/settings';
import { useSheet } from './store';

/** What is worth a word about the plan, as far as it was looked at. */
export function Notes() {
  const { unit } = useSettings();
  const warnings = useSheet((state) => state.view!.plan.warnings);
  if (warnings.length === 0) return null;
  return (
    <section aria-label="Notes on the plan" className="px-3 py-2 border-b border-base-content/25">
      <ul className="text-sm space-y-1">
        {warnings.map((warning) => (
          <li key={warning.code + warning.where} className="border-l-3 border-warning pl-2">
            {inUnit(warning.message, unit)}
          </li>
        ))}
      </ul>
    </section>
  );
}
