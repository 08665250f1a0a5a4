import { describe, expect, it } from 'vitest';
import type { Done } from '@/core/run/schedule';
import { stretchesOf } from './week';

const task = (id: string, who: string, ...spans: [number, number][]): Done => ({ id, who, spans });
const done = [
  task('p/all/sew', 'a', [500, 520]),
  task('p/all/cloth', 'a', [480, 500]),
  task('q/all/board', 'a', [525, 530]),
  task('p/all/staple', 'a', [530, 560], [1440 + 480, 1440 + 500]),
  task('p/all/dust', 'b', [480, 490]),
  task('p/all/trim', 'a', [620, 625]),
];

describe('what is drawn of a day', () => {
  it('each task by itself, in the order of the day, of one person, on that day alone', () => {
    expect(stretchesOf(done, 'a', 0, false).map(({ task: own, span }) => [own.id.split('/')[2], span[0]])).toEqual([
      ['cloth', 480],
      ['sew', 500],
      ['board', 525],
      ['staple', 530],
      ['trim', 620],
    ]);
    expect(stretchesOf(done, 'a', 1, false)).toHaveLength(1);
    expect(stretchesOf(done, 'nobody', 0, false)).toEqual([]);
  });
  it('over several days runs of work on one piece are one, broken by another piece or a pause', () => {
    expect(stretchesOf(done, 'a', 0, true).map(({ task: own, span, count }) => [own.id[0], span, count])).toEqual([
      ['p', [480, 520], 2],
      ['q', [525, 530], 1],
      ['p', [530, 560], 1],
      ['p', [620, 625], 1],
    ]);
  });
});
