import { JOB } from '../../core/job';
import { KEPT_LAY } from '../../core/nesting';
import { STOCK, STORE_TABLES, WARE } from '../../core/store';
import { list, OK, plain, record, ref, text, whole, type Route } from './openapi-parts';

/** Store, jobs, lays, orders and the cutter, by path and method. */
export const STORE_ROUTES: Record<string, Record<string, Route>> = {
  '/api/store': {
    get: {
      says: 'What can be bought, what is there, what carriage costs, and what moved last',
      gives: record({
        wares: list({ type: 'object' }),
        stock: list({ type: 'object' }),
        carriage: { type: 'object' },
        moves: list({ type: 'object' }),
      }),
    },
  },
  '/api/store/wares': {
    post: {
      says: 'Puts a thing into the store',
      body: record({ ware: plain(WARE) }),
      gives: { type: 'object' },
      status: 201,
      refuses: [422],
    },
  },
  '/api/store/wares/{id}': {
    put: { says: 'Changes a thing', body: record({ ware: plain(WARE) }), gives: { type: 'object' }, refuses: [404, 422] },
    delete: { says: 'Takes a thing out, and what is there of it', gives: OK, refuses: [404] },
  },
  '/api/store/stock': {
    post: { says: 'Something came in', body: record({ stock: plain(STOCK) }), gives: { type: 'object' }, status: 201, refuses: [422] },
  },
  '/api/store/stock/{id}': {
    put: {
      says: 'What is there is otherwise than was thought',
      body: record({ stock: plain(STOCK) }),
      gives: { type: 'object' },
      refuses: [404, 422],
    },
    delete: { says: 'It is gone', gives: OK, refuses: [404] },
  },
  '/api/store/carriage': {
    put: {
      says: 'What a supplier takes for bringing an order',
      body: record({ supplier: text('Which'), fee: { type: 'number' } }),
      gives: record({ carriage: { type: 'object' } }),
      refuses: [422],
    },
  },
  '/api/store/csv': {
    get: { says: 'The store as a table', query: { table: { enum: Object.keys(STORE_TABLES) } }, gives: text('A table'), media: 'text/csv' },
    post: {
      says: 'A table from elsewhere, all of it or nothing; the body is the table',
      query: { table: { enum: Object.keys(STORE_TABLES) } },
      gives: record({ rows: whole('So many') }),
      status: 201,
      refuses: [413, 422],
    },
  },
  '/api/jobs': {
    get: { says: 'Every job with its pieces', gives: record({ jobs: list(ref('JobRecord')) }) },
    post: {
      says: 'A new job',
      body: record({ job: plain(JOB), pieces: list(text('Of a piece')) }, ['job']),
      gives: ref('JobRecord'),
      status: 201,
      refuses: [422],
    },
  },
  '/api/jobs/{id}': {
    get: { says: 'One job', gives: ref('JobRecord'), refuses: [404] },
    put: {
      says: 'Changes a job that started from a revision',
      body: record({ base: whole('The revision it started from'), job: plain(JOB) }),
      gives: ref('JobRecord'),
      refuses: [404, 409, 422],
    },
    delete: { says: 'Takes a job away; its pieces stay on the floor', gives: OK, refuses: [404] },
  },
  '/api/jobs/{id}/pieces': {
    put: {
      says: 'A piece goes into the job, or out of it',
      body: record({ piece: text('Which'), belongs: { type: 'boolean' } }),
      gives: ref('JobRecord'),
      refuses: [404],
    },
  },
  '/api/cut/{scope}': {
    get: {
      says: 'What is cut together – a job, several with ~ between, p- and a piece – and the lays that were kept',
      gives: { type: 'object' },
      refuses: [404],
    },
  },
  '/api/cut/{scope}/lays': {
    post: { says: 'Keeps a lay', body: record({ lay: plain(KEPT_LAY) }), gives: { type: 'object' }, status: 201, refuses: [404, 409, 422] },
  },
  '/api/cut/{scope}/lays/{id}': {
    put: {
      says: 'This lay is cut by, or it was cut: what it took leaves the store',
      body: record({ chosen: { type: 'boolean' }, cut: { type: 'boolean' } }, []),
      gives: { type: 'object' },
      refuses: [404, 409],
    },
    delete: { says: 'Throws a lay away', gives: OK, refuses: [404] },
  },
  '/api/buy/{scope}': {
    get: {
      says: 'Everything that any step uses, what of it must be bought, where, and by when',
      gives: { type: 'object' },
      refuses: [404],
    },
  },
  '/api/price/{scope}': {
    get: { says: 'What a job, several, or one piece come to', gives: { type: 'object' }, refuses: [404] },
  },
  '/api/buy/{scope}/orders': {
    post: {
      says: 'Orders from one supplier',
      body: record({ supplier: text('Which'), lines: list(record({ ware: text('What'), units: { type: 'number' } })) }),
      gives: ref('Order'),
      status: 201,
      refuses: [404, 422],
    },
  },
  '/api/orders/{id}': {
    put: {
      says: 'Asked again, at the supplier’s prices where they are accepted; or so many of each line came',
      body: record({ again: { type: 'boolean' }, accept: { type: 'boolean' }, came: list({ type: 'number' }) }, []),
      gives: ref('Order'),
      refuses: [404, 409],
    },
  },
  '/api/supplier': { get: { says: 'What the supplier has today, or why it cannot be told', gives: { type: 'object' } } },
  '/api/cutter': {
    get: { says: 'What the cutter is doing', gives: record({ cutter: { type: ['object', 'null'] } }) },
    post: {
      says: 'Cuts one template',
      body: record({ piece: text('Of which'), template: text('Which'), feed: { type: 'number' }, clear: { const: true } }),
      gives: record({ cutter: { type: 'object' } }),
      status: 201,
      refuses: [404, 409, 422],
    },
    put: {
      says: 'Pause, resume, stop, or a new blade is in',
      body: record({ what: { enum: ['pause', 'resume', 'stop', 'blade'] } }),
      gives: record({ cutter: { type: 'object' } }),
      refuses: [409],
    },
  },
  '/api/cutter/templates': {
    get: {
      says: 'What of a piece can be cut',
      query: { piece: text('Which') },
      gives: record({ templates: list({ type: 'object' }) }),
      refuses: [404],
    },
  },
};
