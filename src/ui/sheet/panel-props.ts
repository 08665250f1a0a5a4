import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';

/** What every stage's panel is given. */
export type PanelProps = {
  piece: Piece;
  pieceId: string;
  houseOf: (key: string) => number;
  /** changes the piece, or says what is wrong with the change */
  apply: (next: Piece) => string | null;
  /** what was worked out for it, once it was */
  plan: Plan | null;
  /** whether the photo is shown instead of the plan */
  tracing: boolean;
  onTracing: (on: boolean) => void;
};
