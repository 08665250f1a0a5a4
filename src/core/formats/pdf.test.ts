import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { PDFDocument } from '@cantoo/pdf-lib';
import { describe, expect, it } from 'vitest';
import { bounds, type Polygon } from '../outline';
import { chalkStep } from '../padding';
import { KINDS, newChairSeat, newPiece, saidEdge, type Piece } from '../piece';
import { planPiece } from '../plan';
import { sizesOf } from '../sizes';
import { printedPages, printPdf, type PrintedPage, type PrintJob } from './pdf';
import { orderSaid, scaleFor, stretchesOf } from './print/job-page';
import { slipRows } from './print/slip-pages';
import { drawnBy, laidOut } from './print/template-pages';
import { modesOf, onTheFold, shapeOf, templatesOf } from './templates';
import { clip, MARGIN, OVERLAP, PAPER_IDS, POINTS_PER_MM, tiles } from './tiles';
import { runs, thorough, thisWeek } from '../../testing/runs';
import { sharedPlanner } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

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

  it('a part as large as its sheet keeps all of its edge, whichever way the last bit of its corners is rounded', () => {
    const thousandths = (min: number, max: number): fc.Arbitrary<number> =>
      fc.integer({ min: min * 1000, max: max * 1000 }).map((n) => n / 1000);
    fc.assert(
      fc.property(thousandths(-280, -10), thousandths(10, 280), thousandths(-900, -60), thousandths(60, 900), (left, right, low, high) => {
        const outline: Polygon = [
          [left, low],
          [right, low],
          [right, high],
          [left, high],
        ];
        const { tiles: sheets } = tiles([{ outline, closed: true }], 'roll');
        expect(sheets).toHaveLength(1);
        outline.forEach((a, i) => expect(clip(a, outline[(i + 1) % 4]!, sheets[0]!)).not.toBeNull());
      }),
      { numRuns: 300 },
    );
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
    const plan = planPiece(piece, {}, { sits: false, planner: sharedPlanner });
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

const fonts = { regular: font('400Regular'), bold: font('600SemiBold') };

function jobOf(piece: Piece, more: Partial<PrintJob> = {}): PrintJob {
  const planner = sharedPlanner;
  return {
    plan: planPiece(piece, {}, { sits: false, coarse: true, planner }),
    section: chalkStep(planner.model(piece, {}), 'quick'),
    piece,
    house: {},
    unit: 'mm',
    paper: 'a4',
    fonts,
    ...more,
  };
}

const wordsOn = ({ marks }: PrintedPage) => marks.filter((mark) => mark.kind === 'words');

describe('printPdf', () => {
  it.each(thorough ? PAPER_IDS : (['a4', 'roll'] as const))('prints every template at full size on %s', async (paper) => {
    const piece = { ...newChairSeat(), name: 'Dome-room chair ½ “test” ∑', count: 8 };
    const job = jobOf(piece, { unit: 'in', paper });
    const all = Object.fromEntries(templatesOf(job.plan).map(({ id }) => [id, 'whole' as const]));
    const doc = await PDFDocument.load(await printPdf(job, { modes: all }));
    const { pages } = await printedPages(job, { modes: all });
    expect(doc.getPageCount()).toBe(pages.length);
    pages.forEach(({ width, height }, i) => {
      expect(doc.getPage(i).getSize().width).toBeCloseTo(width * POINTS_PER_MM, 3);
      expect(doc.getPage(i).getSize().height).toBeCloseTo(height * POINTS_PER_MM, 3);
    });
    const sheets = templatesOf(job.plan).map((t) => tiles(t.lines, paper, t.marks).tiles);
    expect(pages.length).toBeGreaterThanOrEqual(sheets.flat().length + 4);
    expect(bounds(templatesOf(job.plan).at(-1)!.lines[0]!.outline).width).toBeCloseTo(job.plan.cover.pieces[0]!.width, 2);
    // The thickest line on the last pages is the cut line: put together, the sheets carry all of it, in millimetres.
    const sheet = sheets.at(-1)!;
    const last = pages.slice(-sheet.length);
    const points = last.flatMap(({ marks }, i) =>
      marks
        .filter((mark) => mark.kind === 'line')
        .filter(({ thickness, colour }) => thickness === 1.1 && colour === '#992129')
        .flatMap(({ from, to }) => [from, to].map(([x, y]): [number, number] => [x + sheet[i]!.x - MARGIN, y + sheet[i]!.y - MARGIN])),
    );
    expect(bounds(points).width).toBeCloseTo(job.plan.cover.pieces[0]!.width, 1);
    expect(bounds(points).height).toBeCloseTo(job.plan.cover.pieces[0]!.height, 1);
  });

  weekly(3)('has a template for every piece of a sewn cover, with its notches named, its grain and its hand', async () => {
    const piece = newPiece('saddle');
    const job = jobOf(piece);
    const templates = templatesOf(job.plan);
    for (const coverPiece of job.plan.cover.pieces) {
      const template = templates.find(({ title }) => title.startsWith(`${coverPiece.name}, cut`))!;
      expect(bounds(template.lines[0]!.outline).width).toBeCloseTo(coverPiece.width, 2);
      const says = template.labels!.map((label) => label.says);
      expect(says).toEqual(expect.arrayContaining([...coverPiece.notches.map((notch) => notch.label), 'grain']));
      if (coverPiece.hand) expect(says).toContain(coverPiece.hand);
    }
    expect((await PDFDocument.load(await printPdf(job))).getPageCount()).toBeGreaterThan(10);
  });
});

describe('the job sheet', () => {
  it.each(thisWeek(KINDS, 4).map(({ id }) => id))(
    '%s: one or two pages, every group once, nothing over the margin, words that do not lie on each other',
    async (kind) => {
      const job = jobOf({ ...newPiece(kind), name: 'Test' });
      const { pages } = await printedPages(job, { parts: ['job'] });
      expect(pages.length).toBeLessThanOrEqual(2);
      const words = pages.flatMap(wordsOn);
      for (const group of ['Padding', 'Cover', 'Buy', 'Fastening', 'Work'])
        expect(words.filter((word) => word.words === group && word.size === 10).length, group).toBeLessThanOrEqual(1);
      const labels = sizesOf(job.plan, job.piece, {}).map(({ label }) => label);
      for (const label of labels)
        expect(
          words.some((word) => label.startsWith(word.words) && word.words.length > 2),
          label,
        ).toBe(true);
      for (const page of pages) {
        const boxes = wordsOn(page)
          .filter(({ turned, words }) => !turned && words.length > 0)
          .map(({ at, words, size }) => ({
            text: words,
            x: at[0],
            y: at[1],
            width: words.length * size * 0.16,
            height: size * 0.24,
          }));
        for (const { text, x, y, width } of boxes) {
          expect(x, text).toBeGreaterThan(5);
          expect(x + width * 0.8, text).toBeLessThan(page.width);
          expect(y, text).toBeGreaterThan(8);
        }
        const over = boxes.filter((a, i) =>
          boxes.some(
            (b, j) => j > i && a.x < b.x + b.width && b.x < a.x + a.width && Math.abs(a.y - b.y) < Math.min(a.height, b.height) * 0.7,
          ),
        );
        expect(over.map(({ text }) => text)).toEqual([]);
      }
      // Fewer words on a last page than a few lines would not be worth its paper.
      expect(wordsOn(pages.at(-1)!).length).toBeGreaterThan(8);
    },
  );

  it('draws plan and section to the scale that it says, measured on the page', async () => {
    const job = jobOf(newChairSeat());
    const { pages } = await printedPages(job, { parts: ['job'] });
    const [page] = pages;
    const scaleSaid = (what: string): number =>
      Number(/1 : ([\d.]+)/.exec(wordsOn(page!).find(({ words }) => words.startsWith(what))!.words)![1]);
    const lines = page!.marks.filter((mark) => mark.kind === 'line');
    const outline = lines.filter(({ thickness }) => thickness === 1.2).flatMap(({ from, to }) => [from, to]);
    expect(bounds(outline).width * scaleSaid('Plan')).toBeCloseTo(job.plan.outline.width, 0);
    expect(bounds(outline).height * scaleSaid('Plan')).toBeCloseTo(job.plan.outline.depth, 0);
    const cover = lines.filter(({ thickness }) => thickness === 1.3).flatMap(({ from, to }) => [from, to]);
    const xs = job.section!.cover.map(([x]) => x);
    expect(bounds(cover).width * scaleSaid('Section')).toBeCloseTo(Math.max(...xs) - Math.min(...xs), 0);
  });

  it.each((['headboard-nailed', 'saddle', 'chair-seat', 'round-seat', 'block-seat'] as const).slice(0, runs(2, 5)))(
    '%s: says the order as it was worked out, and only figures that are cut by',
    async (kind) => {
      const job = jobOf({ ...newPiece(kind), name: 'Test' });
      const { pages } = await printedPages(job, { parts: ['job'] });
      const words = pages.flatMap(wordsOn).map((item) => item.words);
      const text = orderSaid(job.plan.fixing, job.piece.kind);
      if (kind === 'block-seat') expect(text).toBeNull();
      else {
        // The first middle that is named is the first fastener there is; as many are said as are placed.
        const first = [...job.plan.fixing.order].sort((a, b) => a.n - b.n)[0]!;
        expect(text).toContain(`${job.plan.fixing.order.length} for the cover of one`);
        expect(text!.split(' – ')[1]!.split(', ')[0]).toBe(saidEdge(kind, first.edge));
        expect(words.join(' ')).toContain('the middles first');
      }
      if (kind === 'saddle') expect(text).toMatch(/^Rivets/);
      // Nobody cuts a sewn cover by its wrap.
      expect(words.includes('Wrap')).toBe(job.plan.cover.pulled);
      expect(words.includes('Side')).toBe(true);
    },
  );

  it('says numbers as they are said', () => {
    expect(stretchesOf(['1', '2', '3', '5', '9', '8'])).toBe('1–3, 5, 8, 9');
    expect(stretchesOf(['7'])).toBe('7');
    expect(stretchesOf([])).toBe('');
  });

  it('takes the next scale that a ruler has', () => {
    expect(scaleFor({ width: 450, height: 420 }, { width: 80, height: 80 })).toBe(10);
    expect(scaleFor({ width: 450, height: 420 }, { width: 90, height: 90 })).toBe(5);
    expect(scaleFor({ width: 70, height: 70 }, { width: 90, height: 90 })).toBe(1);
  });
});

describe('what is not printed at full size', () => {
  it('a round boxed seat: circles by string, bands by ruler, a dozen pages instead of three dozen', async () => {
    const job = jobOf(newPiece('round-seat'));
    const { pages, templates } = await printedPages(job);
    const top = templates.find(({ title }) => title.startsWith('Top panel'))!;
    expect(top.mode).toBe('string');
    expect(templates.find(({ title }) => title.startsWith('Band'))!.mode).toBe('ruled');
    expect(pages.length).toBeLessThanOrEqual(12);
    const piece = job.plan.cover.pieces.find(({ role }) => role === 'top')!;
    const template = templatesOf(job.plan).find(({ id }) => id === top.id)!;
    const text = drawnBy({ template, mode: 'string' }, 'mm');
    expect(text).toContain(`a string of ${Math.round(piece.width / 2)} mm`);
    // Every notch is said, and where the clock has it.
    for (const { label } of piece.notches) expect(text).toContain(label);
    const band = job.plan.cover.pieces.find(({ role }) => role === 'band')!;
    const ruled = drawnBy({ template: templatesOf(job.plan).find(({ title }) => title.startsWith('Band'))!, mode: 'ruled' }, 'mm');
    expect(ruled).toContain(`${Math.round(band.width)} mm × ${Math.round(band.height)} mm`);
    const low = bounds(band.outline).minX;
    for (const { label, x } of band.notches) expect(ruled).toContain(`${label} at ${Math.round(x - low)} mm`);
    expect(top.modes.find(({ id }) => id === 'whole')!.sheets).toBeGreaterThan(3);
  });

  it('half on the fold carries its half and the fold, and saves sheets; folded out it is the whole', () => {
    const job = jobOf(newPiece('bench'));
    const whole = templatesOf(job.plan).find(({ title }) => title.startsWith('Cover'))!;
    expect(modesOf(whole)).toContain('half');
    const half = onTheFold(whole);
    const box = bounds(whole.lines[0]!.outline);
    const x = (box.minX + box.maxX) / 2;
    const cut = half.lines.filter(({ cloth }) => cloth).flatMap(({ outline }) => outline);
    expect(Math.min(...cut.map(([a]) => a))).toBeCloseTo(x, 6);
    // Every point of the whole lies on the half or on its mirror picture.
    for (const [a, b] of whole.lines[0]!.outline) {
      const right: [number, number] = [a >= x ? a : 2 * x - a, b];
      const off = half.lines
        .filter(({ cloth }) => cloth)
        .map(({ outline }) => Math.min(...outline.slice(1).map((to, i) => distanceToLine(right, outline[i]!, to))));
      expect(Math.min(...off)).toBeLessThan(0.7);
    }
    expect(laidOut(whole, 'half', 'a4').sheets.length).toBeLessThan(laidOut(whole, 'whole', 'a4').sheets.length);
    expect(laidOut(whole, 'corners', 'a4').sheets.length).toBeLessThanOrEqual(laidOut(whole, 'whole', 'a4').sheets.length);
  });

  it('what is not the same left and right, or has cuts in it, is not offered as if it were', () => {
    const job = jobOf(newPiece('saddle'));
    const side = templatesOf(job.plan).find(({ title }) => title.startsWith('Side, right'))!;
    expect(modesOf(side)).not.toContain('half');
    expect(shapeOf(side).circle).toBeNull();
    const panels = jobOf(newPiece('headboard-panelled'));
    for (const template of templatesOf(panels.plan)) if (template.detailed) expect(modesOf(template)[0]).toBe('whole');
  });
});

describe('the slip', () => {
  it.each(['chair-seat', 'saddle', 'block-seat'] as const)(
    '%s: every cut size once, nothing beyond its edge, on a strip and on A6',
    async (kind) => {
      const job = jobOf({ ...newPiece(kind), name: 'Slip' });
      const strip = (await printedPages(job, { parts: ['slip'] })).pages;
      expect(strip).toHaveLength(1);
      expect(strip[0]!.width).toBe(62);
      for (const page of [...strip, ...(await printedPages(job, { parts: ['slip-a6'] })).pages]) {
        const figures = wordsOn(page).filter(({ size }) => size === 12);
        for (const { at, words } of wordsOn(page)) {
          expect(at[0], words).toBeGreaterThan(2);
          expect(at[1], words).toBeGreaterThan(2);
          expect(at[1], words).toBeLessThan(page.height);
        }
        // Two lines never lie on each other.
        const lines = figures.map(({ at }) => at[1]);
        lines.slice(1).forEach((y, i) => expect(lines[i]! - y).toBeGreaterThan(4));
      }
      const wanted = slipRows(job).length;
      expect(strip.flatMap(wordsOn).filter(({ size }) => size === 12)).toHaveLength(wanted);
      expect((await printedPages(job, { parts: ['slip-a6'] })).pages.flatMap(wordsOn).filter(({ size }) => size === 12)).toHaveLength(
        wanted,
      );
    },
  );
});

describe('the words of the trade', () => {
  it('are the workshop’s on paper, but for names that somebody typed', async () => {
    const piece: Piece = { ...newPiece('round-seat'), name: 'Wadding stool' };
    const plan = planPiece(piece, {}, { sits: false, coarse: true, planner: sharedPlanner });
    const job: PrintJob = {
      plan,
      piece,
      section: null,
      house: {},
      unit: 'mm',
      words: 'american',
      paper: 'a4',
      fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
    };
    const written = async (words: 'british' | 'american'): Promise<string> => {
      const { pages } = await printedPages({ ...job, words }, { parts: ['job', 'cut', 'run', 'labels', 'slip'] });
      return pages.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'words' ? [mark.words] : []))).join('\n');
    };
    const [british, american] = [await written('british'), await written('american')];
    expect(british).toMatch(/piping/i);
    expect(american).not.toMatch(/piping|hessian|calico|centre/i);
    expect(american).toMatch(/welt (cord|strip)/i);
    expect(american.match(/wadding( stool)?/gi)).toEqual(british.match(/Wadding stool/g));
  });
});

describe('labels', () => {
  it('one for every piece that is cut, none over another', async () => {
    const job = jobOf({ ...newChairSeat(), count: 8 });
    const { pages } = await printedPages(job, { parts: ['labels'] });
    const listed = pages.flatMap(wordsOn).filter(({ words }) => /^\d+ of 8$/.test(words));
    const kinds = job.plan.foam.length + job.plan.cover.pieces.length + (job.plan.wadding ? 1 : 0);
    expect(listed).toHaveLength(kinds * 8);
    for (const page of pages) {
      const places = wordsOn(page)
        .filter(({ words }) => /^\d+ of 8$/.test(words))
        .map(({ at }) => `${Math.round(at[0])} ${Math.round(at[1])}`);
      expect(new Set(places).size).toBe(places.length);
    }
  });
});

/** How far a place is from a stretch of line, mm. */
function distanceToLine([x, y]: readonly [number, number], a: readonly [number, number], b: readonly [number, number]): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const t = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x - a[0] - dx * t, y - a[1] - dy * t);
}
