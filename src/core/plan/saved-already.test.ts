import { expect, it } from 'vitest';
import { newPiece, type Piece } from '../piece';
import { planPiece, savedAlready } from '.';
import { QUICK } from '../../testing/quick';

/** A bench cushion board with a banded cover, railroaded as it is too long for the roll. */
const start = newPiece('bench');
const bench: Piece = {
  ...start,
  base: { ...start.base, shape: { ...start.base.shape, width: 1180, depth: 350 } as Piece['base']['shape'] },
  covering: { ...start.covering, way: 'boxed' },
};
const clothFor = (piece: Piece): number => planPiece(piece, {}, QUICK).cut.cloth.length;

it('a railroaded band is joined without asking: one strip would buy two metres for one join less', () => {
  const [saved, ...more] = savedAlready(bench, planPiece(bench, {}, QUICK));
  expect(more).toEqual([]);
  expect(saved!.words).toBe('The band is joined from two, at the middles of the ends: in one strip it takes');
  expect(Math.round(saved!.otherwise / 100)).toBe(31);
  // Two bands of 1550 beside a top of 1204, and the welts.
  expect(clothFor(bench)).toBeLessThan(1900);
  expect(clothFor(saved!.without)).toBeGreaterThan(3000);
});

it('taken back it is one strip, and there is nothing left to take back', () => {
  const { without } = savedAlready(bench, planPiece(bench, {}, QUICK))[0]!;
  const plan = planPiece(without, {}, QUICK);
  expect(plan.cover.pieces.filter(({ role }) => role === 'band')).toHaveLength(1);
  expect(savedAlready(without, plan)).toEqual([]);
});

it('says nothing of joins that the roll makes needed, or that were asked for', () => {
  const up: Piece = { ...bench, cloth: { ...bench.cloth, direction: 'along', rollWidth: 1600 } };
  expect(savedAlready(up, planPiece(up, {}, QUICK))).toEqual([]);
  const corners: Piece = { ...bench, covering: { ...bench.covering, joins: 'corners' } };
  expect(savedAlready(corners, planPiece(corners, {}, QUICK))).toEqual([]);
});
