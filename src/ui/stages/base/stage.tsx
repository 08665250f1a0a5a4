'use client';

import type { Stage } from '@/ui/sheet/stage';
import { Measured } from '@/ui/sheet/drawn/measured';
import { FittingHandles } from './fitting-handles';
import { BaseMain } from './base-main';
import { BasePanel } from './base-panel';

export const base: Stage = {
  id: 'base',
  name: 'Base',
  lacking: () => null,
  parts: ['board'],
  sizes: ['Base', 'Padding'],
  Panel: BasePanel,
  Main: BaseMain,
  drawing: {
    frame: (view) => ({ cloth: Boolean(view.plan.cover?.pulled), room: view.plan.cover?.pulled ? 0.05 : 0.16 }),
    contours: true,
    over: Measured,
    handles: FittingHandles,
    section: 34,
  },
};
