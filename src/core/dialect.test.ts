import { describe, expect, it } from 'vitest';
import { AMERICAN, inDialect } from './dialect';

describe('American words', () => {
  it.each([
    ['Piping in the top seam', 'Welt cord in the top seam'],
    ['Make the piping: top seam: 2018 × 43 mm, cord 6 mm', 'Make the welt cord: top seam: 2018 × 43 mm, cord 6 mm'],
    ['Piping cord for the set', 'Welt cord for the set'],
    ['Lay the wadding over calico and HESSIAN', 'Lay the batting over muslin and BURLAP'],
    ['from the centre front, notch to notch', 'from the center front, notch to notch'],
    // Parts of other words stay.
    ['perimetre of a parametrecase, stapling, shaping', 'perimetre of a parametrecase, stapling, shaping'],
  ])('%s', (british, american) => {
    expect(inDialect(british, 'american')).toBe(american);
    expect(inDialect(british, 'british')).toBe(british);
  });

  it('can be said twice: no American word has a British one in it', () => {
    for (const [british, american] of AMERICAN) {
      expect(inDialect(american, 'american'), american).toBe(american);
      expect(inDialect(british, 'american'), british).toBe(american);
    }
  });

  it('has the longer word before the one that is in it', () => {
    AMERICAN.forEach(([word], i) =>
      AMERICAN.slice(0, i).forEach(([before]) => expect(word.startsWith(`${before} `), `${before} before ${word}`).toBe(false)),
    );
  });
});
