'use client';

import { Camera } from 'lucide-react';
import { useState } from 'react';
import { tracedNodes } from '@/core/trace';
import type { Piece, Trace } from '@/core/piece';
import { FilePick } from '@/ui/kit/file-pick';
import { Part, Wrong } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { FIRST_SCALE, TraceSetting } from '@/ui/sheet/drawn/trace-setting';

const withTrace = (piece: Piece, trace: Trace | null): Piece => ({ ...piece, base: { ...piece.base, trace } });

/** The photo, what is known on it, and the outline it gives. */
export function TraceFields() {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const show = useSheet((state) => state.show);
  const [message, setMessage] = useState<string | null>(null);
  const trace = piece.base.trace ?? null;
  const put = (change: Partial<Trace>) => apply(withTrace(piece, { ...trace!, ...change }));
  const take = async (file: File) => {
    const saved = await keepPhoto(file);
    if ('message' in saved) return setMessage(saved.message);
    setMessage(apply(withTrace(piece, { photo: saved.name, scale: FIRST_SCALE.two, marks: [], points: [] })));
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
  return (
    <Part title="Trace a photo" count={trace ? 1 : 0}>
      <FilePick label="Photo to trace" accept="image/*" onPick={(file) => void take(file)}>
        <Camera size={14} aria-hidden /> {trace ? 'Another photo' : 'Photo'}
      </FilePick>
      {trace && (
        <TraceSetting trace={trace} at="base.trace" onPut={put} onTakeOut={takeOut} clicking="Click round the edge">
          {(['line', 'smooth'] as const).map((join) => (
            <button
              key={join}
              type="button"
              className="btn btn-sm btn-outline font-normal"
              disabled={trace.points.length < 3}
              onClick={() => use(join)}
            >
              Take it, {join === 'line' ? 'straight' : 'smooth'}
            </button>
          ))}
        </TraceSetting>
      )}
      <Wrong message={message} />
    </Part>
  );
}
