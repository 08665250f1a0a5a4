import { polygonArea } from 'd3';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { chalkStep } from '../padding';
import type { Polygon } from '../outline';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { QUICK, sharedPlanner } from '../../testing/quick';
import { DRAFT_TRUE, draftOf } from './drafting';
import { printedPages, type PrintJob } from './pdf';
import type { PrintPart } from './print/choice';
import { drawnBy } from './print/template-pages';
import { templatesOf, type Template } from './templates';
import { weekly } from '../../testing/weekly';
import { thisWeek } from '../../testing/runs';

type Place = [number, number];

/** The points of a draft as somebody reads them off the paper: “3 241, 13 ~”. */
function readOff(template: Template): { fold: boolean; points: Place[] } {
  const text = drawnBy({ template, mode: 'drafted' }, 'mm');
  const points = [...text.matchAll(/(?:^|[;.] )(\d+) {3}(-?[\d.]+), (-?[\d.]+)/g)].map(([, , across, up]): Place => [
    Number(across),
    Number(up),
  ]);
  return { fold: text.includes('across from the fold'), points };
}

/** Distance of a place from a closed line, by brute force. */
function distance([x, y]: Place, line: readonly Place[]): number {
  return Math.min(
    ...line.map(([ax, ay], i) => {
      const [bx, by] = line[(i + 1) % line.length]!;
      const [dx, dy] = [bx - ax, by - ay];
      const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(ax + dx * t - x, ay + dy * t - y);
    }),
  );
}

const job = (piece: Piece): PrintJob => {
  const font = (face: string) => readFileSync(`node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`);
  return {
    plan: planPiece(piece, {}, { planner: sharedPlanner, sits: false }),
    section: chalkStep(sharedPlanner.model(piece, {})),
    piece,
    house: {},
    unit: 'mm',
    paper: 'a4',
    fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
  };
};

describe.each(thisWeek(KINDS, 4).map(({ id }) => id))('what is drafted of a %s', (kind) => {
  const plan = planPiece(newPiece(kind), {}, QUICK);
  const drafted = templatesOf(plan).filter((template) => draftOf(template) !== null);

  it('plotted by the figures on the paper is the part that is cut, within what a batten does and a millimetre is rounded to', () => {
    for (const template of drafted) {
      const outline = template.lines[0]!.outline.map(([x, y]): Place => [x, y]);
      const { fold, points } = readOff(template);
      const half = fold ? points : [];
      const plotted = fold ? [...half, ...half.map(([x, y]): Place => [-x, y]).reverse()] : points;
      const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
      const [left, low] = [fold ? (Math.min(...xs) + Math.max(...xs)) / 2 : Math.min(...xs), Math.min(...ys)];
      const placed = plotted.map(([x, y]): Place => [x + left, y + low]);
      for (const point of outline) expect(distance(point, placed), `${template.title} at ${point}`).toBeLessThan(DRAFT_TRUE + 0.8);
      const share = Math.abs(polygonArea(placed)) / Math.abs(polygonArea(outline));
      expect(Math.abs(share - 1), template.title).toBeLessThan(0.01);
    }
  });

  weekly(3)('is under twelve sheets of A4 to begin with, all that belongs to the job', async () => {
    expect((await printedPages(job(newPiece(kind)))).pages.length).toBeLessThan(12);
  });
});

it('a template with a pocket, joins or a bent cut in it keeps its paper, and a cut across the fold is on it', () => {
  const whole = (lines: Template['lines']): Template => ({ id: 't', title: 'T', lines, marks: [] });
  const edge: Template['lines'][number] = {
    outline: [
      [-200, 0],
      [200, 0],
      [150, 300],
      [-150, 300],
    ],
    closed: true,
    layer: 'cut',
  };
  const square = (size: number): Polygon => [
    [-size, 100],
    [size, 100],
    [size, 100 + size],
    [-size, 100 + size],
  ];
  expect(draftOf(whole([edge]))).toMatchObject({ fold: true, points: [{ across: 0, up: 0 }, {}, {}, { across: 0, up: 300 }] });
  expect(draftOf(whole([edge, { outline: square(40), closed: true, dashed: true }]))).toBeNull();
  expect(draftOf(whole([edge, { outline: square(40), closed: true, dashed: true, layer: 'cut' }]))).toBeNull();
  expect(draftOf(whole([edge, { outline: square(40), closed: false, layer: 'cut' }]))).toBeNull();
  const across: Template['lines'][number] = {
    outline: [
      [-50, 20],
      [50, 20],
    ],
    closed: false,
    layer: 'cut',
  };
  expect(draftOf(whole([edge, across]))!.cuts).toEqual([{ from: [-50, 20], to: [50, 20] }]);
});

weekly(0)('no template changes its way because labels are wanted as well, or the job sheet is not', async () => {
  const saddle = job(newPiece('saddle'));
  const modes = async (parts?: readonly PrintPart[]) =>
    (await printedPages(saddle, parts ? { parts } : {})).templates.map(({ mode }) => mode);
  const usual = await modes();
  expect(await modes(['job', 'cut', 'run', 'labels', 'templates'])).toEqual(usual);
  expect(await modes(['templates'])).toEqual(usual);
});

it('what is held to the work, or has lines stitched into it, is not drafted', () => {
  const nailed = templatesOf(planPiece(newPiece('headboard-nailed'), {}, QUICK));
  expect(draftOf(nailed.find(({ stencil }) => stencil)!)).toBeNull();
  const channelled = { ...newPiece('chair-seat'), covering: { way: 'channelled' } };
  const cover = templatesOf(planPiece(channelled, {}, QUICK)).find(({ title }) => title.startsWith('Cover'));
  if (cover) expect(draftOf(cover)).toBeNull();
  const cuts = draftOf(nailed.find(({ title }) => title.startsWith('Cover'))!)!.cuts;
  expect(cuts.length).toBe(4);
});
