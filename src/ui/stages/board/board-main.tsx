'use client';

import type { ReactNode } from 'react';
import { POINTS } from '@/core/piece';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { TracingBoard } from '@/ui/sheet/drawn/tracing-board';
import { OutlineEditor } from './outline-editor';

/** The photo while it is traced, the points of a free outline, the plan otherwise. */
export function BoardMain({ children }: { children: ReactNode }) {
  const { base } = usePiece();
  const tracing = useSheet((state) => state.tracing);
  const put = useSheet((state) => state.put);
  const { trace } = base;
  if (tracing === 'base.trace' && trace)
    return (
      <TracingBoard
        trace={trace}
        needed={trace.scale.kind === 'two' ? 2 : 4}
        most={POINTS[1]}
        onTrace={(next) => put('base.trace', next)}
      />
    );
  if (base.shape.type === 'drawn') return <OutlineEditor shape={base.shape} />;
  return children;
}
