import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { chalkStep } from '../padding';
import { newPiece, type Piece, type PieceKind } from '../piece';
import { planPiece } from '../plan';
import { printFigure, sizesOf } from '../sizes';
import { printPdf } from './pdf';
import { runs } from '../../testing/runs';
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

async function printed(piece: Piece, unit: 'mm' | 'in') {
  const planner = sharedPlanner;
  const plan = planPiece(piece, {}, { planner, sits: false });
  const bytes = await printPdf(
    {
      plan,
      section: chalkStep(planner.model(piece, {})),
      piece,
      house: {},
      unit,
      paper: 'a4',
      fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
    },
    { parts: ['job', 'cut', 'run', 'labels'] },
  );
  const file = join(folder, `${piece.kind}-${unit}.pdf`);
  writeFileSync(file, bytes);
  return { file, plan };
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

/** A page drawn in grey: `dark(x, y)` at a place in points. */
function drawn(file: string, page: number): { columnHasInk: (x: number, top: number, bottom: number) => boolean } {
  const pgm = execFileSync('pdftoppm', ['-gray', '-r', String(DPI), '-f', String(page), '-l', String(page), file], {
    maxBuffer: 64e6,
  });
  const head = /^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/.exec(pgm.subarray(0, 64).toString('latin1'))!;
  const [width, start] = [Number(head[1]), head[0].length];
  return {
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

describe.each(PAPERS.slice(0, runs(2, PAPERS.length)))('paper of a %s in %s', (kind, unit) => {
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
