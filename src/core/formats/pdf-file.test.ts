import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bounds, type Point } from '../outline';
import { newPiece, type Piece } from '../piece';
import { chalkStep } from '../padding';
import { planPiece } from '../plan';
import { printPdf } from './pdf';
import type { PrintChoice } from './print/choice';
import { sharedPlanner } from '../../testing/quick';
import { chains, MM, pagesOf } from '../../testing/read-pdf';
import { weekly } from '../../testing/weekly';

/**
 * What leaves the printer, read from the file's own bytes: its objects, its pages' content unpacked, and every line drawn on
 * them. Nothing of the code that wrote it is used to read it.
 */

const font = (face: string): Uint8Array => readFileSync(`node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`);

async function printed(piece: Piece, choice: PrintChoice): Promise<{ file: Buffer; plan: ReturnType<typeof planPiece> }> {
  const planner = sharedPlanner;
  const plan = planPiece(piece, {}, { planner, sits: false });
  const bytes = await printPdf(
    {
      plan,
      section: chalkStep(planner.model(piece, {})),
      piece,
      house: {},
      unit: 'mm',
      paper: 'a4',
      fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
    },
    choice,
  );
  return { file: Buffer.from(bytes), plan };
}

describe('a printed file, read by itself', () => {
  it('draws the cut line of a small cloth piece at full size, to a fifth of a millimetre', async () => {
    const piece = newPiece('arm-pad', { type: 'rectangle', width: 150, depth: 90, cornerRadius: { front: 15, back: 15 } });
    const item: Piece = { ...piece, overrides: { return: 12 } };
    const { file, plan } = await printed(item, { parts: ['templates'], modes: { 'cloth-top': 'whole' } });
    const top = plan.cover.pieces.find(({ id }) => id === 'top')!;
    // A piece that is smaller than the sheet lies on one: somewhere its width and its height are drawn.
    const pages = pagesOf(file);
    expect(pages.length).toBeGreaterThan(0);
    const wanted = bounds(top.outline);
    const [width, height] = [wanted.width, wanted.height];
    const drawn = pages.flatMap(chains).some((chain) => {
      const item = bounds(chain);
      return Math.abs(item.width - width) <= 0.2 && Math.abs(item.height - height) <= 0.2;
    });
    expect(drawn).toBe(true);
  });

  weekly(2)('has a square of exactly a hundred millimetres, to be checked with a rule before anything is cut', async () => {
    const { file } = await printed(newPiece('saddle'), { parts: ['templates'] });
    const sheets = pagesOf(file);
    expect(sheets.length).toBeGreaterThan(2);
    const sides = sheets.map((lines) => {
      const straight = lines.flatMap((line) => line.slice(1).map((to, i): Point => [to[0] - line[i]![0], to[1] - line[i]![1]]));
      const hundred = (value: number): boolean => Math.abs(Math.abs(value) - 100) < 0.05;
      return {
        across: straight.filter(([dx, dy]) => hundred(dx) && Math.abs(dy) < 0.01).length,
        up: straight.filter(([dx, dy]) => hundred(dy) && Math.abs(dx) < 0.01).length,
      };
    });
    expect(sides.some(({ across, up }) => across >= 2 && up >= 2)).toBe(true);
  });

  it('keeps every line on its sheet', async () => {
    const { file } = await printed({ ...newPiece('round-seat'), count: 2 }, {});
    const text = file.toString('latin1');
    const boxes = [...text.matchAll(/\/MediaBox\s*\[\s*([-.\d]+)\s+([-.\d]+)\s+([-.\d]+)\s+([-.\d]+)\s*\]/g)].map((match) =>
      match.slice(1).map(Number),
    );
    const [wide, tall] = [Math.max(297, ...boxes.map((box) => box[2]! * MM)), Math.max(297, ...boxes.map((box) => box[3]! * MM))];
    for (const lines of pagesOf(file)) {
      const { minX, minY, maxX, maxY } = bounds(lines.flat());
      expect(Math.min(minX, minY)).toBeGreaterThanOrEqual(-0.5);
      expect(maxX).toBeLessThanOrEqual(wide + 0.5);
      expect(maxY).toBeLessThanOrEqual(tall + 0.5);
    }
  });

  it('is a whole file: it begins and ends as one, and its table of objects lies where it says', async () => {
    const { file } = await printed(newPiece('chair-seat'), { parts: ['job'] });
    expect(file.subarray(0, 5).toString('latin1')).toBe('%PDF-');
    const tail = file.subarray(-64).toString('latin1');
    expect(tail).toContain('%%EOF');
    const from = Number(/startxref\s+(\d+)/.exec(tail)![1]);
    expect(file.subarray(from, from + 40).toString('latin1')).toMatch(/^(xref|\d+ 0 obj)/);
  });
});
