import type { Stage } from '@/ui/sheet/stage';
import { PieceField } from '@/ui/sheet/fields/piece-field';

/** A stage of no use: it looks at the fixing, and asks for the name. */
export const admire: Stage = {
  id: 'admire',
  name: 'Admire',
  lacking: (piece) => (piece.notes ? null : 'nothing said of it'),
  parts: ['fixing'],
  sizes: ['Fastening'],
  Panel: () => <PieceField at="name" />,
};
