'use client';

import type { ReactNode } from 'react';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { OutlineEditor } from './outline-editor';
import { TracingBoard } from './tracing';

/** The photo while it is traced, the points of a free outline, the plan otherwise. */
export function BaseMain({ children }: { children: ReactNode }) {
  const { base } = usePiece();
  const tracing = useSheet((state) => state.tracing);
  if (tracing && base.trace) return <TracingBoard trace={base.trace} />;
  if (base.shape.type === 'drawn') return <OutlineEditor shape={base.shape} />;
  return children;
}
