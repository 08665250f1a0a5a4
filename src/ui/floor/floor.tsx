'use client';

import { Copy, Plus, Search, Trash2, Upload } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { baseOutline, outlineSize } from '@/core/outline';
import { shapeKind } from '@/core/piece';
import { Running } from './running';
import type { BinnedPiece } from '@/data/pieces';
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
function useFloor(first: FloorView, near: boolean, find: string): FloorView {
  const [more, setMore] = useState<{ first: FloorView; views: FloorView[] }>({ first, views: [] });
  const views = more.first === first ? [first, ...more.views] : [first];
  const { next } = views.at(-1)!;
  const wanted = next !== null && (near || next < BY_THEMSELVES);
  useEffect(() => {
    if (!wanted) return;
    let over = false;
    void ask<FloorView>(`/api/floor?from=${next}&find=${encodeURIComponent(find)}`).then((view) => {
      if (view && !over) setMore((now) => ({ first, views: [...(now.first === first ? now.views : []), view] }));
    });
    return () => {
      over = true;
    };
  }, [first, next, wanted, find]);
  return {
    rows: views.flatMap(({ rows }) => rows),
    broken: views.flatMap(({ broken }) => broken),
    next,
    widest: Math.max(...views.map(({ widest }) => widest)),
  };
}

/** Typing rests for this long before it is looked for, ms. */
const TYPED = 200;

