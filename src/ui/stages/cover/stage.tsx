'use client';

import { nearestReach } from '@/core/cover';
import { ClothOnPlan, SeamHandles } from './plan-cover';
import { SeamsOnPlan } from '@/ui/drawing/seams';
import type { Drawing, Stage } from '@/ui/sheet/stage';
import { CoverMain } from './cover-views';
import { CoverPanel } from './cover-panel';
import { ReachAnswer, ReachMark } from './reach';
import { WrapAtStation } from './wrap-at-station';
import type { LayerProps } from '@/ui/sheet/stage';

function CoverHandles(layer: LayerProps) {
  return (
    <>
      <SeamHandles {...layer} />
      <ReachMark {...layer} />
    </>
  );
}

const drawing: Drawing = {
  frame: (view) => {
    const pulled = view.plan.cover?.pulled ?? true;
    return { cloth: pulled, room: pulled ? 0.05 : 0.16 };
  },
  contours: true,
  cloth: ClothOnPlan,
  on: SeamsOnPlan,
  station: WrapAtStation,
  handles: CoverHandles,
  onPoint: (view, at, show) => {
    const places = view.plan.cover?.reach.places;
    if (places) show({ pointed: nearestReach(places, at.x, at.y) });
  },
  section: 26,
  Beside: ReachAnswer,
};
/** Flat pieces, strain and corners fill the middle. */
const alone = { drawing: { ...drawing, alone: true } };

export const cover: Stage = {
  id: 'cover',
  draws: true,
  name: 'Cover',
  lacking: (piece) => (piece.cloth.name.trim() ? null : 'no cloth named'),
  parts: ['cover'],
  sizes: ['Cover'],
  Panel: CoverPanel,
  Main: CoverMain,
  drawing,
  views: { pieces: alone, strain: alone, corners: alone },
};
