'use client';

import type { SheetView } from '@/core/view';
import { CornersView } from './corners-view';
import { PiecesView } from './pieces-view';
import { StrainView } from './strain-view';

/** What the Cover stage puts in front. */
export const COVER_LOOKS = { plan: 'On the piece', pieces: 'Flat pieces', strain: 'Strain', corners: 'Corners' } as const;
export type CoverLook = keyof typeof COVER_LOOKS;

/** The choice between them. */
export function CoverLooks({ look, onLook }: { look: CoverLook; onLook: (look: CoverLook) => void }) {
  return (
    <div className="absolute left-2 top-1 z-10 flex gap-1" role="group" aria-label="What is shown of the cover">
      {(Object.keys(COVER_LOOKS) as CoverLook[]).map((id) => (
        <button
          key={id}
          type="button"
          aria-pressed={look === id}
          className={`btn btn-xs font-normal ${look === id ? 'btn-secondary' : 'btn-ghost bg-base-100'}`}
          onClick={() => onLook(id)}
        >
          {COVER_LOOKS[id]}
        </button>
      ))}
    </div>
  );
}

/** The flat pieces, their strain, or the corners. */
export function CoverView({ look, view }: { look: Exclude<CoverLook, 'plan'>; view: SheetView }) {
  if (look === 'pieces') return <PiecesView cover={view.plan.cover} />;
  if (look === 'strain') return <StrainView view={view} />;
  return <CornersView view={view} />;
}
