import type { Metadata } from 'next';
import { database } from '@/data/database';
import { stockMoves, storeView } from '@/data/store';
import { Store } from '@/ui/store/store';

export const metadata: Metadata = { title: 'Store' };

export default function StorePage() {
  const db = database();
  return <Store first={{ ...storeView(db), moves: stockMoves(db) }} />;
}
