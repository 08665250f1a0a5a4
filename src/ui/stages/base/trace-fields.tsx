'use client';

import { Camera } from 'lucide-react';
import { useState } from 'react';
import { photoScale, tracedNodes } from '@/core/trace';
import type { Piece, Trace } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields';
import { FilePick } from '@/ui/kit/file-pick';
import { Part, TakeOut, Wrong } from '@/ui/kit/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PieceField } from '@/ui/sheet/piece-field';
import { usePiece, useSheet } from '@/ui/sheet/store';

const withTrace = (piece: Piece, trace: Trace | null): Piece => ({ ...piece, base: { ...piece.base, trace } });

/** Steps of the tracing: take what was traced, or one step back. */
function TraceSteps({
  trace,
  onUse,
  onPut,
}: {
  trace: Trace;
  onUse: (join: 'line' | 'smooth') => void;
  onPut: (change: Partial<Trace>) => void;
}) {
  const few = trace.points.length < 3;
  return (
    <div className="flex flex-wrap gap-1 mt-1">
      {(['line', 'smooth'] as const).map((join) => (
        <button key={join} type="button" className="btn btn-sm btn-outline font-normal" disabled={few} onClick={() => onUse(join)}>
          Take it, {join === 'line' ? 'straight' : 'smooth'}
        </button>
      ))}
      <button
        type="button"
        className="btn btn-sm btn-ghost font-normal"
        disabled={trace.points.length + trace.marks.length === 0}
        onClick={() => onPut(trace.points.length > 0 ? { points: trace.points.slice(0, -1) } : { marks: trace.marks.slice(0, -1) })}
      >
        Back one
      </button>
    </div>
  );
}

const KNOWN: { id: Trace['scale']['kind']; name: string }[] = [
  { id: 'two', name: 'Two points' },
  { id: 'four', name: 'Four corners (squares it up)' },
];
/** What the marks are taken to be until they are measured. */
const FIRST_SCALE: Record<Trace['scale']['kind'], Trace['scale']> = {
  two: { kind: 'two', apart: 300 },
  four: { kind: 'four', width: 297, height: 210 },
};

/** The photo, what is known on it, and the outline it gives. */
export function TraceFields() {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const tracing = useSheet((state) => state.tracing);
  const show = useSheet((state) => state.show);
  const [message, setMessage] = useState<string | null>(null);
  const trace = piece.base.trace ?? null;
  const put = (change: Partial<Trace>) => apply(withTrace(piece, { ...trace!, ...change }));
  const take = async (file: File) => {
    const kept = await keepPhoto(file);
    if ('message' in kept) return setMessage(kept.message);
    setMessage(apply(withTrace(piece, { photo: kept.name, scale: FIRST_SCALE.two, marks: [], points: [] })));
    show({ tracing: 'base.trace' });
  };
  const use = (join: 'line' | 'smooth') => {
    const nodes = tracedNodes(trace!, join);
    if (typeof nodes === 'string') return setMessage(nodes);
    const wrong = apply({ ...piece, base: { ...piece.base, notches: [], edges: [], shape: { type: 'drawn', mirrored: false, nodes } } });
    setMessage(wrong);
    if (!wrong) show({ tracing: null });
  };
  const takeOut = () => {
    apply(withTrace(piece, null));
    show({ tracing: null });
  };
  const lacking = trace ? photoScale(trace) : null;
  return (
    <Part title="Trace a photo" count={trace ? 1 : 0}>
      <FilePick label="Photo to trace" accept="image/*" onPick={(file) => void take(file)}>
        <Camera size={14} aria-hidden /> {trace ? 'Another photo' : 'Photo'}
      </FilePick>
      {trace && (
        <>
          <div className="flex items-center">
            <button
              type="button"
              className="text-sm underline cursor-pointer"
              onClick={() => show({ tracing: tracing ? null : 'base.trace' })}
            >
              {tracing ? 'Back to the plan' : 'Show the photo'}
            </button>
            <TakeOut what="the photo" onClick={takeOut} />
          </div>
          <ChoiceField
            label="Known are"
            value={trace.scale.kind}
            options={KNOWN}
            onChange={(kind) => put({ marks: [], scale: FIRST_SCALE[kind] })}
          />
          {(trace.scale.kind === 'two' ? ['apart'] : ['width', 'height']).map((key) => (
            <PieceField key={key} at={`base.trace.scale.${key}`} />
          ))}
          <p className="text-xs">
            {typeof lacking === 'string' ? `${lacking}.` : `Click round the edge; ${trace.points.length} points so far.`}
          </p>
          <TraceSteps trace={trace} onUse={use} onPut={put} />
        </>
      )}
      <Wrong message={message} />
    </Part>
  );
}
