import { expect, it } from 'vitest';
import { ruleOf } from '../house';
import { planPiece } from '../plan';
import type { Piece } from '../piece';
import { JOBS } from '../../testing/jobs';
import { QUICK } from '../../testing/quick';

const job = (id: string): Piece => JOBS.find((found) => found.id === id)!.piece;
const stepsOf = (piece: Piece) => planPiece(piece, {}, QUICK).steps;
const hands = (piece: Piece, keys?: readonly string[]): number =>
  stepsOf(piece).reduce((sum, { key, minutes }) => sum + (!keys || keys.includes(key) ? minutes : 0), 0);
const SEWING = ['cloth', 'welts', 'zip', 'sew'];

/** Hands-on minutes as an upholsterer of thirty years reckons them: docs of the trade, “Work values”. */
it.each([
  ['a dining seat by itself, from bare board to dust cover', hands({ ...job('dome-room-chairs'), count: 1 }), 45, 70],
  ['each of eight: the pattern is known, the knife is out', hands({ ...job('dome-room-chairs'), count: 8 }), 25, 46],
  ['four plain corners: fold, look, fold again', hands(job('library-chair'), ['corners']), 4, 8],
  ['a block cushion cut and sewn: six parts, a zip, piping at both seams', hands(job('block-seat'), SEWING), 80, 130],
  ['the same, from slabs to closed zip: half a morning', hands(job('block-seat')), 140, 220],
  ['five welted parts of a saddle cut and sewn', hands(job('stretch-saddle'), SEWING), 40, 70],
  ['a small saddle covered again, without stripping', hands(job('stretch-saddle')), 90, 140],
  ['a bordered headboard: six hours, a small one five', hands(job('bordered-headboard')), 300, 420],
  ['eighteen buttons drawn in, four minutes each', hands(job('buttoned-headboard'), ['buttons']), 60, 80],
] as const)('%s', (_what, minutes, least, most) => {
  expect(minutes).toBeGreaterThanOrEqual(least);
  expect(minutes).toBeLessThanOrEqual(most);
});

/** A job whose run sheet has that work in it. */
const withCovering = (id: string, change: Partial<Piece['covering']>): Piece => ({
  ...job(id),
  covering: { ...job(id).covering, ...change },
});
it.each([
  ['timeChannel', withCovering('library-chair', { way: 'channelled' })],
  ['timeButtonCover', job('buttoned-headboard')],
  ['timeButtonDraw', job('buttoned-headboard')],
  ['timeRivet', job('tricycle-saddle')],
  ['timeHang', job('four-panels')],
  ['timeTopStitch', withCovering('block-seat', { topStitch: 6 })],
  ['timeSewMetre', withCovering('cube', { welt: { ...withCovering('cube', {}).covering.welt!, upper: false, lower: false } })],
  [
    'timeSewCurve',
    withCovering('ticket-hall-stools', { welt: { ...job('ticket-hall-stools').covering.welt!, upper: false, lower: false } }),
  ],
  ['timeStripItem', job('chair-in-parts')],
] as const)('%s lengthens the run sheet', (key, piece) => {
  const slow = ruleOf(key)!.sensible[1] * 2;
  expect(planPiece(piece, { [key]: slow }, QUICK).minutes).toBeGreaterThan(planPiece(piece, {}, QUICK).minutes);
});

it('every time in it is a house rule: a slower hand makes a longer sheet', () => {
  const piece = job('block-seat');
  const at = (house: Record<string, number>): number => planPiece(piece, house, QUICK).minutes;
  for (const key of ['timePart', 'timeSewPiped', 'timePiping', 'timeZip', 'timeWadding', 'timeLabel', 'timeBoardCheck'])
    expect(at({ [key]: key.endsWith('Metre') || key.includes('Pip') ? 400 : 14 }), key).toBeGreaterThan(at({}));
  const chairs = job('dome-room-chairs');
  const set = (share: number): number => planPiece(chairs, { setShare: share }, QUICK).minutes;
  expect(set(100)).toBeGreaterThan(set(60));
});
