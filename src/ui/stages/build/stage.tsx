'use client';

import { Measured } from '@/ui/sheet/measured';
import type { Stage } from '@/ui/sheet/stage';
import { BuildPanel } from './build-panel';
import { DrawnPadHandles } from './drawn-pads';

export const build: Stage = {
  id: 'build',
  name: 'Build',
  lacking: (piece) => (piece.pads.some((pad) => pad.role === 'main') ? null : 'no main pad'),
  parts: [],
  sizes: ['Padding'],
  Panel: BuildPanel,
  drawing: {
    frame: (view) => ({ cloth: Boolean(view.plan.cover?.pulled), room: view.plan.cover?.pulled ? 0.05 : 0.16 }),
    contours: true,
    over: Measured,
    handles: DrawnPadHandles,
    section: 34,
  },
};
