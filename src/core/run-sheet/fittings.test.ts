import { describe, expect, it } from 'vitest';
import { problemsOf } from '../document';
import { HARDWARE_KINDS, newPiece, type Hardware, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { batchMinutes } from '.';
import { QUICK } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const planned = (piece: Piece, house: Record<string, number> = {}): Plan => planPiece(piece, house, QUICK);
const stool = newPiece('round-seat');
const fixed = (kind: Hardware['kind'], x: number, y: number, change: Partial<Hardware> = {}): Hardware => {
  const { diameter, length } = HARDWARE_KINDS.find(({ id }) => id === kind)!;
  return { id: `f-${kind}-${x}-${y}`, kind, x, y, diameter, length, ...change };
};
const withHardware = (...hardware: Hardware[]): Piece => ({ ...stool, base: { ...stool.base, hardware } });

describe('what is fixed to a board', () => {
  it('every kind begins where it fits: in the middle of a board it gives nothing to say', () => {
    for (const { id } of HARDWARE_KINDS) {
      const piece = withHardware(fixed(id, 0, 0));
      expect(problemsOf(piece), id).toEqual([]);
      const before = planned(stool).warnings.map(({ code }) => code);
      expect(
        planned(piece).warnings.map(({ code }) => code),
        id,
      ).toEqual(before);
    }
  });

  weekly(0)('a plate takes up its place: no staple stands in it, as none stands in a bolt', () => {
    const size = planned(stool).outline.width / 2;
    for (const { id, diameter } of HARDWARE_KINDS) {
      // Its rim just over the staple line.
      const item = fixed(id, 0, -(size - 18 - diameter / 2 - 2));
      const staples = planned(withHardware(item)).fixing.fasteners.flatMap(({ places }) => places);
      expect(staples.length).toBeGreaterThan(20);
      for (const { x, y } of staples) expect(Math.hypot(x - item.x, y - item.y), id).toBeGreaterThanOrEqual(diameter / 2 + 8 - 0.01);
    }
  });

  it('the dust cover is cut round what stands through it from below, and round nothing else', () => {
    const dust = (piece: Piece): string => planned(piece).steps.find(({ key }) => key === 'dust')!.detail;
    expect(dust(stool)).not.toContain('Cut it round');
    const four = [
      [90, 90],
      [-90, 90],
      [90, -90],
      [-90, -90],
    ].map(([x, y]) => fixed('leg', x!, y!));
    expect(dust(withHardware(...four, fixed('bolt', 0, 0), fixed('hinge', 0, 60)))).toContain('Cut it round: 4 × leg plate, hinge.');
    expect(dust(withHardware(fixed('bolt', 0, 0), fixed('insert', 20, 0), fixed('tee-nut', 40, 0)))).not.toContain('Cut it round');
  });

  weekly(1)('screws that come through are said, what ends in the board by its nature is not', () => {
    const { thickness } = stool.base.board;
    for (const { id, flush, name } of HARDWARE_KINDS) {
      if (id === 'insert') continue;
      const long = planned(withHardware(fixed(id, 0, 0, { length: thickness + 6 }))).warnings.find(
        ({ code }) => code === 'hardware-through',
      );
      if (flush) expect(long, id).toBeUndefined();
      else expect(long!.message).toContain(`The ${name.toLowerCase()} 1 is 6 mm longer than the board`);
    }
  });
});

describe('what the base is looked at for', () => {
  it('a board is flat and square; a shell is neither', () => {
    const words = (kind: Parameters<typeof newPiece>[0]): string =>
      planned(newPiece(kind)).steps.find(({ key }) => key === 'board')!.detail;
    expect(words('chair-seat')).toMatch(/^Flat, sound and square/);
    expect(words('saddle')).toMatch(/^Sound at its mounts/);
    expect(words('saddle')).not.toMatch(/flat|square|both centre lines/i);
  });
});

describe('glue', () => {
  it('is left until it is tacky, laid, and left again until it holds: before the blade and before the cover', () => {
    const chair = newPiece('chair-seat');
    const { steps } = planned(chair, { timeGlueTack: 7, timeGluePress: 12 });
    const step = (key: string) => steps.find((candidate) => candidate.key === key)!;
    expect([step('spray-main').wait, step('glue-main').wait]).toEqual([7, 12]);
    expect(planned(chair).steps.find(({ key }) => key === 'glue-main')!.wait).toBe(3);
    expect(planned(chair, { timeGluePress: 0 }).steps.find(({ key }) => key === 'glue-main')!.wait).toBe(0);
  });

  it('what waits on one seat of a set is no wait while the next is sprayed', () => {
    const chair = { ...newPiece('chair-seat'), count: 8 };
    const { steps } = planned(chair, { timeGluePress: 10 });
    const glue = steps.find(({ key }) => key === 'glue-main')!;
    const hands = glue.minutes * 8;
    expect(batchMinutes([glue], 8)).toBeLessThan(hands + 8 * 10);
    expect(batchMinutes([glue], 8)).toBeGreaterThanOrEqual(hands);
  });
});

describe('a pad that lies on nothing', () => {
  const block = newPiece('block-seat');
  const main = block.pads.find(({ role }) => role === 'main')!;
  /** Beside the light coat on the wadding. */
  const glue = (piece: Piece): number => {
    const plan = planned(piece);
    const wadding = plan.wadding ? (plan.wadding.area * plan.wadding.count) / piece.count : 0;
    return (sizesOf(plan, piece, {}).find(({ key }) => key === 'glue')?.value ?? 0) - wadding;
  };

  it('is glued in its joints and nowhere else: one less than it has layers', () => {
    const plan = planned(block);
    const slabs = plan.foam.flatMap((pad) => pad.layers.map(() => pad.area));
    expect(slabs.length).toBeGreaterThan(2);
    // Slabs of one size: a joint between each two.
    expect(glue(block)).toBeCloseTo(2 * slabs[0]! * (slabs.length - 1), -1);
    const sprays = plan.steps.filter(({ key }) => key.startsWith('spray-'));
    expect(sprays.map(({ detail }) => detail.includes('A test patch'))).toEqual(sprays.map((_, i) => i === 0));
    for (const { detail } of sprays) expect(detail).toMatch(/of every joint/);
  });

  it('of one slab is not glued at all, and glue is bought for its wadding alone', () => {
    const one: Piece = { ...block, pads: [{ ...main, thickness: 100, material: 'seat-firm' }] };
    const plan = planned(one);
    expect(plan.foam[0]!.layers).toHaveLength(1);
    expect(plan.steps.map(({ key }) => key).filter((key) => /^(spray|glue)-/.test(key))).toEqual([]);
    expect(glue(one)).toBeCloseTo(0, 6);
    expect(glue({ ...one, wadding: null })).toBe(0);
  });

  it('on a board every layer is glued, the lowest to the board', () => {
    const chair = newPiece('chair-seat');
    const { foam } = planned(chair);
    expect(glue(chair)).toBeCloseTo(
      foam.reduce((sum, pad) => sum + 2 * pad.area * pad.layers.length, 0),
      -1,
    );
  });
});
