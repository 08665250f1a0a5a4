import { describe, expect, it } from 'vitest';
import { parseLength, type Unit } from '../length';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { printFigure, sizesOf, type SizeLine } from '.';
import { QUICK } from '../../testing/quick';

/** What a tape of each unit shows at its finest, and so what may be lost by printing, mm. */
const FINEST: Record<Unit, number> = { mm: 0.5, cm: 0.5, in: 25.4 / 32 };
const UNITS = ['mm', 'cm', 'in'] as const;

const lines = (piece: Piece): SizeLine[] => sizesOf(planPiece(piece, {}, QUICK), piece, {});
const ALL = KINDS.map(({ id }) => [id, lines(newPiece(id))] as const);

describe('sizes as they are read off the column', () => {
  it.each(ALL)('%s: every length, read back as it would be typed, is what was meant', (_id, sizes) => {
    void _id;
    let read = 0;
    for (const { key, value, by, unit: kind } of sizes) {
      if (kind !== 'length') continue;
      for (const figure of by === undefined ? [value] : [value, by])
        for (const unit of UNITS) {
          const text = printFigure(figure, kind, unit);
          const back = parseLength(text.replace('−', '-'), unit);
          if (!back.ok) throw new Error(`${key}: “${text}” cannot be read: ${back.message}`);
          expect(Math.abs(back.mm - figure), `${key} in ${unit}: ${text}`).toBeLessThanOrEqual(FINEST[unit] + 1e-6);
          read += 1;
        }
    }
    expect(read).toBeGreaterThan(15);
  });

  it.each(ALL)('%s: what is bought off a roll is never printed shorter than it is', (_id, sizes) => {
    void _id;
    for (const { key, value, unit: kind } of sizes) {
      if (kind !== 'roll' && kind !== 'thread') continue;
      for (const unit of UNITS) {
        const text = printFigure(value, kind, unit);
        const figure = /^(?:(\d+(?:\.\d+)?))?(?:\s?(\d+)\/(\d+))? (m|yd)$/.exec(text);
        if (!figure) throw new Error(`${key}: “${text}”`);
        const whole = Number(figure[1] ?? 0) + (figure[2] ? Number(figure[2]) / Number(figure[3]) : 0);
        const per = figure[4] === 'm' ? 1000 : 914.4;
        // To a tenth of a metre, an eighth or a tenth of a yard: up, never down, and not by more than that.
        expect(whole * per, `${key}: ${text}`).toBeGreaterThanOrEqual(value - 0.01);
        expect(whole * per - value, `${key}: ${text}`).toBeLessThan(115);
      }
    }
  });

  it.each(ALL)('%s: no figure stands for nothing, none twice, each with its reason', (_id, sizes) => {
    void _id;
    const keys = sizes.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    for (const { key, label, value, by, formula, terms, unit, note = '' } of sizes) {
      expect(Number.isFinite(value) && (by === undefined || Number.isFinite(by)), key).toBe(true);
      expect(label, key).toMatch(/^\p{Lu}/u);
      expect(formula.length, key).toBeGreaterThan(5);
      expect(terms.length, key).toBeGreaterThan(0);
      for (const term of terms) expect(Number.isFinite(term.value), `${key} ${term.label}`).toBe(true);
      if (unit === 'count') expect(Number.isInteger(value), key).toBe(true);
      expect(note, key).not.toMatch(/undefined|NaN|null/);
    }
  });

  it('of a set: what is bought grows with it, what is cut to does not', () => {
    const chair = newPiece('chair-seat');
    const [one, six] = [lines({ ...chair, count: 1 }), lines({ ...chair, count: 6 })];
    const value = (of: SizeLine[], key: string): number => of.find((line) => line.key === key)!.value;
    for (const { key, group, unit } of one) {
      if (group === 'Padding' || group === 'Cover') expect(value(six, key), key).toBeCloseTo(value(one, key), 6);
      if (group === 'Buy' && (unit === 'roll' || unit === 'area')) expect(value(six, key), key).toBeGreaterThan(value(one, key));
    }
    expect(value(six, 'staple.count') / value(one, 'staple.count')).toBeCloseTo(6, 1);
  });
});
