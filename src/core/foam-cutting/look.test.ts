import { intersectD, FillRule } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import { areaOf, jigsaw, packerRoll, packerSheets, randomBlanks } from '../../testing/lays';
import { leastLength } from './look';
import { packRoll, packSheets, type Blank, type Laid } from '.';
import { weekly } from '../../testing/weekly';

const WIDTH = 1400;
const GAP = 10;

/** By another library: nothing over anything else, and nothing outside. */
function sound(laid: readonly Laid[], width: number, length: number): void {
  const box = ({ x, y, width: w, height: h }: Laid) => [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ];
  laid.forEach((a, i) => {
    expect(Math.min(a.x, a.y)).toBeGreaterThanOrEqual(0);
    expect(a.x + a.width).toBeLessThanOrEqual(width + 1e-6);
    expect(a.y + a.height).toBeLessThanOrEqual(length + 1e-6);
    for (const b of laid.slice(i + 1)) expect(intersectD([box(a)], [box(b)], FillRule.NonZero, 4)).toEqual([]);
  });
}

describe('a lay on a roll', () => {
  weekly(2)(
    'of sixty random sets is never longer than the packer’s, nor than rows by hand, and on the whole ten points of use better',
    () => {
      let gained = 0;
      for (let k = 0; k < 60; k++) {
        const { blanks, turn } = randomBlanks(k);
        const { length, laid } = packRoll(blanks, WIDTH, { gap: GAP, turn });
        expect(laid.map(({ label }) => label).sort()).toEqual(blanks.map(({ label }) => label).sort());
        sound(laid, WIDTH, length);
        if (!turn) expect(laid.some(({ turned }) => turned)).toBe(false);
        const alone = packerRoll(blanks, WIDTH, { gap: GAP, turn });
        expect(length).toBeLessThanOrEqual(alone + 1);
        expect(length).toBeGreaterThanOrEqual(leastLength(blanks, WIDTH, turn) - 1e-6);
        gained += areaOf(blanks) / WIDTH / length - areaOf(blanks) / WIDTH / alone;
      }
      expect(gained / 60).toBeGreaterThan(0.1);
    },
  );

  it('of a jigsaw that fills the roll uses at least five sixths of it while one waits', () => {
    for (const count of [20, 40, 60]) {
      const { length, laid } = packRoll(jigsaw(WIDTH, 3000, count), WIDTH, { gap: 0, turn: false });
      sound(laid, WIDTH, length);
      expect(3000 / length).toBeGreaterThan(5 / 6);
    }
  });

  it('is the same every time, and of pieces all alike as many abreast as there is room for', () => {
    const { blanks, turn } = randomBlanks(7);
    expect(packRoll(blanks, WIDTH, { gap: GAP, turn })).toEqual(packRoll(blanks, WIDTH, { gap: GAP, turn }));
    const seats = Array.from({ length: 8 }, (_, k): Blank => ({ label: `seat ${k}`, width: 640, height: 560 }));
    expect(packRoll(seats, WIDTH, { gap: GAP, turn: false }).length).toBe(4 * 560 + 3 * GAP);
    // Turned, 640 along: two abreast all the same, and longer; nobody does that.
    expect(packRoll(seats, WIDTH, { gap: GAP, turn: true }).length).toBe(4 * 560 + 3 * GAP);
  });
});

describe('a lay on sheets', () => {
  it('takes no more of them than the packer, and what fits on one lies on one', () => {
    const sheet = { width: 1000, height: 2000 };
    for (let k = 0; k < 30; k++) {
      const { blanks, turn } = randomBlanks(k);
      const { sheets, tooLarge } = packSheets(blanks, sheet, { gap: 4, turn });
      expect(tooLarge).toEqual([]);
      expect(sheets.flat()).toHaveLength(blanks.length);
      for (const placed of sheets) sound(placed, sheet.width, sheet.height);
      expect(sheets.length).toBeLessThanOrEqual(packerSheets(blanks, sheet, { gap: 4, turn }));
      expect(sheets.length).toBeGreaterThanOrEqual(Math.ceil(areaOf(blanks) / (sheet.width * sheet.height)));
    }
  });
});
