'use client';

import { SeamsOnPlan } from '@/ui/drawing/seams';
import type { Stage } from '@/ui/sheet/stage';
import { FixMain } from './fix-main';
import { FixPanel } from './fix-panel';
import { FastenersOnPlan } from './fasteners-on-plan';

export const fix: Stage = {
  id: 'fix',
  name: 'Fasten',
  lacking: () => null,
  parts: ['fixing', 'cover'],
  sizes: ['Fastening'],
  Panel: FixPanel,
  Main: FixMain,
  drawing: {
    // Fixing is done under the board: the drawing comes closer and leaves the cloth out.
    frame: () => ({ cloth: false, room: 0.09 }),
    contours: false,
    on: FastenersOnPlan,
    over: SeamsOnPlan,
    section: 22,
    alone: (look) => look === 'behind',
  },
};
