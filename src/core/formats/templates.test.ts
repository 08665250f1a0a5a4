import { describe, expect, it } from 'vitest';
import { bounds, polygonArea, type Point, type Polygon } from '../outline';
import { defaultsOf, KINDS, NAILS, newPiece, type Nails } from '../piece';
import { planPiece } from '../plan';
import { drawnBy, laidOut } from './print/template-pages';
import { cornersOf, modesOf, onTheFold, shapeOf, TEMPLATE_MODES, templatesOf, type Template } from './templates';
import { PAPER_IDS } from './tiles';
import { QUICK } from '../../testing/quick';

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

describe('the strip that nails are spaced by', () => {
  it.each([null, 6])('small heads between: %s; walked along an edge it meets every nail of it', (small) => {
    const start = newPiece('headboard-nailed');
    const piece = { ...start, covering: { ...start.covering, nails: { ...defaultsOf<Nails>(NAILS as { static: Nails }), small } } };
    const plan = planPiece(piece, {}, QUICK);
    const strips = templatesOf(plan).filter(({ title }) => title.startsWith('Nail strip'));
    expect(strips.length).toBeGreaterThan(0);
    const { runs } = plan.cover.nails!;
    for (const run of runs) {
      const label = strips.flatMap(({ labels }) => labels!).find(({ says }) => says.split(': ')[0]!.split(', ').includes(run.edge))!;
      const at = strips
        .flatMap(({ marks }) => marks)
        .filter(([, y]) => y === label.at[1])
        .map(([x]) => x);
      // It goes on a sheet of paper, and one is not set nail by nail.
      expect(at.at(-1)! + 15).toBeLessThan(297 - 20);
      expect(at.length).toBeGreaterThan(3);
      // Walked from its first nail, the last mark laid on the nail before: after all its gaps it is at the end of the run.
      let nail = 0;
      for (let k = 0; k < run.count; k++) nail += at[1 + (k % (at.length - 1))]! - at[k % (at.length - 1)]!;
      expect(Math.abs(nail - run.length)).toBeLessThan(2.5);
    }
    // All strips lie together, none over another.
    expect(strips).toHaveLength(1);
    expect(laidOut(strips[0]!, 'whole', 'a4').sheets.length).toBeLessThanOrEqual(2);
    const heights = strips[0]!.lines.filter(({ closed }) => closed).map(({ outline }) => bounds(outline));
    heights.slice(1).forEach(({ maxY }, k) => expect(maxY).toBeLessThan(heights[k]!.minY));
    expect(strips[0]!.marks.every((mark) => mark[0] >= 0)).toBe(true);
    expect(templatesOf(planPiece(newPiece('headboard'), {}, QUICK)).some(({ title }) => title.startsWith('Nail'))).toBe(false);
  });
});

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

  it('not the same where only its outline is: a cut, a stitch line or a mark on one side would be cut on both', () => {
    const even = rectangle(400, 300);
    const cut = (x: number): Template['lines'][number] => ({
      outline: [
        [x, 20],
        [x, 45],
      ],
      closed: false,
    });
    const both = template(even, {
      lines: [{ outline: even, closed: true }, cut(60), cut(360)],
      marks: [
        [10, 170],
        [410, 170],
      ],
    });
    expect(shapeOf(both).symmetric).toBe(true);
    expect(shapeOf({ ...both, lines: both.lines.slice(0, 2) }).symmetric).toBe(false);
    expect(shapeOf({ ...both, lines: [both.lines[0]!, cut(60), cut(362)] }).symmetric).toBe(false);
    expect(shapeOf({ ...both, marks: [[10, 170]] }).symmetric).toBe(false);
    expect(shapeOf({ ...both, marks: [[210, 320]] }).symmetric).toBe(true);
  });

  it('more than its outline where buttons or cuts are in it', () => {
    expect(modesOf(template(circle(180)))[0]).toBe('string');
    // Round or square, it mirrors: half of it on the fold.
    expect(modesOf(template(circle(180), { detailed: true }))[0]).toBe('half');
    expect(modesOf(template(rectangle(400, 300), { detailed: true }))[0]).toBe('half');
    expect(modesOf(template(rectangle(400, 300), { detailed: true, stencil: true }))).toEqual(['whole', 'none']);
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
        sum + line.slice(1).reduce((value, [a, b], i) => value + ((line[i]![0] - x) * b - (a - x) * line[i]![1]) / 2, 0),
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

describe('what a template is known by', () => {
  it('stays when a pad is taken out, and is not given to another', () => {
    const piece = newPiece('chair-seat');
    const ids = (item: typeof piece): Record<string, string> =>
      Object.fromEntries(templatesOf(planPiece(item, {}, QUICK)).map(({ id, title }) => [id, title.split(',')[0]!]));
    const before = ids(piece);
    const after = ids({ ...piece, pads: piece.pads.filter(({ role }) => role !== 'crown') });
    expect(Object.keys(before).length).toBe(Object.keys(after).length + 1);
    for (const [id, title] of Object.entries(after)) expect(before[id]).toBe(title);
    // An address carries it as it is.
    for (const id of Object.keys(before)) expect(encodeURIComponent(id)).toBe(id);
  });
});

describe('a circle’s notches', () => {
  const round = (angles: readonly number[]): Template => ({
    ...template(circle(150, 120)),
    // Clockwise from the front as it is seen from above: the front is low, a quarter on is the left.
    notches: angles.map((angle, i) => ({
      at: [120 - 150 * Math.sin((angle * Math.PI) / 180), -40 - 150 * Math.cos((angle * Math.PI) / 180)] as Point,
      says: `n${i}`,
    })),
  });

  it('are said where they are: even ones by their step, others one by one', () => {
    expect(drawnBy({ template: round([0, 90, 180, 270]), mode: 'string' }, 'mm')).toContain(
      'every 90° clockwise from the front: n0, n1, n2, n3',
    );
    expect(drawnBy({ template: round([45, 135, 225, 315]), mode: 'string' }, 'mm')).toContain(
      'every 90° clockwise from 45° past the front: n0, n1, n2, n3',
    );
    expect(drawnBy({ template: round([10, 80, 200]), mode: 'string' }, 'mm')).toContain('n0 at 10°, n1 at 80°, n2 at 200°');
    expect(drawnBy({ template: round([]), mode: 'string' }, 'mm')).not.toContain('otch');
  });

  it('of a stool come to the places of the cut piece that its plan has', () => {
    const plan = planPiece(newPiece('round-seat'), {}, QUICK);
    const piece = plan.cover.pieces.find(({ role }) => role === 'top')!;
    const text = drawnBy({ template: templatesOf(plan).find(({ title }) => title.startsWith('Top panel'))!, mode: 'string' }, 'mm');
    const box = bounds(piece.outline);
    const centre = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2] as const;
    const [, step, names] = /every ([\d.]+)° clockwise[^:]*: ([^.]+)\./.exec(text)!;
    const past = Number(/from (\d+)° past/.exec(text)?.[1] ?? 0);
    names!.split(', ').forEach((label, k) => {
      const { x, y } = piece.notches.find((notch) => notch.label === label)!;
      // By the compass instead of the formula: walk from the front to the left.
      const bearing = ((Math.atan2(centre[0] - x, centre[1] - y) * 180) / Math.PI + 720) % 360;
      const off = Math.abs(((bearing - past - k * Number(step) + 540) % 360) - 180);
      expect(off, `${label} at ${bearing}`).toBeLessThan(2);
    });
  });
});

describe.each(KINDS.map(({ id }) => id))('%s', (kind) => {
  const plan = planPiece(newPiece(kind), {}, QUICK);

  it('has a template for each of its pieces, each with ways that there are and a usual one', () => {
    const all = templatesOf(plan);
    const strips = all.filter(({ title }) => title.startsWith('Nail strip'));
    expect(all).toHaveLength(plan.foam.length + plan.cover.pieces.length + strips.length);
    expect(strips.length > 0).toBe(plan.cover.nails !== null);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    for (const item of all) {
      const modes = modesOf(item);
      expect(modes.length).toBeGreaterThan(1);
      expect(modes).toContain('none');
      for (const mode of modes) expect(TEMPLATE_MODES.map(({ id }) => id)).toContain(mode);
    }
  });

  it('takes no more sheets for a half or for corners than for the whole, none for what is drawn, on every paper', () => {
    for (const item of templatesOf(plan))
      for (const paper of PAPER_IDS) {
        const whole = laidOut(item, 'whole', paper).sheets.length;
        expect(whole).toBeGreaterThan(0);
        for (const mode of modesOf(item)) {
          const { sheets } = laidOut(item, mode, paper);
          if (['string', 'ruled', 'drafted', 'none'].includes(mode)) expect(sheets).toHaveLength(0);
          else {
            expect(sheets.length, `${item.title} ${mode} ${paper}`).toBeLessThanOrEqual(whole);
            expect(sheets.length).toBeGreaterThan(0);
          }
        }
      }
  });
});
