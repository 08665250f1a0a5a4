import { expect, it } from 'vitest';
import { readFigure } from './read-figure';

it('a figure is read with its unit or without, and a weight in stones', () => {
  expect(readFigure('12,5 %', { suffix: '%' })).toEqual({ ok: true, value: 12.5, says: '12.5 %' });
  expect(readFigure('15 st', { suffix: 'kg' })).toEqual({ ok: true, value: 95.3, says: '95.3 kg' });
  expect(readFigure('15 st', { suffix: '%' })).toMatchObject({ ok: false });
  expect(readFigure('2.5', { whole: true })).toEqual({ ok: false, message: 'This must be a whole number' });
  expect(readFigure('', {})).toMatchObject({ ok: false });
});
