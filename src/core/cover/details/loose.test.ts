import { polygonArea as d3Area, polygonContains, polygonLength as d3Length } from 'd3';
import { describe, expect, it } from 'vitest';
import { templatesOf } from '../../formats/templates';
import { checkPiece, defaultsOf, LOOSE, newPiece, type Loose, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { arcOver, loopPlaces, looseVolume } from '..';
import { QUICK } from '../../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const loose = (change: Partial<Loose>): Loose => ({
  ...defaultsOf<Loose>(LOOSE),
  id: 'l-1',
  kind: 'cushion',
  name: 'Back cushion',
  ...change,
});
const with1 = (...all: Loose[]): Piece => ({ ...newPiece('corner-seat'), loose: all });
const pieceOf = (plan: Plan, id: string) => plan.cover!.pieces.find((piece) => piece.id === id)!;
const ring = (points: readonly (readonly [number, number])[]): [number, number][] => points.map(([x, y]) => [x, y]);

describe('a cushion of two panels', () => {
  it.each([
    [450, 150],
    [400, 300],
    [600, 60],
    [300, 0],
  ])('has panels as long as the arc over its filling: %s wide, %s thick', (chord, thick) => {
    // By walking the circle through both corners and the middle in small steps.
    const rise = thick / 2;
    const [n, radius] = [20_000, rise > 0 ? (chord ** 2 / 4 + rise ** 2) / (2 * rise) : 0];
    let walked = 0;
    for (let i = 0; i < n; i++) {
      const z = (x: number): number => (rise > 0 ? Math.sqrt(radius ** 2 - x ** 2) - (radius - rise) : 0);
      const [a, b] = [-chord / 2 + (chord * i) / n, -chord / 2 + (chord * (i + 1)) / n];
      walked += Math.hypot(b - a, z(b) - z(a));
    }
    expect(arcOver(chord, rise)).toBeCloseTo(walked, 1);
  });

  it('is cut as a master cuts it: 20 to 45 mm larger for its thickness, corners taken in by 10 to 25', () => {
    const plan = planned(with1(loose({ length: 450, height: 450, thick: 150 })));
    const panel = pieceOf(plan, 'l-1-panel');
    const loosePlan = plan.cover!.loose[0]!;
    expect(panel.count).toBe(2);
    expect(panel.width - 450 - 2 * 12).toBeGreaterThan(20);
    expect(panel.width - 450 - 2 * 12).toBeLessThan(45);
    expect(loosePlan.taper).toBeGreaterThan(10);
    expect(loosePlan.taper).toBeLessThan(25);
    // Its corners lie at the finished size, inside the sides.
    const corner = panel.sewn.find(([x, y]) => x > 0 && y > 0 && Math.abs(x - 225) < 0.5 && Math.abs(y - 225) < 0.5);
    expect(corner).toBeDefined();
    // Every sewn place lies within the cut, the allowance away from it.
    for (const [x, y] of panel.sewn) expect(polygonContains(ring(panel.outline), [x * 0.999, y * 0.999])).toBe(true);
  });

  it('is filled with what a cushion of its size takes: 400 to 650 g at 450 × 450 × 150', () => {
    const { fill } = planned(with1(loose({ length: 450, height: 450, thick: 150 }))).cover!.loose[0]!;
    expect(fill).toBeGreaterThan(0.4);
    expect(fill).toBeLessThan(0.65);
    // The volume by counting cells under both parabolas.
    let cells = 0;
    for (let x = -0.995; x < 1; x += 0.01) for (let y = -0.995; y < 1; y += 0.01) cells += (1 - x * x) * (1 - y * y);
    expect(looseVolume(loose({ length: 450, height: 450, thick: 150 }))).toBeCloseTo((cells / 40_000) * 450 * 450 * 150, -5);
  });
});

describe('a filled roll', () => {
  it('has a body that goes once round it and two ends whose seam is as long as the body is wide', () => {
    const plan = planned(with1(loose({ kind: 'roll', name: 'Head roll', length: 600, thick: 180 })));
    const [body, end] = [pieceOf(plan, 'l-1-body'), pieceOf(plan, 'l-1-end')];
    expect(body.width).toBeCloseTo(600 + 24, 0);
    expect(body.height).toBeCloseTo(Math.PI * 180 + 24, 0);
    expect(end.count).toBe(2 * body.count);
    expect(Math.abs(d3Length(ring(end.sewn)) - (body.height - 24))).toBeLessThan(1);
    expect(Math.abs(d3Area(ring(end.sewn)))).toBeCloseTo((Math.PI / 4) * 180 ** 2, -2);
    // A bolster of that size takes 450 to 750 g.
    expect(plan.cover!.loose[0]!.fill).toBeGreaterThan(0.45);
    expect(plan.cover!.loose[0]!.fill).toBeLessThan(0.75);
  });

  it('has a case that is larger than its cover all over', () => {
    const plan = planned(with1(loose({ kind: 'roll', length: 600, thick: 180 })));
    const [body, shell] = [pieceOf(plan, 'l-1-body'), pieceOf(plan, 'l-1-case-body')];
    expect(shell.cloth).toBe('lining');
    expect((shell.width - 24) / (body.width - 24)).toBeCloseTo(1.04, 3);
    expect((shell.height - 24) / (body.height - 24)).toBeCloseTo(1.04, 3);
  });
});

