import type { CoveredSurface } from '../surface/covered';
import type { Keep } from '../../keep';
import type { ChalkLine } from '../../piece';
import type { Model, Stack } from '../model';
import { sectionAtChalk, type Section } from './section';
import { stationCuts, stationSections, type StationCut, type StationSection } from './station-sections';
import { coveredSurface, surfaceOf, type Surface } from '../surface/surface';

/**
 * The steps that solve a piece, each kept by what it reads. Nothing is solved before it is asked for: a step asks for
 * the steps it hangs on.
 */

/** How finely a step is worked out: the piece itself, one of the set that differs, a trial, a quick look in a drag. */
export type Fineness = 'full' | 'variant' | 'trial' | 'quick';

/** Cells across the covered surface, and whether triangles are large. */
const HOW: Record<Fineness, { cells: number; coarse: boolean }> = {
  full: { cells: 64, coarse: false },
  variant: { cells: 48, coarse: false },
  trial: { cells: 40, coarse: true },
  quick: { cells: 32, coarse: true },
};

/** The stack cut at every station, not solved yet. */
export function cutsStep({ stack, keep }: Model, fineness: Fineness = 'full'): StationCut[] {
  const { coarse } = HOW[fineness];
  return keep('cuts', { stack, coarse }, cuts);
}

/** The half section at every station. */
export function sectionsStep(model: Model, fineness: Fineness = 'full'): StationSection[] {
  return model.keep('sections', { stack: model.stack, cuts: cutsStep(model, fineness) }, sections);
}

/** The covered height over the whole plan. */
export function coveredStep(model: Model, fineness: Fineness = 'full'): CoveredSurface {
  const { stack, keep } = model;
  const { cells } = HOW[fineness];
  return keep('covered surface', { stack, sections: sectionsStep(model, fineness), cells }, covered);
}

/** What is said of the covered surface. */
export function surfaceStep(model: Model, fineness: Fineness = 'full'): Surface {
  const { stack, keep } = model;
  const { coarse } = HOW[fineness];
  const reads = { stack, covered: coveredStep(model, fineness), sections: sectionsStep(model, fineness), coarse };
  return keep('surface', reads, surface);
}

/** The cut under the chalk line. */
export function chalkStep({ stack, piece, rule, keep }: Model, fineness: Fineness = 'full'): Section | null {
  const { coarse } = HOW[fineness];
  return keep('chalk cut', { stack, chalk: piece.chalk, under: rule('return'), coarse }, chalkCut);
}

type Coarse = { coarse: boolean };
type Solved = { sections: StationSection[] };

function cuts({ stack, coarse }: { stack: Stack } & Coarse): StationCut[] {
  return stationCuts(stack, coarse);
}

function sections({ stack, cuts }: { stack: Stack; cuts: StationCut[] }, keep: Keep): StationSection[] {
  return stationSections(stack, cuts, keep);
}

function covered({ stack, sections, cells }: { stack: Stack; cells: number } & Solved): CoveredSurface {
  return coveredSurface(stack, sections, cells);
}

function surface({ stack, covered, sections, coarse }: { stack: Stack; covered: CoveredSurface } & Solved & Coarse, keep: Keep): Surface {
  return surfaceOf(stack, covered, sections, { coarse, keep });
}

function chalkCut({ stack, chalk, under, coarse }: { stack: Stack; chalk: ChalkLine; under: number } & Coarse, keep: Keep): Section | null {
  return sectionAtChalk(stack, chalk, { coarse, keep, under });
}
