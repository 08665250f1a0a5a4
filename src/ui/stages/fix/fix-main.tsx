'use client';

import type { ReactNode } from 'react';
import { useSheet } from '@/ui/sheet/store';
import { BehindView } from './behind-view';

/** What the Fasten stage puts in front. */
export const FIX_LOOKS = { plan: 'The order', behind: 'From behind' } as const;

/** The order of fastening on the piece, or one plan of its back. */
export function FixMain({ children }: { children: ReactNode }) {
  const look = useSheet((state) => state.look);
  const show = useSheet((state) => state.show);
  return (
    <>
      <div className="absolute left-2 top-1 z-10 flex gap-1" role="group" aria-label="What is shown of the fastening">
        {(Object.keys(FIX_LOOKS) as (keyof typeof FIX_LOOKS)[]).map((id) => (
          <button
            key={id}
            type="button"
            aria-pressed={(look === 'behind') === (id === 'behind')}
            className={`btn btn-xs font-normal ${(look === 'behind') === (id === 'behind') ? 'btn-secondary' : 'btn-ghost bg-base-100'}`}
            onClick={() => show({ look: id })}
          >
            {FIX_LOOKS[id]}
          </button>
        ))}
      </div>
      <div className="flex-1 min-h-0 pt-7 flex flex-col">{look === 'behind' ? <BehindView /> : children}</div>
    </>
  );
}
