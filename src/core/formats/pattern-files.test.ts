import { csvParse, polygonArea as d3Area } from 'd3';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { newPiece, type Piece, type PieceKind, wallInStep } from '../piece';
import { planPiece, type Plan } from '../plan';
import { cutListCsv, cutRows, patternDrawing, patternFile } from './pattern-files';
import { templatesOf } from './templates';
import { QUICK } from '../../testing/quick';
import { dxfShapes, svgShapes, type Pair, type Shape } from '../../testing/read-patterns';

/** What leaves the program is read by other libraries, as another program would. */

const KINDS: PieceKind[] = ['round-seat', 'headboard-bordered', 'saddle', 'chair-seat'];
const pieces = new Map<PieceKind, { piece: Piece; plan: Plan }>();
beforeAll(() => {
  for (const kind of KINDS) {
    const start = newPiece(kind);
    const piece = wallInStep(start, { ...start, name: `<${kind}> & "co"`, count: 2 });
    pieces.set(kind, { piece, plan: planPiece(piece, {}, QUICK) });
  }
});
const of = (kind: PieceKind) => pieces.get(kind)!;

const size = (points: readonly Pair[]): Pair => {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
};
const areas = (shapes: readonly Shape[], layer: string): number[] =>
  shapes
    .filter((shape) => shape.closed && shape.layer === layer)
    .map(({ points }) => Math.abs(d3Area(points)))
    .sort((a, b) => a - b);

describe.each(KINDS)('the patterns of a %s', (kind) => {
  it('come back from a DXF as large as they are cut, in millimetres, each line on its layer', () => {
    const { piece, plan } = of(kind);
    const { shapes, texts, units, layers } = dxfShapes(patternFile(plan, piece, 'dxf'));
    expect(units).toBe(4);
    expect(layers).toEqual(expect.arrayContaining(['CUT', 'SEAM', 'NOTCH', 'MARK', 'TEXT']));
    // Every cloth piece and every pad is among the closed outlines of the cut layer, with the area it has in the plan.
    const cut = areas(shapes, 'CUT');
    for (const area of [
      ...plan.cover.pieces.map((coverPiece) => coverPiece.area),
      ...plan.foam.filter(({ kept }) => !kept).map((pad) => Math.abs(d3Area(pad.finished.outline.map(([x, y]): Pair => [x, y])))),
    ])
      expect(Math.min(...cut.map((value) => Math.abs(value - area) / area)), `${area} mm²`).toBeLessThan(2e-3);
    for (const { title } of templatesOf(plan)) expect(texts).toContain(title);
    const check = shapes.find(({ layer, closed, points }) => layer === 'MARK' && closed && points.length === 4)!;
    expect(size(check.points)).toEqual([100, 100]);
  });

  it('come back from an SVG the same, one unit a millimetre', () => {
    const { piece, plan } = of(kind);
    const [svg, dxf] = [svgShapes(patternFile(plan, piece, 'svg')), dxfShapes(patternFile(plan, piece, 'dxf'))];
    expect(svg.width).toMatch(/^[\d.]+mm$/);
    for (const layer of ['CUT', 'SEAM', 'MARK']) {
      const [a, b] = [areas(svg.shapes, layer), areas(dxf.shapes, layer)];
      expect(a).toHaveLength(b.length);
      a.forEach((area, i) => expect(Math.abs(area - b[i]!)).toBeLessThan(Math.max(20, b[i]! * 1e-3)));
    }
    expect(svg.shapes.filter(({ layer }) => layer === 'NOTCH')).toHaveLength(dxf.shapes.filter(({ layer }) => layer === 'NOTCH').length);
    expect(svg.texts).toHaveLength(dxf.texts.length);
  });

  it('lie beside each other: no piece reaches over another', () => {
    const { plan } = of(kind);
    const templates = templatesOf(plan);
    const { lines, width, height } = patternDrawing(templates);
    const boxes = lines
      .filter(({ layer, closed, points }) => closed && (layer === 'cut' || points.length === 4))
      .map(({ points }) => {
        const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
        return { x: Math.min(...xs), y: Math.min(...ys), X: Math.max(...xs), Y: Math.max(...ys) };
      });
    const outer = boxes.filter(
      (a) =>
        !boxes.some(
          (b) =>
            b !== a &&
            b.x <= a.x + 1e-6 &&
            b.y <= a.y + 1e-6 &&
            b.X >= a.X - 1e-6 &&
            b.Y >= a.Y - 1e-6 &&
            (b.X - b.x) * (b.Y - b.y) > (a.X - a.x) * (a.Y - a.y) + 1e-6,
        ),
    );
    outer.forEach((a, i) => outer.slice(i + 1).forEach((b) => expect(a.X <= b.x || b.X <= a.x || a.Y <= b.y || b.Y <= a.y).toBe(true)));
    // A loose piece's seam lies within its cut, not on it.
    const seams = lines.filter(({ layer, closed }) => layer === 'seam' && closed);
    expect(seams.length).toBeGreaterThan(0);
    for (const box of boxes) {
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.y).toBeGreaterThanOrEqual(0);
      expect(box.X).toBeLessThanOrEqual(width);
      expect(box.Y).toBeLessThanOrEqual(height);
    }
  });

  it('are in the cut list, with what is cut of each', () => {
    const { piece, plan } = of(kind);
    const rows = csvParse(patternFile(plan, piece, 'csv'));
    expect(rows.columns).toEqual(['what', 'of', 'count', 'width_mm', 'length_mm', 'thickness_mm', 'note']);
    for (const coverPiece of plan.cover.pieces) {
      const row = rows.find(({ what }) => what === coverPiece.name)!;
      expect(Number(row.width_mm)).toBeCloseTo(coverPiece.width, 0);
      expect(Number(row.length_mm)).toBeCloseTo(coverPiece.height, 0);
    }
    const counted = (all: readonly { count: number | string | undefined }[]): number =>
      all.reduce((sum, { count }) => sum + Number(count), 0);
    expect(counted([...rows].map(({ count }) => ({ count })))).toBe(counted(cutRows(plan, piece)));
    expect(rows.filter(({ what }) => what!.startsWith('Piping strip'))).toHaveLength(plan.cover.welts.length);
  });
});

