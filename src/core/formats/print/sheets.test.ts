import { readFileSync } from 'node:fs';
import fontkit, { type Font } from '@cantoo/fontkit';
import jsQR from 'jsqr';
import { describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../../piece';
import { planPiece } from '../../plan';
import { printedPages, type PrintedPage } from '../pdf';
import { PAPER_IDS, PAPERS, type Paper } from '../tiles';
import { QUICK } from '../../../testing/quick';
import { templatesOf } from '../templates';
import { weekly } from '../../../testing/weekly';

const font = (face: string): Uint8Array => readFileSync(`node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`);
const FONTS = { regular: font('400Regular'), bold: font('600SemiBold') };

async function pagesOf(
  piece: Piece,
  part: 'labels' | 'templates',
  { whole = false, ...more }: { paper?: Paper; address?: string; whole?: boolean } = {},
): Promise<PrintedPage[]> {
  const plan = planPiece(piece, {}, QUICK);
  const { pages } = await printedPages(
    {
      plan,
      piece,
      house: {},
      section: null,
      unit: 'mm',
      paper: more.paper ?? 'a4',
      fonts: FONTS,
      ...(more.address ? { address: more.address } : {}),
    },
    { parts: [part], ...(whole ? { modes: Object.fromEntries(templatesOf(plan).map(({ id }) => [id, 'whole' as const])) } : {}) },
  );
  return pages;
}

/** A page as dots, its filled areas black: what a camera sees of it. */
function seen(
  { width, height, marks }: PrintedPage,
  perMm: number,
  box: { x: number; y: number; size: number },
): { data: Uint8ClampedArray; side: number } {
  void width;
  void height;
  const side = Math.round(box.size * perMm);
  const data = new Uint8ClampedArray(side * side * 4).fill(255);
  for (const mark of marks) {
    if (mark.kind !== 'area') continue;
    const [xs, ys] = [mark.points.map(([x]) => x), mark.points.map(([, y]) => y)];
    const column = (x: number): number => Math.round((x - box.x) * perMm);
    const row = (y: number): number => Math.round((box.y + box.size - y) * perMm);
    for (let j = Math.max(0, row(Math.max(...ys))); j < Math.min(side, row(Math.min(...ys))); j++)
      for (let i = Math.max(0, column(Math.min(...xs))); i < Math.min(side, column(Math.max(...xs))); i++)
        data.set([0, 0, 0, 255], (j * side + i) * 4);
  }
  return { data, side };
}

weekly(0)('the length of cloth by a lay that was chosen stands in the sizes and over the cut sheet', async () => {
  const piece = newPiece('round-seat');
  const job = { plan: planPiece(piece, {}, QUICK), piece, house: {}, section: null, unit: 'mm', paper: 'a4', fonts: FONTS } as const;
  const texts = async (chosen: Record<string, number>): Promise<string> => {
    const { pages } = await printedPages({ ...job, chosen }, { parts: ['job', 'cut'] });
    return pages.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'words' ? [mark.words] : []))).join('\n');
  };
  const both = await texts({ 'cloth.length': 8721 });
  expect(both.match(/8\.8/g)).toHaveLength(2);
  expect(both.match(/by the lay you chose/g)).toHaveLength(2);
  expect(await texts({ 'cloth.length': 0 })).toContain('takes it from the store');
  expect(await texts({})).not.toMatch(/you chose/);
});

