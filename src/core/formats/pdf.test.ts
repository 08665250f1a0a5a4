import { readFileSync } from 'node:fs';
import { PDFDocument } from '@cantoo/pdf-lib';
import { describe, expect, it } from 'vitest';
import { bounds, type Polygon } from '../outline';
import { newChairSeat, newPiece } from '../piece';
import { planPiece } from '../plan';
import { POINTS_PER_MM, printPdf } from './pdf';
import { templatesOf } from './templates';
import { clip, OVERLAP, PAPERS, tiles, type Paper } from './tiles';

const font = (face: string): Uint8Array => readFileSync(`node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`);

describe('tiles', () => {
  const circle: Polygon = Array.from(
    { length: 90 },
    (_, i) => [330 * Math.cos((i * Math.PI) / 45), 290 * Math.sin((i * Math.PI) / 45)] as const,
  );

  it.each(['a4', 'letter'] as const)('cover every part of the line on %s, overlapping', (paper) => {
    const found = tiles([circle], paper);
    for (const [x, y] of circle) {
      expect(found.tiles.some((t) => x >= t.x - 1e-9 && x <= t.x + t.width + 1e-9 && y >= t.y - 1e-9 && y <= t.y + t.height + 1e-9)).toBe(
        true,
      );
    }
    const a = found.tiles.find((t) => t.row === 0)!;
    const b = found.tiles.find((t) => t.row === 0 && t.column === a.column + 1)!;
    expect(a.x + a.width - b.x).toBeCloseTo(OVERLAP, 9);
  });

  it('clip leaves what lies on the sheet and nothing else', () => {
    const tile = { column: 0, row: 0, x: 0, y: 0, width: 10, height: 10 };
    expect(clip([-5, 5], [15, 5], tile)).toEqual([
      [0, 5],
      [10, 5],
    ]);
    expect(clip([-5, 11], [15, 11], tile)).toBeNull();
    expect(clip([2, 2], [3, 3], tile)).toEqual([
      [2, 2],
      [3, 3],
    ]);
  });
});

describe('printPdf', () => {
  it.each(['a4', 'letter'] as Paper[])('prints every template at full size on %s', async (paper) => {
    const piece = { ...newChairSeat(), name: 'Dome-room chair ½ “test” ∑', count: 8 };
    const plan = planPiece(piece, {});
    const bytes = await printPdf({
      plan,
      piece,
      house: {},
      unit: 'in',
      paper,
      fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
    });
    const doc = await PDFDocument.load(bytes);
    const size = doc.getPage(0).getSize();
    expect(size.width).toBeCloseTo(PAPERS[paper].width * POINTS_PER_MM, 6);
    const sheets = templatesOf(plan).map(
      (t) =>
        tiles(
          t.lines.filter((l) => l.closed).map((l) => l.outline),
          paper,
        ).tiles.length + 1,
    );
    expect(doc.getPageCount()).toBeGreaterThanOrEqual(sheets.reduce((a, b) => a + b, 0) + 3);
    expect(bounds(templatesOf(plan).at(-1)!.lines[0]!.outline).width).toBeCloseTo(plan.cover.pieces[0]!.width, 2);
  });

  it('has a template for every piece of a sewn cover, with its notches named, its grain and its hand', async () => {
    const piece = newPiece('saddle');
    const plan = planPiece(piece, {}, { sits: false, coarse: true });
    const templates = templatesOf(plan);
    for (const own of plan.cover.pieces) {
      const template = templates.find(({ title }) => title.startsWith(`${own.name}, cut`))!;
      expect(bounds(template.lines[0]!.outline).width).toBeCloseTo(own.width, 2);
      const says = template.labels!.map((label) => label.says);
      expect(says).toEqual(expect.arrayContaining([...own.notches.map((notch) => notch.label), 'grain']));
      if (own.hand) expect(says).toContain(own.hand);
    }
    const bytes = await printPdf({
      plan,
      piece,
      house: {},
      unit: 'mm',
      paper: 'a4',
      fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
    });
    expect((await PDFDocument.load(bytes)).getPageCount()).toBeGreaterThan(10);
  });
});
