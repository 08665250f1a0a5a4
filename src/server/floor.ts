import { sectionAlong, modelOf, type Section } from '../core/build';
import { checkPiece, PieceProblems, type Piece } from '../core/piece';
import type { HouseRules } from '../core/house';
import { planModel, type Plan } from '../core/plan';
import { listTicks, serialOf } from '../data/bench';
import type { Db } from '../data/database';
import { listPieces } from '../data/pieces';
import { getHouse } from '../data/settings';

/** A row of the floor: the piece, a true section of it, how far it has come and what is next. */
export type FloorRow = {
  id: string;
  piece: Piece;
  section: Section | null;
  size: { width: number; depth: number } | null;
  next: string;
  stage: string;
  done: number;
  of: number;
};

/** What a row takes from a piece's plan. */
type Look = { steps: Plan['steps']; section: Section | null; size: { width: number; depth: number } };

/** Looks that were taken before, by piece and house: the floor is opened far more often than a piece changes. */
const KEPT = new Map<string, Look>();
const MOST_KEPT = 200;

function lookAt(piece: Piece, house: HouseRules): Look {
  const key = JSON.stringify([piece, house]);
  const kept = KEPT.get(key);
  if (kept) return kept;
  const problems = checkPiece(piece);
  if (problems.length > 0) throw new PieceProblems(problems);
  const model = modelOf(piece, house);
  // A row wants the steps and a small picture: quick looks do.
  const { plan } = planModel(model, false, true);
  const look: Look = {
    steps: plan.steps,
    section: sectionAlong(model, model.middle, [1, 0], { coarse: true }),
    size: { width: Math.round(plan.outline.width), depth: Math.round(plan.outline.depth) },
  };
  if (KEPT.size >= MOST_KEPT) KEPT.clear();
  KEPT.set(key, look);
  return look;
}

/**
 * Everything in the workshop.
 *
 * @param db the database
 */
export function floorRows(db: Db): FloorRow[] {
  const house = getHouse(db);
  return listPieces(db).map(({ id, piece }): FloorRow => {
    const ticks = listTicks(db, id);
    try {
      const { steps, section, size } = lookAt(piece, house);
      const of = steps.length * piece.count;
      const keys = new Set(steps.map((step) => step.key));
      const done = ticks.filter((tick) => tick.unit <= piece.count && keys.has(tick.step)).length;
      const open = steps.find((step) => ticks.filter((tick) => tick.step === step.key && tick.unit <= piece.count).length < piece.count);
      if (!piece.pads.some((pad) => pad.role === 'main'))
        return { id, piece, section, size, next: 'Build: choose the pads', stage: 'build', done, of };
      if (!piece.cloth.name.trim()) return { id, piece, section, size, next: 'Cover: name the cloth', stage: 'cover', done, of };
      const serial = serialOf(db, id);
      if (serial && !open) return { id, piece, section, size, next: `Finished, ${serial} in the log`, stage: 'bench', done, of };
      return { id, piece, section, size, next: open ? `Bench: ${open.name.toLowerCase()}` : 'Finish the job', stage: 'bench', done, of };
    } catch {
      // House rules changed since may no longer suit the piece; it can still be opened and mended.
      return { id, piece, section: null, size: null, next: 'Look at it: the house rules no longer suit it', stage: 'base', done: 0, of: 0 };
    }
  });
}
