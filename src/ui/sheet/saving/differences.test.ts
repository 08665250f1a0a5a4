import { expect, it } from 'vitest';
import { newChairSeat } from '@/core/piece';
import { differences } from './differences';

it('names every place where two versions differ and nothing else', () => {
  const a = newChairSeat();
  const b = { ...a, name: 'Other', overrides: { grip: 40 }, wadding: null };
  expect(differences(a, b)).toEqual([
    { path: 'name', theirs: 'Chair seat', mine: 'Other' },
    { path: 'wadding', theirs: 'wadding-200', mine: 'house rule' },
    { path: 'overrides grip', theirs: 'nothing', mine: '40' },
  ]);
  expect(differences(a, structuredClone(a))).toEqual([]);
});
