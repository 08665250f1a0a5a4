import { expect, it } from 'vitest';
import { inspectPlan } from '../../inspection';
import { newPiece, type Piece } from '../../piece';
import { planPiece } from '../../plan';
import { sizesOf } from '../../sizes';
import { QUICK } from '../../../testing/quick';

/** An arm pad with both front corners notched out: the legs behind the notches are 52 mm wide. */
const plain = newPiece('arm-pad');
const shape = { type: 'rectangle' as const, width: 350, depth: 120, cornerRadius: { front: 20, back: 20 } };
const at = (name: string) => ({ kind: 'corner' as const, name });
const notches = ['front right', 'front left'].map((name, i) => ({ id: `n-${i}`, at: at(name), width: 46, depth: 68 }));
const nailed: Piece = {
  ...plain,
  base: { ...plain.base, shape, notches: notches as NonNullable<Piece['base']['notches']> },
  covering: { way: 'nail-edged' },
};

it('two rows that come into one in a narrow leg are one row: no two heads lie on each other', () => {
  const plan = planPiece(nailed, {}, QUICK);
  const { places, count, runs } = plan.cover.nails!;
  const head = places[0]!.head;
  places.forEach((nail, i) =>
    places.slice(0, i).forEach((other) => expect(Math.hypot(nail.x - other.x, nail.y - other.y)).toBeGreaterThanOrEqual(head - 0.01)),
  );
  expect(runs.reduce((sum, run) => sum + run.count, 0)).toBe(count);
  expect(inspectPlan({ plan, sizes: sizesOf(plan, nailed, {}) })).toEqual([]);
});
