import type { Static } from '@sinclair/typebox';
import { day, id, list, record, tick, whole, words } from '../fields';

/** Minutes of a day. */
const MINUTE = [0, 1440] as const;

/** The days of a week, Monday first. */
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** Somebody who works here, with the hours that they are there. */
export const PERSON = record({
  id: id(),
  name: words('Name', 60, { default: '' }),
  /** Monday first */
  days: list('Works on', tick('Day', { default: true }), [7, 7]),
  from: whole('Begins', [...MINUTE], { default: 480 }),
  to: whole('Ends', [...MINUTE], { default: 1020 }),
  /** when the break begins, and how long it is; none where it is nothing */
  breakAt: whole('Break at', [...MINUTE], { default: 720 }),
  breakFor: whole('Break, minutes', [0, 240], { default: 60 }),
  off: list('Days off', day('Day off'), [0, 200]),
});

/** Who works here, and how many can be at a thing at once. */
export const SHOP = record({
  people: list('People', PERSON, [1, 40]),
  benches: whole('Benches', [1, 40], { default: 2 }),
  tables: whole('Cutting tables', [1, 20], { default: 1 }),
  machines: whole('Sewing machines', [1, 40], { default: 1 }),
  sprays: whole('Spray places', [1, 20], { default: 1 }),
  /** so many pieces can stand until their glue holds or their cloth is dry */
  racks: whole('Drying racks, pieces', [1, 400], { default: 12 }),
});

export type Person = Static<typeof PERSON>;
export type Shop = Static<typeof SHOP>;

/** Monday to Friday. */
export const WORKING_WEEK = [true, true, true, true, true, false, false];

/** Somebody new: weekdays from eight to five, an hour at noon. */
export const newPerson = (item: Pick<Person, 'id' | 'name'>): Person => ({
  ...item,
  days: [...WORKING_WEEK],
  from: 480,
  to: 1020,
  breakAt: 720,
  breakFor: 60,
  off: [],
});

/** A workshop of which nobody has said anything: one person. */
export const newShop = (): Shop => ({
  people: [newPerson({ id: 'p-1', name: 'The bench' })],
  benches: 2,
  tables: 1,
  machines: 1,
  sprays: 1,
  racks: 12,
});

/** What is wrong with a workshop that no single field can say. */
export function shopProblems({ people }: Shop): { path: string; message: string }[] {
  const ids = new Set<string>();
  return people.flatMap((person, i) => {
    const found: { path: string; message: string }[] = [];
    if (person.name.trim() === '') found.push({ path: `people.${i}.name`, message: 'Enter a name' });
    if (person.to <= person.from) found.push({ path: `people.${i}.to`, message: `${person.name || 'Somebody'} ends before beginning` });
    if (ids.has(person.id)) found.push({ path: `people.${i}.id`, message: 'Two people have the same id' });
    ids.add(person.id);
    return found;
  });
}