describe('labels', () => {
  const address = 'http://192.0.2.14:3000/piece/337b4150-ab3e-4c94-a4b4-a39c3b6e77c6?stage=bench';
  const chairs: Piece = { ...newPiece('chair-seat'), count: 4 };

  it('have a code on each that another library reads as the address of the run sheet', async () => {
    const pages = await pagesOf(chairs, 'labels', { address });
    const [page] = pages;
    const columns = Math.floor((210 - 24) / 62);
    let read = 0;
    for (let k = 0; k < 8; k++) {
      // The code stands in the upper right corner of its label.
      const x = 12 + (k % columns) * 62 + 62 - 22;
      const y = 297 - 12 - (Math.floor(k / columns) + 1) * 29 + 29 - 22;
      const { data, side } = seen(page!, 10, { x, y, size: 20 });
      expect(jsQR(data, side, side)?.data, `label ${k + 1}`).toBe(address);
      read += 1;
    }
    expect(read).toBe(8);
  });

  it('a workshop that no tablet reaches has none', async () => {
    for (const { marks } of await pagesOf(chairs, 'labels')) expect(marks.filter(({ kind }) => kind === 'area')).toEqual([]);
  });

  it('words end before the code begins, however long the names are', async () => {
    const long: Piece = { ...chairs, name: 'The eight chairs of the dome room with the striped wool and the notched backs' };
    const measured = fontkit.create(FONTS.bold) as Font;
    let beside = 0;
    for (const page of await pagesOf(long, 'labels', { address })) {
      for (const mark of page.marks) {
        if (mark.kind !== 'words') continue;
        const column = Math.floor((mark.at[0] - 12) / 62);
        const up = (297 - 12 - mark.at[1]) % 29;
        // A label's code takes its upper 22 mm at the right.
        if (up > 22) continue;
        const wide = ((measured.layout(mark.words).advanceWidth / measured.unitsPerEm) * mark.size * 25.4) / 72;
        expect(mark.at[0] + wide, mark.words).toBeLessThanOrEqual(12 + column * 62 + 62 - 22 + 0.5);
        beside += 1;
      }
    }
    expect(beside).toBeGreaterThan(8);
  });
});

describe('a template’s sheets', () => {
  it.each(PAPER_IDS)('%s: each has a rule of a hundred millimetres both ways, in the margin where no drawing is', async (paper) => {
    const pages = (await pagesOf(newPiece('saddle'), 'templates', { paper, whole: true }))
      .slice(1)
      .filter(({ marks }) => marks.some((mark) => mark.kind === 'words' && mark.words.includes('on every sheet')));
    expect(pages.length).toBeGreaterThan(0);
    for (const { width, height, marks } of pages) {
      const lines = marks.flatMap((mark) => (mark.kind === 'line' ? [mark] : []));
      const hundred = (axis: 0 | 1) =>
        lines.filter(
          ({ from, to }) =>
            Math.abs(Math.abs(to[axis] - from[axis]) - 100) < 1e-6 &&
            Math.abs(to[1 - axis]! - from[1 - axis]!) < 1e-9 &&
            (axis === 0 ? from[1] > height - 12 : from[0] < 12),
        );
      expect(hundred(0)).toHaveLength(1);
      expect(hundred(1)).toHaveLength(1);
      // On the paper, and clear of what a desk printer leaves bare.
      for (const { from, to } of [...hundred(0), ...hundred(1)])
        for (const [x, y] of [from, to]) {
          expect(Math.min(x, y, width - x, height - y)).toBeGreaterThanOrEqual(5);
        }
      // Nothing of the template is drawn in the margins.
      const drawn = lines.filter(({ thickness }) => thickness === 1.1);
      for (const { from, to } of drawn)
        for (const [x, y] of [from, to]) expect(Math.min(x, y, width - x, height - y)).toBeGreaterThanOrEqual(12 - 1e-6);
    }
  });

  it('not one sheet of a whole template is without it', async () => {
    const pages = await pagesOf({ ...newPiece('headboard'), count: 1 }, 'templates', { whole: true });
    const sheets = pages.filter(({ marks }) => marks.some((mark) => mark.kind === 'words' && /^[A-Z]\d+ {2}/.test(mark.words)));
    expect(sheets.length).toBeGreaterThan(3);
    for (const { marks } of sheets)
      expect(marks.some((mark) => mark.kind === 'words' && mark.words === '100 mm, each way, on every sheet')).toBe(true);
    expect(PAPERS.a4.width).toBe(210);
  });
});
