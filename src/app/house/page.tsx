import type { Metadata } from 'next';
import { database } from '@/data/database';
import { getHouse } from '@/data/settings';
import { House } from '@/ui/house/house';

export const metadata: Metadata = { title: 'House rules' };

export default function HousePage() {
  return <House initial={getHouse(database())} />;
}
