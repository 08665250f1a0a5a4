import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fontkit, { type Font } from '@cantoo/fontkit';
import { afterAll, describe, expect, it } from 'vitest';
import { bounds, isInside, type Point } from '../outline';
import { chalkStep } from '../padding';
import { newPiece, type Piece, type PieceKind } from '../piece';
import { planPiece } from '../plan';
import { printFigure, sizesOf } from '../sizes';
import { printedPages, printPdf, type PrintedPage, type PrintJob } from './pdf';
import type { PrintPart } from './print/choice';
import { POINTS_PER_MM } from './tiles';
import { thisWeek } from '../../testing/runs';
import { sharedPlanner } from '../../testing/quick';

/**
 * Paper as it is drawn and read by poppler, which knows nothing of the code that wrote it: every digit has its width, stands beside its
 * neighbour and can be read back.
 */

const folder = mkdtempSync(join(tmpdir(), 'fovea-paper-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const font = (face: string): Uint8Array => readFileSync(`node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`);
/** Dots per inch at which a page is drawn. */
const DPI = 200;

async function printed(piece: Piece, unit: 'mm' | 'in', parts: PrintPart[] = ['job', 'cut', 'run', 'labels']) {
  const planner = sharedPlanner;
  const plan = planPiece(piece, {}, { planner, sits: false });
  const job: PrintJob = {
    plan,
    section: chalkStep(planner.model(piece, {})),
    piece,
    house: {},
    unit,
    paper: 'a4',
    fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
  };
  const file = join(folder, `${piece.kind}-${unit}-${parts.join('-')}.pdf`);
  writeFileSync(file, await printPdf(job, { parts }));
  return { file, plan, job };
}

/** A word on a page with its box, in points from the upper left. */
type Word = { words: string; left: number; top: number; right: number; bottom: number };

function wordsOf(file: string): Word[][] {
  const xml = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
  return xml
    .split('<page ')
    .slice(1)
    .map((page) =>
      [...page.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">([^<]*)</g)].map(
        ([, left, top, right, bottom, words]): Word => ({
          words: words!,
          left: Number(left),
          top: Number(top),
          right: Number(right),
          bottom: Number(bottom),
        }),
      ),
    );
}

/** A page drawn in grey, 255 where nothing is, by its dots from the upper left. */
type Drawn = {
  width: number;
  height: number;
  grey: (x: number, y: number) => number;
  columnHasInk: (x: number, top: number, bottom: number) => boolean;
};

function drawn(file: string, page: number, dpi = DPI): Drawn {
  const pgm = execFileSync('pdftoppm', ['-gray', '-r', String(dpi), '-f', String(page), '-l', String(page), file], {
    maxBuffer: 64e6,
  });
  const head = /^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/.exec(pgm.subarray(0, 64).toString('latin1'))!;
  const [width, height, start] = [Number(head[1]), Number(head[2]), head[0].length];
  return {
    width,
    height,
    grey: (x, y) => pgm[start + y * width + x]!,
    columnHasInk: (x, top, bottom) => {
      for (let y = top; y < bottom; y++) if (pgm[start + y * width + x]! < 170) return true;
      return false;
    },
  };
}

const PAPERS: [PieceKind, 'mm' | 'in'][] = [
  ['chair-seat', 'mm'],
  ['headboard-bordered', 'in'],
  ['saddle', 'mm'],
  ['block-seat', 'mm'],
];

describe.each(thisWeek(PAPERS, 4))('paper of a %s in %s', (kind, unit) => {
  it('says every figure of the sizes, as poppler reads it', async () => {
    const piece = { ...newPiece(kind), count: 3 };
    const { file, plan } = await printed(piece, unit);
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
    const lines = sizesOf(plan, piece, {});
    expect(lines.length).toBeGreaterThan(10);
    for (const { label, value, by, unit: counted } of lines)
      for (const figure of by === undefined ? [value] : [value, by])
        expect(text, label).toContain(printFigure(figure, counted, unit).replace(/\s+/g, ' '));
    for (const step of plan.steps) {
      const figures = step.detail.match(/\d{2,}/g) ?? [];
      if (unit === 'mm') for (const figure of figures) expect(text, step.key).toContain(figure);
    }
  });

  it('draws digits side by side, in both weights', async () => {
    const { file } = await printed({ ...newPiece(kind), count: 3 }, unit);
    const pages = wordsOf(file);
    const scale = DPI / 72;
    let looked = 0;
    pages.slice(0, 2).forEach((words, k) => {
      const page = drawn(file, k + 1);
      for (const { words: figure, left, top, right, bottom } of words) {
        if (!/^\d{2,}$/.test(figure)) continue;
        const size = bottom - top;
        // Upright only: a dimension that runs up the page has its box the other way.
        if (right - left > size * figure.length || size > 40) continue;
        looked++;
        // A tabular digit of this face is 0.56 of its size wide; the box is as high as the line.
        expect((right - left) / figure.length, `${figure} on page ${k + 1}`).toBeLessThan(size * 0.62);
        // Ink from end to end, with no gap as wide as half a digit.
        const [from, to] = [Math.ceil(left * scale), Math.floor(right * scale)];
        let gap = 0;
        for (let x = from; x < to; x++) {
          gap = page.columnHasInk(x, Math.floor(top * scale), Math.ceil(bottom * scale)) ? 0 : gap + 1;
          expect(gap, `a gap in ${figure} on page ${k + 1}`).toBeLessThan(((right - left) / figure.length) * 0.75 * scale);
        }
      }
    });
    expect(looked).toBeGreaterThan(5);
  });
});

/** Dots per millimetre at which paper and preview are compared, and how far ink may spread beyond a mark, in dots. */
const FINE = 4;
const SPREAD = 2;
/** Lines thinner or fainter than this may vanish between two dots: points, and grey of 255. */
const VISIBLE = { thickness: 0.4, grey: 200 };

const greyOf = (colour: string): number =>
  [1, 3, 5].reduce((sum, i, k) => sum + parseInt(colour.slice(i, i + 2), 16) * [0.3, 0.59, 0.11][k]!, 0);

/** Where the preview has something, as dots of the page: its lines and areas as they are drawn, of its words the boxes they fill. */
function previewOf({ height, marks }: PrintedPage, page: Drawn): Uint8Array {
  const mask = new Uint8Array(page.width * page.height);
  const dot = (x: number, y: number, by: number): void => {
    const [column, row] = [Math.round(x * FINE), Math.round((height - y) * FINE)];
    for (let j = Math.max(0, row - by); j <= Math.min(page.height - 1, row + by); j++)
      mask.fill(1, j * page.width + Math.max(0, column - by), j * page.width + Math.min(page.width, column + by + 1));
  };
  const line = (a: Point, b: Point, by: number): void => {
    const steps = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) * FINE));
    for (let k = 0; k <= steps; k++) dot(a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps, by);
  };
  for (const mark of marks) {
    if (mark.kind === 'line') line(mark.from, mark.to, SPREAD + Math.ceil((mark.thickness / POINTS_PER_MM / 2) * FINE));
    else if (mark.kind === 'area') {
      const { minX, maxX, minY, maxY } = bounds(mark.points);
      for (let y = minY; y <= maxY; y += 1 / FINE)
        for (let x = minX; x <= maxX; x += 1 / FINE) if (isInside(mark.points, [x, y])) dot(x, y, SPREAD);
    } else {
      const size = mark.size / POINTS_PER_MM;
      const face = mark.bold ? faces.bold : faces.regular;
      // Paper sets every digit as wide as a nought, and letters without the kerning that is measured here.
      const long = (face.layout(mark.words.replace(/\d/g, '0')).advanceWidth / face.unitsPerEm) * size * 1.02 + 0.3;
      const [x, y] = mark.at;
      for (let up = -0.3 * size; up <= 0.95 * size; up += 0.5)
        line(mark.turned ? [x - up, y] : [x, y + up], mark.turned ? [x - up, y + long] : [x + long, y + up], SPREAD);
    }
  }
  return mask;
}

