import { SHOP } from '../../core/scheduling';
import { list, OK, plain, record, text, whole, type Route } from './openapi-parts';

const object = { type: 'object' };
const day = (says: string) => ({ type: ['string', 'null'], description: says });

/** Bench and diary, by path and method. */
export const DIARY_ROUTES: Record<string, Record<string, Route>> = {
  '/api/pieces/{id}/bench': {
    get: {
      says: 'A run sheet as it is worked by: its steps, what is ticked, noted and running',
      gives: record({
        id: text('Of the piece'),
        revision: whole('As it was saved last'),
        name: text('What it is called'),
        count: whole('In the set'),
        pins: list(object),
        steps: list(object),
        fastening: { type: ['object', 'null'] },
        section: { type: ['object', 'null'] },
        cloth: list(object),
        foam: list(object),
        corners: list(object),
        board: object,
        piece: object,
        people: list(text('Who works here')),
        ticks: list(object),
        notes: list(object),
        timers: list(object),
        now: text('What time it is at the workshop'),
      }),
      refuses: [404],
    },
  },
  '/api/pieces/{id}/notes': {
    get: { says: 'What was said at its steps', gives: record({ notes: list(object) }), refuses: [404] },
    post: {
      says: 'What was measured, seen or photographed at a step, or how long it took; sent twice it is one',
      body: object,
      gives: record({ notes: list(object) }),
      status: 201,
      refuses: [404, 422],
    },
  },
  '/api/timers': {
    get: { says: 'Everything that runs, and what time it is', gives: record({ timers: list(object), now: text('Now') }) },
    post: {
      says: 'Starts what a step waits for',
      body: record(
        { id: text('Its own'), piece: text('Of the piece'), unit: whole('Which of the set; 0 is all of it'), step: text('Its key') },
        ['piece', 'unit', 'step'],
      ),
      gives: record({ timers: list(object) }),
      status: 201,
      refuses: [404],
    },
  },
  '/api/timers/{id}': { delete: { says: 'It is gone on with, or given up', gives: record({ timers: list(object) }) } },
  '/api/diary': {
    get: {
      says: 'What a schedule is made from, the one that is kept, and what changed since',
      gives: record({
        input: object,
        deliveries: list(object),
        without: list(text('A piece whose rules no longer suit it')),
        kept: { type: ['object', 'null'] },
        changed: list(text('What changed')),
        finished: list(record({ id: whole('Of the log'), name: text('What it is called') })),
      }),
    },
    put: {
      says: 'Keeps a schedule, once it was held against what it was made from',
      body: record({ input: object, schedule: object }),
      gives: OK,
      refuses: [422],
    },
  },
  '/api/diary/shop': {
    put: {
      says: 'Who works here, when, and with what',
      body: record({ shop: plain(SHOP) }),
      gives: record({ shop: object }),
      refuses: [422],
    },
  },
  '/api/diary/asked-for': {
    get: {
      says: 'What there would be to do for a job that nobody has taken: like a kind, a piece of the floor, or finished work',
      query: { like: { type: 'string' }, count: { type: 'integer' } },
      gives: record({ piece: object, steps: list(object) }),
      refuses: [404, 422],
    },
  },
  '/api/diary/pins': {
    put: {
      says: 'Lays a task on a day and a person, or lets it go with null',
      body: record({ task: text('Its id'), pin: { type: ['object', 'null'] } }),
      gives: record({ pins: list(object) }),
    },
  },
  '/api/diary/deliveries': {
    put: {
      says: 'An order comes on another day than was thought; null is as the supplier says',
      body: record({ order: text('Its id'), day: day('The day') }),
      gives: OK,
      refuses: [404],
    },
  },
  '/api/diary/calendar': {
    get: {
      says: 'The schedule as iCalendar',
      query: { person: { type: 'string' } },
      gives: text('RFC 5545'),
      media: 'text/calendar',
      refuses: [404],
    },
  },
};