describe('what lies loose', () => {
  const two = with1(
    loose({ count: 2, welted: true }),
    loose({ id: 'l-2', kind: 'roll', name: 'Head roll', length: 500, thick: 140, zip: false, loops: 3 }),
  );
  const plan = planned(two);

  it('is laid on the roll with the rest, its case on the lining, each with a template', () => {
    const laid = plan.cut.cloth.laid.map(({ label }) => label);
    expect(laid.filter((label) => label.startsWith('Back cushion, panel'))).toHaveLength(4);
    expect(laid.filter((label) => label.startsWith('Head roll, loop'))).toHaveLength(3);
    expect(plan.cut.lining!.laid.filter(({ label }) => label.includes('case'))).toHaveLength(4 + 3);
    const [template] = templatesOf(plan).filter(({ title }) => title.startsWith('Back cushion, panel'));
    // Its seam is drawn twelve inside its cut.
    const [cut, seam] = (['cut', 'seam'] as const).map((layer) => template!.lines.find((line) => line.layer === layer)!.outline);
    const width = (line: readonly (readonly [number, number])[]): number =>
      Math.max(...line.map(([x]) => x)) - Math.min(...line.map(([x]) => x));
    expect(width(cut!) - width(seam!)).toBeCloseTo(24, 1);
    expect(plan.cut.cloth.length).toBeGreaterThan(planned(with1()).cut.cloth.length);
  });

  it('is bought: filling, zips, knobs, and thread and cord with the rest', () => {
    const sizes = sizesOf(plan, two, {});
    const value = (key: string) => sizes.find((line) => line.key === key)?.value;
    expect(value('loose.fill')).toBeCloseTo(2 * plan.cover!.loose[0]!.fill + plan.cover!.loose[1]!.fill, 9);
    expect(value('loose.zip')).toBe(2);
    expect(value('loose.knobs')).toBe(2 * 2 + 3);
    const without = sizesOf(planned(with1()), with1(), {});
    expect(value('thread')! - (without.find(({ key }) => key === 'thread')?.value ?? 0)).toBeGreaterThan(10_000);
    expect(plan.cover!.welts).toHaveLength(2);
  });

  it('is sewn, filled and hung after the piece, with its cautions', () => {
    const keys = plan.steps.map(({ key }) => key);
    const matching = keys.filter((key) => key.startsWith('loose-'));
    expect(matching).toEqual(['loose-sew-l-1', 'loose-fill-l-1', 'loose-hang-l-1', 'loose-sew-l-2', 'loose-fill-l-2', 'loose-hang-l-2']);
    expect(keys.indexOf('loose-sew-l-1')).toBeGreaterThan(keys.indexOf('cloth'));
    for (const step of plan.steps.filter(({ key }) => key.startsWith('loose-'))) expect(step.caution).toMatch(/local rules/);
    expect(plan.steps.find(({ key }) => key === 'loose-fill-l-2')!.detail).toMatch(/sewn shut by hand/);
    expect(plan.warnings.map(({ code }) => code)).toEqual(planned(with1()).warnings.map(({ code }) => code));
  });

  it('is told apart where two are called alike: each laid in its own outline', () => {
    const piece = with1(loose({ length: 450 }), loose({ id: 'l-2', length: 300, height: 300, thick: 100 }));
    const { cover, cut } = planned(piece);
    const names = cover!.pieces.filter(({ id }) => id.endsWith('-panel') && !id.includes('case')).map(({ name }) => name);
    expect(new Set(names).size).toBe(2);
    for (const coverPiece of cover!.pieces.filter(({ name }) => names.includes(name)))
      for (const { points } of cut.shapes.filter(({ label }) => label === coverPiece.name))
        expect(Math.abs(d3Area(ring(points)))).toBeCloseTo(coverPiece.area, -1);
  });

  it('can be cut from the second cloth', () => {
    const piece: Piece = { ...two, second: { ...two.cloth, name: 'Second' }, covering: { ...two.covering, secondOn: ['loose'] } };
    const other = planned(piece);
    expect(other.cut.second!.laid.some(({ label }) => label.startsWith('Back cushion, panel'))).toBe(true);
    expect(other.cut.cloth.laid.some(({ label }) => label.startsWith('Back cushion'))).toBe(false);
  });

  it('begins with what can be sewn on every kind, and says beside its figure what cannot', () => {
    for (const kind of ['corner-seat', 'headboard', 'bench', 'tight-seat'] as const)
      expect(checkPiece({ ...newPiece(kind), loose: [loose({})] })).toEqual([]);
    expect(checkPiece(with1(loose({ thick: 320 })))).toEqual([expect.objectContaining({ path: 'loose.0.thick' })]);
    expect(checkPiece(with1(loose({ length: 200, height: 300, thick: 120, loops: 6 })))).toEqual([
      expect.objectContaining({ path: 'loose.0.loops' }),
    ]);
  });

  it('hangs evenly', () => {
    expect(loopPlaces(1, 500)).toEqual([250]);
    expect(loopPlaces(3, 600)).toEqual([75, 300, 525]);
    expect(loopPlaces(2, 200)).toEqual([50, 150]);
  });
});
