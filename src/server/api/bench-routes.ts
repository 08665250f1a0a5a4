import { deleteTimer, postNote, postTimer, readBench, readNotes, readTimers } from '../bench/bench';
import { LARGEST_DIARY, putDelivery, putDiary, putPin, putShop, readAskedFor, readCalendar, readDiary } from '../bench/diary';
import { SHOP } from '../../core/scheduling';
import { list, OK, plain, record, text, whole, type Routes } from './route';

const object = { type: 'object' };
const day = (says: string) => ({ type: ['string', 'null'], description: says });

/** Bench and diary, by path and method. */
export const BENCH_ROUTES: Routes = {
  '/api/pieces/{id}/bench': {
    get: {
      handle: ({ params }) => readBench(params.id!),
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
    get: {
      handle: ({ params }) => readNotes(params.id!),
      says: 'What was said at its steps',
      gives: record({ notes: list(object) }),
      refuses: [404],
    },
    post: {
      handle: ({ request, params }) => postNote(request, params.id!),
      may: 'apprentice',
      says: 'What was measured, seen or photographed at a step, or how long it took; sent twice it is one',
      body: object,
      gives: record({ notes: list(object) }),
      status: 201,
      refuses: [404, 422],
    },
  },
  '/api/timers': {
    get: {
      handle: () => readTimers(),
      says: 'Everything that runs, and what time it is',
      gives: record({ timers: list(object), now: text('Now') }),
    },
    post: {
      handle: ({ request }) => postTimer(request),
      may: 'apprentice',
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
  '/api/timers/{id}': {
    delete: {
      handle: ({ params }) => deleteTimer(params.id!),
      may: 'apprentice',
      says: 'Continues a timer or cancels it',
      gives: record({ timers: list(object) }),
    },
  },
  '/api/diary': {
    get: {
      handle: () => readDiary(),
      says: 'What a schedule is made from, the one that is kept, and what changed since',
      gives: record({
        input: object,
        deliveries: list(object),
        without: list(text('A piece whose rules no longer suit it')),
        coming: whole('Pieces whose run sheets are still being worked out: ask again'),
        saved: { type: ['object', 'null'] },
        changed: list(text('What changed')),
        finished: list(record({ id: whole('Of the log'), name: text('What it is called') })),
      }),
    },
    put: {
      handle: ({ request }) => putDiary(request),
      may: 'hand',
      says: 'Keeps a schedule, once it was held against what it was made from',
      body: record({ input: object, schedule: object }),
      most: LARGEST_DIARY,
      gives: OK,
      refuses: [422],
    },
  },
  '/api/diary/shop': {
    put: {
      handle: ({ request }) => putShop(request),
      may: 'owner',
      says: 'Who works here, when, and with what',
      body: record({ shop: plain(SHOP) }),
      gives: record({ shop: object }),
      refuses: [422],
    },
  },
  '/api/diary/asked-for': {
    get: {
      handle: ({ request }) => readAskedFor(request),
      says: 'What there would be to do for a job that nobody has taken: like a kind, a piece of the floor, or finished work',
      query: { like: { type: 'string' }, count: { type: 'integer' } },
      gives: record({ piece: object, steps: list(object) }),
      refuses: [404, 422],
    },
  },
  '/api/diary/pins': {
    put: {
      handle: ({ request }) => putPin(request),
      may: 'hand',
      says: 'Lays a task on a day and a person, or lets it go with null',
      body: record({ task: text('Its id'), pin: { type: ['object', 'null'] } }),
      gives: record({ pins: list(object) }),
    },
  },
  '/api/diary/deliveries': {
    put: {
      handle: ({ request }) => putDelivery(request),
      may: 'hand',
      says: 'An order comes on another day than was thought; null is as the supplier says',
      body: record({ order: text('Its id'), day: day('The day') }),
      gives: OK,
      refuses: [404],
    },
  },
  '/api/diary/calendar': {
    get: {
      handle: ({ request }) => readCalendar(request),
      says: 'The schedule as iCalendar',
      query: { person: { type: 'string' } },
      gives: text('RFC 5545'),
      media: 'text/calendar',
      refuses: [404],
    },
  },
};
