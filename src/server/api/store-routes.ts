import { postOrder, putOrder, readBuy, readSupplier } from '../store/buying';
import { deleteLay, postLay, putLay, readCut } from '../store/cutting';
import { postCutter, putCutter, readCutter, readCutterTemplates } from '../devices/cutter';
import { deleteJob, postJob, putJob, putJobPiece, readJob, readJobs } from '../jobs';
import { readPrice } from '../store/price';
import { deleteStock, deleteWare, exportStore, importStore, putCarriage, putStock, putWare, readStore } from '../store/store';
import { JOB } from '../../core/job';
import { KEPT_LAY } from '../../core/nesting';
import { STOCK, STORE_TABLES, WARE } from '../../core/store';
import { list, OK, plain, record, ref, text, whole, type Routes } from './route';

/** Store, jobs, lays, orders and the cutter, by path and method. */
export const STORE_ROUTES: Routes = {
  '/api/store': {
    get: {
      handle: () => readStore(),
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
      handle: ({ request }) => putWare(request),
      may: 'owner',
      says: 'Puts a thing into the store',
      body: record({ ware: plain(WARE) }),
      gives: { type: 'object' },
      status: 201,
      refuses: [422],
    },
  },
  '/api/store/wares/{id}': {
    put: {
      handle: ({ request, params }) => putWare(request, params.id!),
      may: 'owner',
      says: 'Changes a thing',
      body: record({ ware: plain(WARE) }),
      gives: { type: 'object' },
      refuses: [404, 422],
    },
    delete: {
      handle: ({ params }) => deleteWare(params.id!),
      may: 'owner',
      says: 'Takes a thing out, and what is there of it',
      gives: OK,
      refuses: [404],
    },
  },
  '/api/store/stock': {
    post: {
      handle: ({ request }) => putStock(request),
      may: 'hand',
      says: 'Something came in',
      body: record({ stock: plain(STOCK) }),
      gives: { type: 'object' },
      status: 201,
      refuses: [422],
    },
  },
  '/api/store/stock/{id}': {
    put: {
      handle: ({ request, params }) => putStock(request, params.id!),
      may: 'hand',
      says: 'What is there is otherwise than was thought',
      body: record({ stock: plain(STOCK) }),
      gives: { type: 'object' },
      refuses: [404, 422],
    },
    delete: { handle: ({ params }) => deleteStock(params.id!), may: 'owner', says: 'It is gone', gives: OK, refuses: [404] },
  },
  '/api/store/carriage': {
    put: {
      handle: ({ request }) => putCarriage(request),
      may: 'owner',
      says: 'What a supplier takes for bringing an order',
      body: record({ supplier: text('Which'), fee: { type: 'number' } }),
      gives: record({ carriage: { type: 'object' } }),
      refuses: [422],
    },
  },
  '/api/store/csv': {
    get: {
      handle: ({ request }) => exportStore(request),
      says: 'The store as a table',
      query: { table: { enum: Object.keys(STORE_TABLES) } },
      gives: text('A table'),
      media: 'text/csv',
    },
    post: {
      handle: ({ request }) => importStore(request),
      may: 'owner',
      says: 'A table from elsewhere, all of it or nothing; the body is the table',
      query: { table: { enum: Object.keys(STORE_TABLES) } },
      gives: record({ rows: whole('So many') }),
      status: 201,
      refuses: [413, 422],
    },
  },
  '/api/jobs': {
    get: { handle: () => readJobs(), says: 'Every job with its pieces', gives: record({ jobs: list(ref('JobRecord')) }) },
    post: {
      handle: ({ request }) => postJob(request),
      may: 'owner',
      says: 'A new job',
      body: record({ job: plain(JOB), pieces: list(text('Of a piece')) }, ['job']),
      gives: ref('JobRecord'),
      status: 201,
      refuses: [422],
    },
  },
  '/api/jobs/{id}': {
    get: { handle: ({ params }) => readJob(params.id!), says: 'One job', gives: ref('JobRecord'), refuses: [404] },
    put: {
      handle: ({ request, params }) => putJob(request, params.id!),
      may: 'owner',
      says: 'Changes a job that started from a revision',
      body: record({ base: whole('The revision it started from'), job: plain(JOB) }),
      gives: ref('JobRecord'),
      refuses: [404, 409, 422],
    },
    delete: {
      handle: ({ params }) => deleteJob(params.id!),
      may: 'owner',
      says: 'Takes a job away; its pieces stay on the floor',
      gives: OK,
      refuses: [404],
    },
  },
  '/api/jobs/{id}/pieces': {
    put: {
      handle: ({ request, params }) => putJobPiece(request, params.id!),
      may: 'hand',
      says: 'A piece goes into the job, or out of it',
      body: record({ piece: text('Which'), belongs: { type: 'boolean' } }),
      gives: ref('JobRecord'),
      refuses: [404],
    },
  },
  '/api/cut/{scope}': {
    get: {
      handle: ({ request, params }) => readCut(request, params.scope!),
      says: 'What is cut together – a job, several with ~ between, p- and a piece – and the lays that were kept',
      gives: { type: 'object' },
      refuses: [404],
    },
  },
  '/api/cut/{scope}/lays': {
    post: {
      handle: ({ request, params }) => postLay(request, params.scope!),
      may: 'hand',
      says: 'Keeps a lay',
      body: record({ lay: plain(KEPT_LAY) }),
      gives: { type: 'object' },
      status: 201,
      refuses: [404, 409, 422],
    },
  },
  '/api/cut/{scope}/lays/{id}': {
    put: {
      handle: ({ request, params }) => putLay(request, params.scope!, params.id!),
      may: 'hand',
      says: 'This lay is cut by, or it was cut: what it took leaves the store',
      body: record({ chosen: { type: 'boolean' }, cut: { type: 'boolean' } }, []),
      gives: { type: 'object' },
      refuses: [404, 409],
    },
    delete: {
      handle: ({ params }) => deleteLay(params.scope!, params.id!),
      may: 'owner',
      says: 'Throws a lay away',
      gives: OK,
      refuses: [404],
    },
  },
  '/api/buy/{scope}': {
    get: {
      handle: ({ request, params }) => readBuy(request, params.scope!),
      says: 'Everything that any step uses, what of it must be bought, where, and by when',
      gives: { type: 'object' },
      refuses: [404],
    },
  },
  '/api/price/{scope}': {
    get: {
      handle: ({ request, params }) => readPrice(request, params.scope!),
      says: 'What a job, several, or one piece come to',
      gives: { type: 'object' },
      refuses: [404],
    },
  },
  '/api/buy/{scope}/orders': {
    post: {
      handle: ({ request, params }) => postOrder(request, params.scope!),
      may: 'owner',
      says: 'Orders from one supplier',
      body: record({
        id: text('Of the order: sent again it is the same one'),
        supplier: text('Which'),
        lines: list(record({ ware: text('What'), units: { type: 'number' } })),
      }),
      gives: ref('Order'),
      status: 201,
      refuses: [404, 409, 422],
    },
  },
  '/api/orders/{id}': {
    put: {
      handle: ({ request, params }) => putOrder(request, params.id!),
      may: 'owner',
      says: 'Asked again, at the supplier’s prices where they are accepted; marked as ordered or not; or so many of each line came',
      body: record(
        {
          again: { type: 'boolean' },
          accept: { type: 'boolean' },
          mark: { type: 'string', enum: ['ordered', 'not ordered'] },
          came: list({ type: 'number' }),
          delivery: text('Id of the delivery: sent again it is the same one'),
        },
        [],
      ),
      gives: ref('Order'),
      refuses: [404, 409],
    },
  },
  '/api/supplier': {
    get: { handle: () => readSupplier(), says: 'What the supplier has today, or why it cannot be told', gives: { type: 'object' } },
  },
  '/api/cutter': {
    get: { handle: () => readCutter(), says: 'What the cutter is doing', gives: record({ cutter: { type: ['object', 'null'] } }) },
    post: {
      handle: ({ request }) => postCutter(request),
      may: 'hand',
      says: 'Cuts one template',
      body: record({ piece: text('Of which'), template: text('Which'), feed: { type: 'number' }, clear: { const: true } }),
      gives: record({ cutter: { type: 'object' } }),
      status: 201,
      refuses: [404, 409, 422],
    },
    put: {
      handle: ({ request }) => putCutter(request),
      may: 'hand',
      says: 'Pause, resume, stop, or a new blade is in',
      body: record({ what: { enum: ['pause', 'resume', 'stop', 'blade'] } }),
      gives: record({ cutter: { type: 'object' } }),
      refuses: [409],
    },
  },
  '/api/cutter/templates': {
    get: {
      handle: ({ request }) => readCutterTemplates(request),
      says: 'What of a piece can be cut',
      query: { piece: text('Which') },
      gives: record({ templates: list({ type: 'object' }) }),
      refuses: [404],
    },
  },
};