describe('a cut list', () => {
  it.each(['bench', 'round-seat', 'block-seat'] as const)(
    'says what is laid on the sheets and cut into welts, piece for piece: %s',
    (kind) => {
      // A thickness that is not sold is glued from layers, a long pad is joined from blocks, and there are three of it.
      const plain = newPiece(kind);
      const piece: Piece = {
        ...plain,
        count: 3,
        pads: plain.pads.map((pad, i) => (i === 0 ? { ...pad, thickness: pad.thickness + 13, blocks: 2 } : pad)),
      };
      const plan = planPiece(piece, {}, QUICK);
      const rows = csvParse(patternFile(plan, piece, 'csv'));
      const phrases = rows
        .filter(({ thickness_mm: thick }) => thick !== '')
        .flatMap((row) =>
          Array.from({ length: Number(row.count) }, () =>
            [Number(row.thickness_mm), ...[Number(row.width_mm), Number(row.length_mm)].map(Math.round).sort((a, b) => a - b)].join(),
          ),
        );
      const laid = plan.cut.foam.layouts.flatMap(({ thickness, sheets }) =>
        sheets.flat().map(({ width, height }) => [thickness, ...[width, height].map(Math.round).sort((a, b) => a - b)].join()),
      );
      expect(phrases.sort()).toEqual(laid.sort());
      const straight = plan.cover.welts.filter(({ cut }) => cut === 'straight');
      const strips = rows.filter(({ what, note }) => what!.startsWith('Piping strip') && note!.includes('straight'));
      expect(strips.reduce((sum, { count }) => sum + Number(count), 0)).toBe(
        plan.cut.cloth.laid.filter(({ label }) => straight.some(({ name }) => label === `Piping, ${name.toLowerCase()}`)).length,
      );
      expect(rows.every(({ of }) => !/^[a-z]+-/.test(of!))).toBe(true);
    },
  );

  it('gives a spreadsheet words, never formulas, and comes back as it was', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ what: fc.string(), note: fc.string() }), { minLength: 1, maxLength: 6 }), (reported) => {
        const rows = reported.map(({ what, note }) => ({
          what,
          of: 'x',
          count: 1,
          width_mm: 1,
          length_mm: 1,
          thickness_mm: '' as const,
          note,
        }));
        const back = csvParse(cutListCsv(rows));
        expect(back).toHaveLength(rows.length);
        back.forEach((row, i) => {
          expect(row.what).not.toMatch(/^[=+\-@\t\r]/);
          // A quote is put before what would be reckoned with; otherwise nothing is changed.
          expect([rows[i]!.what, `'${rows[i]!.what}`].map((id) => id.replaceAll('\r\n', '\n').replaceAll('\r', '\n'))).toContain(
            row.what!.replaceAll('\r\n', '\n').replaceAll('\r', '\n'),
          );
        });
      }),
      { numRuns: 60 },
    );
  });
});
