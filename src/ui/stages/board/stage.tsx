'use client';

import type { Stage } from '@/ui/sheet/stage';
import { Measured } from '@/ui/sheet/drawn/measured';
import { FittingHandles } from './fitting-handles';
import { BoardMain } from './board-main';
import { BoardPanel } from './board-panel';

export const board: Stage = {
  id: 'board',
  draws: true,
  name: 'Board',
  formerly: { base: 'plan' },
  lacking: () => null,
  parts: ['board'],
  sizes: ['Board', 'Padding'],
  Panel: BoardPanel,
  Main: BoardMain,
  drawing: {
    frame: (view) => ({ cloth: Boolean(view.plan.cover?.pulled), room: view.plan.cover?.pulled ? 0.05 : 0.16 }),
    contours: true,
    over: Measured,
    handles: FittingHandles,
    section: 34,
  },
};
