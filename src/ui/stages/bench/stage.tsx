'use client';

import { SeamsOnPlan } from '@/ui/drawing/seams';
import type { Drawing, Stage, StageView } from '@/ui/sheet/stage';
import { BenchPanel } from './bench-panel';
import { FasteningMain } from './fastening/fastening-main';
import { FasteningPanel } from './fastening/fastening-panel';
import { FastenersOnPlan } from './fastening/fasteners-on-plan';
import { RunSheet } from './run-sheet';

/** Fastening is done under the board: the drawing comes closer and leaves the cloth out. */
const order: Drawing = {
  frame: () => ({ cloth: false, room: 0.09 }),
  contours: false,
  on: FastenersOnPlan,
  over: SeamsOnPlan,
  section: 22,
};
const fastening: Partial<StageView> = {
  parts: ['fixing', 'cover', 'run'],
  sizes: ['Fastening'],
  Panel: FasteningPanel,
  Main: FasteningMain,
};

export const bench: Stage = {
  id: 'bench',
  name: 'Bench',
  formerly: { fix: 'order' },
  lacking: (piece) => (piece.pads.some((pad) => pad.role === 'main') ? null : 'add a main pad first'),
  parts: ['run'],
  sizes: ['Work'],
  Panel: BenchPanel,
  Main: RunSheet,
  views: {
    order: { ...fastening, drawing: order },
    behind: { ...fastening, drawing: { ...order, alone: true } },
  },
};
