'use client';

import { CAUTIONS } from '@/core/run-sheet';
import type { Stage } from '@/ui/sheet/stage';
import { RunSheet } from './run-sheet';

function BenchPanel() {
  return (
    <div className="text-sm space-y-2">
      <p>Tick each step for each piece of the set. The step in hand is marked.</p>
      <p className="text-warning">{CAUTIONS.fire}</p>
    </div>
  );
}

export const bench: Stage = {
  id: 'bench',
  name: 'Bench',
  lacking: (piece) => (piece.pads.some((pad) => pad.role === 'main') ? null : 'build it first'),
  parts: ['run'],
  sizes: ['Work'],
  Panel: BenchPanel,
  Main: RunSheet,
};
