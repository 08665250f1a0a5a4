'use client';

import { useEffect } from 'react';
import type { HouseRules } from '@/core/house';
import type { Piece } from '@/core/piece';
import type { SitView } from '@/core/view';
import { useJob } from '@/ui/kit/use-job';

/** Typing settles for this long before a sitting is begun, ms. */
const SETTLE = 120;

/**
 * Sits on the piece as it stands, in a worker; the newest change gives up what is under way.
 *
 * @param active whether anybody looks
 */
export function useSit(piece: Piece, house: HouseRules, active: boolean): { view: SitView | null; running: boolean; wrong: string | null } {
  const { start, stop, answer, running, wrong } = useJob<'sit'>();
  useEffect(() => {
    if (!active) return;
    const timer = setTimeout(() => start({ kind: 'sit', piece, house }), SETTLE);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [piece, house, active, start, stop]);
  return { view: answer && 'view' in answer ? answer.view : null, running, wrong };
}
