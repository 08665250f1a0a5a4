import type { Metadata } from 'next';
import { database } from '@/data/database';
import { getHouse } from '@/data/settings';
import { NewPiece } from '@/ui/new/new-piece';

export const metadata: Metadata = { title: 'New piece' };

export default function NewPage() {
  return <NewPiece house={getHouse(database())} />;
}
