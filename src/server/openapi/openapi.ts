import { documentSchema } from '../../core/document';
import { PATTERN_FORMATS } from '../../core/formats/pattern-formats';
import { PRINT_PARTS } from '../../core/formats/print/choice';
import { TEMPLATE_MODES } from '../../core/formats/templates';
import { PAPER_IDS } from '../../core/formats/tiles';
import { ROLES, RULES } from '../../core/house';
import { PURCHASE, PURCHASE_STATES } from '../../core/buying';
import { JOB } from '../../core/job';
import { UNITS } from '../../core/length';
import { list, OK, plain, record, ref, text, whole, type Json, type Route } from './openapi-parts';
import { DIARY_ROUTES } from './openapi-diary';
import { STORE_ROUTES } from './openapi-store';

const SAVE_ID = text('Made by whoever saves, a UUID: sent again under the same id a save is answered again', {
  pattern: '^[0-9a-f-]{16,40}$',
});

const PIECE_RECORD = record({
  id: text('Of the piece'),
  revision: whole('Counted up with every change', { minimum: 1 }),
  updatedAt: text('Instant', { format: 'date-time' }),
  canUndo: { type: 'boolean' },
  canRedo: { type: 'boolean' },
  piece: ref('Piece'),
});
const TICK = record({ unit: whole('Which of the set, from 1', { minimum: 1 }), step: text('Key of a step of the run sheet') });
const MEMBER = record({ id: text('Of the member'), name: text('As they are called'), role: { enum: ROLES.map(({ id }) => id) } });
const BACKUP = record({ name: text('Of the file'), madeAt: text('Instant', { format: 'date-time' }), size: whole('Bytes') });

const JOB_RECORD = record({
  id: text('Of the job'),
  revision: whole('Counted up with every change', { minimum: 1 }),
  updatedAt: text('Instant', { format: 'date-time' }),
  job: plain(JOB),
  pieces: list(text('Of a piece')),
});
const ORDER = record({
  id: text('Of the order'),
  supplier: text('From whom'),
  state: { enum: PURCHASE_STATES.map(({ id }) => id) },
  orderedAt: text('Instant', { format: 'date-time' }),
  order: plain(PURCHASE),
});

/** What of a piece is printed, and how. */
const PRINTED: Record<string, Json> = {
  paper: { enum: PAPER_IDS, default: 'a4' },
  parts: text(`By commas, of ${PRINT_PARTS.map(({ id }) => id).join(', ')}`),
  modes: text(`Templates by commas, as cloth-cover:half; of ${TEMPLATE_MODES.map(({ id }) => id).join(', ')}`),
};

