import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  DAY,
  dayAfter,
  daysBetween,
  hoursOf,
  momentOf,
  newPerson,
  newShop,
  readMinute,
  sayMinute,
  shopProblems,
  weekdayOf,
  workingDays,
} from '.';

const MONDAY = '2026-03-02';

describe('days and hours', () => {
  it('days follow each other over months, leap days and years, and come back', () => {
    expect(dayAfter('2028-02-28', 2)).toBe('2028-03-01');
    expect(dayAfter('2026-12-31', 1)).toBe('2027-01-01');
    expect(weekdayOf(MONDAY)).toBe(0);
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 2000 }), (by) => {
        expect(daysBetween(MONDAY, dayAfter(MONDAY, by)) - by).toBe(0);
      }),
    );
  });

  it('a time is read as it is said', () => {
    for (const [typed, minute] of [
      ['8', 480],
      ['8.30', 510],
      ['16:45', 1005],
      ['0830', 510],
      ['24', 1440],
    ] as const)
      expect(readMinute(typed)).toBe(minute);
    expect([sayMinute(539.7), sayMinute(480.2)]).toEqual(['9.00', '8.00']);
    for (const typed of ['25', '8.70', 'noon', '', '-3']) expect(readMinute(typed)).toBeNull();
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1439 }), (minute) => {
        expect(readMinute(sayMinute(minute))).toBe(minute);
      }),
    );
  });

  it('a week has its five days less what is off, each with its break, nothing before now', () => {
    const person = { ...newPerson({ id: 'a', name: 'A' }), off: ['2026-03-04'] };
    const hours = hoursOf(person, MONDAY, 7, 600);
    const workedMinutes = hours.reduce((sum, [from, to]) => sum + to - from, 0);
    // Four days of eight hours; on Monday the first two are gone.
    expect(workedMinutes).toBe(4 * 480 - 120);
    expect(hours[0]).toEqual([600, 720]);
    expect(hours.some(([from]) => Math.floor(from / DAY) === 2)).toBe(false);
    expect(momentOf(MONDAY, hours.at(-1)![1])).toEqual({ day: '2026-03-06', minute: 1020 });
    // Three minutes before five nobody gets the tools out; a quarter of an hour is enough to look at a board.
    expect(hoursOf({ ...person, breakFor: 0 }, MONDAY, 1, 1017)).toEqual([]);
    expect(hoursOf({ ...person, breakFor: 0 }, MONDAY, 1, 1005)).toEqual([[1005, 1020]]);
    expect(hoursOf({ ...person, breakFor: 0 }, MONDAY, 1)).toEqual([[480, 1020]]);
  });

  it('days on which somebody works: no Sunday, no day that is over, one of two is enough', () => {
    const person = newPerson({ id: 'a', name: 'A' });
    const days = workingDays([person], MONDAY, 14);
    expect(days.map(weekdayOf)).toEqual(days.map(weekdayOf).filter((value) => person.days[value]));
    expect(days[0]).toBe(MONDAY);
    expect(new Set(days).size).toBe(days.length);
    // In the evening the page is turned.
    expect(workingDays([person], MONDAY, 14, 1020)).toEqual(days.slice(1));
    expect(workingDays([person], MONDAY, 14, 1000)).toEqual(days);
    const off = { ...person, off: [days[1]!] };
    expect(workingDays([off], MONDAY, 14)).toEqual(days.filter((day) => day !== days[1]));
    expect(workingDays([off, person], MONDAY, 14)).toEqual(days);
    expect(workingDays([], MONDAY, 14)).toEqual([]);
  });

  it('what is wrong with a workshop is told where it is', () => {
    expect(shopProblems(newShop())).toEqual([]);
    const late = { ...newPerson({ id: 'p-1', name: '' }), to: 400 };
    expect(shopProblems({ ...newShop(), people: [late, late] }).map(({ path }) => path)).toEqual(
      expect.arrayContaining(['people.0.name', 'people.0.to', 'people.1.id']),
    );
  });
});