/** The floor as it is, or what is found on it. */
function useFound(first: FloorView): { find: string; view: FloorView; asked: string; setFind: (words: string) => void } {
  const [find, setFind] = useState('');
  const [found, setFound] = useState<{ first: FloorView; words: string; view: FloorView } | null>(null);
  const words = find.trim();
  useEffect(() => {
    if (words === '') return;
    let over = false;
    const timer = setTimeout(() => {
      void ask<FloorView>(`/api/floor?find=${encodeURIComponent(words)}`).then((view) => {
        if (view && !over) setFound({ first, words, view });
      });
    }, TYPED);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [first, words]);
  const isFound = words !== '' && found !== null && found.first === first;
  return { find, setFind, view: isFound ? found.view : first, asked: isFound ? found.words : '' };
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
      else onWrong(answer.data.message ?? 'It could not be restored.');
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

function Row({ row, width, onCopy, onLeave }: { row: FloorRow; width: number; onCopy: () => void; onLeave: () => void }) {
  const say = useLength();
  const { piece, look, done, of } = row;
  const next = nextOf(row);
  // Shape and size are of the document: they are there before anything is worked out.
  const size = look?.size ?? outlineSize(baseOutline(piece.base.shape, piece.base.notches));
  return (
    <li className="floor-row border-t border-base-content/25 py-2 grid grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)_8rem_5rem] phone:grid-cols-[minmax(0,1fr)_auto] items-center gap-5 phone:gap-x-3 phone:gap-y-1">
      <Link
        href={`/piece/${row.id}?stage=${look?.section && piece.pads.length > 0 ? 'padding' : next.stage}`}
        className="block hover:underline underline-offset-4 phone:col-span-2"
      >
        <span className="font-display text-lg block" translate="no">
          {piece.name}
        </span>
        <span className="text-sm text-base-content/80">
          {[
            `${shapeKind(piece.base.shape.type).name}, ${say(Math.round(size.width))} × ${say(Math.round(size.depth))}`,
            piece.count > 1 && `set of ${piece.count}`,
          ]
            .filter(Boolean)
            .join(', ')}
        </span>
      </Link>
      <div className="phone:order-last phone:col-span-2">
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
      <span className="flex">
        <button type="button" className="p-2 rounded-sm hover:bg-base-200" aria-label={`Copy ${piece.name}`} onClick={onCopy}>
          <Copy size={17} aria-hidden />
        </button>
        <button type="button" className="p-2 rounded-sm hover:bg-base-200" aria-label={`Remove ${piece.name}`} onClick={onLeave}>
          <Trash2 size={17} aria-hidden />
        </button>
      </span>
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

/** A search of the floor, once there is more on it than is seen at a glance. */
function Find({ value, onChange }: { value: string; onChange: (words: string) => void }) {
  return (
    <label className="input input-sm w-56 bg-base-100">
      <Search size={15} aria-hidden />
      <input
        type="search"
        placeholder="Name, cloth, kind, due day"
        aria-label="Find on the floor"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

/** What can be done to a row, and what is said of it. */
function useActs() {
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const [removed, setRemoved] = useState<{ id: string; name: string } | null>(null);
  const act = async (work: () => Promise<{ ok: boolean; data: { message?: string } }>): Promise<boolean> => {
    try {
      const answer = await work();
      setMessage(answer.ok ? null : (answer.data.message ?? 'Not done'));
      if (answer.ok) router.refresh();
      return answer.ok;
    } catch {
      setMessage(UNREACHED);
      return false;
    }
  };
  return {
    message,
    setMessage,
    removed,
    remove: async ({ id, piece }: FloorRow) => {
      if (await act(() => send('DELETE', `/api/pieces/${id}`))) setRemoved({ id, name: piece.name });
    },
    putBack: async (id: string) => {
      if (await act(() => send('POST', `/api/pieces/${id}/back`))) setRemoved(null);
    },
    copy: async ({ piece }: FloorRow) => {
      try {
        const answer = await send<{ id: string }>('POST', '/api/pieces', {
          piece: { ...piece, name: `${piece.name}, copy`.slice(0, 120) },
        });
        if (answer.ok) router.push(`/piece/${answer.data.id}?stage=board`);
        else setMessage(answer.data.message ?? 'Not copied');
      } catch {
        setMessage(UNREACHED);
      }
    },
  };
}

/** What was removed lately: each is put back with all that it had. */
function Bin({ onBack, onClose }: { onBack: (id: string) => void; onClose: () => void }) {
  const [pieces, setPieces] = useState<BinnedPiece[] | null>(null);
  useEffect(() => {
    void ask<{ pieces: BinnedPiece[] }>('/api/bin').then((answer) => setPieces(answer?.pieces ?? []));
  }, []);
  return (
    <Dialog title="Bin" onClose={onClose}>
      {pieces?.length === 0 && <p className="text-sm">The bin is empty. A removed piece stays here for 30 days.</p>}
      <ul>
        {pieces?.map(({ id, name, removedAt }) => (
          <li key={id} className="flex items-center gap-3 border-t border-base-content/25 py-2">
            <span className="flex-1">
              {name}
              <span className="block text-sm text-base-content/80">removed {dayOf(removedAt.slice(0, 10))}</span>
            </span>
            <button
              type="button"
              className="btn btn-sm btn-outline font-normal"
              onClick={() => {
                setPieces(pieces.filter((piece) => piece.id !== id));
                onBack(id);
              }}
            >
              Put back
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}

/** Everything in the workshop, each row a true small section, all at one scale. */
export function Floor({ first }: { first: FloorView }) {
  const [near, setEnd] = useNear();
  const { find, setFind, view, asked } = useFound(first);
  const floor = useFloor(view, near, asked);
  const { broken } = floor;
  const rows = useRows(floor.rows);
  const { message, setMessage, removed, remove, putBack, copy } = useActs();
  const [bin, setBin] = useState(false);
  const width = span(floor.widest, rows);
  const isEmpty = first.rows.length === 0 && first.broken.length === 0;
  return (
    <main className="max-w-6xl w-full mx-auto px-6 phone:px-3 py-5">
      <Running />
      <div className="flex flex-wrap items-center gap-3 mb-4">
        <h1 className="font-display text-2xl">Floor</h1>
        {!isEmpty && <Find value={find} onChange={setFind} />}
        <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={() => setBin(true)}>
          Bin
        </button>
        <Begin onWrong={setMessage} />
      </div>
      {message && (
        <p role="alert" className="text-error border-l-4 border-error pl-3 mb-4 whitespace-pre-line">
          {message}
        </p>
      )}
      {removed && (
        <p role="status" className="border-l-4 border-secondary pl-3 mb-4 flex items-center gap-3" data-removed>
          Removed “{removed.name}”. It stays in the bin for 30 days.
          <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void putBack(removed.id)}>
            Undo
          </button>
        </p>
      )}
      {isEmpty && <Empty onWrong={setMessage} />}
      {asked !== '' && rows.length === 0 && <p className="py-3">Nothing on the floor for “{asked}”.</p>}
      <ul>
        {broken.map((piece) => (
          <Broken key={piece.id} {...piece} onWrong={setMessage} />
        ))}
        {rows.map((row) => (
          <Row key={row.id} row={row} width={width} onCopy={() => void copy(row)} onLeave={() => void remove(row)} />
        ))}
      </ul>
      {floor.next !== null && (
        <p ref={setEnd} className="py-3 text-sm text-base-content/70">
          Loading the rest of the floor…
        </p>
      )}
      {bin && <Bin onBack={(id) => void putBack(id)} onClose={() => setBin(false)} />}
    </main>
  );
}
