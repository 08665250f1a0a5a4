import type { Fastener } from '@/core/fastening';
import { step } from '@/core/step/step';

/** A fastener that nobody sells: one peg at every corner. */
export const pegs: Fastener = {
  id: 'pegs',
  name: 'Pegs',
  kind: 'other',
  ware: { kind: 'fastener', sort: 'tack', name: 'Fasteners' },
  caution: '',
  words: 'A peg at every corner.',
  used: ({ model }) => model.piece.covering.way === 'draped',
  size: () => ({ says: '30 mm', fits: true }),
  places: ({ corners }) => corners.map(({ x, y, edge }, i) => ({ n: i + 1, x, y, edge, kind: 'corner' })),
  spare: () => 50,
  steps: (_fastening, places) => ({ fasten: [step('pegs', 'Peg the corners', `${places.length} pegs.`, 2)] }),
};
