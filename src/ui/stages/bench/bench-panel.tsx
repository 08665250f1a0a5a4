'use client';

import { CAUTIONS } from '@/core/run-sheet';
import { BenchViews } from './bench-views';

/** How a run sheet is worked through, and what else there is to see of the work. */
export function BenchPanel() {
  return (
    <div className="text-sm space-y-2">
      <BenchViews />
      <p>Tick each step for each piece of the set.</p>
      <p className="text-warning">{CAUTIONS.fire}</p>
    </div>
  );
}
