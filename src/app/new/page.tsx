import type { Metadata } from 'next';
import { NewPiece } from '@/ui/new/new-piece';

export const metadata: Metadata = { title: 'New piece' };

export default function NewPage() {
  return <NewPiece />;
}
