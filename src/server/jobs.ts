import { JOB, type Job } from '../core/job';
import { database } from '../data/database';
import { createJob, getJob, listJobs, removeJob, saveJob, setInJob } from '../data/jobs';
import { getPiece } from '../data/pieces';
import { fitting } from './forms';
import { readObject, Refusal } from './http';

const GONE = 'This job no longer exists.';

const named = (job: Job): { path: string; message: string }[] =>
  job.name.trim() === '' ? [{ path: 'name', message: 'Enter a name for the job' }] : [];

/** GET /api/jobs: every job with its pieces. */
export function readJobs(): Response {
  return Response.json({ jobs: listJobs(database()) });
}

/** POST /api/jobs: a new job, with pieces of the floor. */
export async function postJob(request: Request): Promise<Response> {
  const { job, pieces = [] } = await readObject(request);
  if (!Array.isArray(pieces) || !pieces.every((id): id is string => typeof id === 'string' && getPiece(database(), id) !== null))
    throw new Refusal(400, 'A job takes pieces that are on the floor');
  return Response.json(createJob(database(), fitting(JOB, job, named), pieces), { status: 201 });
}

/** GET /api/jobs/ID */
export function readJob(id: string): Response {
  const record = getJob(database(), id);
  if (!record) throw new Refusal(404, GONE);
  return Response.json(record);
}

/** PUT /api/jobs/ID: changed from a revision; 409 when another change came first. */
export async function putJob(request: Request, id: string): Promise<Response> {
  const { base, job } = await readObject(request);
  if (!Number.isInteger(base)) throw new Refusal(400, 'A save must name the revision it started from');
  const saved = saveJob(database(), id, base as number, fitting(JOB, job, named));
  if (!saved) throw new Refusal(404, GONE);
  if (saved.ok) return Response.json(saved.record);
  return Response.json(
    { message: 'This job was changed elsewhere since you opened it; here it is as it stands now.', current: saved.current },
    { status: 409 },
  );
}

/** DELETE /api/jobs/ID: its pieces stay on the floor. */
export function deleteJob(id: string): Response {
  if (!removeJob(database(), id)) throw new Refusal(404, GONE);
  return Response.json({ ok: true });
}

/** PUT /api/jobs/ID/pieces: a piece goes into the job, or out of it. */
export async function putJobPiece(request: Request, id: string): Promise<Response> {
  const { piece, belongs } = await readObject(request);
  if (!getJob(database(), id)) throw new Refusal(404, GONE);
  if (typeof piece !== 'string' || typeof belongs !== 'boolean') throw new Refusal(400, 'Which piece, and is it in the job?');
  if (!getPiece(database(), piece)) throw new Refusal(404, 'This piece is no longer on the floor.');
  setInJob(database(), id, piece, belongs);
  return Response.json(getJob(database(), id)!);
}
