import { polygonArea as d3Area, polygonCentroid as d3Centroid, polygonContains } from 'd3';
import { describe, expect, it } from 'vitest';
import { modelOf } from '../padding';
import { findMaterial, FOAMS } from '../foam';
import { templatesOf } from '../formats/templates';
import { firstPatch, firstPocket, newPiece, nextLetIn, type Pad, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sitStep } from '../seat-check';
import { sizesOf } from '../sizes';
import { QUICK } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const saddle = newPiece('saddle');
const chair = newPiece('chair-seat');
const withMain = (piece: Piece, change: Partial<Pad>): Piece => ({
  ...piece,
  pads: piece.pads.map((pad) => (pad.role === 'main' ? { ...pad, ...change } : pad)),
});
const pocketed = withMain(saddle, { pocket: firstPocket(saddle.pads.find(({ role }) => role === 'main')!.thickness) });
const old = withMain(chair, { kept: 'cleaned', hardnessLeft: 70, trim: false });
const main = old.pads.find(({ role }) => role === 'main')!;
const patched = withMain(old, { pocket: firstPatch(main) });

describe('the insert of a pocket', () => {
  it('is a piece of foam like any other: cut, bought, labelled, with its template', () => {
    const plan = planned(pocketed);
    const pocket = pocketed.pads.find(({ role }) => role === 'main')!.pocket!;
    const insert = plan.foam.find(({ insertOf }) => insertOf === 'main')!;
    expect(insert).toMatchObject({
      material: pocket.material,
      width: pocket.width,
      height: pocket.length,
      kept: null,
      count: saddle.count,
    });
    expect(Math.abs(d3Area(insert.outline.map(([x, y]) => [x, y])))).toBeCloseTo((Math.PI / 4) * pocket.width * pocket.length, -2);
    expect(plan.cut.foam.layouts.flatMap(({ sheets }) => sheets.flat()).filter(({ label }) => label === insert.pad)).toHaveLength(
      insert.count,
    );
    const line = sizesOf(plan, pocketed, {}).find(({ key }) => key === 'foam.main insert')!;
    expect([line.label, line.value, line.by]).toEqual(['Insert in the main pad', pocket.width, pocket.length]);
    expect(templatesOf(plan).find(({ title }) => title.startsWith('Insert, Main pad'))).toBeDefined();
  });

  it('is bought thick enough to stand proud, in a thickness that is sold', () => {
    for (const deep of [6, 12, 15, 22, 30]) {
      const pocket = { ...firstPocket(60), deep };
      const plan = planned(withMain(saddle, { thickness: 60, pocket }));
      const insert = plan.foam.find(({ insertOf }) => insertOf)!;
      const bought = insert.layers.reduce((sum, t) => sum + t, 0);
      expect(bought).toBeGreaterThanOrEqual(deep);
      for (const t of insert.layers) expect(findMaterial(FOAMS, pocket.material)!.sold).toContain(t);
      // It is no reason to say that a pad is not sold so thick.
      expect(
        plan.warnings.filter(({ code, where }) => code === 'thickness-not-sold' && where.includes(String(plan.foam.indexOf(insert)))),
      ).toEqual([]);
    }
  });

  it('is drawn on the template of its pad, where the section carves it', () => {
    const plan = planned(pocketed);
    const pad = templatesOf(plan).find(({ title }) => title.startsWith('Main pad'))!;
    const pocket = pocketed.pads.find(({ role }) => role === 'main')!.pocket!;
    const oval = pad.lines.find(
      (line) => line.dashed && Math.abs(Math.max(...line.outline.map(([x]) => x)) - (pocket.x + pocket.width / 2)) < 0.2,
    )!;
    expect(oval.closed).toBe(true);
    const outline = pad.lines[0]!.outline.map(([x, y]): [number, number] => [x, y]);
    for (const [x, y] of oval.outline) expect(polygonContains(outline, [x, y])).toBe(true);
  });

  it('weighs as an oval does, pad and insert each in its own foam', () => {
    const pocket = { x: 0, y: 0, width: 200, length: 120, deep: 20, material: 'resilient-medium' };
    const mass = (piece: Piece): number => planned(piece).mass.foam;
    const [without, with1] = [mass(chair), mass(withMain(chair, { pocket }))];
    const [value, other] = [findMaterial(FOAMS, main.material)!.density, findMaterial(FOAMS, pocket.material)!.density];
    // By counting cells of 2 mm under the oval, not by its formula.
    let cells = 0;
    for (let x = -100; x < 100; x += 2) for (let y = -60; y < 60; y += 2) if (((x + 1) / 100) ** 2 + ((y + 1) / 60) ** 2 <= 1) cells += 4;
    expect((with1 - without) * 1e9).toBeCloseTo(cells * 20 * (other - value), -6);
  });
});

