import { describe, expect, it } from 'vitest';
import { cloth as shelf } from '../../testing/jobs/job';
import { newChairSeat, newPiece, type Piece } from '../piece';
import { sizesOf } from '../sizes';
import { planPiece } from './plan';
import { savings } from './savings';
import { runs } from '../../testing/runs';
import { sharedPlanner } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const found = (piece: Piece) => savings({ piece, house: {}, planner: sharedPlanner });
const plan = (piece: Piece) => planPiece(piece, {}, { sits: false, planner: sharedPlanner });
/** A rectangular seat so wide that two just do not lie abreast on the roll. */
const wide = (width: number, count: number): Piece => ({
  ...newChairSeat({ type: 'rectangle', width, depth: 420, cornerRadius: { front: 30, back: 30 } }),
  count,
});

describe('ways to save', () => {
  weekly(3)('two abreast by a little less to hold: half the cloth of four seats, and no more given up than it takes', () => {
    // Two covers and the gap between them must come to 1400.
    const piece = [490, 494, 498, 502, 506, 510]
      .map((width) => wide(width, 4))
      .find((candidate) => {
        const { width } = plan(candidate).cover.pieces[0]!;
        return width > 697 && width < 714;
      })!;
    const before = plan(piece);
    const grip = found(piece).find(({ id }) => id === 'grip')!;
    expect(grip.cloth / before.cut.cloth.length).toBeGreaterThan(0.4);
    const after = plan(grip.apply);
    expect(before.cut.cloth.length - after.cut.cloth.length).toBeCloseTo(grip.cloth, 0);
    // A grip of 25 is the least that a hand holds; a milder one was taken where it does.
    const given = grip.apply.overrides.grip!;
    expect(given).toBeGreaterThanOrEqual(25);
    const milder = plan({ ...piece, overrides: { grip: given + 2 } });
    expect(before.cut.cloth.length - milder.cut.cloth.length).toBeLessThan(0.9 * grip.cloth);
  });

  weekly(0)('of cloth that is washed first what is bought is saved, not what is laid', () => {
    const start = wide(500, 4);
    const piece: Piece = { ...start, cloth: { ...start.cloth, fibre: 'cotton', shrinkage: 8, ready: 'washed' } };
    const bought = (of: Piece): number => sizesOf(plan(of), of, {}).find(({ key }) => key === 'cloth.length')!.value;
    const saved = found(piece).filter(({ cloth }) => cloth > 0);
    expect(saved.length).toBeGreaterThan(0);
    for (const { cloth, apply } of saved) expect(cloth).toBeCloseTo(bought(piece) - bought(apply), 0);
  });

  weekly(1)('says what matching the stripe costs: two abreast where each may lie as it falls', () => {
    const piece: Piece = {
      ...newChairSeat({ type: 'rectangle', width: 440, depth: 420, cornerRadius: { front: 30, back: 30 } }),
      count: 8,
      cloth: { ...newChairSeat().cloth, ...shelf('dusk-stripe'), pull: 'smooth' },
      covering: { way: 'pull-over', motif: { x: 0, y: 0, on: 'stripe' } },
    };
    const before = plan(piece);
    // On the repeat of 84 one takes 756 of the 1420: the other half is waste.
    expect(before.cut.cloth.laid.every(({ x }) => x === 0)).toBe(true);
    const unmatched = found(piece).find(({ id }) => id === 'unmatched')!;
    expect(unmatched.cloth / before.cut.cloth.length).toBeGreaterThan(0.4);
    const after = plan(unmatched.apply);
    expect(before.cut.cloth.length - after.cut.cloth.length).toBeCloseTo(unmatched.cloth, 0);
    // Each then lies where it falls, and nobody is asked where a motif is that none need share.
    expect(after.cut.motifs).toEqual([]);
    expect(after.warnings.map(({ code }) => code)).not.toContain('motif-not-placed');
    expect(new Set(after.cut.cloth.laid.map(({ x }) => x % 84)).size).toBeGreaterThan(1);
  });

  weekly(2)('a pad joined from two halves saves a sheet where the halves fit beside the others', () => {
    // Of 620 rough-cut one lies across a sheet of 1000 and leaves a strip that no other fits in; of its halves three lie abreast.
    const square = (count: number): Piece => ({
      ...newChairSeat({ type: 'rectangle', width: 590, depth: 590, cornerRadius: { front: 30, back: 30 } }),
      count,
    });
    let value = 0;
    for (const count of [4, 5]) {
      const piece = square(count);
      const now = plan(piece).cut.foam.sheets;
      for (const { id, sheets, apply } of found(piece)) {
        if (!id.startsWith('joined')) continue;
        value += 1;
        expect(now - plan(apply).cut.foam.sheets).toBe(sheets);
        expect(sheets).toBeGreaterThan(0);
        // One pad is joined, and not over another's join.
        expect(apply.pads.filter(({ blocks }) => (blocks ?? 1) > 1)).toHaveLength(1);
      }
    }
    expect(value).toBeGreaterThan(0);
    const joined = { ...square(8), pads: square(8).pads.map((pad, k) => (k === 0 ? { ...pad, blocks: 2 } : pad)) };
    expect(found(joined).some(({ id }) => id.startsWith('joined'))).toBe(false);
  });

  weekly(3)('several at once where together they save more than any alone, each no farther than it takes', () => {
    const seats = wide(589, 4);
    const before = plan(seats).cut.cloth.length;
    const savings = found(seats);
    const both = savings.find(({ id }) => id === 'together')!;
    expect(before - plan(both.apply).cut.cloth.length).toBeCloseTo(both.cloth, 0);
    for (const { id, cloth } of savings.filter((saving) => saving !== both)) expect(cloth, id).toBeLessThan(both.cloth - 0.02 * before);
    expect(both.words).toContain('Each piece whichever way it fits');
    // Both allowances taken back again it saves less: nothing is given up for nothing.
    const { grip, return: line } = both.apply.overrides;
    for (const overrides of [{ grip }, { return: line }] as Record<string, number>[])
      expect(before - plan({ ...both.apply, overrides }).cut.cloth.length).toBeLessThan(both.cloth + 1);
  });

  weekly(0)('on a wall the staple line stays 25 in: nobody staples a headboard at its edge', () => {
    let value = 0;
    for (let width = 496; width <= 536; width += 8) {
      const start = newPiece('headboard-panelled', { type: 'rectangle', width, depth: 900, cornerRadius: { front: 0, back: 0 } });
      for (const { id, apply } of found({ ...start, panels: { ...start.panels!, across: 4 * width + 3 * start.panels!.gap } })) {
        if (id !== 'return') continue;
        value += 1;
        expect(apply.overrides.return!).toBeGreaterThanOrEqual(25);
        expect(apply.overrides.return!).toBeLessThan(30);
      }
    }
    expect(value).toBeGreaterThan(0);
  });

  it.each((['chair-seat', 'headboard-panelled', 'arm-pad'] as const).slice(0, runs(1, 3)))(
    'of a %s: each saves what it says, brings no warning along, and nothing is better by brute force',
    (kind) => {
      const piece = { ...newPiece(kind), count: Math.max(2, newPiece(kind).count) };
      const before = plan(piece);
      const savings = found(piece);
      for (const { cloth, sheets, apply } of savings) {
        const after = plan(apply);
        expect(before.cut.cloth.length - after.cut.cloth.length).toBeGreaterThan(cloth - 1);
        expect(before.cut.foam.sheets - after.cut.foam.sheets).toBe(sheets);
        expect(after.warnings.length).toBeLessThanOrEqual(before.warnings.length);
        expect(sheets > 0 || cloth >= 0.03 * before.cut.cloth.length).toBe(true);
      }
      // Every grip from 35 down to 25: none saves more than what was told by more than a fiftieth of the cloth.
      const best = Math.max(0, ...savings.map(({ cloth }) => cloth));
      for (let grip = 34; grip >= 25; grip -= 3) {
        const after = plan({ ...piece, overrides: { ...piece.overrides, grip } });
        expect(before.cut.cloth.length - after.cut.cloth.length).toBeLessThanOrEqual(best / 0.9 + 0.03 * before.cut.cloth.length);
      }
      expect(savings.map(({ cloth, sheets }) => sheets * 1e6 + cloth)).toEqual(
        [...savings.map(({ cloth, sheets }) => sheets * 1e6 + cloth)].sort((a, b) => b - a),
      );
    },
  );

  weekly(1)('nap is never turned, and what cannot be planned saves nothing', () => {
    const velvet: Piece = { ...newChairSeat(), count: 4, cloth: { ...newChairSeat().cloth, nap: 'pile' } };
    expect(found(velvet).some(({ id }) => ['across', 'along', 'any'].includes(id))).toBe(false);
    const nothing = { ...newChairSeat(), pads: newChairSeat().pads.map((pad) => ({ ...pad, offset: -300 })) };
    expect(found(nothing)).toEqual([]);
  });

  it('tells how far it is, and stops when nobody wants to know', () => {
    let asked = 0;
    const some = savings({ piece: newChairSeat(), house: {}, planner: sharedPlanner, tell: (done, of) => ++asked < 3 && done < of });
    expect(asked).toBe(3);
    expect(Array.isArray(some)).toBe(true);
  });
});

