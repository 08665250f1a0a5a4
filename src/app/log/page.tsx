import type { Metadata } from 'next';
import { listLog } from '@/data/bench';
import { database } from '@/data/database';
import { Log } from '@/ui/log/log';

export const metadata: Metadata = { title: 'Log' };

export default function LogPage() {
  return <Log first={listLog(database())} />;
}
