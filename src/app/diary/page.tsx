import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { database } from '@/data/database';
import { mayNot, whoIs } from '@/server/entrance/entrance';
import { Diary } from '@/ui/diary/diary';

export const metadata: Metadata = { title: 'Diary' };

export default async function DiaryPage() {
  const who = whoIs(database(), await headers());
  const may = (least: 'hand' | 'owner'): boolean => who !== null && mayNot(who, least) === null;
  return <Diary mayPlan={may('hand')} maySetUp={may('owner')} />;
}
