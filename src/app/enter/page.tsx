import type { Metadata } from 'next';
import { Enter } from '@/ui/workshop/enter';

export const metadata: Metadata = { title: 'Come in' };

export default function EnterPage() {
  return <Enter />;
}
