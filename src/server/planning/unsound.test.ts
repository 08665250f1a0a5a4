import { describe, expect, it, vi } from 'vitest';
import { UnsoundPlan, type Finding } from '../../core/inspection';
import { newChairSeat } from '../../core/piece';
import * as entry from './entry';
import { answerOf } from './refused';

const finding: Finding = { check: 'reach', part: 'Cover', place: 'station 4', by: -12, says: 'At station 4, the cloth ends 12 mm short' };

// No plan is unsound that anybody knows of: the inspection is made to find something.
vi.mock('../../core/inspection', async (load) => {
  const inspection = await load<typeof import('../../core/inspection')>();
  return {
    ...inspection,
    expectSound: (name: string) => {
      throw new inspection.UnsoundPlan(name, [finding]);
    },
  };
});

const chair = newChairSeat();
const asked = { piece: chair, house: {} };

describe('of a plan that does not pass its inspection nothing leaves a planning thread', () => {
  it.each([
    ['patterns', () => entry.patterns({ ...asked, format: 'csv' })],
    ['print', () => entry.print({ ...asked, unit: 'mm', paper: 'a4' })],
    ['pages', () => entry.pages({ ...asked, unit: 'mm', paper: 'a4' })],
    ['templates', () => entry.templates(asked)],
    ['needs', () => entry.needs({ pieces: [{ id: 'a', piece: chair }], house: {} })],
  ] as const)('%s: what was found is the answer, and on this side of the thread an error again', async (_name, ask) => {
    const answer = await ask();
    expect(answer).toEqual({ refused: { piece: chair.name, findings: [finding] } });
    const error = (() => {
      try {
        return answerOf(answer as never);
      } catch (caught) {
        return caught;
      }
    })();
    expect(error).toBeInstanceOf(UnsoundPlan);
    expect((error as UnsoundPlan).findings).toEqual([finding]);
    expect((error as UnsoundPlan).message).toMatch(/^The plan of “.*” is wrong, so nothing was done\. At station 4.*Do not cut/);
  });
});
