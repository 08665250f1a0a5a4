'use client';

import { Measured } from '@/ui/sheet/drawn/measured';
import type { LayerProps, Stage } from '@/ui/sheet/stage';
import { PaddingMain } from './padding-main';
import { PaddingPanel } from './padding-panel';
import { DrawnPadHandles } from './drawn-pads';
import { LetInHandles } from './let-in-handles';
import { SitterHandle, SitterKey, SitterOnPlan } from './sit/sitter-layers';

/** All that is moved in the plan while the stack is built. */
function Handles(props: LayerProps) {
  return (
    <>
      <DrawnPadHandles {...props} />
      <LetInHandles {...props} />
    </>
  );
}

const SECTION = 34;

export const padding: Stage = {
  id: 'padding',
  draws: true,
  name: 'Padding',
  formerly: { build: 'plan', sit: 'sit' },
  lacking: (piece) => (piece.pads.some((pad) => pad.role === 'main') ? null : 'no main pad'),
  parts: [],
  sizes: ['Padding'],
  sits: true,
  Panel: PaddingPanel,
  Main: PaddingMain,
  drawing: {
    frame: (view) => ({ cloth: Boolean(view.plan.cover?.pulled), room: view.plan.cover?.pulled ? 0.05 : 0.16 }),
    contours: true,
    over: Measured,
    handles: Handles,
    section: SECTION,
  },
  views: {
    sit: {
      sitter: true,
      drawing: {
        frame: () => ({ cloth: false, room: 0.16 }),
        contours: true,
        on: SitterOnPlan,
        over: SitterKey,
        handles: SitterHandle,
        section: SECTION,
      },
    },
  },
};