/** Every route, by path and method: a new one is a line here, and a test holds the list against the routes there are. */
export const ROUTES: Record<string, Record<string, Route>> = {
  '/health': { get: { says: 'Whether the workshop can be read and written', gives: { type: 'object' }, refuses: [503] } },
  '/schema/piece.json': { get: { says: 'The schema of a piece', gives: { type: 'object' } } },
  '/api/openapi.json': { get: { says: 'This description', gives: { type: 'object' } } },
  '/api/floor': {
    get: {
      says: 'What the floor shows, a stretch at a time',
      query: { from: whole('So many are passed over', { minimum: 0, default: 0 }) },
      gives: record({
        rows: list({ type: 'object' }),
        broken: list({ type: 'object' }),
        next: { type: ['integer', 'null'] },
        widest: { type: 'number' },
      }),
    },
  },
  '/api/pieces': {
    get: { says: 'Every piece on the floor', gives: record({ pieces: list(ref('PieceRecord')), broken: list({ type: 'object' }) }) },
    post: {
      says: 'Keeps a new piece',
      body: record({ piece: ref('Piece'), save: SAVE_ID }, ['piece']),
      gives: ref('PieceRecord'),
      status: 201,
      refuses: [413, 422],
    },
  },
  '/api/import': {
    post: { says: 'Keeps a piece from a file’s text', body: ref('Piece'), gives: ref('PieceRecord'), status: 201, refuses: [413, 422] },
  },
  '/api/pieces/{id}': {
    get: { says: 'One piece', gives: ref('PieceRecord'), refuses: [404] },
    put: {
      says: 'Saves a piece that started from a revision; nothing is overwritten',
      body: record({ base: whole('The revision it started from'), piece: ref('Piece'), save: SAVE_ID, after: SAVE_ID }, ['base', 'piece']),
      gives: ref('PieceRecord'),
      refuses: [404, 409, 413, 422],
    },
    delete: { says: 'Takes it off the floor; its history and its place in the log stay', gives: OK, refuses: [404] },
  },
  '/api/pieces/{id}/step': {
    post: {
      says: 'Undo or redo',
      body: record({ direction: { enum: ['undo', 'redo'] }, base: whole('The revision that is shown') }),
      gives: ref('PieceRecord'),
      refuses: [404, 409],
    },
  },
  '/api/pieces/{id}/stale': {
    put: {
      says: 'Renews a save that came too late',
      body: record({ stale: whole('Its number'), piece: ref('Piece') }),
      gives: OK,
      refuses: [404, 422],
    },
    delete: { says: 'Forgets a save that came too late', body: record({ stale: whole('Its number') }), gives: OK, refuses: [404] },
  },
  '/api/pieces/{id}/mend': {
    post: { says: 'Takes a damaged record back to its last whole version', gives: ref('PieceRecord'), refuses: [404] },
  },
  '/api/pieces/{id}/seen': {
    put: {
      says: 'The figures that a page shows of a piece: what is printed, laid, bought, priced or ticked must come to the same',
      body: record({ piece: ref('Piece'), house: { type: 'object' }, fingerprint: { type: 'object' } }),
      gives: record({ current: { type: 'boolean' } }),
      refuses: [400, 404],
    },
  },
  '/api/pieces/{id}/ticks': {
    get: { says: 'Which steps are done on which of the set', gives: record({ ticks: list(ref('Tick')) }), refuses: [404] },
    put: {
      says: 'A step of one of the set is done, or not after all',
      body: record({ ...(TICK.properties as Record<string, Json>), done: { type: 'boolean' } }),
      gives: record({ ticks: list(ref('Tick')) }),
      refuses: [404],
    },
  },
  '/api/pieces/{id}/finish': {
    post: {
      says: 'Writes the job into the log',
      body: record({ serial: text('Number in the log', { maxLength: 40 }), note: text('What is worth remembering', { maxLength: 5000 }) }),
      gives: OK,
      status: 201,
      refuses: [404, 422],
    },
  },
  '/api/pieces/{id}/look': { get: { says: 'What the floor shows of it', gives: { type: 'object' }, refuses: [404] } },
  '/api/pieces/{id}/export': {
    get: { says: 'The piece as a file, without its history and photos: a backup has both', gives: ref('Piece'), refuses: [404] },
  },
  '/api/pieces/{id}/outline': {
    get: {
      says: 'The base’s outline, mm',
      query: { format: { enum: ['svg', 'dxf'] } },
      gives: text('A drawing'),
      media: 'image/svg+xml',
      refuses: [404],
    },
  },
  '/api/pieces/{id}/patterns': {
    get: {
      says: 'Every piece at full size in one drawing, mm, in layers; or the cut list',
      query: { format: { enum: PATTERN_FORMATS.map(({ id }) => id) } },
      gives: text('A drawing or a list'),
      media: 'image/svg+xml',
      refuses: [400, 404],
    },
  },
  '/api/demo': { post: { says: 'Lays out the demo workshop in an empty one', gives: OK, status: 201, refuses: [409] } },
  '/api/restore': {
    post: {
      says: 'Puts a backup into an empty workshop; the body is the archive',
      gives: record({ pieces: whole('On the floor'), log: whole('Finished'), photos: whole('Kept') }),
      status: 201,
      refuses: [409, 413, 422],
    },
  },
  '/api/pieces/{id}/print': {
    get: {
      says: 'Job sheet, cut sheet, run sheet, labels and templates',
      query: PRINTED,
      gives: text('A PDF'),
      media: 'application/pdf',
      refuses: [400, 404, 422],
    },
  },
  '/api/pieces/{id}/pages': {
    get: {
      says: 'The same as pages to be looked at, and how each template can be printed',
      query: PRINTED,
      gives: {
        type: 'object',
        required: ['pages', 'templates'],
        properties: { pages: { type: 'array', items: { type: 'object' } }, templates: { type: 'array', items: { type: 'object' } } },
      },
      refuses: [400, 404, 422],
    },
  },
  '/api/log': {
    get: {
      says: 'Finished work, newest first, a hundred at a time',
      query: { search: text('Words that an entry must have'), from: whole('So many are passed over', { minimum: 0, default: 0 }) },
      gives: record({ entries: list({ type: 'object' }), next: { type: ['integer', 'null'] } }),
    },
  },
  '/api/house': {
    put: {
      says: 'Sets a house rule, or takes it back with null',
      body: record({ key: { enum: RULES.map(({ key }) => key) }, value: { type: ['number', 'null'] } }),
      gives: record({ house: { type: 'object' } }),
      refuses: [422],
    },
  },
  '/api/settings': {
    put: {
      says: 'Unit and theme',
      body: record({ unit: { enum: [...UNITS] }, theme: { enum: ['day', 'evening'] } }, []),
      gives: record({ unit: { enum: [...UNITS] }, theme: { enum: ['day', 'evening'] } }),
    },
  },
  '/api/photos': {
    post: {
      says: 'Keeps a photo (JPEG, PNG, WebP), up to 20 MB, sent as it is',
      gives: record({ name: text('By what is in it'), width: whole('Dots'), height: whole('Dots') }),
      status: 201,
      refuses: [413, 422],
    },
  },
  '/api/photos/{name}': { get: { says: 'A photo', gives: text('A photo'), media: 'image/jpeg', refuses: [404] } },
  '/api/backups': {
    get: { says: 'Backups in the workshop’s folder', gives: record({ backups: list(ref('Backup')), keep: whole('So many are kept') }) },
    post: { says: 'Makes a backup', gives: ref('Backup'), status: 201 },
  },
  '/api/backups/{name}': {
    get: { says: 'A backup, to keep elsewhere', gives: text('An archive'), media: 'application/gzip', refuses: [404] },
  },
  '/api/enter': {
    post: {
      says: 'Comes in over the network with a passcode',
      body: record({ passcode: text('As it was read out') }),
      gives: record({ name: text('Of who came in'), role: { enum: ROLES.map(({ id }) => id) } }),
      refuses: [401, 429],
    },
    delete: { says: 'Goes out again', gives: OK },
  },
  '/api/members': {
    get: {
      says: 'Who may come in, and where',
      gives: record({ members: list(ref('Member')), address: { type: ['string', 'null'] }, qr: { type: ['string', 'null'] } }),
    },
    post: {
      says: 'Lets somebody in; the passcode is told once',
      body: record({ name: text('Of who may come in', { maxLength: 40 }), role: { enum: ROLES.map(({ id }) => id) } }),
      gives: record({ ...(MEMBER.properties as Record<string, Json>), passcode: text('To be read out') }),
      status: 201,
      refuses: [422],
    },
    delete: { says: 'Lets somebody in no longer', body: record({ id: text('Of whom') }), gives: OK, refuses: [404] },
  },
  ...STORE_ROUTES,
  ...DIARY_ROUTES,
  '/api/tape': { get: { says: 'The tape’s readings, as events', gives: text('Events'), media: 'text/event-stream' } },
  '/api/mat': { get: { says: 'The pressure mat’s frames, as events', gives: text('Events'), media: 'text/event-stream' } },
};

