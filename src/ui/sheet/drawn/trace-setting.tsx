'use client';

import type { ReactNode } from 'react';
import type { Trace } from '@/core/piece';
import { photoScale } from '@/core/trace';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { TakeOut } from '@/ui/kit/fields/lists';
import { PieceField } from '../fields/piece-field';
import { useSheet } from '../store';

const KNOWN: { id: Trace['scale']['kind']; name: string }[] = [
  { id: 'two', name: 'Two points' },
  { id: 'four', name: 'Four corners (squares it up)' },
];

/** What the marks are taken to be until they are measured. */
export const FIRST_SCALE: Record<Trace['scale']['kind'], Trace['scale']> = {
  two: { kind: 'two', apart: 300 },
  four: { kind: 'four', width: 297, height: 210 },
};

type Props = {
  trace: Trace;
  /** where it stands in the document */
  at: string;
  onPut: (change: Partial<Trace>) => void;
  onTakeOut: () => void;
  /** while points are clicked, in words */
  clicking: string;
  /** what is done with it */
  children?: ReactNode;
};

/** A photo that is traced: what is known on it, how far it has come, and one step back. */
export function TraceSetting({ trace, at, onPut, onTakeOut, clicking, children }: Props) {
  const tracing = useSheet((state) => state.tracing);
  const show = useSheet((state) => state.show);
  const lacking = photoScale(trace);
  return (
    <>
      <div className="flex items-center">
        <button type="button" className="text-sm underline cursor-pointer" onClick={() => show({ tracing: tracing === at ? null : at })}>
          {tracing === at ? 'Back to the plan' : 'Show the photo'}
        </button>
        <TakeOut what="the photo" onClick={onTakeOut} />
      </div>
      <ChoiceField
        label="Scale from"
        value={trace.scale.kind}
        options={KNOWN}
        onChange={(kind) => onPut({ marks: [], scale: FIRST_SCALE[kind] })}
      />
      {(trace.scale.kind === 'two' ? ['apart'] : ['width', 'height']).map((key) => (
        <PieceField key={key} at={`${at}.scale.${key}`} />
      ))}
      <p className="text-xs">{typeof lacking === 'string' ? `${lacking}.` : `${clicking}; ${trace.points.length} points so far.`}</p>
      <div className="flex flex-wrap gap-1 mt-1">
        {children}
        <button
          type="button"
          className="btn btn-sm btn-ghost font-normal"
          disabled={trace.points.length + trace.marks.length === 0}
          onClick={() => onPut(trace.points.length > 0 ? { points: trace.points.slice(0, -1) } : { marks: trace.marks.slice(0, -1) })}
        >
          Back one
        </button>
      </div>
    </>
  );
}
