import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bounds, distanceTo } from '../outline';
import { chalkStep } from '../padding';
import type { Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sharedPlanner } from '../../testing/quick';
import { randomJobs } from '../../testing/random-jobs';
import { chains, pagesOf } from '../../testing/read-pdf';
import { dxfShapes, svgShapes, type Pair, type Shape } from '../../testing/read-patterns';
import { runs } from '../../testing/runs';
import { patternFile } from './pattern-files';
import { printPdf } from './pdf';
import { templatesOf } from './templates';
import { PAPERS } from './tiles';

/**
 * Random jobs as they leave the program: DXF, SVG and printed templates are each read by a parser of their own, and their outlines are
 * held to each other and to the plan.
 */

/** What is cut by one file and by another is the same within so much, mm. */
const SAME = 0.2;

const font = (face: string): Uint8Array => readFileSync(`node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`);
const fonts = { regular: font('400Regular'), bold: font('600SemiBold') };

/** An outline about its own middle: where it lies on its sheet is the file's affair. */
function centred(points: readonly (readonly [number, number])[]): Pair[] {
  const { minX, maxX, minY, maxY } = bounds(points.map(([x, y]) => [x, y] as const));
  return points.map(([x, y]) => [x - (minX + maxX) / 2, y - (minY + maxY) / 2]);
}

/** The farthest that either outline is from the other, mm. */
const apart = (a: Pair[], b: Pair[]): number =>
  Math.max(...a.map((point) => distanceTo(b, point)), ...b.map((point) => distanceTo(a, point)));

/** How far the nearest of some shapes is from an outline, mm. */
function nearest(outline: readonly (readonly [number, number])[], shapes: readonly Pair[][]): number {
  const wanted = centred(outline);
  const box = bounds(wanted);
  const alike = shapes.filter((shape) => {
    const { width, height } = bounds(shape);
    return Math.abs(width - box.width) < 1 && Math.abs(height - box.height) < 1;
  });
  return Math.min(Infinity, ...alike.map((shape) => apart(wanted, centred(shape))));
}

const cutShapes = (shapes: readonly Shape[]): Pair[][] =>
  shapes.filter(({ layer, closed }) => layer === 'CUT' && closed).map(({ points }) => points);

/** Each template printed whole on the roll: those that fit on it lie there in one. */
async function onTheRoll(plan: Plan, piece: Piece): Promise<Pair[][]> {
  const modes = Object.fromEntries(templatesOf(plan).map(({ id }) => [id, 'whole' as const]));
  const section = chalkStep(sharedPlanner.model(piece, {}));
  const bytes = await printPdf({ plan, section, piece, house: {}, unit: 'mm', paper: 'roll', fonts }, { parts: ['templates'], modes });
  return pagesOf(Buffer.from(bytes))
    .flatMap(chains)
    .map((chain) => chain.map(([x, y]): Pair => [x, y]));
}

describe('random jobs, read back from what leaves the program', () => {
  it.each(randomJobs(runs(8, 60), 77, sharedPlanner))('%s', async (_says, piece) => {
    let plan: Plan;
    try {
      plan = planPiece(piece, {}, { sits: false, planner: sharedPlanner });
    } catch (error) {
      // What its outline cannot have is refused in words.
      expect((error as Error).name).toBe('PieceProblems');
      return;
    }
    const dxf = cutShapes(dxfShapes(patternFile(plan, piece, 'dxf')).shapes);
    const svg = cutShapes(svgShapes(patternFile(plan, piece, 'svg')).shapes);
    const paper = await onTheRoll(plan, piece);
    expect(svg).toHaveLength(dxf.length);
    for (const { name, outline } of plan.cover.pieces) {
      expect(nearest(outline, dxf), `${name} in the DXF`).toBeLessThan(SAME);
      expect(nearest(outline, svg), `${name} in the SVG`).toBeLessThan(SAME);
    }
    for (const { title, lines } of templatesOf(plan)) {
      const { outline } = lines[0]!;
      const { width, height } = bounds(outline);
      if (Math.min(width, height) > PAPERS.roll.width - 60) continue;
      if (width > PAPERS.roll.width - 60) continue;
      expect(nearest(outline, paper), `${title} on paper`).toBeLessThan(SAME);
    }
  });
});
