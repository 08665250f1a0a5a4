import { describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../../piece';
import { sharedPlanner } from '../../../testing/quick';
import { halvesOf, passageOf, sectionAlong } from '..';

const chair = newPiece('chair-seat');
const wedged = (by: number, wedgeWay: 'far' | 'right'): Piece => ({
  ...chair,
  pads: chair.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness: 40, wedge: 40 + by, wedgeWay } : pad)),
});
const middleOf = (piece: Piece, direction: readonly [number, number]): { right: number; left: number; joined: number } => {
  const { stack } = sharedPlanner.model(piece, {});
  const passage = passageOf(stack, [0, 0], direction)!;
  const middle = (passage.run[0] + passage.run[1]) / 2;
  const [right, left] = halvesOf(stack, passage, { middle, sides: [1, -1] });
  const { cover } = sectionAlong(stack, [0, 0], direction)!;
  const joined = cover.reduce((best, place) => (Math.abs(place[0] - middle) < Math.abs(best[0] - middle) ? place : best));
  return { right: right!.cover[0]![1], left: left!.cover[0]![1], joined: joined[1] };
};

describe('a section across a wedge', () => {
  it.each([
    ['far', 5],
    ['far', 20],
    ['right', 20],
    ['right', 40],
  ] as const)('towards the %s, %i mm: both halves meet in the middle, half of it higher than a level pad', (way, by) => {
    const direction = way === 'far' ? ([0, 1] as const) : ([1, 0] as const);
    const [level, slanted] = [middleOf(wedged(0, way), direction), middleOf(wedged(by, way), direction)];
    // 4 mm apart at 20, when each half took the other for its mirror image and pressed the wadding by that.
    expect(Math.abs(slanted.right - slanted.left)).toBeLessThan(0.1);
    expect(slanted.joined - level.joined).toBeGreaterThan(by / 2 - 0.3);
    expect(slanted.joined - level.joined).toBeLessThan(by / 2 + 0.3);
  });
});
