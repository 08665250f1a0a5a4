'use client';

import type { Stage } from '@/ui/sheet/stage';
import { SitPanel } from './sit-panel';
import { SitterHandle, SitterOnPlan, SitterKey } from './sitter-layers';

export const sit: Stage = {
  id: 'sit',
  name: 'Sit',
  lacking: (piece) => (piece.pads.length === 0 ? 'nothing to sit on' : null),
  parts: [],
  sizes: ['Padding'],
  sits: true,
  Panel: SitPanel,
  drawing: {
    frame: () => ({ cloth: false, room: 0.16 }),
    contours: true,
    on: SitterOnPlan,
    over: SitterKey,
    handles: SitterHandle,
    section: 34,
  },
};
