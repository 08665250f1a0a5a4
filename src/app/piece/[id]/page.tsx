import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { listTicks, nextSerial } from '@/data/bench';
import { database } from '@/data/database';
import { getPiece, listStaleSaves } from '@/data/pieces';
import { getHouse } from '@/data/settings';
import { chosenLengths } from '@/server/store/chosen';
import { Sheet } from '@/ui/sheet/sheet';

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ stage?: string | string[]; view?: string | string[] }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: getPiece(database(), (await params).id)?.piece.name ?? 'Not on the floor' };
}

export default async function PiecePage({ params, searchParams }: Props) {
  const db = database();
  const record = getPiece(db, (await params).id);
  if (!record) notFound();
  const { stage, view } = await searchParams;
  return (
    <Sheet
      stale={listStaleSaves(db, record.id)[0] ?? null}
      record={record}
      house={getHouse(db)}
      ticks={listTicks(db, record.id)}
      chosen={chosenLengths(record)}
      nextSerial={nextSerial(db, new Date().getFullYear())}
      stage={typeof stage === 'string' ? stage : ''}
      {...(typeof view === 'string' ? { view } : {})}
    />
  );
}
