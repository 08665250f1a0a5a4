'use client';

import { Plus, Trash2, Upload } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { shapeKind } from '@/core/piece';
import { Running } from './running';
import type { FloorRow, FloorView } from '@/server/floor';
import { SmallSection } from '@/ui/drawing/small-section';
import { send, UNREACHED } from '@/ui/kit/api';
import { Dialog } from '@/ui/kit/dialog';
import { FilePick } from '@/ui/kit/file-pick';
import { useLength } from '@/ui/kit/settings';
import { Empty } from './empty';
import { nextOf } from './next';

/** Millimetres that the widest row's drawing spans; all rows are drawn at this one scale. */
function span(widest: number, rows: FloorRow[]): number {
  return Math.max(
    300,
    widest + 30,
    ...rows.map((row) => (row.look?.section ? row.look.section.board.right - row.look.section.board.left + 30 : 0)),
  );
}

/** The section is on its way. */
function Waiting() {
  return <p className="text-sm text-base-content/70 py-2">Drawing the section…</p>;
}

const dayOf = (due: string): string =>
  new Date(`${due}T12:00:00Z`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

/** Looks asked for at once: the workshop works them out one after another anyway. */
const AT_ONCE = 2;

const ask = <T,>(url: string): Promise<T | null> =>
  fetch(url)
    .then((response) => (response.ok ? (response.json() as Promise<T>) : null))
    .catch(() => null);

/** So many rows come by themselves; what is beyond them comes when its place is near the screen. */
const BY_THEMSELVES = 100;
/** How near that is. */
const NEAR = '1500px';

/** Whether the end of what is shown is near the screen, and what marks that end. */
function useNear(): [boolean, (end: HTMLElement | null) => void] {
  const [near, setNear] = useState(false);
  const [end, setEnd] = useState<HTMLElement | null>(null);
  useEffect(() => {
    if (!end) return;
    const watch = new IntersectionObserver((seen) => setNear(seen.at(-1)!.isIntersecting), { rootMargin: NEAR });
    watch.observe(end);
    return () => watch.disconnect();
  }, [end]);
  return [near, setEnd];
}

/** The floor beyond what came with the page, a stretch at a time. */
function useFloor(first: FloorView, near: boolean): FloorView {
  const [more, setMore] = useState<{ first: FloorView; views: FloorView[] }>({ first, views: [] });
  const views = more.first === first ? [first, ...more.views] : [first];
  const { next } = views.at(-1)!;
  const wanted = next !== null && (near || next < BY_THEMSELVES);
  useEffect(() => {
    if (!wanted) return;
    let over = false;
    void ask<FloorView>(`/api/floor?from=${next}`).then((view) => {
      if (view && !over) setMore((now) => ({ first, views: [...(now.first === first ? now.views : []), view] }));
    });
    return () => {
      over = true;
    };
  }, [first, next, wanted]);
  return {
    rows: views.flatMap(({ rows }) => rows),
    broken: views.flatMap(({ broken }) => broken),
    next,
    widest: Math.max(...views.map(({ widest }) => widest)),
  };
}

/** Rows as they are worked out: those that were not yet are asked for, the first first. */
function useRows(given: FloorRow[]): FloorRow[] {
  const [known, setKnown] = useState<Record<string, FloorRow>>({});
  const lacking = given
    .filter(({ id, lacks }) => lacks === 'time' && !known[id])
    .map(({ id }) => id)
    .slice(0, AT_ONCE)
    .join(' ');
  useEffect(() => {
    let over = false;
    for (const id of lacking.split(' ').filter(Boolean))
      void ask<FloorRow>(`/api/pieces/${id}/look`).then((row) => {
        if (row && !over) setKnown((now) => ({ ...now, [id]: row }));
      });
    return () => {
      over = true;
    };
  }, [lacking]);
  return given.map((row) => (row.lacks === 'time' ? (known[row.id] ?? row) : row));
}

/** A piece whose record is damaged: the others are there all the same. */
function Broken({ id, updatedAt, onWrong }: { id: string; updatedAt: string; onWrong: (message: string) => void }) {
  const router = useRouter();
  const mend = async () => {
    try {
      const answer = await send('POST', `/api/pieces/${id}/mend`);
      if (answer.ok) router.refresh();
      else onWrong(answer.data.message ?? 'It could not be mended.');
    } catch {
      onWrong(UNREACHED);
    }
  };
  return (
    <li className="border-t border-base-content/25 py-2 flex items-center gap-5" data-broken={id}>
      <span className="flex-1">
        <span className="font-display text-lg block">A piece that cannot be read</span>
        <span className="text-sm text-base-content/80">
          Its record is damaged, last changed {updatedAt.slice(0, 10)}. The other pieces are whole.
        </span>
      </span>
      <button type="button" className="btn btn-outline btn-sm font-normal" onClick={() => void mend()}>
        Back to its last whole version
      </button>
    </li>
  );
}

function Row({ row, width, onLeave }: { row: FloorRow; width: number; onLeave: () => void }) {
  const say = useLength();
  const { piece, look, done, of } = row;
  const next = nextOf(row);
  return (
    <li className="floor-row border-t border-base-content/25 py-2 grid grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)_8rem_2.5rem] items-center gap-5">
      <Link
        href={`/piece/${row.id}?stage=${look?.section && piece.pads.length > 0 ? 'padding' : next.stage}`}
        className="block hover:underline underline-offset-4"
      >
        <span className="font-display text-lg block">{piece.name}</span>
        <span className="text-sm text-base-content/80">
          {piece.count > 1 ? `set of ${piece.count}, ` : ''}
          {look && `${shapeKind(piece.base.shape.type).name}, ${say(look.size.width)} × ${say(look.size.depth)}`}
        </span>
      </Link>
      <div>
        {look?.section ? (
          <SmallSection section={look.section} piece={row.piece} id={row.id} width={width} />
        ) : (
          row.lacks === 'time' && <Waiting />
        )}
      </div>
      <div className="text-sm">
        <Link href={`/piece/${row.id}?stage=${next.stage}`} className="underline underline-offset-2 block">
          {next.words}
        </Link>
        {done > 0 && (
          <span className="block text-base-content/80">
            {done} of {of} ticks
          </span>
        )}
        {piece.due && <span className="block text-base-content/80">due {dayOf(piece.due)}</span>}
      </div>
      <button type="button" className="p-2 rounded-sm hover:bg-base-200" aria-label={`Remove ${piece.name}`} onClick={onLeave}>
        <Trash2 size={17} aria-hidden />
      </button>
    </li>
  );
}

/** The largest piece file, bytes. */
const LARGEST = 1_000_000;

/** A piece from a file, and whatever else is begun here. */
function Begin({ onWrong }: { onWrong: (message: string | null) => void }) {
  const router = useRouter();
  const bring = async (chosen: File) => {
    onWrong(null);
    if (chosen.size > LARGEST) return onWrong(`${chosen.name} is larger than 1 MB; a piece is a few kilobytes. Is it the right file?`);
    try {
      const answer = await send<{ id: string }>('POST', '/api/import', await chosen.text());
      if (!answer.ok) return onWrong(`${chosen.name} was not brought in. ${answer.data.message ?? ''}`);
      router.push(`/piece/${answer.data.id}`);
    } catch {
      onWrong(UNREACHED);
    }
  };
  return (
    <div className="ml-auto flex gap-2">
      <FilePick
        label="Piece file to import"
        accept=".json,application/json"
        className="btn btn-outline font-normal"
        onPick={(file) => void bring(file)}
      >
        <Upload size={16} aria-hidden /> Import
      </FilePick>
      <Link href="/new" className="btn btn-primary">
        <Plus size={16} aria-hidden /> New piece
      </Link>
    </div>
  );
}

/** Everything in the workshop, each row a true small section, all at one scale. */
export function Floor({ first }: { first: FloorView }) {
  const [near, setEnd] = useNear();
  const floor = useFloor(first, near);
  const { broken } = floor;
  const rows = useRows(floor.rows);
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const [leaving, setLeaving] = useState<FloorRow | null>(null);
  const width = span(floor.widest, rows);
  const remove = async (row: FloorRow) => {
    await send('DELETE', `/api/pieces/${row.id}`).catch(() => setMessage(UNREACHED));
    setLeaving(null);
    router.refresh();
  };
  return (
    <main className="max-w-6xl w-full mx-auto px-6 py-5">
      <Running />
      <div className="flex items-center gap-3 mb-4">
        <h1 className="font-display text-2xl">Floor</h1>
        <Begin onWrong={setMessage} />
      </div>
      {message && (
        <p role="alert" className="text-error border-l-4 border-error pl-3 mb-4 whitespace-pre-line">
          {message}
        </p>
      )}
      {rows.length === 0 && broken.length === 0 && <Empty onWrong={setMessage} />}
      <ul>
        {broken.map((piece) => (
          <Broken key={piece.id} {...piece} onWrong={setMessage} />
        ))}
        {rows.map((row) => (
          <Row key={row.id} row={row} width={width} onLeave={() => setLeaving(row)} />
        ))}
      </ul>
      {floor.next !== null && (
        <p ref={setEnd} className="py-3 text-sm text-base-content/70">
          The rest of the floor is coming…
        </p>
      )}
      {leaving && (
        <Dialog title={`Remove “${leaving.piece.name}” from the floor?`} onClose={() => setLeaving(null)}>
          <p className="text-sm mb-4">It is no longer shown here. Its history and its place in the log stay.</p>
          <div className="flex gap-3">
            <button type="button" className="btn btn-outline" onClick={() => setLeaving(null)}>
              Cancel
            </button>
            <button type="button" className="btn btn-primary" onClick={() => void remove(leaving)}>
              Take it off
            </button>
          </div>
        </Dialog>
      )}
    </main>
  );
}
