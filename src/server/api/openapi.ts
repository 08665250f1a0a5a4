import { documentSchema } from '../../core/document';
import { list, record, ref, text, type Json, type Route, type Routes } from './route';
import { BACKUP, JOB_RECORD, MEMBER, ORDER, PIECE_RECORD, TICK } from './schemas';

const REFUSED: Record<number, string> = {
  401: 'Not signed in',
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

/**
 * The interface for others, OpenAPI 3.1, made of the same table that answers.
 *
 * @param routes by path and method
 */
export function openapi(routes: Routes): Json {
  const { $schema: _schema, $id: _id, ...piece } = documentSchema();
  void [_schema, _id];
  return {
    openapi: '3.1.0',
    info: { title: 'Fovea', version: '1', description: 'A padding workshop on one machine. Lengths in mm, angles in radians.' },
    servers: [{ url: 'http://127.0.0.1:3000' }],
    paths: Object.fromEntries(
      Object.entries(routes).map(([path, methods]) => [
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