describe('a patch in an old pad', () => {
  it('is cut of fresh foam while nothing is cut of the old', () => {
    const plan = planned(patched);
    const layouts = plan.cut.foam.layouts.flatMap(({ sheets }) => sheets.flat().map(({ label }) => label));
    expect(layouts).toContain('main insert');
    expect(layouts).not.toContain('main');
    expect(sizesOf(plan, patched, {}).find(({ key }) => key === 'foam.main insert')!.label).toBe('Patch in the main pad');
    expect(templatesOf(plan).filter(({ title }) => title.startsWith('Main pad'))).toEqual([]);
  });

  it('is let in before the pad is laid, with its own words: sloping sides, proud, trimmed flush', () => {
    const { steps } = planned(patched);
    const keys = steps.map(({ key }) => key);
    const at = keys.indexOf('patch-main');
    expect(at).toBeGreaterThan(keys.indexOf('kept-main'));
    expect(at).toBeLessThan(keys.indexOf('glue-main'));
    expect(steps[at]).toMatchObject({ wait: 5 });
    expect(steps[at]!.detail).toMatch(/sloping in.*proud.*flush/);
    expect(keys).not.toContain('pocket-main');
    // Nothing is glued on that is let in.
    expect(keys.filter((key) => key.includes('insert'))).toEqual([]);
  });

  it('carries again what the old foam no longer did: less sink than without, not less than in new foam', () => {
    const sink = (piece: Piece): number => {
      const one: Piece = { ...piece, sit: { loader: 'disc', mass: 25, share: 100, x: 0, y: 0 } };
      return sitStep(modelOf(one, {}), 'trial')!.plan.sink;
    };
    const half = withMain(old, { hardnessLeft: 50 });
    const [worn, mended, fresh] = [
      sink(half),
      sink(withMain(half, { pocket: { ...firstPatch(main), width: 300, length: 300 } })),
      sink(withMain(chair, { trim: false })),
    ];
    expect(mended).toBeLessThan(worn - 1);
    expect(mended).toBeGreaterThan(fresh);
  });

  it('and another beside it: each cut, each on a template of its own, each with its step, each in the sitting', () => {
    const box = { minX: -225, maxX: 225, minY: -210, maxY: 210 };
    const first = { ...firstPatch(main), blend: 15 };
    const one = { ...main, pocket: first };
    const second = { ...nextLetIn(one, box), blend: 0 };
    const both = withMain(old, { pocket: first, patches: [second] });
    const plan = planned(both);
    const inserts = plan.foam.filter(({ insertOf }) => insertOf === 'main');
    expect(inserts.map(({ pad, blend }) => [pad, blend])).toEqual([
      ['main insert', 15],
      ['main insert 2', 0],
    ]);
    const [a, b] = inserts.map(({ outline }) => d3Centroid(outline.map(([x, y]): [number, number] => [x, y])));
    expect(Math.hypot(a![0] - b![0], a![1] - b![1])).toBeCloseTo(Math.hypot(first.x - second.x, first.y - second.y), 3);
    const notes = sizesOf(plan, both, {}).filter(({ key }) => key.startsWith('foam.main insert'));
    expect(notes.map(({ note }) => note?.includes('rim sloping over 15 mm'))).toEqual([true, false]);
    const steps = plan.steps.filter(({ key }) => key.startsWith('patch-main'));
    expect(steps.map(({ key }) => key)).toEqual(['patch-main', 'patch-main-2']);
    expect(steps[0]!.detail).toMatch(/sloping in over 15 mm/);
    expect(steps[1]!.detail).toMatch(/its middle \d+ mm (right|left) of the middle|half way back/);
    // Both carry: a disc on the second sinks less than it did in the worn foam there.
    const sink = (piece: Piece): number =>
      sitStep(modelOf({ ...piece, sit: { loader: 'disc', mass: 5, share: 100, x: second.x, y: second.y } }, {}), 'trial')!.plan.sink;
    const worn = (piece: Piece): Piece => withMain(piece, { hardnessLeft: 50 });
    const onlyFirst = sink(worn(withMain(old, { pocket: first })));
    expect(sink(worn(both))).toBeLessThan(onlyFirst - 0.5);
  });

  weekly(1)('a blended pocket is softer towards its rim than an upright one, and as soft in its middle', () => {
    const sink = (blend: number, x: number): number => {
      const piece = withMain(chair, {
        trim: false,
        pocket: { x: 0, y: 0, width: 240, length: 240, deep: 25, blend, material: 'resilient-soft' },
      });
      return sitStep(modelOf({ ...piece, sit: { loader: 'disc', mass: 12, share: 100, x, y: 0 } }, {}), 'trial')!.plan.sink;
    };
    const [upright, blended] = [sink(0, 85), sink(80, 85)];
    expect(blended).toBeLessThan(upright);
    expect(Math.abs(sink(20, 0) - sink(0, 0))).toBeLessThan(0.12 * sink(0, 0));
  });

  it('begins no deeper than half the pad, at least as deep as a pocket where that is possible', () => {
    for (const thickness of [4, 20, 30, 50, 80, 120]) {
      const { deep } = firstPatch({ material: 'seat-firm', thickness });
      expect(deep).toBeLessThanOrEqual(thickness / 2);
      expect(deep).toBeGreaterThanOrEqual(Math.min(thickness / 2, 15));
    }
  });
});
