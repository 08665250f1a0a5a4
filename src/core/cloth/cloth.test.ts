import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece } from '../piece';
import { planPiece } from '../plan';
import { CLOTHS, coloursOf, DYES, figureOf, FIGURES, giveOf, NAPS, preShrink, stitchingFor, weaveOf, WEAVES } from '.';

/** Lightness as the eye takes it, 0 to 1 (WCAG's relative luminance). */
function lightness(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const part = parseInt(hex.slice(i, i + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}

describe('what a cloth looks like', () => {
  it('is plain without a repeat, whatever was said; a stripe with one, a motif with two', () => {
    expect(figureOf({ repeatAcross: 0, repeatAlong: 0, figure: 'stripe' })).toBe('plain');
    expect(figureOf({ repeatAcross: 84, repeatAlong: 0 })).toBe('stripe');
    expect(figureOf({ repeatAcross: 0, repeatAlong: 60 })).toBe('stripe');
    expect(figureOf({ repeatAcross: 640, repeatAlong: 480 })).toBe('motif');
    expect(figureOf({ repeatAcross: 40, repeatAlong: 40, figure: 'check' })).toBe('check');
  });

  it('has the colours that were said, and none that were not', () => {
    expect(coloursOf({})).toEqual({ ground: null, second: null });
    for (const { id, colour } of DYES) expect(coloursOf({ colour: id, second: id })).toEqual({ ground: colour, second: colour });
  });

  it('has dyes that are told from each other, each by its own name', () => {
    expect(new Set(DYES.map(({ name }) => name)).size).toBe(DYES.length);
    for (const { colour } of DYES) expect(colour).toMatch(/^#[0-9a-f]{6}$/);
    const far = (a: string, b: string): number =>
      Math.hypot(...[1, 3, 5].map((i) => parseInt(a.slice(i, i + 2), 16) - parseInt(b.slice(i, i + 2), 16)));
    for (const [i, a] of DYES.entries())
      for (const b of DYES.slice(i + 1)) expect(far(a.colour, b.colour), `${a.id} ${b.id}`).toBeGreaterThan(30);
    // From nearly white to nearly black: a set of chairs is shown as it will look.
    const all = DYES.map(({ colour }) => lightness(colour));
    expect(Math.max(...all)).toBeGreaterThan(0.6);
    expect(Math.min(...all)).toBeLessThan(0.06);
  });
});

describe('the cloths on the shelf', () => {
  it.each(CLOTHS.map((cloth) => [cloth.id, cloth] as const))('%s: what is said of it goes together', (_, cloth) => {
    expect(DYES.map(({ id }) => id)).toContain(cloth.colour);
    expect(NAPS.map(({ id }) => id)).toContain(cloth.nap);
    expect(FIGURES.map(({ id }) => id)).toContain(figureOf(cloth));
    // A pattern has a second colour to be seen in, a plain cloth none.
    expect(figureOf(cloth) !== 'plain').toBe(cloth.second !== undefined);
    if (cloth.second) expect(Math.abs(lightness(coloursOf(cloth).ground!) - lightness(coloursOf(cloth).second!))).toBeGreaterThan(0.15);
    // Pile has only one way up; what is printed with an upside too.
    if (cloth.weave === 'pile') expect(cloth.nap).toBe('pile');
    // Upholstery cloth is sold 1370 to 1500 wide; a repeat is never wider than its roll.
    expect(cloth.rollWidth).toBeGreaterThanOrEqual(1370);
    expect(cloth.rollWidth).toBeLessThanOrEqual(1500);
    expect(cloth.repeatAcross).toBeLessThan(cloth.rollWidth);
    // Only what can be washed shrinks.
    if (cloth.coated || cloth.fibre === 'synthetic') expect(cloth.shrinkage).toBe(0);
    expect(weaveOf(cloth)).toBe(cloth.weave);
  });
});

describe('what a cloth gives', () => {
  it.each(WEAVES.map(({ id }) => id))('%s: least along the warp, most on the bias', (weave) => {
    const { warp, weft, bias } = giveOf({ weave, coated: false });
    expect(warp).toBeGreaterThan(0.005);
    expect(warp).toBeLessThanOrEqual(weft);
    expect(bias).toBeGreaterThanOrEqual(Math.max(warp, weft));
    // Nothing that is nailed to a board gives more than half its length.
    expect(bias).toBeLessThan(0.5);
  });

  it('is what was measured, where it was', () => {
    expect(giveOf({ weave: 'plain', coated: false, stretchWarp: 4, stretchWeft: 9 })).toMatchObject({ warp: 0.04, weft: 0.09 });
    expect(giveOf({ coated: true })).toEqual(giveOf({ weave: 'coated', coated: true }));
  });

  it('is cut longer by what it will lose: a washed metre is a metre again', () => {
    for (const shrinkage of [0, 3, 5, 12]) expect(preShrink({ shrinkage }) * (1 - shrinkage / 100)).toBeCloseTo(1, 12);
  });
});

describe('what a cloth is sewn with', () => {
  const cloth = newChairSeat().cloth;

  it.each([
    // Upholsterers sew with needles of 90 to 120, thread of tex 40 to 140 and stitches of 3 to 6 mm; shorter tears, longer gapes.
    ['plain wool', { ...cloth, weight: 420 }, { needle: 100, point: 'round', thread: 70, stitch: 4 }],
    ['thin cotton', { ...cloth, weight: 180 }, { needle: 90, point: 'round', thread: 45, stitch: 3.5 }],
    ['heavy velvet', { ...cloth, weave: 'pile' as const, weight: 620 }, { needle: 110, point: 'round', thread: 90, stitch: 4.5 }],
    [
      'leathercloth',
      { ...cloth, weave: 'coated' as const, coated: true, weight: 650 },
      { needle: 110, point: 'round', thread: 90, stitch: 5 },
    ],
    ['hide', { ...cloth, weave: 'hide' as const, weight: 900 }, { needle: 110, point: 'leather', thread: 90, stitch: 5 }],
    ['knit', { ...cloth, weave: 'knit' as const, weight: 320 }, { needle: 100, point: 'ball', thread: 70, stitch: 3.5 }],
    ['what nobody has weighed', cloth, { needle: 100, point: 'round', thread: 70, stitch: 4 }],
  ])('%s', (_name, item, wanted) => {
    expect(stitchingFor(item)).toEqual(wanted);
  });

  it('is never thinner for a heavier cloth, and stays within what a sewing room has', () => {
    let before = stitchingFor({ ...cloth, weight: 20 });
    for (let weight = 20; weight <= 3000; weight += 40) {
      const stitching = stitchingFor({ ...cloth, weight });
      expect(stitching.needle).toBeGreaterThanOrEqual(before.needle);
      expect(stitching.thread).toBeGreaterThanOrEqual(before.thread);
      expect(stitching.stitch).toBeGreaterThanOrEqual(before.stitch);
      expect(stitching.needle).toBeLessThanOrEqual(120);
      expect(stitching.stitch).toBeLessThanOrEqual(6);
      before = stitching;
    }
  });

  it('stands in the step where it is sewn, and nowhere where nothing is', () => {
    const sewn = planPiece(newPiece('round-seat'), {}).steps.find(({ key }) => key === 'sew')!;
    expect(sewn.detail).toContain('Needle 100, thread of tex 70, stitch 4 mm');
    expect(
      planPiece(newChairSeat(), {})
        .steps.map(({ detail }) => detail)
        .join(),
    ).not.toContain('Needle 100');
  });
});