const faces = { regular: fontkit.create(font('400Regular')) as Font, bold: fontkit.create(font('600SemiBold')) as Font };

/** Dots of ink on paper where the preview has nothing. */
function strayInk(paper: Drawn, page: PrintedPage): number {
  const mask = previewOf(page, paper);
  let stray = 0;
  for (let y = 0; y < paper.height; y++)
    for (let x = 0; x < paper.width; x++) if (paper.grey(x, y) < 160 && !mask[y * paper.width + x]) stray++;
  return stray;
}

/** Whether there is ink at a place of the page, mm from its lower left corner. */
function inkAt(paper: Drawn, { height }: PrintedPage, [x, y]: Point): boolean {
  const [column, row] = [Math.round(x * FINE), Math.round((height - y) * FINE)];
  for (let j = row - SPREAD; j <= row + SPREAD; j++)
    for (let i = column - SPREAD; i <= column + SPREAD; i++)
      if (i >= 0 && j >= 0 && i < paper.width && j < paper.height && paper.grey(i, j) < 245) return true;
  return false;
}

/** Places at which a mark must leave ink, any one of each list; none of what is too faint or too thin to be sure of. */
function mustInk(mark: PrintedPage['marks'][number]): Point[][] {
  if (greyOf(mark.colour) >= VISIBLE.grey) return [];
  if (mark.kind === 'line') {
    if (mark.dash || mark.thickness < VISIBLE.thickness) return [];
    const { from, to } = mark;
    return [0.1, 0.5, 0.9].map((t) => [[from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t]]);
  }
  if (mark.kind === 'area' || mark.words.trim() === '') return [];
  const [x, y] = mark.at;
  const near = Array.from({ length: 20 }, (_, i) => ((i / 20) * mark.size) / POINTS_PER_MM);
  return [near.flatMap((along) => near.map((up): Point => (mark.turned ? [x - up, y + along] : [x + along, y + up])))];
}

describe.each(thisWeek(PAPERS, 4))('preview and paper of a %s in %s, dot by dot', (kind, unit) => {
  const piece = { ...newPiece(kind), count: 3 };

  it.each(['job', 'cut', 'run', 'labels', 'templates'] as const)('%s: all ink is shown, and all that is shown leaves ink', async (part) => {
    const { file, job } = await printed(piece, unit, [part]);
    // Its last page: all of a part are drawn alike.
    const { pages } = await printedPages(job, { parts: [part] });
    const page = pages.at(-1)!;
    const paper = drawn(file, pages.length, FINE * 25.4);
    expect(strayInk(paper, page)).toBe(0);
    for (const mark of page.marks)
      for (const places of mustInk(mark))
        expect(
          places.some((place) => inkAt(paper, page, place)),
          JSON.stringify(mark),
        ).toBe(true);
    // A preview that leaves the first words out, or shows them elsewhere, is found.
    const first = page.marks.findIndex((mark) => mark.kind === 'words' && mustInk(mark).length > 0);
    expect(strayInk(paper, { ...page, marks: page.marks.filter((_, i) => i !== first) })).toBeGreaterThan(0);
  });
});
