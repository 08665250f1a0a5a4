import { afterAll, describe, expect, it } from 'vitest';
import { newChairSeat, PieceProblems } from '../../core/piece';
import { PlansDisagree } from '../../core/plan';
import { planning } from '.';
import { weekly } from '../../testing/weekly';

afterAll(() => planning().close());

const chair = newChairSeat();
/** What is wrong with a piece is found on the thread here: an inset that leaves nothing of a pad. */
const impossible = { ...chair, pads: [{ ...chair.pads[0]!, offset: -400 }] };
const wrong = { foam: { 'piece 9, none, width': 400 } };

describe('what a planning thread refuses comes back with its kind and its words', () => {
  it.each([
    ['look', () => planning().look({ piece: impossible, house: {} })],
    ['patterns', () => planning().patterns({ piece: impossible, house: {}, format: 'csv' })],
    ['templates', () => planning().templates({ piece: impossible, house: {} })],
    ['needs', () => planning().needs({ pieces: [{ id: 'a', piece: impossible }], house: {} })],
  ] as const)('%s of a piece that cannot be: its problems, by their place', async (_name, ask) => {
    const error = await ask().catch((caught: unknown) => caught);
    expect(error).toBeInstanceOf(PieceProblems);
    expect((error as PieceProblems).problems[0]!.path).toContain('pads');
  });

  weekly(3)('figures that are not the ones that were seen: which they are', async () => {
    const error = await planning()
      .patterns({ piece: chair, house: {}, format: 'csv', seen: wrong })
      .catch((caught: unknown) => caught);
    expect(error).toBeInstanceOf(PlansDisagree);
    expect((error as PlansDisagree).piece).toBe(chair.name);
    expect((error as PlansDisagree).disagreements.length).toBeGreaterThan(3);
  });
});
