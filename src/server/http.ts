import { PieceProblems } from '../core/piece';
import { UnsoundPlan } from '../core/inspection';
import { PlansDisagree } from '../core/plan';
import { BrokenRecord } from '../data/pieces';
import { troubleOf } from '../data/trouble';
import { eventLog } from './event-log';

/** The largest body a write may have: a piece is a few kilobytes. */
export const LARGEST_BODY = 1_000_000;

/** An answer that is not a success, with words for the user. */
export class Refusal extends Error {
  readonly status: number;
  /**
   * @param status HTTP status
   * @param message what is wrong and what would be right
   */
  constructor(status: number, message: string) {
    super(message);
    this.status = status;
  }
}

/**
 * Reads a request's body, and stops reading when it is too large.
 *
 * @param request the request
 * @param most bytes
 * @param tooLarge what is said when it is larger
 * @throws Refusal 413 when it is larger
 */
export async function readBytes(request: Request, most: number, tooLarge: string): Promise<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? 0) > most) throw new Refusal(413, tooLarge);
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel();
      throw new Refusal(413, tooLarge);
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks);
}

/**
 * Reads a request's body as text.
 *
 * @param request the request
 * @param [most] bytes; as large as a piece can be where nothing is said
 * @throws Refusal 413 when it is larger
 */
export async function readText(request: Request, most = LARGEST_BODY): Promise<string> {
  const size = `${Math.round(most / 1e6)} MB`;
  return new TextDecoder().decode(
    await readBytes(request, most, `This file is larger than ${size}; a piece is a few kilobytes. Is it the right file?`),
  );
}

/** Bodies that were read: what is looked at before a route's work is not read again by it. */
const bodies = new WeakMap<Request, Record<string, unknown>>();

/**
 * Reads a request's body as a JSON object; asked again, it answers what it read.
 *
 * @param request the request
 * @param [most] bytes; as large as a piece can be where nothing is said
 * @throws Refusal 400 when it is not one
 */
export async function readObject(request: Request, most?: number): Promise<Record<string, unknown>> {
  const known = bodies.get(request);
  if (known) return known;
  const text = await readText(request, most);
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    throw new Refusal(400, 'The request is not JSON');
  }
  if (data === null || typeof data !== 'object' || Array.isArray(data)) throw new Refusal(400, 'The request is not a JSON object');
  bodies.set(request, data as Record<string, unknown>);
  return data as Record<string, unknown>;
}

/** What an error is answered with: its status and words, without a path or a stack. */
function answerTo(error: unknown): Response {
  if (error instanceof PieceProblems) return Response.json({ message: error.message, problems: error.problems }, { status: 422 });
  if (error instanceof Refusal) return Response.json({ message: error.message }, { status: error.status });
  if (error instanceof PlansDisagree) {
    eventLog().error({ piece: error.piece, disagreements: error.disagreements }, 'Page and server do not agree on a plan');
    return Response.json({ message: error.message }, { status: 409 });
  }
  if (error instanceof UnsoundPlan) {
    eventLog().error({ piece: error.piece, findings: error.findings }, 'A plan did not pass its inspection');
    return Response.json({ message: error.message }, { status: 409 });
  }
  if (error instanceof BrokenRecord) return Response.json({ message: error.message }, { status: 409 });
  // Nobody waits for the answer any more: it is nothing to write down.
  if ((error as Error).name === 'AbortError') return Response.json({ message: 'Cancelled.' }, { status: 408 });
  const trouble = troubleOf(error);
  if (trouble) {
    eventLog().error({ trouble: trouble.kind, err: trouble.cause }, trouble.title);
    return Response.json({ message: trouble.message, trouble: trouble.kind }, { status: trouble.kind === 'full' ? 507 : 503 });
  }
  eventLog().error({ err: error }, 'A request failed');
  return Response.json({ message: 'Something went wrong in the application; nothing was changed.' }, { status: 500 });
}

/**
 * Runs a route's work and turns what it throws into an answer: problems with a piece are 422, refusals keep their
 * status, trouble with the folder or the disk is 503 or 507 with its cure, anything else is 500 without its inner words.
 */
export async function answer(work: () => Promise<Response> | Response): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    return answerTo(error);
  }
}

/** A part of an address as it was before it was encoded. */
export function decoded(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    throw new Refusal(400, 'This address cannot be read');
  }
}
