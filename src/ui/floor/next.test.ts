import { expect, it } from 'vitest';
import { newChairSeat } from '@/core/piece';
import { nextOf } from './next';

const piece = newChairSeat();
const row = { piece, lacks: null, step: 'Cut the foam', serial: null };

it('says what a piece lacks before what is next at the bench', () => {
  expect(nextOf(row)).toEqual({ words: 'Bench: cut the foam', stage: 'bench' });
  expect(nextOf({ ...row, piece: { ...piece, pads: [] } })).toEqual({ words: 'Padding: no main pad', stage: 'padding' });
  expect(nextOf({ ...row, piece: { ...piece, cloth: { ...piece.cloth, name: '' } } })).toMatchObject({ stage: 'cover' });
  expect(nextOf({ ...row, step: null })).toMatchObject({ words: 'Finish the job' });
  expect(nextOf({ ...row, step: null, serial: '2026-001' }).words).toBe('Finished, 2026-001 in the log');
  expect(nextOf({ ...row, lacks: 'time' as const }).words).toBe('Bench');
  expect(nextOf({ ...row, lacks: 'rules' as const })).toMatchObject({ stage: 'board', words: expect.stringContaining('no longer suit') });
});
