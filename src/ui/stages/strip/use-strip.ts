'use client';

import type { StripRecord } from '@/core/piece';
import { NO_STRIP } from '@/core/strip';
import { usePiece, useSheet } from '@/ui/sheet/store';

/** The strip record, and a way to change part of it. */
export function useStrip(): { strip: StripRecord; put: (change: Partial<StripRecord>) => string | null } {
  const strip = usePiece().strip ?? NO_STRIP;
  const put = useSheet((state) => state.put);
  return { strip, put: (change) => put('strip', { ...strip, ...change }) };
}
