'use client';

import type { ReactNode } from 'react';
import { POINTS, type Trace } from '@/core/piece';
import { useField, useSheet } from '@/ui/sheet/store';
import { ViewSwitch } from '@/ui/sheet/view-switch';
import { TracingBoard } from '@/ui/sheet/drawn/tracing-board';
import { CornersView } from './corners-view';
import { PiecesView } from './pieces-view';
import { StrainView } from './strain-view';

/** What the Cover stage puts in front. */
export const COVER_LOOKS = { plan: 'On the piece', pieces: 'Flat pieces', strain: 'Strain', corners: 'Corners' } as const;
type CoverLook = keyof typeof COVER_LOOKS;

const VIEWS: Record<Exclude<CoverLook, 'plan'>, () => ReactNode> = { pieces: PiecesView, strain: StrainView, corners: CornersView };

/** The piece itself, its flat pieces, their strain, or the corners; and the choice between them. */
export function CoverMain({ children }: { children: ReactNode }) {
  const look = useSheet((state) => state.look) as CoverLook;
  const View = look === 'plan' ? null : VIEWS[look];
  const tracing = useSheet((state) => state.tracing);
  const [trace, put] = useField<Trace | null | undefined>(tracing?.startsWith('pinned.') ? tracing : 'base.trace');
  if (tracing?.startsWith('pinned.') && trace)
    return <TracingBoard trace={trace} needed={trace.scale.kind === 'two' ? 2 : 4} most={POINTS[1]} onTrace={put} />;
  return (
    <>
      <div className="absolute left-2 top-1 z-10">
        <ViewSwitch label="What is shown of the cover" views={COVER_LOOKS} />
      </div>
      {View ? <View /> : <div className="flex-1 min-h-0 pt-7">{children}</div>}
    </>
  );
}
