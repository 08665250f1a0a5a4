'use client';

import Link from 'next/link';
import { PATTERN_FORMATS } from '@/core/formats/pattern-formats';
import { CAUTIONS } from '@/core/run-sheet';
import type { Stage } from '@/ui/sheet/stage';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { CutView } from './cut-view';
import { Savings } from './savings';
import { ToCutter } from './to-cutter';

function CutPanel() {
  const { count } = usePiece();
  const id = useSheet((state) => state.id);
  return (
    <div className="text-sm space-y-2">
      <p>
        Everything for the set of {count}, laid out. Sheet sizes, roll widths and gaps are house rules; open a number on the right to change
        one for this piece.
      </p>
      <p className="text-warning">{CAUTIONS.knife}</p>
      <p className="flex gap-2 flex-wrap">
        <Link className="btn btn-sm btn-outline font-normal" href={`/job/p-${id}?tab=cut`}>
          Lay it out from the store
        </Link>
        <Link className="btn btn-sm btn-outline font-normal" href={`/job/p-${id}?tab=buy`}>
          What to buy
        </Link>
      </p>
      <Savings />
      <ToCutter />
      <section aria-label="Patterns and cut list" className="border-t border-base-content/25 pt-2">
        <h3 className="font-semibold">Patterns at full size</h3>
        <p className="text-xs">One drawing in layers – cut, seam, notch, mark, text – in millimetres, for a plotter or a cutter.</p>
        {PATTERN_FORMATS.map(({ id: format, name }) => (
          <a
            key={format}
            className="btn btn-sm btn-outline font-normal mr-1 mt-1"
            href={`/api/pieces/${id}/patterns?format=${format}`}
            download
          >
            {name}
          </a>
        ))}
      </section>
    </div>
  );
}

export const cut: Stage = {
  id: 'cut',
  name: 'Cut',
  lacking: () => null,
  parts: ['cut', 'cover'],
  sizes: ['Buy'],
  Panel: CutPanel,
  Main: CutView,
};
