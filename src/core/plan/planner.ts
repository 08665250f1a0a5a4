import { cutsStep, halfReads, type Fineness, type HalfTask, type Model } from '../padding';
import { builtModel, flatReads, flatsOf, type FlatTask, type LaidFlat } from '../cover';
import { checkBuilt } from '../document';
import type { HouseRules } from '../house';
import type { Keep } from '../keep';
import type { Piece, Problem } from '../piece';
import type { PulledSection } from '../mechanics/section';
import { createKeeper, type Count } from './keeper';
import { coverInput } from './steps';

/**
 * What plans pieces and keeps what did not change. Worker, server, command line, tests and cures use it alike; it is
 * never asked for an answer that depends on what was asked before.
 */
export type Planner = {
  keep: Keep;
  /** a piece with its stack built */
  model: (piece: Piece, house: HouseRules) => Model;
  /** what keeps a piece of the right form from being planned */
  check: (piece: Piece, house: HouseRules) => Problem[];
  /** the sections that a piece will want and that are not known yet: each may be solved elsewhere */
  sectionsWanted: (model: Model, fineness: Fineness) => HalfTask[];
  /** takes sections that were solved elsewhere */
  takeSections: (tasks: readonly HalfTask[], solved: readonly PulledSection[]) => void;
  /** the panels that a piece's cover will want laid flat and that are not known yet, once its sections are solved */
  flatsWanted: (model: Model, fineness: Fineness) => FlatTask[];
  /** takes panels that were laid flat elsewhere */
  takeFlats: (tasks: readonly FlatTask[], laid: readonly LaidFlat[]) => void;
  /** how often each step was asked and worked, since it was last reset */
  counts: ReadonlyMap<string, Count>;
  resetCounts: () => void;
  /** forgets every answer but those of some steps */
  forgetBut: (steps: readonly string[]) => void;
};

/** What is wrong with a piece hangs on all of it. */
function checked({ rules, ...piece }: Piece & { rules: HouseRules }, keep: Keep): Problem[] {
  return checkBuilt(piece, rules, keep);
}

/**
 * A planner that has planned nothing yet.
 *
 * @param [room] how many pieces with their trials it remembers
 */
export function createPlanner(room = 1): Planner {
  const { keep, missing, put, counts, resetCounts, forgetBut } = createKeeper(room);
  return {
    keep,
    model: (piece, house) => builtModel(piece, house, keep),
    check: (piece, house) => keep('checked', { ...piece, rules: house }, checked),
    sectionsWanted: (model, fineness) => {
      const tasks = cutsStep(model, fineness).map(({ cut: { stack, pull, start, element } }) => ({ stack, pull, start, element }));
      return missing('section', tasks.map(halfReads)).map((i) => tasks[i]!);
    },
    takeSections: (tasks, solved) => tasks.forEach((task, i) => put('section', halfReads(task), solved[i])),
    flatsWanted: (model, fineness) => {
      const tasks = flatsOf(coverInput(model, fineness));
      return missing('laid flat', tasks.map(flatReads)).map((i) => tasks[i]!);
    },
    takeFlats: (tasks, laid) => tasks.forEach((task, i) => put('laid flat', flatReads(task), laid[i])),
    counts,
    resetCounts,
    forgetBut,
  };
}
