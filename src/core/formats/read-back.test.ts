import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { bounds, distanceTo, type Point } from '../outline';
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
const largestGap = (a: Pair[], b: Pair[]): number =>
  Math.max(...a.map((point) => distanceTo(b, point)), ...b.map((point) => distanceTo(a, point)));

/** How far the nearest of some shapes is from an outline, mm. */
function nearest(outline: readonly (readonly [number, number])[], shapes: readonly Pair[][]): number {
  const wanted = centred(outline);
  const box = bounds(wanted);
  const alike = shapes.filter((shape) => {
    const { width, height } = bounds(shape);
    return Math.abs(width - box.width) < 1 && Math.abs(height - box.height) < 1;
  });
  return Math.min(Infinity, ...alike.map((shape) => largestGap(wanted, centred(shape))));
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

/** A4 as a desk printer prints it: what each sheet adds to the one before it, and what the printer leaves bare, mm. */
const SHEET = { across: 210 - 2 * 12 - 10, up: 297 - 2 * 12 - 10, bare: 12 };

/** A drawing that was put together from its sheets: its lines about the middle of all of them. */
type PutTogether = { title: string; lines: Pair[][] };

/** Each template printed on A4, its sheets put together by the names that stand on them: A1, A2, B1 … */
async function fromSheets(plan: Plan, piece: Piece): Promise<PutTogether[]> {
  const modes = Object.fromEntries(templatesOf(plan).map(({ id }) => [id, 'whole' as const]));
  const section = chalkStep(sharedPlanner.model(piece, {}));
  const bytes = await printPdf({ plan, section, piece, house: {}, unit: 'mm', paper: 'a4', fonts }, { parts: ['templates'], modes });
  const file = join(mkdtempSync(join(tmpdir(), 'fovea-')), 'sheets.pdf');
  writeFileSync(file, bytes);
  const texts = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8', maxBuffer: 1e8 }).split('\f').slice(0, -1);
  const drawn = pagesOf(Buffer.from(bytes));
  expect(drawn).toHaveLength(texts.length);
  const found = new Map<string, { row: number; column: number; lines: Point[][] }[]>();
  texts.forEach((text, i) => {
    const [, letter, number, title] = /^\s*([A-Z])(\d+)\s+(?![A-Z]\d)(\S.*?)\s*$/m.exec(text.trimEnd().split('\n').at(-1)!) ?? [];
    if (!title) return;
    const sheets = found.get(title) ?? found.set(title, []).get(title)!;
    sheets.push({ row: letter!.charCodeAt(0) - 65, column: Number(number) - 1, lines: drawn[i]! });
  });
  return [...found].map(([title, sheets]) => {
    const [columns, rows] = [Math.max(...sheets.map(({ column }) => column)), Math.max(...sheets.map(({ row }) => row))];
    const middle = [(columns * SHEET.across + 210) / 2, (rows * SHEET.up + 297) / 2] as const;
    const placed = sheets.flatMap(({ row, column, lines }) =>
      lines.map((line) => line.map(([x, y]): Pair => [x + column * SHEET.across - middle[0], y + row * SHEET.up - middle[1]])),
    );
    return { title, lines: placed };
  });
}

/** How far the farthest place of an outline, walked in steps, is from the nearest of some lines, mm. */
function farthest(outline: readonly Pair[], lines: readonly Pair[][]): number {
  const sides = lines.flatMap((line) => line.slice(1).map((b, i): [Pair, Pair] => [line[i]!, b]));
  const away = ([x, y]: Pair): number => {
    let least = Infinity;
    for (const [[ax, ay], [bx, by]] of sides) {
      const [dx, dy] = [bx - ax, by - ay];
      const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
      least = Math.min(least, Math.hypot(x - ax - t * dx, y - ay - t * dy));
    }
    return least;
  };
  return Math.max(...outline.flatMap((a, i) => [a, between(a, outline[(i + 1) % outline.length]!)]).map(away));
}

const between = (a: Pair, b: Pair): Pair => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];

describe('random jobs, read back from what leaves the program', () => {
  it.each(randomJobs(runs(4, 60), 77, sharedPlanner))('%s', async (_says, piece) => {
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
    const sheets = await fromSheets(plan, piece);
    for (const { title, lines, marks } of templatesOf(plan)) {
      const box = bounds([...lines.flatMap(({ outline }) => outline), ...marks]);
      const middle = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2] as const;
      const cut = lines[0]!.outline.map(([x, y]): Pair => [x - middle[0], y - middle[1]]);
      const together = sheets.filter((sheet) => title.startsWith(sheet.title) || sheet.title === title);
      expect(Math.min(Infinity, ...together.map((sheet) => farthest(cut, sheet.lines))), `${title}, its sheets put together`).toBeLessThan(
        SAME,
      );
    }
  });
});
