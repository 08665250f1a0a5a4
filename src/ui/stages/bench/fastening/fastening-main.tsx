'use client';

import type { ReactNode } from 'react';
import { useSheet } from '@/ui/sheet/store';
import { BehindView } from './behind-view';

/** The order of fastening on the piece, or one plan of its back. */
export function FasteningMain({ children }: { children: ReactNode }) {
  const behind = useSheet((state) => state.look === 'behind');
  return <div className="flex-1 min-h-0 flex flex-col">{behind ? <BehindView /> : children}</div>;
}
