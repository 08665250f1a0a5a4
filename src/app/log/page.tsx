import type { Metadata } from 'next';
import { listLog } from '@/data/bench';
import { database } from '@/data/database';
import { Log } from '@/ui/log/log';
import { LOG_PAGE } from '@/ui/log/page-length';

export const metadata: Metadata = { title: 'Log' };

export default function LogPage() {
  const first = listLog(database());
  return <Log first={first} more={first.length === LOG_PAGE} />;
}
