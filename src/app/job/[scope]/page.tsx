import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { readScope } from '@/core/job';
import { database } from '@/data/database';
import { getJob, jobOf, piecesOfScope } from '@/data/jobs';
import { listPieces } from '@/data/pieces';
import { Together, type Tab } from '@/ui/jobs/together';

type Props = { params: Promise<{ scope: string }>; searchParams: Promise<{ tab?: string }> };

export const metadata: Metadata = { title: 'Job' };

export default async function JobPage({ params, searchParams }: Props) {
  const text = decodeURIComponent((await params).scope);
  const scope = readScope(text);
  const db = database();
  if (!scope || !piecesOfScope(db, scope)) notFound();
  const job = scope.jobs.length === 1 ? getJob(db, scope.jobs[0]!) : null;
  const asked = (await searchParams).tab;
  const tab: Tab = asked === 'buy' || asked === 'cut' || asked === 'price' ? asked : job ? 'pieces' : 'cut';
  // A job can take what is in no other.
  const pieces = job
    ? listPieces(db)
        .filter(({ id }) => job.pieces.includes(id) || jobOf(db, id) === null)
        .map(({ id, piece }) => ({ id, name: piece.name, count: piece.count }))
    : [];
  return <Together scope={text} tab={tab} job={job} pieces={pieces} />;
}
