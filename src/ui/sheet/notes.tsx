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

/** How many findings are shown; all of them are in the piece's inspection on the command line. */
const SHOWN = 4;

/** A plan that did not pass its inspection: nobody cuts to it, and the piece is at hand to be sent. */
function Unsound() {
  const { unit } = useSettings();
  const id = useSheet((state) => state.id);
  // Of the whole plan where it is known, of what the stage looks at until then.
  const findings = useSheet(({ answer, piece, view }) => (answer?.of === piece ? answer.findings : view!.findings));
  if (findings.length === 0) return null;
  return (
    <section role="alert" aria-label="Fault in the plan" className="px-3 py-2 border-b border-base-content/25 bg-error/10" data-unsound>
      <p className="text-sm font-semibold text-error">Do not cut: this plan is wrong</p>
      <ul className="text-sm list-disc pl-5">
        {findings.slice(0, SHOWN).map(({ check, part, place, says }) => (
          <li key={`${check} ${part} ${place} ${says}`}>{inUnit(`${says}.`, unit)}</li>
        ))}
      </ul>
      {findings.length > SHOWN && <p className="text-sm">and {findings.length - SHOWN} more</p>}
      <p className="text-sm mt-1">
        This is a fault in Fovea, not in your piece.{' '}
        <a className="link" href={`/api/pieces/${id}/export`} download>
          Save the piece as a file
        </a>{' '}
        and send it to us.
      </p>
    </section>
  );
}

/** What is worth a word about the plan, as far as it was looked at: the more harmful first. */
export function Notes() {
  const warnings = useSheet((state) => state.view!.plan.warnings);
  if (warnings.length === 0) return <Unsound />;
  return (
    <>
      <Unsound />
      <section aria-label="Notes on the plan" className="px-3 py-2 border-b border-base-content/25">
        <ul className="text-sm space-y-1">
          {warnings.map((warning) => (
            <Note key={warning.code + warning.where} warning={warning} />
          ))}
        </ul>
      </section>
    </>
  );
}
