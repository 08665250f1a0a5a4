'use client';

import { Measured } from '@/ui/sheet/drawn/measured';
import type { LayerProps, Stage } from '@/ui/sheet/stage';
import { BuildMain } from './build-main';
import { BuildPanel } from './build-panel';
import { DrawnPadHandles } from './drawn-pads';
import { LetInHandles } from './let-in-handles';

/** All that is moved in the plan while the stack is built. */
function Handles(props: LayerProps) {
  return (
    <>
      <DrawnPadHandles {...props} />
      <LetInHandles {...props} />
    </>
  );
}

export const build: Stage = {
  id: 'build',
  name: 'Build',
  lacking: (piece) => (piece.pads.some((pad) => pad.role === 'main') ? null : 'no main pad'),
  parts: [],
  sizes: ['Padding'],
  Panel: BuildPanel,
  Main: BuildMain,
  drawing: {
    frame: (view) => ({ cloth: Boolean(view.plan.cover?.pulled), room: view.plan.cover?.pulled ? 0.05 : 0.16 }),
    contours: true,
    over: Measured,
    handles: Handles,
    section: 34,
  },
};
