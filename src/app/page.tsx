import type { Metadata } from 'next';
import { database } from '@/data/database';
import { floorView } from '@/server/floor';
import { Floor } from '@/ui/floor/floor';

export const metadata: Metadata = { title: 'Floor – Fovea' };

export default function FloorPage() {
  return <Floor first={floorView(database())} />;
}
