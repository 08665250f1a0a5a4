import { describe, expect, it } from 'vitest';
import { newChairSeat } from '../piece';
import { planPiece, type Plan } from '../plan';
import { applyOverrides, checkRule, defaultHouse, ruleOf, RULES, unusual } from '.';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */

describe('the table of house rules', () => {
  it('has one rule a key, each with a reason and an allowed range around the sensible one', () => {
    expect(new Set(RULES.map((rule) => rule.key)).size).toBe(RULES.length);
    for (const rule of RULES) {
      expect(rule.reason.length, rule.key).toBeGreaterThan(10);
      expect(rule.allowed[0], rule.key).toBeLessThanOrEqual(rule.sensible[0]);
      expect(rule.allowed[1], rule.key).toBeGreaterThanOrEqual(rule.sensible[1]);
    }
  });

  it.each([
    ['return', 18],
    ['grip', 35],
    ['waddingUnder', 40],
    ['slipFilm', 200],
    ['seamAllowance', 12],
    ['bandExtra', 75],
    ['weltOverlap', 40],
    ['needleExtra', 50],
    ['overhang', 6],
    ['crownInset', 25],
    ['nailMargin', 50],
    ['channelTakeUp', 3],
    ['dustInset', 10],
    ['dustTurn', 15],
    ['staplePitch', 22],
    ['stapleToTrim', 8],
    ['cornerOpen', 50],
    ['cornerCutStop', 12],
    ['yCutStop', 25],
    ['yCutArm', 25],
  ])('%s stands at the trade’s %d', (key, value) => {
    expect(defaultHouse()[key]).toBe(value);
  });

  it('reads the override, then the house, then the default, and knows no other key', () => {
    const read = applyOverrides({ grip: 35, return: 60 }, { return: 45 });
    expect([read('return'), read('grip'), read('overhang')]).toEqual([45, 35, 6]);
    expect(() => read('hats')).toThrow('hats');
  });

  it('remarks on the unusual without refusing it', () => {
    expect(unusual('return', 90)).toContain('12 mm to 25 mm');
    expect(checkRule('return', 90)).toBeNull();
    expect(unusual('return', 20)).toBeNull();
  });
});

describe('each rule of a pull-over seat does what it says', () => {
  const plan = (key: string, value: number): Plan => planPiece({ ...newChairSeat(), count: 3, overrides: { [key]: value } }, {}, QUICK);
  const more = (key: string, read: (plan: Plan) => number): number => {
    const [low, high] = ruleOf(key)!.sensible;
    return read(plan(key, high)) - read(plan(key, low));
  };

  it.each<[string, (plan: Plan) => number, number]>([
    ['return', (p) => p.stations[0]!.wrap, 13],
    ['grip', (p) => p.stations[0]!.wrap, 25],
    ['grip', (p) => p.cover.pieces[0]!.height, 50],
    ['dustInset', (p) => p.dustCover!.height, -28],
    ['dustTurn', (p) => p.dustCover!.height, 20],
    ['overhang', (p) => p.foam[1]!.height, 24],
    ['crownInset', (p) => p.foam[0]!.height, -70],
    ['waddingUnderCover', (p) => p.surface.height, 15 * 0.45],
  ])('%s', (key, read, expected) => {
    // Where wadding ends near the staples the side changes by part of a millimetre too.
    // And the cover’s pressure at the edge takes part of what the wadding adds there.
    expect(Math.abs(more(key, read) - expected)).toBeLessThan(key === 'waddingUnderCover' ? 1.8 : 0.5);
  });

  it('a wider pitch takes fewer staples, deeper pleats are fewer, a higher spare buys more', () => {
    expect(more('staplePitch', (p) => p.fixing.order.length)).toBeLessThan(0);
    expect(more('pleatDepth', (p) => p.corners[0]!.pleats)).toBeLessThan(0);
    expect(more('stapleSpare', (p) => p.fixing.toBuy)).toBeGreaterThan(0);
    expect(more('stapleBite', (p) => p.fixing.fastener.leg)).toBeGreaterThanOrEqual(0);
  });

  it('the trim line lies its distance outside the staple line', () => {
    const made = plan('stapleToTrim', 10);
    const cover = made.cover.pieces[0]!;
    const far = (outline: readonly (readonly [number, number])[]) => Math.min(...outline.map(([, y]) => y));
    expect(far(cover.stapleLine) - far(cover.trimLine)).toBeCloseTo(10, 1);
    expect(far(cover.trimLine) - far(cover.outline)).toBeCloseTo(25, 1);
  });

  it('shrinkage cuts the cloth longer by what will be lost', () => {
    const piece = newChairSeat();
    const before = planPiece(piece, {}, QUICK).cover.pieces[0]!;
    const after = planPiece({ ...piece, cloth: { ...piece.cloth, shrinkage: 4 } }, {}, QUICK).cover.pieces[0]!;
    expect(after.width * 0.96).toBeCloseTo(before.width, 1);
  });
});
