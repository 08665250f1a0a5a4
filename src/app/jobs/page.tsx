import type { Metadata } from 'next';
import { database } from '@/data/database';
import { listJobs } from '@/data/jobs';
import { listPieces } from '@/data/pieces';
import { Jobs } from '@/ui/jobs/jobs';

export const metadata: Metadata = { title: 'Jobs' };

export default function JobsPage() {
  const db = database();
  const pieces = listPieces(db).map(({ id, piece }) => ({ id, name: piece.name, count: piece.count }));
  return <Jobs jobs={listJobs(db)} pieces={pieces} />;
}
