import { describe, expect, it } from 'vitest';
import { ruleOf } from '../house';
import { newChairSeat, newPiece, STARTING_SHAPES } from '../piece';
import { planPiece } from '../plan';
import { printFigure, sizesOf } from '.';
import { QUICK } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

/** No sitting and larger triangles: these tests ask for neither. */

const piece = newChairSeat();
const plan = planPiece(piece, {}, QUICK);
const lines = sizesOf(plan, piece, {});
const line = (key: string, from = lines) => from.find((l) => l.key === key)!;

describe('the sizes', () => {
  it('says nothing that the plan does not say', () => {
    expect(line('height').value).toBe(plan.surface.height);
    expect(line('wrap').value).toBe(plan.stations[0]!.wrap);
    expect([line('cover').value, line('cover').by]).toEqual([plan.cover.pieces[0]!.width, plan.cover.pieces[0]!.height]);
    expect(line('cloth.length').value).toBe(plan.cut.cloth.length);
    expect(line('staple.count').value).toBe(plan.fixing.toBuy);
    expect(line('minutes').value).toBe(plan.minutes);
  });

  it('gives every number a formula and a house rule that can be set for the piece', () => {
    for (const { key, formula, terms } of lines) {
      expect(formula.length, key).toBeGreaterThan(5);
      const rules = terms.filter((term) => term.rule);
      // A pad with its own offset is set in the stack, not by a rule.
      expect(rules.length, key).toBeGreaterThan(0);
      for (const term of rules) expect(ruleOf(term.rule!), term.rule).toBeDefined();
    }
  });

  it('terms of the wrap add up to it', () => {
    const sum = line('wrap').terms.reduce((total, term) => total + term.value, 0);
    expect(sum).toBeCloseTo(line('wrap').value, 2);
    const from = line('fromCentre').terms.reduce((total, term) => total + term.value, 0);
    expect(from).toBeCloseTo(line('fromCentre').value, 2);
  });

  weekly(1)('every rule on it changes its number when set for the piece', () => {
    const indifferent: string[] = [];
    for (const { key, terms } of lines) {
      const sizeMoved = terms.some((term) => {
        if (!term.rule) return false;
        const rule = ruleOf(term.rule)!;
        const item = { ...piece, overrides: { [term.rule]: rule.sensible[1] } };
        const changed = line(key, sizesOf(planPiece(item, {}, QUICK), item, {}));
        return changed.value !== line(key).value || changed.by !== line(key).by;
      });
      if (!sizeMoved) indifferent.push(key);
    }
    // A crown's covered height is the pad's own; a leg and a sheet count move in whole steps.
    expect(indifferent.filter((key) => !['crown', 'staple.leg', 'foam.sheets'].includes(key))).toEqual([]);
  });

  it('leaves out what a piece does not have', () => {
    const bare = { ...newChairSeat(STARTING_SHAPES.round), wadding: null, pads: [] };
    const keys = sizesOf(planPiece(bare, {}, QUICK), bare, {}).map((l) => l.key);
    expect(keys).not.toContain('wadding');
    expect(keys.some((key) => key.startsWith('foam.') && key !== 'foam.sheets')).toBe(false);
  });
});

describe('printFigure', () => {
  it.each([
    [412.75, 'length', 'in', '16 1/4"'],
    [412.75, 'length', 'cm', '41.3 cm'],
    [0.5e6, 'area', 'mm', '0.500 m²'],
    [5.341e6, 'area', 'mm', '5.3 m²'],
    [5.341e6, 'area', 'in', '57.5 ft²'],
    [66.4, 'minutes', 'mm', '66 min'],
    [6, 'seconds', 'mm', '6 s'],
    [40, 'percent', 'in', '40 %'],
    [1.834, 'mass', 'mm', '1.83 kg'],
    [1, 'mass', 'in', '2.20 lb'],
    [12, 'count', 'mm', '12'],
  ] as const)('%d %s in %s', (value, kind, unit, expected) => {
    expect(printFigure(value, kind, unit)).toBe(expected);
  });
});

it('a flat board has a crown, a pan has none: there the middle and the rim differ by the pan’s curve', () => {
  const saddle = newPiece('saddle');
  const keys = sizesOf(planPiece(saddle, {}, QUICK), saddle, {}).map(({ key }) => key);
  expect(keys).not.toContain('crown');
  expect(line('crown').value).toBeGreaterThan(10);
});
