import type { Metadata } from 'next';
import { listBackups } from '@/data/backup';
import { database, dataFolder } from '@/data/database';
import { getShop } from '@/data/diary';
import { lastEvents } from '@/server/event-log';
import { Workshop } from '@/ui/workshop/workshop';

export const metadata: Metadata = { title: 'Workshop' };

export default function WorkshopPage() {
  return <Workshop first={listBackups(dataFolder())} shop={getShop(database())} events={lastEvents()} />;
}
