import { describe, expect, it } from 'vitest';
import { cutRows } from '../formats/pattern-files';
import { intersectD, FillRule } from 'clipper2-ts';
import { polygonArea, type Polygon } from '../outline';
import { newChairSeat, newPiece, type Pad, type Piece } from '../piece';
import { planPiece, savings, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { fromPacket } from '.';
import { QUICK, sharedPlanner } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

/** No sitting and larger triangles: these tests ask for neither. */
const plan = (piece: Piece): Plan => planPiece(piece, {}, QUICK);

const withMain = (piece: Piece, change: Partial<Pad>): Piece => ({
  ...piece,
  pads: piece.pads.map((pad) => (pad.role === 'main' ? { ...pad, ...change } : pad)),
});
const main = (of: Plan) => of.foam.find(({ role }) => role === 'main')!;
const overlap = (a: Polygon, b: Polygon): number =>
  intersectD([a.map(([x, y]) => ({ x, y }))], [b.map(([x, y]) => ({ x, y }))], FillRule.NonZero, 4).reduce(
    (sum, ring) => sum + Math.abs(polygonArea(ring.map(({ x, y }) => [x, y] as const))),
    0,
  );

describe('foam from packets', () => {
  it.each([
    [
      { width: 390, height: 395 },
      { across: 1, deep: 1 },
    ],
    [
      { width: 480, height: 390 },
      { across: 2, deep: 1 },
    ],
    [
      { width: 480, height: 460 },
      { across: 2, deep: 2 },
    ],
  ])('%j from pieces of 400 × 400: the fewest', (size, parts) => {
    expect(fromPacket(size, { width: 400, length: 400, each: 10 })).toEqual(parts);
  });

  it('lies whichever way takes fewer: 580 × 380 out of 400 × 600 is one piece', () => {
    expect(fromPacket({ width: 580, height: 380 }, { width: 400, length: 600, each: 4 })).toEqual({ across: 1, deep: 1 });
  });

  const seats = withMain({ ...newChairSeat(), count: 4 }, { packet: { width: 400, length: 400, each: 10 }, offset: 0, trim: false });
  const laid = plan(seats);

  it('a seat is joined from pieces that fit in one, lie beside each other and are all of it', () => {
    const pad = main(laid);
    expect(pad.blocks.length).toBeGreaterThan(1);
    for (const { width, height } of pad.blocks) expect(Math.max(width, height)).toBeLessThanOrEqual(400 + 1e-6);
    pad.blocks.forEach(({ outline }, i) =>
      pad.blocks.slice(i + 1).forEach((other) => expect(overlap(outline, other.outline)).toBeLessThan(1)),
    );
    expect(pad.blocks.reduce((sum, { area }) => sum + area, 0)).toBeCloseTo(pad.area, 0);
  });

  it('whole packets are bought, no sheet of it, and the cut list says every block', () => {
    const layout = laid.cut.foam.layouts.find(({ packets }) => packets !== null)!;
    const blocks = laid.cut.foam.layouts.filter(({ packets }) => packets !== null).flatMap(({ sheets }) => sheets.flat()).length;
    expect(blocks).toBe(4 * main(laid).blocks.length * main(laid).layers.length);
    expect(layout.packets).toBe(Math.ceil(layout.sheets.length / 10));
    expect(laid.cut.foam.sheets).toBe(plan({ ...seats, pads: seats.pads.filter(({ role }) => role !== 'main') }).cut.foam.sheets);
    const line = sizesOf(laid, seats, {}).find(({ key }) => key.startsWith('foam.packets'))!;
    expect(line.value).toBe(layout.packets);
    const rows = cutRows(laid, seats).filter(({ note }) => String(note).includes('from pieces of 400 × 400'));
    expect(rows.reduce((sum, { count }) => sum + Number(count), 0)).toBe(blocks);
    expect(laid.steps.find(({ key }) => key === 'foam')!.detail).toContain('from packet pieces of 400 × 400 mm');
  });

  it('out of odd offcuts of that size nothing is bought', () => {
    const scrap = plan(withMain(seats, { scrap: true }));
    expect(scrap.cut.foam.layouts.filter(({ packets }) => packets !== null)).toEqual([]);
    expect(scrap.steps.find(({ key }) => key === 'foam')!.detail).toContain('from offcuts of 400 × 400 mm');
  });
});

describe('a wedge as thick at its far edge as no sheets make up', () => {
  it('is slit from what reaches it: 40 and 25 make 65, and no wedge of 66 comes out of that', () => {
    const { layers, exact } = main(plan(withMain(newPiece('chair-seat'), { thickness: 50, wedge: 66 })));
    expect(layers.reduce((sum, layer) => sum + layer, 0)).toBeGreaterThanOrEqual(66);
    expect(exact).toBe(false);
    // A flat pad of 66 is made of the sheets of 65: foam is sold to a nominal thickness.
    expect(main(plan(withMain(newPiece('chair-seat'), { thickness: 66 }))).layers.reduce((sum, layer) => sum + layer, 0)).toBe(65);
  });
});

describe('wedges in pairs', () => {
  // A block seat's wedge, 30 at the front and 70 at the back: 100 is sold.
  const blocks: Piece = withMain({ ...newPiece('chair-seat'), count: 4 }, { thickness: 30, wedge: 70 });
  const single = plan(blocks);
  const paired = plan(withMain(blocks, { pair: true }));

  it('two come from a block as thick as both their ends: less foam, all of it used', () => {
    expect(main(paired).made).toBe(100);
    expect(main(paired).count).toBe(2 * main(paired).layers.length);
    const volume = (of: Plan): number =>
      of.cut.foam.layouts.reduce(
        (sum, { thickness, sheets }) => sum + thickness * sheets.flat().reduce((all, laid) => all + laid.width * laid.height, 0),
        0,
      );
    // Singly each is cut from 70 and the half of what slopes is waste: 4 × 70 against 2 × 100.
    const crown = plan({ ...blocks, pads: blocks.pads.filter(({ role }) => role !== 'main') });
    expect((volume(paired) - volume(crown)) / (volume(single) - volume(crown))).toBeCloseTo(200 / 280, 2);
  });

  it('the piece itself is the same, and the run sheet says the one cut', () => {
    expect(paired.surface).toEqual(single.surface);
    expect(paired.cover.pieces).toEqual(single.cover.pieces);
    expect(paired.steps.find(({ key }) => key.startsWith('form-'))!.detail).toMatch(
      /Two from each block of 100 mm.*30 mm at the near edge and 70 mm at the far edge.*turned round/,
    );
  });

  it('an odd one has a block of its own; one alone is no pair', () => {
    expect(main(plan(withMain({ ...blocks, count: 5 }, { pair: true }))).count).toBe(3 * main(paired).layers.length);
    expect(main(plan(withMain({ ...blocks, count: 1 }, { pair: true })))).toMatchObject({ pair: false, made: 70 });
  });

  weekly(3)('is offered as a saving where it saves a sheet', () => {
    const many: Piece = { ...blocks, count: 30 };
    const found = savings({ piece: many, house: {}, planner: sharedPlanner }).find(({ id }) => id.startsWith('paired-'))!;
    expect(found.sheets).toBeGreaterThan(0);
    expect(plan(found.apply).cut.foam.sheets).toBe(plan(many).cut.foam.sheets - found.sheets);
  });
});

describe('wedges and blocks both ways', () => {
  const square = newPiece('chair-seat', { type: 'rectangle', width: 420, depth: 420, cornerRadius: { front: 20, back: 20 } });
  const to = (wedgeWay: 'far' | 'right'): Plan => plan(withMain(square, { thickness: 50, wedge: 70, wedgeWay }));
  const [far, right] = [to('far'), to('right')];

  it('a wedge from left to right is the same wedge a quarter turn on', () => {
    const at = (of: Plan, edge: string): number => of.stations.find((station) => station.edge === edge && station.turn === 0)!.edgeHeight;
    expect(at(right, 'right') - at(right, 'left')).toBeGreaterThan(8);
    expect(Math.abs(at(right, 'right') - at(far, 'back'))).toBeLessThan(1.5);
    expect(right.surface.height).toBeCloseTo(far.surface.height, 0);
    expect(main(right).side).toEqual([
      [0, 50],
      [main(right).finished.width, 70],
    ]);
    expect(right.steps.find(({ key }) => key.startsWith('form-'))!.detail).toContain('50 mm at the left edge, 70 mm at the right edge');
  });

  it('blocks lie side by side and one behind the other, and are all of the pad', () => {
    const pad = main(plan(withMain(square, { blocks: 2, blocksDeep: 3 })));
    expect(pad.blocks).toHaveLength(6);
    expect(pad.blocks.reduce((sum, { area }) => sum + area, 0)).toBeCloseTo(pad.area, 0);
    expect(Math.max(...pad.blocks.map(({ height }) => height))).toBeCloseTo(pad.height / 3, 2);
  });

  it('wedges pair where they are joined across their slope, not along it', () => {
    const joined = (change: Partial<Pad>) =>
      main(plan(withMain({ ...square, count: 4 }, { thickness: 50, wedge: 70, pair: true, ...change })));
    expect(joined({ blocks: 2 }).pair).toBe(true);
    expect(joined({ blocksDeep: 2 }).pair).toBe(false);
    expect(joined({ blocks: 2, wedgeWay: 'right' }).pair).toBe(false);
    expect(joined({ blocksDeep: 2, wedgeWay: 'right' }).pair).toBe(true);
  });
});
