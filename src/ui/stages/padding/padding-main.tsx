'use client';

import type { ReactNode } from 'react';
import type { SatPhoto } from '@/core/piece';
import { useField, useSheet } from '@/ui/sheet/store';
import { TracingBoard } from '@/ui/sheet/drawn/tracing-board';

/** The photo of where somebody sat. */
function SatBoard({ at }: { at: string }) {
  const [sat, put] = useField<SatPhoto | null | undefined>(at);
  return sat ? <TracingBoard trace={sat} needed={2} most={2} onTrace={put} single /> : null;
}

/** The photo while seat bones are marked on it, the plan otherwise. */
export function PaddingMain({ children }: { children: ReactNode }) {
  const tracing = useSheet((state) => state.tracing);
  const there = useField<SatPhoto | null | undefined>(tracing?.startsWith('pads.') ? tracing : 'pads')[0];
  return tracing?.startsWith('pads.') && there ? <SatBoard at={tracing} /> : children;
}
