import ical, { ICalCalendarMethod } from 'ical-generator';
import { momentOf, type KeptDiary, type Person } from '../../core/scheduling';
import { readTaskId } from '../../core/scheduling/solver';

/** What a task is called in somebody's calendar. */
export type TaskWords = { step: string; detail: string; piece: string };

/** A day and a minute as a clock on the wall shows it, wherever that is. */
function onTheWall(begins: string, minute: number): string {
  const { day, minute: figure } = momentOf(begins, Math.round(minute));
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${day}T${two(Math.floor(figure / 60))}:${two(figure % 60)}:00`;
}

/**
 * A schedule as iCalendar (RFC 5545): an event for every stretch of work, at the workshop's own time.
 *
 * @param diary the schedule that is kept
 * @param people who works here
 * @param words what each task is called, by its id
 * @param [only] one person's work alone
 */
export function asCalendar(diary: KeptDiary, people: readonly Person[], words: (task: string) => TaskWords, only?: string): string {
  const calendar = ical({ name: 'Workshop', method: ICalCalendarMethod.PUBLISH, prodId: { company: 'Fovea', product: 'Diary' } });
  for (const { id, who, spans } of diary.schedule.done) {
    if (only !== undefined && who !== only) continue;
    const { step, detail, piece } = words(id);
    const { part } = readTaskId(id);
    const name = people.find((person) => person.id === who)?.name ?? who;
    spans.forEach(([from, to], k) =>
      calendar.createEvent({
        id: `${id.replace(/[^\w-]+/g, '-')}-${k + 1}@fovea`,
        start: onTheWall(diary.begins, from),
        end: onTheWall(diary.begins, to),
        floating: true,
        stamp: new Date(diary.madeAt),
        summary: `${step} – ${piece}${part === 'first' ? ', the first' : part === 'rest' ? ', the rest' : ''}`,
        description: `${name}: ${detail}`,
        location: name,
      }),
    );
  }
  return calendar.toString();
}
