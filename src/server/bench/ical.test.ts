import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { newPerson, type KeptDiary } from '../../core/scheduling';
import { asCalendar } from './ical';

const people = [newPerson({ id: 'a', name: 'Ilse' }), newPerson({ id: 'b', name: 'Tomas; of the lodge, and more' })];
const diary: KeptDiary = {
  begins: '2026-03-27',
  now: 0,
  madeAt: '2026-03-26T10:00:00.000Z',
  input: '{}',
  schedule: {
    left: [],
    done: [
      { id: 'p1/first/sew', who: 'a', spans: [[480, 555]] },
      // Over a night, and over the day on which clocks are put forward in many places.
      {
        id: 'p1/rest/staple#2',
        who: 'b',
        spans: [
          [1000, 1020],
          [2 * 1440 + 480, 2 * 1440 + 500],
        ],
      },
    ],
  },
};
const words = () => ({ step: 'Staple, outwards', detail: 'A line;\nanother, with commas', piece: 'Chairs – eight' });

describe('a schedule as a calendar, read by another parser', () => {
  const read = (text: string) =>
    new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent').map((component) => new ICAL.Event(component));

  it('has an event for every stretch of work, at the wall clock’s time', () => {
    const events = read(asCalendar(diary, people, words));
    expect(events).toHaveLength(3);
    expect(events.map(({ startDate, endDate }) => [startDate.toString(), endDate.toString()])).toEqual([
      ['2026-03-27T08:00:00', '2026-03-27T09:15:00'],
      ['2026-03-27T16:40:00', '2026-03-27T17:00:00'],
      ['2026-03-29T08:00:00', '2026-03-29T08:20:00'],
    ]);
    // Floating: the workshop’s own time, wherever it is read.
    for (const { startDate } of events) expect(startDate.zone).toBe(ICAL.Timezone.localTimezone);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(3);
  });

  it('a moment between two minutes is the nearer of them, over the hour too', () => {
    const item = {
      ...diary,
      schedule: { left: [], done: [{ id: 'p1/all/sew', who: 'a', spans: [[479.7, 539.6]] as [number, number][] }] },
    };
    const [event] = read(asCalendar(item, people, words));
    expect([event!.startDate.toString(), event!.endDate.toString()]).toEqual(['2026-03-27T08:00:00', '2026-03-27T09:00:00']);
  });

  it('words come back as they were, whatever signs are in them', () => {
    const [first, other] = read(asCalendar(diary, people, words));
    expect(first!.summary).toBe('Staple, outwards – Chairs – eight, the first');
    expect(other!.summary).toContain(', the rest');
    expect(other!.location).toBe('Tomas; of the lodge, and more');
    expect(other!.description).toBe('Tomas; of the lodge, and more: A line;\nanother, with commas');
  });

  it('one person’s calendar has that one’s work alone; lines are folded as the format asks', () => {
    expect(read(asCalendar(diary, people, words, 'a'))).toHaveLength(1);
    const text = asCalendar(diary, people, () => ({ ...words(), detail: 'x'.repeat(500) }));
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(text.startsWith('BEGIN:VCALENDAR\r\nVERSION:2.0')).toBe(true);
  });
});
