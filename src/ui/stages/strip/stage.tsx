'use client';

import type { Stage } from '@/ui/sheet/stage';
import { StripList } from './strip-list';
import { StripPanel } from './strip-panel';

export const strip: Stage = {
  id: 'strip',
  name: 'Strip',
  // A new board has nothing to strip; where something is, it is begun at the board.
  applies: (piece) => Boolean(piece.strip),
  lacking: () => null,
  parts: ['strip'],
  sizes: [],
  Panel: StripPanel,
  Main: StripList,
};
