import { describe, expect, it } from 'vitest';
import { newPiece } from '@/core/piece';
import { planPiece } from '@/core/plan';
import { behind, meanwhile, pieceProgress, sayClock, type Ticked } from './meanwhile';
import { QUICK } from '../../testing/quick';

const { steps } = planPiece({ ...newPiece('round-seat'), count: 4 }, {}, QUICK);
const all = (...keys: string[]): Ticked[] => keys.flatMap((step) => [1, 2, 3, 4].map((unit) => ({ unit, step })));

describe('what can be done meanwhile', () => {
  it('while glue gets tacky the cover is cut: nothing that hangs on the glue', () => {
    const before = steps.slice(0, steps.findIndex(({ key }) => key === 'spray-main') + 1).map(({ key }) => key);
    const next = meanwhile(steps, all(...before), 4, ['spray-main']);
    expect(next?.key).toBe('cloth');
    // Once that is sewn too, there is nothing left but to wait.
    const cloth = steps.filter(({ strand }) => strand === 'cloth').map(({ key }) => key);
    expect(meanwhile(steps, all(...before, ...cloth), 4, ['spray-main'])).toBeNull();
  });
  it('is offered only where what comes before it is done on that piece', () => {
    expect(meanwhile(steps, [], 4, ['cloth'])?.key).toBe(steps[0]!.key);
    expect(meanwhile(steps, all(...steps.map(({ key }) => key)), 4, [])).toBeNull();
  });
});

describe('a piece that fell behind', () => {
  it('is seen from two steps on, in sets of three and more', () => {
    const [a, b, c] = steps;
    const ticks = [...all(a!.key, b!.key, c!.key)].filter(({ unit, step }) => unit !== 3 || step === a!.key);
    expect(pieceProgress(steps, ticks, 4)).toEqual([3, 3, 1, 3]);
    expect(behind([3, 3, 1, 3])).toEqual([{ unit: 3, by: 2 }]);
    expect(behind([3, 3, 2, 3])).toEqual([]);
    expect(behind([5, 1])).toEqual([]);
    // What is ticked and no longer on the sheet counts for nothing.
    expect(pieceProgress(steps, [{ unit: 1, step: 'gone' }], 1)).toEqual([0]);
  });
  it('a clock shows minutes and whole seconds, and stops at nothing', () => {
    expect([sayClock(61_000), sayClock(59_400), sayClock(0), sayClock(-5)]).toEqual(['1:01', '1:00', '0:00', '0:00']);
  });
});
