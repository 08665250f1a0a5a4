import type { Answer, Job, JobKind, Question } from '@/workers/jobs';
import { workerClient, type Progress, type WorkerClient, type WorkerLike } from './worker-client';

/** Who plans takes at most so many helpers, however many cores there are. */
const MOST_HELPERS = 3;

/** Each kind of worker is silent for so long at most, ms. */
const LIMITS = { sheet: 20_000, solving: 60_000, reading: 12_000 };

const newWorker = (): Worker => new Worker(new URL('../../../workers/fovea.worker.ts', import.meta.url), { type: 'module' });

/** A worker that plans, with helpers on the other cores. */
function planning(): WorkerLike {
  const worker = newWorker();
  const cores = navigator.hardwareConcurrency || 2;
  const helpers = Array.from({ length: Math.max(0, Math.min(MOST_HELPERS, cores - 1)) }, () => {
    const helper = newWorker();
    const { port1, port2 } = new MessageChannel();
    worker.postMessage({ helper: port1 }, [port1]);
    helper.postMessage({ helps: port2 }, [port2]);
    return helper;
  });
  const end = worker.terminate.bind(worker);
  return Object.assign(worker as WorkerLike, {
    terminate: () => {
      helpers.forEach((helper) => helper.terminate());
      end();
    },
  });
}

/** A client that asks for jobs by their kind. */
export type JobClient = Pick<WorkerClient, 'giveUp' | 'close'> & {
  ask: <K extends JobKind>(kind: K, question: Question<K>, onProgress?: (progress: Progress) => void) => Promise<Answer<K>>;
};

function jobClient(client: WorkerClient): JobClient {
  return {
    ask: (kind, question, onProgress) => client.ask({ kind, question } satisfies Job, onProgress),
    giveUp: client.giveUp,
    close: client.close,
  };
}

/** The worker behind a sheet. */
export const sheetWorker = (): JobClient => jobClient(workerClient({ make: planning, limit: LIMITS.sheet }));

/** A worker for a longer job. */
export const solvingWorker = (): JobClient => jobClient(workerClient({ make: newWorker as () => WorkerLike, limit: LIMITS.solving }));

/** A worker that reads files. */
export const readingWorker = (): WorkerClient =>
  workerClient({
    make: () => new Worker(new URL('../../../workers/bring-in.worker.ts', import.meta.url), { type: 'module' }) as WorkerLike,
    limit: LIMITS.reading,
  });
