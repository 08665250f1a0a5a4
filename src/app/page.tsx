import type { Metadata } from 'next';
import { database } from '@/data/database';
import { floorRows } from '@/server/floor';
import { Floor } from '@/ui/floor/floor';

export const metadata: Metadata = { title: 'Floor – Fovea' };

export default async function FloorPage() {
  return <Floor rows={await floorRows(database())} />;
}
