import { readFileSync } from 'node:fs';
import { PDFDocument } from '@cantoo/pdf-lib';
import { describe, expect, it } from 'vitest';
import { bounds, type Polygon } from '../outline';
import { newChairSeat, newPiece, type Piece } from '../piece';
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
    const found = tiles([{ outline: circle, closed: true }], paper);
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

describe('templates', () => {
  it.each(['buttoned', 'channelled', 'bordered', 'nail-edged'])('%s: every button, stitch and cut is on some sheet', (way) => {
    const headboard = newPiece('headboard', { type: 'rectangle', width: 1200, depth: 700, cornerRadius: { front: 0, back: 0 } });
    const piece: Piece = {
      ...headboard,
      covering: { way, ...(way === 'buttoned' ? { buttons: { columns: 6, rows: 3, spacing: 160, depth: 18, size: 22 } } : {}) },
    };
    const plan = planPiece(piece, {}, { sits: false });
    for (const template of templatesOf(plan)) {
      const { tiles: sheets } = tiles(template.lines, 'a4', template.marks);
      const on = ([x, y]: readonly [number, number]): boolean =>
        sheets.some((t) => x >= t.x - 0.01 && x <= t.x + t.width + 0.01 && y >= t.y - 0.01 && y <= t.y + t.height + 0.01);
      expect(template.marks.every(on)).toBe(true);
      for (const { outline, closed } of template.lines)
        outline.forEach((a, i) => {
          const b = closed ? outline[(i + 1) % outline.length]! : (outline[i + 1] ?? a);
          for (let k = 0; k < 8; k++) expect(on([a[0] + ((b[0] - a[0]) * k) / 8, a[1] + ((b[1] - a[1]) * k) / 8])).toBe(true);
        });
    }
    if (way === 'buttoned') expect(plan.cover.pieces[0]!.marks.filter(({ kind }) => kind === 'button')).toHaveLength(18);
    // What the plan cuts is what the template shows.
    const cuts = plan.cover.pieces.flatMap(({ lines }) => lines.filter(({ kind }) => kind === 'cut'));
    const shown = templatesOf(plan).flatMap(({ lines }) => lines.map(({ outline }) => outline));
    for (const { points } of cuts) expect(shown).toContainEqual(points);
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
    const sheets = templatesOf(plan).map((t) => tiles(t.lines, paper, t.marks).tiles.length + 1);
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
