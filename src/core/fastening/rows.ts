import { LEAST_INSET } from '../padding';
import type { FixModel } from './reads';
import { ROWS_APART } from '../cover/rows-apart';
import { dustCover, wayOf, type Choices } from '../cover';
import { isStretched, overAllName } from '../foam';
import { offsetPolygon, type Polygon } from '../outline';
import { hasFilm, kindOf } from '../piece';
import { otherParts } from '../strip/chair-parts';
import { holdsOf } from './held';
import { fastenerName } from './fasteners';

/** One row of fasteners behind the board: what it holds, and how far in from the board's edge, mm. */
export type Row = {
  id: 'over-all' | 'liner' | 'waterproof' | 'film' | 'cover' | 'welt' | 'band' | 'dust' | 'neighbour';
  name: string;
  inset: number;
};
/** A row with where it runs in the plan. */
export type DrawnRow = Row & { line: Polygon };

/** A lower welt is stapled so far in: its cord then stands just clear of the edge, mm (trade.md: a welt or a back-tack 6–10). */
const WELT_INSET = 8;
/** A folded edge is held so far inside its fold, mm. */
const INSIDE_FOLD = 4;

/** A row that is wanted: where it would stand by itself, and how near the edge it may come. */
type Wanted = Row & { least: number };

/** What is wanted beside the cover's row, what can move least first. */
function wantedRows(model: FixModel, { covering, welt }: Pick<Choices, 'covering' | 'welt'>): Wanted[] {
  const { piece, rule } = model;
  const { wall, pan } = kindOf(piece.kind).traits;
  const line = rule('return');
  const way = wayOf(covering.way);
  const rows: Wanted[] = [];
  const add = (id: Row['id'], name: string, inset: number, least = LEAST_INSET): void => void rows.push({ id, name, inset, least });
  // A band that is turned round to the back goes over the cover's raw edge; its welt is on the board's own edge.
  if (welt?.lower && way.nails) add('band', 'Band round the edge', line + ROWS_APART);
  else if (welt && way.welt?.stapled?.(welt)) add('welt', 'Piping along the edge', WELT_INSET);
  // Its staples go through its fold, never beside it.
  if (dustCover(model) !== null)
    add('dust', 'Dust cover', rule('dustInset') + INSIDE_FOLD, Math.max(LEAST_INSET, rule('dustInset') + INSIDE_FOLD / 2));
  const next = piece.strip && otherParts(piece.strip).find(({ comes }) => comes === 'after');
  if (next) add('neighbour', `Cloth of the ${next.name.toLowerCase()}`, line + ROWS_APART);
  if (piece.wadding && !pan && (wall || isStretched(piece.wadding))) add('over-all', overAllName(piece.wadding), line / 2);
  if (covering.liner) add('liner', 'Liner cloth', line - ROWS_APART);
  if (covering.waterproof && !pan) add('waterproof', 'Waterproof cloth', line - ROWS_APART);
  // Indoors it lies loose; where it gets wet it is fixed underneath, or the water runs in beside it.
  if (covering.outdoors && hasFilm(piece) && !pan) add('film', 'Film', line + ROWS_APART);
  return rows;
}

/** Rows are looked for in steps of this, mm: nobody marks finer. */
const STEP = 0.5;

/**
 * The rows behind the board, each layer its own, so that none sits on another: the cover's stands where its cloth is cut for, each
 * of the others as near to where it would stand by itself as the rows that are there leave room. Source: docs/models.md, "Rows".
 *
 * @param model the built piece
 * @param choices of its covering
 * @returns from the edge inwards
 */
export function rowsOf(model: FixModel, choices: Pick<Choices, 'covering' | 'welt'>): Row[] {
  const by = holdsOf(model).map((id) => fastenerName(id).toLowerCase());
  if (by.length === 0) return [];
  const placed: Row[] = [{ id: 'cover', name: `Cover, ${by.join(' and ')}`, inset: model.rule('return') }];
  const isFree = (inset: number): boolean => placed.every((row) => Math.abs(row.inset - inset) >= ROWS_APART - 1e-9);
  for (const { id, name, inset, least } of wantedRows(model, choices)) {
    for (let by = 0; ; by += STEP) {
      // As well towards the edge as away from it; towards it first, where the cover hides it.
      const at = [inset - by, inset + by].find((value) => value >= least && isFree(value));
      if (at === undefined) continue;
      placed.push({ id, name, inset: at });
      break;
    }
  }
  return placed.sort((a, b) => a.inset - b.inset);
}

/** The rows with where each runs in the plan: along the board's edge, so far in. What no longer fits into the board is left out. */
export function drawnRows(model: FixModel, choices: Pick<Choices, 'covering' | 'welt'>): DrawnRow[] {
  return rowsOf(model, choices).flatMap((row) => {
    const line = offsetPolygon(model.board, -row.inset);
    return line ? [{ ...row, line }] : [];
  });
}

/**
 * How far in a layer's row stands, mm; where it has none, where the cover's does.
 *
 * @param model the built piece
 * @param choices of its covering
 * @param id of the row
 */
export function rowInset(model: FixModel, choices: Pick<Choices, 'covering' | 'welt'>, id: Row['id']): number {
  return rowsOf(model, choices).find((row) => row.id === id)?.inset ?? model.rule('return');
}
