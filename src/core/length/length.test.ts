import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foamThickness, formatLength, inUnit, parseLength, rollLength, saidLength, threadLength, UNITS, type Unit } from '.';

const mm = (text: string, unit: Unit = 'mm'): number => {
  const parsed = parseLength(text, unit);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.mm;
};

describe('parseLength', () => {
  it.each([
    ['412', 'mm', 412],
    ['412', 'cm', 4120],
    ['41.2 cm', 'mm', 412],
    ['41,2 cm', 'in', 412],
    ['41,2cm', 'mm', 412],
    ['0.412 m', 'mm', 412],
    ['16 1/4', 'mm', 412.75],
    ['16-1/4"', 'mm', 412.75],
    ['16 1/4 in', 'cm', 412.75],
    ['16¼', 'in', 412.75],
    ['1\' 4 1/4"', 'mm', 412.75],
    ["1' 4", 'mm', 406.4],
    ['1 ft 4 1/4 in', 'mm', 412.75],
    ['3/4', 'mm', 19.05],
    ['16', 'in', 406.4],
    ['.5 in', 'mm', 12.7],
    ['-6', 'mm', -6],
    ['− 6 mm', 'mm', -6],
    ['5/8”', 'mm', 15.875],
    ['1\'-4"', 'mm', 406.4],
    ['5\'-6 1/2"', 'mm', 1689.1],
    ['1 200', 'mm', 1200],
    ['1 200 mm', 'in', 1200],
    ['1m20', 'mm', 1200],
    ['1 m 05', 'mm', 1050],
    ['0.45 metre', 'mm', 450],
    ['1.200 m', 'mm', 1200],
    ['1,200 m', 'mm', 1200],
    ['0.412', 'in', 10.4648],
    ['1.125"', 'mm', 28.575],
    ['12 inches', 'mm', 304.8],
    ['2 feet', 'mm', 609.6],
  ] as const)('%s in a %s workshop', (text, unit, expected) => {
    expect(mm(text, unit)).toBeCloseTo(expected, 9);
  });

  it.each(['', '  ', 'about 40', '4 5 6', '12 cm 3 mm', '1/0', '1/', 'NaN', '1e9', '--4', '4..5', '<b>4</b>', '9'.repeat(60), '99999999'])(
    'refuses %j with a message',
    (text) => {
      const parsed = parseLength(text, 'mm');
      expect(parsed.ok).toBe(false);
      if (!parsed.ok) expect(parsed.message.length).toBeGreaterThan(10);
    },
  );

  it.each([
    ['1,200 mm', '1200 or 1.2'],
    ['1.200 mm', '1200 or 1.2'],
    ['1,200', '1200 or 1.2'],
    ['12.500', '12500 or 12.5'],
    ["1'200", '1200 mm'],
    ['450/2', '225'],
    ['16 1/4 mm', '16 1/4 in'],
    ['3/7', 'No tape'],
    ['450-', 'not a length'],
    ['450 - 20', 'not a length'],
  ])('asks instead of choosing: %s', (text, words) => {
    const parsed = parseLength(text, 'mm');
    expect(parsed).toMatchObject({ ok: false });
    if (!parsed.ok) expect(parsed.message).toContain(words);
  });

  it('never throws and never returns anything but a finite figure', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...UNITS), (text, unit) => {
        const parsed = parseLength(text, unit);
        return !parsed.ok || Number.isFinite(parsed.mm);
      }),
      { numRuns: 2000 },
    );
  });
});

describe('formatLength', () => {
  it.each([
    [412, 'mm', '412 mm'],
    [412.04, 'mm', '412 mm'],
    [412.75, 'mm', '412.8 mm'],
    [412, 'cm', '41.2 cm'],
    [412.75, 'in', '16 1/4"'],
    [19.05, 'in', '3/4"'],
    [25.4, 'in', '1"'],
    [0, 'in', '0"'],
    [-6, 'mm', '−6 mm'],
    [25.3, 'in', '1"'],
  ] as const)('%d mm in %s', (value, unit, expected) => {
    expect(formatLength(value, unit)).toBe(expected);
  });

  it('reads back what it prints, within what a tape shows', () => {
    const within: Record<Unit, number> = { mm: 0.051, cm: 0.051, in: 25.4 / 32 + 1e-6 };
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), fc.constantFrom(...UNITS), (value, unit) => {
        return Math.abs(mm(formatLength(value, unit), unit) - value) <= within[unit];
      }),
    );
  });
});

describe('inUnit', () => {
  it.each([
    ['Return 50 mm, 25 + 40 mm and 1000 × 2000 mm', 'cm', 'Return 5 cm, 2.5 cm + 4 cm and 100 cm × 200 cm'],
    ['at least 25.4 mm', 'in', 'at least 1"'],
    ['10 mm leg; 8 to cut', 'mm', '10 mm leg; 8 to cut'],
    ['2026-001, 50 %', 'in', '2026-001, 50 %'],
  ] as const)('%s in %s', (words, unit, expected) => {
    expect(inUnit(words, unit)).toBe(expected);
  });
});

describe('lengths as they are said', () => {
  it.each([
    [697.4, 'mm', '697 mm'],
    [9.94, 'mm', '9.9 mm'],
    [697.5, 'cm', '69.8 cm'],
    [412.75, 'in', '16 1/4"'],
    [-12.6, 'mm', '−13 mm'],
  ] as const)('%d mm is said in %s as %s', (value, unit, expected) => {
    expect(saidLength(value, unit)).toBe(expected);
  });

  it.each([
    [1301, 'mm', '1.4 m'],
    [1300, 'cm', '1.3 m'],
    [914.4, 'in', '1 yd'],
    [1000, 'in', '1 1/8 yd'],
    [100, 'in', '1/8 yd'],
  ] as const)('cloth of %d mm is bought in a %s workshop as %s', (value, unit, expected) => {
    expect(rollLength(value, unit)).toBe(expected);
  });

  it('thread in metres or yards', () => {
    expect([threadLength(23_240, 'mm'), threadLength(23_240, 'in')]).toEqual(['23.3 m', '25.5 yd']);
    expect([saidLength(NaN, 'mm'), rollLength(NaN, 'mm'), threadLength(NaN, 'in')]).toEqual(['–', '–', '–']);
  });
});

describe('foam', () => {
  it.each([
    [13, '1/2"'],
    [20, '3/4"'],
    [25, '1"'],
    [40, '1 1/2"'],
    [50, '2"'],
    [75, '3"'],
    [100, '4"'],
    [60, '2 3/8"'],
  ])('of %d mm is called %s in an inch workshop', (mm, called) => {
    expect(foamThickness(mm, 'in')).toBe(called);
    expect(foamThickness(mm, 'mm')).toBe(`${mm} mm`);
  });

  it('and so in words: a list of what is sold', () => {
    expect(inUnit('sold 13, 25, 50 mm', 'in', foamThickness)).toBe('sold 1/2", 1", 2"');
    expect(inUnit('sold 13, 25, 50 mm', 'mm', foamThickness)).toBe('sold 13, 25, 50 mm');
  });
});
