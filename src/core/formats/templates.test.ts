import { describe, expect, it } from 'vitest';
import { bounds, polygonArea, type Point, type Polygon } from '../outline';
import { KINDS, newPiece } from '../piece';
import { planPiece } from '../plan';
import { laidOut } from './print/template-pages';
import { cornersOf, modesOf, onTheFold, shapeOf, TEMPLATE_MODES, templatesOf, type Template } from './templates';
import { PAPER_IDS } from './tiles';

const template = (outline: Polygon, more: Partial<Template> = {}): Template => ({
  id: 't1',
  title: 'Test',
  lines: [{ outline, closed: true }],
  marks: [],
  ...more,
});
const circle = (radius: number, n = 90, off = 0): Polygon =>
  Array.from({ length: n }, (_, i): Point => {
    const r = radius + (i % 2 ? off : -off);
    return [120 + r * Math.cos((i * 2 * Math.PI) / n), -40 + r * Math.sin((i * 2 * Math.PI) / n)];
  });
const rectangle = (w: number, h: number): Polygon => [
  [10, 20],
  [10 + w, 20],
  [10 + w, 20 + h],
  [10, 20 + h],
];

describe('what a template is', () => {
  it('a circle where a string would draw it, and none where it would not', () => {
    expect(shapeOf(template(circle(180))).circle).toMatchObject({ radius: expect.closeTo(180, 6) as number });
    // A hair is the width of the pencil; two millimetres are another shape.
    expect(shapeOf(template(circle(180, 90, 0.1))).circle).not.toBeNull();
    expect(shapeOf(template(circle(180, 90, 1))).circle).toBeNull();
    expect(shapeOf(template(rectangle(300, 300))).circle).toBeNull();
  });

  it('a rectangle where a ruler draws it', () => {
    expect(shapeOf(template(rectangle(1143, 195))).rectangle).toBe(true);
    expect(shapeOf(template(circle(180))).rectangle).toBe(false);
    const bowed: Polygon = [
      [0, 0],
      [300, -4],
      [600, 0],
      [600, 200],
      [0, 200],
    ];
    expect(shapeOf(template(bowed)).rectangle).toBe(false);
    // Points between its corners do not make it another.
    const long: Polygon = [
      [0, 0],
      [250, 0],
      [600, 0],
      [600, 200],
      [300, 200.2],
      [0, 200],
    ];
    expect(shapeOf(template(long)).rectangle).toBe(true);
  });

  it('the same left and right, or not', () => {
    const trapezoid: Polygon = [
      [-225, -210],
      [225, -210],
      [195, 210],
      [-195, 210],
    ];
    const skew: Polygon = [
      [-225, -210],
      [225, -210],
      [215, 210],
      [-195, 210],
    ];
    expect(shapeOf(template(trapezoid)).symmetric).toBe(true);
    expect(shapeOf(template(skew)).symmetric).toBe(false);
    expect(modesOf(template(trapezoid))).toContain('half');
    expect(modesOf(template(skew))).not.toContain('half');
  });

  it('more than its outline where buttons or cuts are in it', () => {
    expect(modesOf(template(circle(180)))[0]).toBe('string');
    expect(modesOf(template(circle(180), { detailed: true }))[0]).toBe('whole');
    expect(modesOf(template(rectangle(400, 300), { detailed: true }))[0]).toBe('whole');
  });

  it('has its corners where it turns', () => {
    expect(cornersOf(template(rectangle(400, 300)))).toHaveLength(4);
    // A circle of ninety sides turns by 4° at each: that is no corner yet; one of six sides has six.
    expect(cornersOf(template(circle(180, 180)))).toHaveLength(0);
    expect(cornersOf(template(circle(180, 6)))).toHaveLength(6);
  });
});

describe('half of it, on the fold', () => {
  it.each([
    [
      'a trapezoid',
      [
        [-225, -210],
        [225, -210],
        [195, 210],
        [-195, 210],
      ],
    ],
    ['a circle', circle(190)],
    ['a rectangle', rectangle(800, 400)],
  ] as [string, Polygon][])('%s: is half its area, and its fold is as long as it is high there', (_, outline) => {
    const half = onTheFold(template(outline));
    const box = bounds(outline);
    const x = (box.minX + box.maxX) / 2;
    const [cut, fold] = [half.lines.filter(({ dashed }) => !dashed), half.lines.filter(({ dashed }) => dashed)];
    expect(fold).toHaveLength(1);
    expect(fold[0]!.outline.every(([a]) => Math.abs(a - x) < 1e-9)).toBe(true);
    // Put end to end the cut lines close with the fold: their area, by the shoelace over each stretch from the fold's foot.
    const area = cut.reduce(
      (sum, { outline: line }) =>
        sum + line.slice(1).reduce((own, [a, b], i) => own + ((line[i]![0] - x) * b - (a - x) * line[i]![1]) / 2, 0),
      0,
    );
    expect(Math.abs(area)).toBeCloseTo(Math.abs(polygonArea(outline)) / 2, -1);
    for (const { outline: line } of cut) for (const [a] of line) expect(a).toBeGreaterThanOrEqual(x - 1e-6);
  });

  it('keeps the marks and names of its half, and says where the fold is', () => {
    const whole = template(rectangle(400, 300), {
      marks: [
        [20, 30],
        [400, 30],
      ],
      labels: [
        { at: [20, 30], says: 'left' },
        { at: [400, 30], says: 'right' },
      ],
    });
    const half = onTheFold(whole);
    expect(half.marks).toEqual([[400, 30]]);
    expect(half.labels!.map(({ says }) => says)).toEqual(['right', 'fold']);
  });
});

describe.each(KINDS.map(({ id }) => id))('%s', (kind) => {
  const plan = planPiece(newPiece(kind), {}, { sits: false, coarse: true });

  it('has a template for each of its pieces, each with ways that there are and a usual one', () => {
    const all = templatesOf(plan);
    expect(all).toHaveLength(plan.foam.length + plan.cover.pieces.length);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    for (const own of all) {
      const modes = modesOf(own);
      expect(modes.length).toBeGreaterThan(1);
      expect(modes).toContain('none');
      for (const mode of modes) expect(TEMPLATE_MODES.map(({ id }) => id)).toContain(mode);
    }
  });

  it('takes no more sheets for a half or for corners than for the whole, none for what is drawn, on every paper', () => {
    for (const own of templatesOf(plan))
      for (const paper of PAPER_IDS) {
        const whole = laidOut(own, 'whole', paper).sheets.length;
        expect(whole).toBeGreaterThan(0);
        for (const mode of modesOf(own)) {
          const { sheets } = laidOut(own, mode, paper);
          if (mode === 'string' || mode === 'ruled' || mode === 'none') expect(sheets).toHaveLength(0);
          else {
            expect(sheets.length, `${own.title} ${mode} ${paper}`).toBeLessThanOrEqual(whole);
            expect(sheets.length).toBeGreaterThan(0);
          }
        }
      }
  });
});