const REFUSED: Record<number, string> = {
  401: 'Nobody came in with that',
  429: 'Too many wrong passcodes; the answer says how long to wait',
  400: 'The request is not as it should be',
  403: 'Asked by a page elsewhere, or on another machine',
  404: 'There is no such thing',
  409: 'Changed elsewhere, or nowhere to step',
  413: 'Too large',
  422: 'It cannot be, with every place that is wrong',
  503: 'The workshop cannot be read or written, and what to do about it',
};

function operation(path: string, { says, query = {}, body, gives, media = 'application/json', status = 200, refuses = [] }: Route): Json {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, in: 'path', required: true, schema: { type: 'string' } }));
  const inQuery = Object.entries(query).map(([name, schema]) => ({ name, in: 'query', schema }));
  const refusals = [...new Set([400, 403, 503, ...refuses])].sort();
  return {
    summary: says,
    ...(inPath.length + inQuery.length > 0 ? { parameters: [...inPath, ...inQuery] } : {}),
    ...(body ? { requestBody: { required: true, content: { 'application/json': { schema: body } } } } : {}),
    responses: {
      [status]: { description: says, content: { [media]: { schema: gives } } },
      ...Object.fromEntries(
        refusals.map((code) => [code, { description: REFUSED[code], content: { 'application/json': { schema: ref('Refusal') } } }]),
      ),
    },
  };
}

/** The interface for others, OpenAPI 3.1, made of the same schemas that check what comes in. */
export function openapi(): Json {
  const { $schema: _schema, $id: _id, ...piece } = documentSchema();
  void [_schema, _id];
  return {
    openapi: '3.1.0',
    info: { title: 'Fovea', version: '1', description: 'A padding workshop on one machine. Lengths in mm, angles in radians.' },
    servers: [{ url: 'http://127.0.0.1:3000' }],
    paths: Object.fromEntries(
      Object.entries(ROUTES).map(([path, methods]) => [
        path,
        Object.fromEntries(Object.entries(methods).map(([method, route]) => [method, operation(path, route)])),
      ]),
    ),
    components: {
      schemas: {
        Piece: piece,
        PieceRecord: PIECE_RECORD,
        JobRecord: JOB_RECORD,
        Order: ORDER,
        Tick: TICK,
        Backup: BACKUP,
        Member: MEMBER,
        Refusal: record({ message: text('In words'), problems: list(record({ path: text('Where'), message: text('What is wrong') })) }, [
          'message',
        ]),
      },
    },
  };
}
