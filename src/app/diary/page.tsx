import type { Metadata } from 'next';
import { Diary } from '@/ui/diary/diary';

export const metadata: Metadata = { title: 'Diary' };

export default function DiaryPage() {
  return <Diary />;
}
