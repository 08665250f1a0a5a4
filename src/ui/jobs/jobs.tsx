'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { JOB, writeScope, type Job } from '@/core/job';
import { defaultsOf } from '@/core/piece';
import type { JobRecord } from '@/data/jobs';
import { send, UNREACHED } from '@/ui/kit/api';
import { sayDay } from '@/ui/kit/day';
import { Dialog } from '@/ui/kit/dialog';
import { TickField } from '@/ui/kit/fields/fields';
import { Wrong } from '@/ui/kit/fields/lists';
import { JobFields } from './job-fields';

/** A piece of the floor as a job takes it. */
export type FloorPiece = { id: string; name: string; count: number };

const EMPTY: Job = { ...defaultsOf(JOB), photos: [] };

/** A new job: its words, and the pieces that are in no other. */
function NewJob({ free, onClose }: { free: readonly FloorPiece[]; onClose: () => void }) {
  const router = useRouter();
  const [job, setJob] = useState(EMPTY);
  const [pieces, setPieces] = useState<readonly string[]>([]);
  const [message, setMessage] = useState<string | null>(null);
  const make = async () => {
    try {
      const answer = await send<JobRecord>('POST', '/api/jobs', { job, pieces });
      if (answer.ok) router.push(`/job/${answer.data.id}`);
      else setMessage(answer.data.message ?? 'It could not be made.');
    } catch {
      setMessage(UNREACHED);
    }
  };
  return (
    <Dialog title="A new job" onClose={onClose}>
      <JobFields
        job={job}
        name="new job"
        onChange={(next) => {
          setJob(next);
          return null;
        }}
      />
      <fieldset className="border-t border-base-content/25 mt-2 pt-1 max-h-56 overflow-y-auto">
        <legend className="text-sm font-semibold">Pieces</legend>
        {free.length === 0 && <p className="text-sm">Every piece on the floor is in a job already.</p>}
        {free.map(({ id, name, count }) => (
          <TickField
            key={id}
            label={count > 1 ? `${name}, set of ${count}` : name}
            checked={pieces.includes(id)}
            onChange={(is) => setPieces(is ? [...pieces, id] : pieces.filter((piece) => piece !== id))}
          />
        ))}
      </fieldset>
      <Wrong message={message} />
      <div className="flex justify-end gap-2 pt-2">
        <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={onClose}>
          Cancel
        </button>
        <button type="button" className="btn btn-sm btn-primary" onClick={() => void make()}>
          Make the job
        </button>
      </div>
    </Dialog>
  );
}

/** Every job, and several of them cut and bought together. */
export function Jobs({ jobs, pieces }: { jobs: readonly JobRecord[]; pieces: readonly FloorPiece[] }) {
  const [fresh, setFresh] = useState(false);
  const [together, setTogether] = useState<readonly string[]>([]);
  const names = new Map(pieces.map((piece) => [piece.id, piece]));
  const taken = new Set(jobs.flatMap((job) => job.pieces));
  const free = pieces.filter(({ id }) => !taken.has(id));
  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <div className="flex items-baseline gap-4 mb-2">
        <h1 className="font-display text-2xl">Jobs</h1>
        <span className="ml-auto flex gap-2">
          {together.length > 1 && (
            <Link className="btn btn-sm btn-outline font-normal" href={`/job/${writeScope({ jobs: [...together], piece: null })}?tab=cut`}>
              Cut and buy these {together.length} together
            </Link>
          )}
          <button type="button" className="btn btn-sm btn-primary" onClick={() => setFresh(true)}>
            New job
          </button>
        </span>
      </div>
      <p className="text-sm mb-3">Pieces of one customer or room: laid on one roll, bought with one order.</p>
      {jobs.length === 0 && <p>No job yet. A piece can be laid out and bought for by itself, from its Cut stage.</p>}
      <ul>
        {jobs.map(({ id, job, pieces: ids }) => (
          <li
            key={id}
            className="border-t border-base-content/25 py-3 grid grid-cols-[2rem_1fr_auto] gap-3 items-start"
            data-job={job.name}
          >
            <input
              type="checkbox"
              className="size-5 mt-1 accent-(--color-secondary)"
              aria-label={`${job.name}, together with others`}
              checked={together.includes(id)}
              onChange={(event) => setTogether(event.target.checked ? [...together, id] : together.filter((one) => one !== id))}
            />
            <div>
              <Link href={`/job/${id}`} className="font-display text-lg hover:underline underline-offset-4" translate="no">
                {job.name}
              </Link>
              {job.customer && <span className="text-sm"> for {job.customer}</span>}
              <p className="text-sm" translate="no">
                {ids.map((piece) => names.get(piece)?.name ?? piece).join(', ') || 'No piece in it yet.'}
              </p>
            </div>
            {job.due && (
              <time dateTime={job.due} className="text-sm">
                due {sayDay(job.due)}
              </time>
            )}
          </li>
        ))}
      </ul>
      {free.length > 0 && (
        <section aria-label="Not in a job" className="mt-4">
          <h2 className="font-display text-lg">Not in a job</h2>
          <ul className="text-sm">
            {free.map(({ id, name, count }) => (
              <li key={id} className="py-0.5">
                <Link className="hover:underline underline-offset-4" href={`/job/${writeScope({ jobs: [], piece: id })}?tab=cut`}>
                  {name}
                </Link>
                {count > 1 && `, set of ${count}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      {fresh && <NewJob free={free} onClose={() => setFresh(false)} />}
    </main>
  );
}
