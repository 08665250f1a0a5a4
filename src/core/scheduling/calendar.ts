import type { Span } from './solver';
import type { Person } from './shop';

/** Minutes of a day. */
export const DAY = 1440;
const MS_DAY = 86_400_000;

const timeOf = (day: string): number => Date.parse(`${day}T00:00:00Z`);

/** The day so many after another: 2026-02-27 and 2 are 2026-03-01. */
export const dayAfter = (day: string, by: number): string => new Date(timeOf(day) + by * MS_DAY).toISOString().slice(0, 10);

/** How many days lie between two. */
export const daysBetween = (from: string, to: string): number => Math.round((timeOf(to) - timeOf(from)) / MS_DAY);

/** 0 is Monday. */
export const weekdayOf = (day: string): number => (new Date(timeOf(day)).getUTCDay() + 6) % 7;

/** A moment of a schedule as day and minute of it. */
export function momentOf(begins: string, minute: number): { day: string; minute: number } {
  const days = Math.floor(minute / DAY);
  return { day: dayAfter(begins, days), minute: minute - days * DAY };
}

/** A minute of a day as it is said: 8.05 is five past eight. */
export const sayMinute = (minute: number): string => {
  const whole = Math.round(minute);
  return `${Math.floor(whole / 60)}.${String(whole % 60).padStart(2, '0')}`;
};

/** A time as it is typed: 8, 8.30, 8:30, 0830; null where it is none. */
export function readMinute(typed: string): number | null {
  const found = /^\s*(\d{1,2})(?:[.:h\s]?(\d{2}))?\s*$/.exec(typed);
  if (!found) return null;
  const [hours, minutes] = [Number(found[1]), Number(found[2] ?? 0)];
  return hours <= 24 && minutes < 60 && hours * 60 + minutes <= DAY ? hours * 60 + minutes : null;
}

/** With less than this left before a break or the evening nobody gets anything out, minutes. */
const WORTH_BEGINNING = 10;

/**
 * The hours of a person over some days, in minutes from the first day's midnight.
 *
 * @param person their week, their break, their days off
 * @param begins the first day
 * @param days how many
 * @param [now] nothing before this minute; what is left after it of a morning or an afternoon counts if it is worth beginning
 */
export function hoursOf(person: Person, begins: string, days: number, now = 0): Span[] {
  const spans: Span[] = [];
  for (let k = 0; k < days; k++) {
    const day = dayAfter(begins, k);
    if (!person.days[weekdayOf(day)] || person.off.includes(day)) continue;
    const [opens, closes] = [k * DAY + person.from, k * DAY + person.to];
    const [stops, goesOn] = [k * DAY + person.breakAt, k * DAY + person.breakAt + person.breakFor];
    const halves: Span[] =
      person.breakFor > 0 && stops > opens && stops < closes
        ? [
            [opens, stops],
            [Math.min(goesOn, closes), closes],
          ]
        : [[opens, closes]];
    for (const [from, to] of halves) {
      const begin = Math.max(from, now);
      if (to - begin >= (now > from ? WORTH_BEGINNING : 1)) spans.push([begin, to]);
    }
  }
  return spans;
}

/**
 * Days on which somebody works: nobody looks at a Sunday, nor at what is over.
 *
 * @param people with their weeks and days off
 * @param begins the first day
 * @param days so many from it
 * @param [now] minute of the first day: is it over for everybody, it is none
 */
export function workingDays(people: readonly Person[], begins: string, days: number, now = 0): string[] {
  const workDays = new Set(people.flatMap((person) => hoursOf(person, begins, days, now).map(([from]) => Math.floor(from / DAY))));
  return [...workDays].sort((a, b) => a - b).map((k) => dayAfter(begins, k));
}