describe('ways to save, from what is in the store', () => {
  weekly(2)('two seats come out of one offcut when the back of each is cut short: nothing is bought any more', () => {
    const seats = { ...wide(440, 2), cloth: { ...newChairSeat().cloth, name: 'Plain wool' } };
    const { height, width } = plan(seats).cover.pieces[0]!;
    const ware = {
      id: 'w',
      kind: 'cloth' as const,
      name: 'Plain wool',
      of: '',
      sold: 'metre' as const,
      width: 1400,
      price: 38,
      supplier: '',
      lead: 3,
    };
    // One behind the other they are 24 mm longer than the offcut: 12 less at each back will do, and a hand gives up 15.
    const offcut = {
      id: 's',
      ware: 'w',
      form: 'offcut' as const,
      count: 1,
      width: Math.ceil(width) + 4,
      length: Math.floor(2 * height + 10 - 24),
      place: '',
    };
    const shelf = { wares: [ware], stock: [offcut] };
    const listed = savings({ piece: seats, house: {}, planner: sharedPlanner, shelf });
    const short = listed.find(({ id }) => id === 'short-back')!;
    expect(short.cloth).toBeGreaterThan(0.9 * height);
    expect(short.apply.base.edges![0]).toMatchObject({ edge: { name: 'back' }, short: 15 });
    expect(short.words).toContain('15 mm short');
    // What the cloth is cut to is shorter at the back alone, and the run sheet says so.
    const after = plan(short.apply);
    expect(height - after.cover.pieces[0]!.height).toBeCloseTo(15, 1);
    expect(after.cover.pieces[0]!.width).toBeCloseTo(width, 3);
    expect(after.steps.find(({ key }) => key === 'cloth')!.detail).toContain('15 mm short at the back');
    expect(after.warnings.map(({ code }) => code)).toEqual(plan(seats).warnings.map(({ code }) => code));
    // Off the roll they lie abreast: there it saves no more than it is shorter.
    expect(found(seats).find(({ id }) => id === 'short-back')?.cloth ?? 0).toBeLessThan(21);
  });

  it('a hidden edge never gives up the last that a hand holds by, nor one that is seen', () => {
    const seat = wide(440, 2);
    const edge = {
      edge: { kind: 'edge' as const, name: 'back' },
      fasten: true,
      visible: false,
      against: false,
      strip: null,
      trim: 0,
      short: 20,
    };
    const most = plan({ ...seat, overrides: { grip: 25 }, base: { ...seat.base, edges: [edge] } });
    const plainly = plan({ ...seat, overrides: { grip: 25 } });
    // 25 to hold and 20 short: 15 stays.
    expect(plainly.cover.pieces[0]!.height - most.cover.pieces[0]!.height).toBeCloseTo(10, 1);
    expect(most.stations.find(({ edge: name }) => name === 'back')!.grip).toBe(15);
    expect(most.stations.find(({ edge: name }) => name === 'front')!.grip).toBe(25);
  });

  weekly(3)('a wider roll or another sheet on sale is told by what it saves in money, and only where every price is known', () => {
    const seats = { ...wide(520, 4), cloth: { ...newChairSeat().cloth, name: 'Plain wool', rollWidth: 1300 } };
    const roll = (id: string, width: number, price: number) => ({
      ...{ id, kind: 'cloth' as const, name: 'Plain wool', of: '', sold: 'metre' as const, supplier: '', lead: 3 },
      ...{ width, price },
    });
    const sheet = (id: string, of: string, thickness: number, width: number, length: number, price: number) => ({
      ...{ id, kind: 'foam' as const, name: id, of, sold: 'sheet' as const, supplier: '', lead: 3 },
      ...{ thickness, width, length, price },
    });
    const look = (wares: Parameters<typeof savings>[0]['shelf'] extends infer S ? (S extends { wares: infer W } ? W : never) : never) =>
      savings({ piece: seats, house: {}, planner: sharedPlanner, shelf: { wares, stock: [] } });
    const length = plan(seats).cut.cloth.length;
    // At 1600 two lie abreast: half the length at a tenth more a metre.
    const listed = look([roll('a', 1300, 40), roll('b', 1600, 44)]);
    const wider = listed.find(({ id }) => id === 'roll-1600')!;
    const half = plan(wider.apply).cut.cloth.length;
    expect(half).toBeLessThan(0.6 * length);
    // Real outlines lie a little nearer than the boxes that the piece is planned by.
    expect(wider.money / ((40 * length - 44 * half) / 1000)).toBeGreaterThan(0.9);
    expect(wider.money / ((40 * length - 44 * half) / 1000)).toBeLessThan(1.1);
    expect(wider.words).toBe('From the roll that is 1600 mm wide instead of 1300 mm.');
    // At more than twice the price a metre it saves nothing; without a price nobody knows.
    expect(look([roll('a', 1300, 40), roll('b', 1600, 95)]).some(({ id }) => id.startsWith('roll'))).toBe(false);
    expect(look([roll('a', 1300, 0), roll('b', 1600, 44)]).some(({ id }) => id.startsWith('roll'))).toBe(false);

    // Four pads and four crown pads: small sheets of both foams hold them at less than two large ones cost.
    const sizes = plan(seats).foam.flatMap((foamPiece) => foamPiece.layers.map((thickness) => [foamPiece.material, thickness] as const));
    const wares = sizes.flatMap(([of, thickness], k) => [
      sheet(`large ${k}`, of, thickness, 1000, 2000, 60),
      sheet(`small ${k}`, of, thickness, 1200, 1000, 25),
    ]);
    const small = look(wares).find(({ id }) => id === 'sheet-1200x1000')!;
    expect(small.money).toBeGreaterThan(0);
    expect(small.apply.overrides).toMatchObject({ foamSheetWidth: 1200, foamSheetLength: 1000 });
    expect(look(wares.map((ware) => ({ ...ware, price: ware.width === 1200 ? 65 : 60 }))).some(({ id }) => id.startsWith('sheet'))).toBe(
      false,
    );
  });
});
