import type { CoveredSurface } from './covered';
import type { Model } from './model';
import { sectionAtChalk, type Section } from './section';
import { stationCuts, stationSections, type StationCut, type StationSection } from './station-sections';
import { coveredSurface, surfaceOf, type Surface } from './surface';

/**
 * The steps that solve a piece, each kept by what it reads. Nothing is solved before it is asked for: a step asks for
 * the steps it hangs on.
 */

/** How finely a step is worked out: the piece itself, one of the set that differs, a trial, a quick look in a drag. */
export type Fineness = 'own' | 'variant' | 'trial' | 'quick';

/** Cells across the covered surface, and whether triangles are large. */
const HOW: Record<Fineness, { cells: number; coarse: boolean }> = {
  own: { cells: 64, coarse: false },
  variant: { cells: 48, coarse: false },
  trial: { cells: 40, coarse: true },
  quick: { cells: 32, coarse: true },
};

/** The stack cut at every station, not solved yet. */
export function cutsStep({ stack, keep }: Model, fineness: Fineness = 'own'): StationCut[] {
  const { coarse } = HOW[fineness];
  return keep('cuts', [stack, coarse], () => stationCuts(stack, coarse));
}

/** The half section at every station. */
export function sectionsStep(model: Model, fineness: Fineness = 'own'): StationSection[] {
  const { stack, keep } = model;
  const { coarse } = HOW[fineness];
  return keep('sections', [stack, coarse], () => stationSections(stack, cutsStep(model, fineness), keep));
}

/** The covered height over the whole plan. */
export function coveredStep(model: Model, fineness: Fineness = 'own'): CoveredSurface {
  const { stack, keep } = model;
  const sections = sectionsStep(model, fineness);
  const { cells } = HOW[fineness];
  return keep('covered surface', [stack, sections, cells], () => coveredSurface(stack, sections, cells));
}

/** What is said of the covered surface. */
export function surfaceStep(model: Model, fineness: Fineness = 'own'): Surface {
  const { stack, keep } = model;
  const sections = sectionsStep(model, fineness);
  const covered = coveredStep(model, fineness);
  const { coarse } = HOW[fineness];
  return keep('surface', [stack, covered, sections, coarse], () => surfaceOf(stack, covered, sections, { coarse, keep }));
}

/** The cut under the chalk line. */
export function chalkStep({ stack, piece, rule, keep }: Model, fineness: Fineness = 'own'): Section | null {
  const { coarse } = HOW[fineness];
  const under = rule('return');
  return keep('chalk cut', [stack, piece.chalk, under, coarse], () => sectionAtChalk(stack, piece.chalk, { coarse, keep, under }));
}
