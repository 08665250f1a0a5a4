'use client';

import { useEffect } from 'react';
import { useJob } from '@/ui/kit/worker/use-job';
import { usePiece, useSheet } from './store';

/**
 * A longer job on the piece as it is: begun anew whenever the piece or the house rules change, given up when it is not looked at.
 *
 * @param kind which
 */
export function usePieceJob<K extends 'cures' | 'proposals'>(kind: K) {
  const piece = usePiece();
  const house = useSheet((state) => state.house);
  const job = useJob(kind);
  const { start, stop } = job;
  useEffect(() => {
    start({ piece, house } as Parameters<typeof start>[0]);
    return stop;
  }, [piece, house, start, stop]);
  return job;
}
