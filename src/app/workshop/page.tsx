import type { Metadata } from 'next';
import { listBackups } from '@/data/backup';
import { dataFolder } from '@/data/database';
import { lastEvents } from '@/server/event-log';
import { Workshop } from '@/ui/workshop/workshop';

export const metadata: Metadata = { title: 'Workshop' };

export default function WorkshopPage() {
  return <Workshop first={listBackups(dataFolder())} events={lastEvents()} />;
}
