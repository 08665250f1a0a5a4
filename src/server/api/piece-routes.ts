import { postBack, readBin, readFloor, readRow } from '../floor';
import { getPhoto, postPhoto } from '../photos';
import {
  deletePiece,
  deleteStale,
  exportOutline,
  exportPatterns,
  exportPiece,
  importPiece,
  postFinish,
  postMend,
  postPiece,
  postStep,
  printPiece,
  putPiece,
  putStale,
  putTick,
  readLog,
  readPages,
  readPiece,
  readPieces,
  readTicks,
} from '../pieces';
import { putSeen } from '../seen';
import { PATTERN_FORMATS } from '../../core/formats/pattern-formats';
import { list, OK, record, ref, text, whole, type Json, type Routes } from './route';
import { SAVE_ID, TICK, PRINTED } from './schemas';

/** Pieces on the floor, the log and its photos, by path and method. */
export const PIECE_ROUTES: Routes = {
  '/api/floor': {
    get: {
      handle: ({ request }) => readFloor(request),
      says: 'What the floor shows, a stretch at a time',
      query: {
        from: whole('So many are passed over', { minimum: 0, default: 0 }),
        find: text('Words in the name, cloth, due day or kind'),
      },
      gives: record({
        rows: list({ type: 'object' }),
        broken: list({ type: 'object' }),
        next: { type: ['integer', 'null'] },
        widest: { type: 'number' },
      }),
    },
  },
  '/api/pieces': {
    get: {
      handle: () => readPieces(),
      says: 'Every piece on the floor',
      gives: record({ pieces: list(ref('PieceRecord')), broken: list({ type: 'object' }) }),
    },
    post: {
      handle: ({ request }) => postPiece(request),
      may: 'hand',
      says: 'Keeps a new piece',
      body: record({ piece: ref('Piece'), save: SAVE_ID }, ['piece']),
      gives: ref('PieceRecord'),
      status: 201,
      refuses: [413, 422],
    },
  },
  '/api/import': {
    post: {
      handle: ({ request }) => importPiece(request),
      may: 'hand',
      says: 'Keeps a piece from a file’s text',
      body: ref('Piece'),
      gives: ref('PieceRecord'),
      status: 201,
      refuses: [413, 422],
    },
  },
  '/api/pieces/{id}': {
    get: { handle: ({ params }) => readPiece(params.id!), says: 'One piece', gives: ref('PieceRecord'), refuses: [404] },
    put: {
      handle: ({ request, params }) => putPiece(request, params.id!),
      may: 'hand',
      says: 'Saves a piece that started from a revision; nothing is overwritten',
      body: record({ base: whole('The revision it started from'), piece: ref('Piece'), save: SAVE_ID, after: SAVE_ID }, ['base', 'piece']),
      gives: ref('PieceRecord'),
      refuses: [404, 409, 413, 422],
    },
    delete: {
      handle: ({ params }) => deletePiece(params.id!),
      may: 'hand',
      says: 'Removes it; for 30 days it can be put back with all that it had',
      gives: OK,
      refuses: [404],
    },
  },
  '/api/bin': {
    get: { handle: () => readBin(), says: 'What was removed in the last 30 days', gives: record({ pieces: list({ type: 'object' }) }) },
  },
  '/api/pieces/{id}/back': {
    post: {
      handle: ({ params }) => postBack(params.id!),
      may: 'hand',
      says: 'Puts a removed piece back on the floor',
      gives: OK,
      refuses: [404],
    },
  },
  '/api/pieces/{id}/step': {
    post: {
      handle: ({ request, params }) => postStep(request, params.id!),
      may: 'hand',
      says: 'Undo or redo',
      body: record({ direction: { enum: ['undo', 'redo'] }, base: whole('The revision that is shown') }),
      gives: ref('PieceRecord'),
      refuses: [404, 409],
    },
  },
  '/api/pieces/{id}/stale': {
    put: {
      handle: ({ request, params }) => putStale(request, params.id!),
      may: 'hand',
      says: 'Renews a save that came too late',
      body: record({ stale: whole('Its number'), piece: ref('Piece') }),
      gives: OK,
      refuses: [404, 422],
    },
    delete: {
      handle: ({ request, params }) => deleteStale(request, params.id!),
      may: 'hand',
      says: 'Forgets a save that came too late',
      body: record({ stale: whole('Its number') }),
      gives: OK,
      refuses: [404],
    },
  },
  '/api/pieces/{id}/mend': {
    post: {
      handle: ({ params }) => postMend(params.id!),
      may: 'hand',
      says: 'Takes a damaged record back to its last whole version',
      gives: ref('PieceRecord'),
      refuses: [404],
    },
  },
  '/api/pieces/{id}/seen': {
    put: {
      handle: ({ request, params }) => putSeen(request, params.id!),
      may: 'hand',
      says: 'The figures that a page shows of a piece: what is printed, laid, bought, priced or ticked must come to the same',
      body: record({ piece: ref('Piece'), house: { type: 'object' }, fingerprint: { type: 'object' } }),
      gives: record({ current: { type: 'boolean' } }),
      refuses: [400, 404],
    },
  },
  '/api/pieces/{id}/ticks': {
    get: {
      handle: ({ params }) => readTicks(params.id!),
      says: 'Which steps are done on which of the set',
      gives: record({ ticks: list(ref('Tick')) }),
      refuses: [404],
    },
    put: {
      handle: ({ request, params }) => putTick(request, params.id!),
      may: 'apprentice',
      says: 'A step of one of the set is done, or not after all',
      body: record({ ...(TICK.properties as Record<string, Json>), done: { type: 'boolean' } }),
      gives: record({ ticks: list(ref('Tick')) }),
      refuses: [404],
    },
  },
  '/api/pieces/{id}/finish': {
    post: {
      handle: ({ request, params }) => postFinish(request, params.id!),
      may: 'hand',
      says: 'Writes the job into the log',
      body: record({ serial: text('Number in the log', { maxLength: 40 }), note: text('What is worth remembering', { maxLength: 5000 }) }),
      gives: OK,
      status: 201,
      refuses: [404, 422],
    },
  },
  '/api/pieces/{id}/look': {
    get: { handle: ({ params }) => readRow(params.id!), says: 'What the floor shows of it', gives: { type: 'object' }, refuses: [404] },
  },
  '/api/pieces/{id}/export': {
    get: {
      handle: ({ params }) => exportPiece(params.id!),
      says: 'The piece as a file, without its history and photos: a backup has both',
      gives: ref('Piece'),
      refuses: [404],
    },
  },
  '/api/pieces/{id}/outline': {
    get: {
      handle: ({ request, params }) => exportOutline(request, params.id!),
      says: 'The base’s outline, mm',
      query: { format: { enum: ['svg', 'dxf'] } },
      gives: text('A drawing'),
      media: 'image/svg+xml',
      refuses: [404],
    },
  },
  '/api/pieces/{id}/patterns': {
    get: {
      handle: ({ request, params }) => exportPatterns(request, params.id!),
      says: 'Every piece at full size in one drawing, mm, in layers; or the cut list',
      query: { format: { enum: PATTERN_FORMATS.map(({ id }) => id) } },
      gives: text('A drawing or a list'),
      media: 'image/svg+xml',
      refuses: [400, 404],
    },
  },
  '/api/pieces/{id}/print': {
    get: {
      handle: ({ request, params }) => printPiece(request, params.id!),
      says: 'Job sheet, cut sheet, run sheet, labels and templates',
      query: PRINTED,
      gives: text('A PDF'),
      media: 'application/pdf',
      refuses: [400, 404, 422],
    },
  },
  '/api/pieces/{id}/pages': {
    get: {
      handle: ({ request, params }) => readPages(request, params.id!),
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
      handle: ({ request }) => readLog(request),
      says: 'Finished work, newest first, a hundred at a time',
      query: { search: text('Words that an entry must have'), from: whole('So many are passed over', { minimum: 0, default: 0 }) },
      gives: record({ entries: list({ type: 'object' }), next: { type: ['integer', 'null'] } }),
    },
  },
  '/api/photos': {
    post: {
      handle: ({ request }) => postPhoto(request),
      may: 'apprentice',
      says: 'Keeps a photo (JPEG, PNG, WebP), up to 20 MB, sent as it is',
      gives: record({ name: text('By what is in it'), width: whole('Dots'), height: whole('Dots') }),
      status: 201,
      refuses: [413, 422],
    },
  },
  '/api/photos/{name}': {
    get: { handle: ({ params }) => getPhoto(params.name!), says: 'A photo', gives: text('A photo'), media: 'image/jpeg', refuses: [404] },
  },
};
