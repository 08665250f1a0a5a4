import type { Metadata } from 'next';
import { NewSeat } from '@/ui/new/new-seat';

export const metadata: Metadata = { title: 'New seat' };

export default function NewPage() {
  return <NewSeat />;
}
