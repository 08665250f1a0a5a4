import type { Metadata } from 'next';
import { Enter } from '@/ui/workshop/enter';

export const metadata: Metadata = { title: 'Sign in' };

export default function EnterPage() {
  return <Enter />;
}
