import type { Piece } from '@/core/piece';
import type { HouseRules } from '@/core/house';
import type { Plan } from '@/core/plan';
import type { SitView } from '@/core/view';

/** What every stage's panel is given. */
export type PanelProps = {
  piece: Piece;
  pieceId: string;
  house: HouseRules;
  houseOf: (key: string) => number;
  /** changes the piece, or says what is wrong with the change */
  apply: (next: Piece) => string | null;
  /** what was worked out for it, once it was */
  plan: Plan | null;
  /** who sits on it, solved, while the stage is looked at */
  sit: { view: SitView | null; running: boolean; wrong: string | null };
  /** whether the photo is shown instead of the plan */
  tracing: boolean;
  onTracing: (on: boolean) => void;
};
