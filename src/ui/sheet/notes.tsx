'use client';

import { useState } from 'react';
import { inUnit } from '@/core/length';
import { mendOf } from '@/core/plan';
import type { Warning } from '@/core/plan';
import { useSettings } from '@/ui/kit/settings';
import { usePiece, useSheet } from './store';

/** One thing worth a word, and what mends it with one press. */
function Note({ warning }: { warning: Warning }) {
  const { unit } = useSettings();
  const piece = usePiece();
  const put = useSheet((state) => state.put);
  const [refused, setRefused] = useState<string | null>(null);
  const mend = mendOf(piece, warning);
  return (
    <li className="border-l-3 border-warning pl-2" data-warning={warning.code}>
      {inUnit(warning.message, unit)}
      {mend && (
        <button
          type="button"
          className="btn btn-xs btn-outline font-normal ml-1 align-baseline"
          onClick={() => setRefused(put(mend.path, mend.value))}
        >
          {inUnit(mend.says, unit)}
        </button>
      )}
      {refused && (
        <p role="alert" className="text-error text-xs">
          {inUnit(refused, unit)}
        </p>
      )}
    </li>
  );
}

/** What is worth a word about the plan, as far as it was looked at: the more harmful first. */
export function Notes() {
  const warnings = useSheet((state) => state.view!.plan.warnings);
  if (warnings.length === 0) return null;
  return (
    <section aria-label="Notes on the plan" className="px-3 py-2 border-b border-base-content/25">
      <ul className="text-sm space-y-1">
        {warnings.map((warning) => (
          <Note key={warning.code + warning.where} warning={warning} />
        ))}
      </ul>
    </section>
  );
}
