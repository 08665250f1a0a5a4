import { describe, expect, it } from 'vitest';
import { polygonArea as cutPath } from 'd3';
import { templatesOf } from '../../formats/templates';
import { flatten, baseOutline } from '../../outline';
import { checkDocument } from '../../document';
import { kindOf, KINDS, newChairSeat, newPiece, thickest, thinnest, type Pad, type Piece } from '../../piece';
import { firstProfile, type PadProfile } from '../../pad-forms';
import { planPiece, sheetView, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { foamMass, modelOf } from '..';
import { QUICK, sharedPlanner } from '../../../testing/quick';
import { weekly } from '../../../testing/weekly';

const [W, D, T] = [450, 420, 50];
const square = newChairSeat({ type: 'rectangle', width: W, depth: D, cornerRadius: { front: 0, back: 0 } });
const flat = { ...square.pads[1]!, offset: 0, trim: false };
const with_ = (profile: PadProfile | null, change: Partial<Pad> = {}): Piece => ({ ...square, pads: [{ ...flat, profile, ...change }] });
const DENSITY = 35e-9;
const massOf = (piece: Piece): number => foamMass(modelOf(piece, {}));
const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const FORMS = ['hollow', 'dip', 'rise', 'side', 'read'] as const;
const dip = { kind: 'dip' as const, y: 0, length: 220, by: 15 };

describe('the form of a pad’s top', () => {
  it('takes away or adds what its closed form says', () => {
    const slab = W * D * T;
    // A raised cosine holds half of its box; turned about its middle over an oval, π·a·b·(1/2 − 2/π²).
    expect(massOf(with_(dip)) / ((slab - (W * 220 * 15) / 2) * DENSITY)).toBeCloseTo(1, 2);
    expect(massOf(with_({ ...dip, kind: 'rise' })) / ((slab + (W * 220 * 15) / 2) * DENSITY)).toBeCloseTo(1, 2);
    const hollow = { kind: 'hollow' as const, x: 20, y: -10, width: 300, length: 260, by: 20 };
    const out = Math.PI * 150 * 130 * 20 * (1 / 2 - 2 / Math.PI ** 2);
    expect(massOf(with_(hollow)) / ((slab - out) * DENSITY)).toBeCloseTo(1, 2);
    // Points at 30 and 50 hold 40 on the whole; readings fall off in a parabola, a third of the drop less on the whole.
    const side = {
      kind: 'side' as const,
      faired: false,
      points: [
        { at: 0, height: 30 },
        { at: D, height: 50 },
      ],
    };
    expect(massOf(with_(side)) / (W * D * 40 * DENSITY)).toBeCloseTo(1, 2);
    const read = { kind: 'read' as const, rows: [0, D].map((at) => ({ at, middle: 50, side: 35 })) };
    expect(massOf(with_(read)) / (W * D * 45 * DENSITY)).toBeCloseTo(1, 2);
  });

  it('cut to two points is the wedge it draws, in the section, the cover and the foam', () => {
    const points = [
      { at: 0, height: 30 },
      { at: D, height: 50 },
    ];
    const drawn = planned(with_({ kind: 'side', faired: false, points }));
    const wedge = planned(with_(null, { thickness: 30, wedge: 50 }));
    expect(drawn.surface.height).toBeCloseTo(wedge.surface.height, 1);
    expect(drawn.cut.cloth.length).toBe(wedge.cut.cloth.length);
    for (const [i, station] of drawn.stations.entries()) expect(station.wrap).toBeCloseTo(wedge.stations[i]!.wrap, 1);
    expect(drawn.foam[0]!.layers).toEqual(wedge.foam[0]!.layers);
  });

  it('is followed by the covered section: the foam is cut as it says, and what the cover leaves of it is said', () => {
    const shown = sheetView({ piece: { ...with_(dip), chalk: { x: 0, y: 0, angle: Math.PI / 2 } }, house: {}, parts: [] }, sharedPlanner);
    if (!('view' in shown)) throw new Error('refused');
    const { section } = shown.view;
    expect(section!.converged).toBe(true);
    expect(Math.min(...section!.pads[0]!.upper.map(([, z]) => z))).toBeCloseTo(T - 15, 1);
    // A taut cloth has no inside curve that nothing holds it in: on a box it goes straight from shoulder to shoulder of a dip,
    // however softly it is pulled; over a rise it lies. On a saddle its sides draw it down into the dip.
    const left = (piece: Piece): { cut: number; left: number } => planned(piece).surface.forms[0]!;
    for (const force of [2, 14]) {
      const pulled = (profile: PadProfile): { cut: number; left: number } => left({ ...with_(profile), cloth: { ...square.cloth, force } });
      expect(pulled(dip).cut).toBeCloseTo(15, 1);
      expect(pulled(dip).left).toBeLessThan(4);
      expect(pulled({ kind: 'hollow', x: 0, y: 0, width: 300, length: 260, by: 15 }).left).toBeLessThan(1);
      expect(pulled({ ...dip, kind: 'rise' }).left).toBeGreaterThan(7);
      expect(pulled({ ...dip, kind: 'rise' }).left).toBeLessThan(15.1);
    }
    const saddle = newPiece('saddle');
    const dipped = {
      ...saddle,
      pads: saddle.pads.map((pad) => (pad.role === 'main' ? { ...pad, profile: { ...dip, length: 300 } } : pad)),
    };
    const { cut, left: retained } = left(dipped);
    expect(retained / cut).toBeGreaterThan(0.6);
    const label = (piece: Piece): string => sizesOf(planned(piece), piece, {}).find(({ key }) => key === 'form.main')!.note!;
    expect(label(with_(dip))).toMatch(/2 mm of it left under the pulled cover: the cover bridges it; glue/);
    expect(label(dipped)).toMatch(/mm of it left under the pulled cover$/);
  });

  weekly(2)(
    'begins without a warning on a main pad of every kind, with foam left and nothing wrong',
    () => {
      for (const [k, { id }] of KINDS.entries()) {
        // Nobody hollows or dips a wall piece: those are for who sits. Every kind gets one form, three of them all.
        const fit = kindOf(id).traits.wall ? (['rise', 'side', 'read'] as const) : FORMS;
        const thorough = id === 'chair-seat' || id === 'saddle' || id === 'headboard-bordered';
        for (const kind of thorough ? fit : [fit[k % fit.length]!]) {
          const piece = newPiece(id);
          const at = piece.pads.findIndex(({ role }) => role === 'main');
          const before = planned(piece).warnings.map(({ code }) => code);
          const profile = firstProfile(kind, piece.pads[at]!, flatten(baseOutline(piece.base.shape)));
          const formed = { ...piece, pads: piece.pads.map((pad, i) => (i === at ? { ...pad, profile } : pad)) };
          expect([id, kind, 'problems' in checkDocument(formed, {})]).toEqual([id, kind, false]);
          // A ridge under a bordered panel is a surface that flat cloth cannot lie on without giving: that is said, and true. On a wall
          // a pad that stands out farther makes its panels wider: how wide to saw their boards is said.
          const expected = { 'headboard-bordered': 'strained', 'headboard-panelled': 'panels-off' }[id as string];
          const after = planned(formed).warnings.map(({ code }) => code);
          expect([id, kind, after.filter((code) => !before.includes(code) && code !== expected)]).toEqual([id, kind, []]);
          expect(thinnest(formed.pads[at]!)).toBeGreaterThan(5);
        }
      }
    },
    300_000,
  );

  it('is said before it is cut: size, step with its caution before the glue, foam of its greatest height', () => {
    for (const kind of FORMS) {
      const piece = with_(firstProfile(kind, flat, flatten(baseOutline(square.base.shape))));
      const plan = planned(piece);
      expect(sizesOf(plan, piece, {}).find(({ key }) => key === 'form.main')).toBeDefined();
      const at = plan.steps.findIndex(({ key }) => key === 'form-main');
      expect(plan.steps[at]!.caution).toMatch(/clear/);
      expect(at).toBeLessThan(plan.steps.findIndex(({ key }) => key === 'glue-main'));
      expect(plan.foam[0]!.layers.reduce((sum, t) => sum + t, 0)).toBeGreaterThanOrEqual(thickest(piece.pads[0]!) - 1);
    }
  });

  it('is in the height that the reason for it names: the pads as they are in the middle', () => {
    const pads = (piece: Piece): number =>
      sizesOf(planned(piece), piece, {})
        .find(({ key }) => key === 'height')!
        .terms.find(({ symbol }) => symbol === 'pads')!.value;
    expect(pads(with_(dip))).toBeCloseTo(T - 15, 1);
    expect(pads(with_({ ...dip, kind: 'rise' }))).toBeCloseTo(T + 15, 1);
    expect(pads(with_(null, { thickness: 30, wedge: 50 }))).toBeCloseTo(40, 1);
    expect(pads(with_(null))).toBeCloseTo(T, 1);
  });

  it('has its side at full size among the templates, as long as the pad and as high as it stands', () => {
    const points = [
      { at: 0, height: 30 },
      { at: 60, height: 30 },
      { at: 70, height: 50 },
      { at: D, height: 44 },
    ];
    const stencil = templatesOf(planned(with_({ kind: 'side', faired: false, points }))).find(({ title }) => title.startsWith('Side of'))!;
    const ring = stencil.lines[0]!.outline;
    // Every point that was given is a corner of it, and its area is that of the trapezes under the line.
    for (const { at, height } of points) expect(ring.some(([x, y]) => Math.hypot(x - at, y - height) < 0.01)).toBe(true);
    const area = points.slice(1).reduce((sum, p, i) => sum + ((p.at - points[i]!.at) * (p.height + points[i]!.height)) / 2, 0);
    expect(Math.abs(cutPath(ring.map(([x, y]): [number, number] => [x, y])))).toBeCloseTo(area, 3);
    const level = templatesOf(planned(with_(null))).filter(({ title }) => title.startsWith('Side of'));
    expect(level).toEqual([]);
    const templates = templatesOf(planned(with_(dip, { kept: 'cleaned' }))).filter(({ title }) => title.startsWith('Side of'));
    expect(templates).toEqual([]);
  });

  it('that cannot be is refused beside its cause', () => {
    const wrong = (profile: PadProfile): string => {
      const checked = checkDocument(with_(profile), {});
      return 'problems' in checked ? `${checked.problems[0]!.path}: ${checked.problems[0]!.message}` : '';
    };
    expect(wrong({ ...dip, by: 49 })).toMatch(/^pads\.0\.profile\.by: .*47 mm maximum/);
    const points = [
      { at: 0, height: 30 },
      { at: 0, height: 30 },
    ];
    expect(wrong({ kind: 'side', faired: false, points })).toMatch(/^pads\.0\.profile\.points\.1\.at/);
    expect(
      wrong({
        kind: 'side',
        faired: false,
        points: [
          { at: 0, height: 70 },
          { at: 90, height: 30 },
        ],
      }),
    ).toMatch(/points\.0\.height: .*50 mm maximum/);
    expect(
      wrong({
        kind: 'read',
        rows: [
          { at: 0, middle: 40, side: 60 },
          { at: 90, middle: 30, side: 30 },
        ],
      }),
    ).toMatch(/rows\.0\.side/);
  });

  it('of an old moulded pad is as it was scanned: its highest place as thick as it was measured, nothing cut or bought', () => {
    const heights = Array.from({ length: 36 }, (_, i) => 0 - ((i % 6) - 2.5) ** 2);
    const map = { kind: 'map' as const, name: 'pad', x0: -250, y0: -250, step: 100, columns: 6, rows: 6, heights };
    const piece = with_({ kind: 'scanned', map }, { kept: 'cleaned' });
    const plan = planned(piece);
    expect(plan.foam[0]!.kept).toBe('cleaned');
    expect(plan.steps.some(({ key }) => key === 'form-main')).toBe(false);
    // Its rim is thinner by 6.25 − 0.25; it is read, not rounded to the middle.
    const model = modelOf(piece, {});
    expect(model.pads[0]!.form!([50, 0])).toBeCloseTo(T, 6);
    expect(model.pads[0]!.form!([250, 0])).toBeCloseTo(T - 6, 6);
    expect(plan.surface.height).toBeLessThan(planned(with_(null, { kept: 'cleaned' })).surface.height + 0.5);
  });
});
