'use client';

import type { Stage } from '@/ui/sheet/stage';
import { StripList } from './strip-list';
import { StripPanel } from './strip-panel';

export const strip: Stage = {
  id: 'strip',
  name: 'Strip',
  lacking: () => null,
  parts: ['strip'],
  sizes: [],
  Panel: StripPanel,
  Main: StripList,
};
