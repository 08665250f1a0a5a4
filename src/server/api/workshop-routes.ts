import { getBackup, postBackup, postPutBack, postRestore, readBackups } from '../backups';
import { postDemo } from '../demo';
import { deleteEnter, deleteMember, postEnter, postMember } from '../entrance/entrance';
import { putNetwork, readMembers } from '../entrance/network';
import { health } from '../health';
import { putHouse, putSettings } from '../pieces';
import { documentSchema } from '../../core/document';
import { DIALECTS } from '../../core/dialect';
import { ROLES, RULES } from '../../core/house';
import { UNITS } from '../../core/length';
import { list, OK, record, ref, text, whole, type Json, type Routes } from './route';
import { MEMBER } from './schemas';

/** What the whole application follows. */
const SETTINGS = {
  unit: { enum: [...UNITS] },
  theme: { enum: ['day', 'evening'] },
  currency: text('ISO 4217 code; nothing for none'),
  words: { enum: DIALECTS.map(({ id }) => id) },
};

/** What a put-back answers. */
const PUT_BACK = record({
  pieces: whole('On the floor'),
  log: whole('Finished'),
  photos: whole('Kept'),
  before: { type: ['string', 'null'], description: 'The backup made of the workshop before' },
});

/** Who may come in over the network, and where. */
const ON_NETWORK = record({
  members: list(ref('Member')),
  open: { type: 'boolean', description: 'Whether the workshop is open to the network' },
  address: { type: ['string', 'null'] },
  qr: { type: ['string', 'null'] },
});

/** The workshop itself: rules, settings, backups, who may come in, by path and method. */
export const WORKSHOP_ROUTES: Routes = {
  '/health': {
    get: { handle: () => health(), says: 'Whether the workshop can be read and written', gives: { type: 'object' }, refuses: [503] },
  },
  '/schema/piece.json': {
    get: { handle: () => Response.json(documentSchema()), says: 'The schema of a piece', gives: { type: 'object' } },
  },
  '/api/demo': {
    post: {
      handle: () => postDemo(),
      may: 'owner',
      says: 'Lays out the demo workshop in an empty one',
      gives: OK,
      status: 201,
      refuses: [409],
    },
  },
  '/api/restore': {
    post: {
      handle: ({ request }) => postRestore(request),
      may: 'owner',
      says: 'Puts a backup back; the body is the archive. `?replace=1` where the workshop has pieces: they are backed up first',
      gives: PUT_BACK,
      status: 201,
      refuses: [409, 413, 422],
    },
  },
  '/api/house': {
    put: {
      handle: ({ request }) => putHouse(request),
      may: 'owner',
      says: 'Sets a house rule, or takes it back with null',
      body: record({ key: { enum: RULES.map(({ key }) => key) }, value: { type: ['number', 'null'] } }),
      gives: record({ house: { type: 'object' } }),
      refuses: [422],
    },
  },
  '/api/settings': {
    put: {
      handle: ({ request }) => putSettings(request),
      may: 'hand',
      says: 'Unit, theme, currency and words',
      body: record(SETTINGS, []),
      gives: record(SETTINGS),
    },
  },
  '/api/backups': {
    get: {
      handle: () => readBackups(),
      may: 'owner',
      says: 'Backups in the workshop’s folder',
      gives: record({ backups: list(ref('Backup')), keep: whole('So many are kept') }),
    },
    post: { handle: () => postBackup(), may: 'owner', says: 'Makes a backup', gives: ref('Backup'), status: 201 },
  },
  '/api/backups/{name}': {
    get: {
      handle: ({ params }) => getBackup(params.name!),
      may: 'owner',
      says: 'A backup, to keep elsewhere',
      gives: text('An archive'),
      media: 'application/gzip',
      refuses: [404],
    },
    post: {
      handle: ({ params }) => postPutBack(params.name!),
      may: 'owner',
      says: 'Puts this backup back; what is there now is backed up first',
      gives: PUT_BACK,
      status: 201,
      refuses: [404, 422],
    },
  },
  '/api/enter': {
    post: {
      door: true,
      handle: ({ request }) => postEnter(request),
      says: 'Comes in over the network with a passcode',
      body: record({ passcode: text('As it was read out') }),
      gives: record({ name: text('Of who came in'), role: { enum: ROLES.map(({ id }) => id) } }),
      refuses: [401, 429],
    },
    delete: { door: true, handle: ({ request }) => deleteEnter(request), says: 'Goes out again', gives: OK },
  },
  '/api/network': {
    put: {
      handle: ({ request }) => putNetwork(request),
      may: 'owner',
      says: 'Opens the workshop to the network, or shuts it',
      body: record({ on: { type: 'boolean' } }),
      gives: ON_NETWORK,
      refuses: [409],
    },
  },
  '/api/members': {
    get: {
      handle: () => readMembers(),
      may: 'owner',
      says: 'Who may come in, and where',
      gives: ON_NETWORK,
    },
    post: {
      handle: ({ request }) => postMember(request),
      may: 'owner',
      says: 'Lets somebody in; the passcode is told once',
      body: record({ name: text('Of who may come in', { maxLength: 40 }), role: { enum: ROLES.map(({ id }) => id) } }),
      gives: record({ ...(MEMBER.properties as Record<string, Json>), passcode: text('To be read out') }),
      status: 201,
      refuses: [422],
    },
    delete: {
      handle: ({ request }) => deleteMember(request),
      may: 'owner',
      says: 'Lets somebody in no longer',
      body: record({ id: text('Of whom') }),
      gives: OK,
      refuses: [404],
    },
  },
};
