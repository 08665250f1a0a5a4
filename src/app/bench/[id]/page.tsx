import type { Metadata } from 'next';
import { BenchView } from '@/ui/bench/bench-view';

export const metadata: Metadata = { title: 'At the bench' };

export default async function BenchPage({ params }: { params: Promise<{ id: string }> }) {
  return <BenchView piece={(await params).id} />;
}
