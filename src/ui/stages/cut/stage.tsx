'use client';

import { CAUTIONS } from '@/core/run';
import type { Stage } from '@/ui/sheet/stage';
import { usePiece } from '@/ui/sheet/store';
import { CutView } from './cut-view';
import { Savings } from './savings';

function CutPanel() {
  const { count } = usePiece();
  return (
    <div className="text-sm space-y-2">
      <p>
        Everything for the set of {count}, laid out. Sheet sizes, roll widths and gaps are house rules; open a number on the right to change
        one for this piece.
      </p>
      <p className="text-warning">{CAUTIONS.knife}</p>
      <Savings />
    </div>
  );
}

export const cut: Stage = {
  id: 'cut',
  name: 'Cut',
  lacking: () => null,
  parts: ['cut', 'cover'],
  sizes: ['Buy'],
  Panel: CutPanel,
  Main: CutView,
};
