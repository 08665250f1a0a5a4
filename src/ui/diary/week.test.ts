import { describe, expect, it } from 'vitest';
import type { Done } from '@/core/scheduling/solver';
import { laidAt, runsOf, saysRun, spansOf } from './week';

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
    expect(spansOf(done, 'a', 0).map(({ task: item, span }) => [item.id.split('/')[2], span[0]])).toEqual([
      ['cloth', 480],
      ['sew', 500],
      ['board', 525],
      ['staple', 530],
      ['trim', 620],
    ]);
    expect(spansOf(done, 'a', 1)).toHaveLength(1);
    expect(spansOf(done, 'nobody', 0)).toEqual([]);
  });
  it('by runs of work on one piece, broken by another piece or a pause', () => {
    expect(runsOf(done, 'a', 0).map(({ tasks, span }) => [tasks[0]!.id[0], span, tasks.length])).toEqual([
      ['p', [480, 520], 2],
      ['q', [525, 530], 1],
      ['p', [530, 560], 1],
      ['p', [620, 625], 1],
    ]);
  });
  it('and a run says what is done, on what, and how long, each kind of work once', () => {
    const cut = { place: 'table', strand: 'pads' } as const;
    const spray = { place: 'spray', strand: 'pads' } as const;
    const lay = { place: 'bench', strand: 'pads' } as const;
    const staple = { strand: 'piece' } as const;
    expect(saysRun('Chairs', [cut, spray, lay, spray, lay], 70)).toBe('Chairs: cut, glue, padding, 70 min');
    expect(saysRun('Chairs', [{ place: 'machine', strand: 'cloth' }, staple], 125)).toBe('Chairs: sew, cover, 2 h 05');
  });
});

describe('where what is dragged lands', () => {
  // A Friday, and the working days after it.
  const days = ['2026-11-27', '2026-11-30', '2026-12-01'];
  const at = (day: string, minute: number, moved: number) => laidAt(days, { day, minute }, moved);
  const hour = 60;
  /** What is drawn of a day, 7 to 18. */
  const long = 11 * hour;

  it('on a quarter of an hour of its own day', () => {
    expect(at(days[0]!, 9 * hour, 97)).toEqual({ day: days[0], minute: 10 * hour + 30 });
    expect(at(days[0]!, 9 * hour + 4, -56)).toEqual({ day: days[0], minute: 8 * hour + 15 });
  });
  it('over the edge of a day on the next that is drawn, not on a Saturday nobody works', () => {
    expect(at(days[0]!, 17 * hour, 90)).toEqual({ day: days[1], minute: 7 * hour + 30 });
    expect(at(days[1]!, 8 * hour, -90)).toEqual({ day: days[0], minute: 17 * hour + 30 });
    expect(at(days[0]!, 8 * hour, 2 * long)).toEqual({ day: days[2], minute: 8 * hour });
  });
  it('never beyond what is drawn', () => {
    expect(at(days[0]!, 8 * hour, -5000)).toEqual({ day: days[0], minute: 7 * hour });
    expect(at(days[2]!, 8 * hour, 5000)).toEqual({ day: days[2], minute: 17 * hour + 45 });
  });
});
