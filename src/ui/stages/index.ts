import type { Piece } from '@/core/piece';
import { FIRST_VIEW, type Stage } from '@/ui/sheet/stage';
import { bench } from './bench/stage';
import { board } from './board/stage';
import { cover } from './cover/stage';
import { cut } from './cut/stage';
import { padding } from './padding/stage';
import { strip } from './strip/stage';

/** The stages of a piece in working order. A new one is a folder beside these and a line here. */
export const STAGES: Stage[] = [strip, board, padding, cover, cut, bench];

/** The stage and the view that an address names; one that names none begins at the board. */
export function placeOf(id: string, view: string = FIRST_VIEW): { stage: Stage; view: string } {
  const now = STAGES.find((stage) => stage.id === id);
  if (now) return { stage: now, view: now.views?.[view] ? view : FIRST_VIEW };
  const before = STAGES.find((stage) => stage.formerly?.[id] !== undefined);
  return before ? { stage: before, view: before.formerly![id]! } : { stage: board, view: FIRST_VIEW };
}

/** A stage by its id, today's or a former one; any other id begins at the board. */
export const stageOf = (id: string): Stage => placeOf(id).stage;

/**
 * The stages that a piece goes through.
 *
 * @param piece which
 * @param [open] the stage that is looked at: it is there whatever the piece has
 */
export const stagesFor = (piece: Piece, open?: string): Stage[] =>
  STAGES.filter(({ id, applies }) => id === open || (applies?.(piece) ?? true));
