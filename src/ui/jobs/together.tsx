'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { Job } from '@/core/job';
import { WARE_KINDS } from '@/core/store';
import type { JobRecord } from '@/data/jobs';
import { Buy } from '@/ui/buy/buy';
import { PriceTable } from '@/ui/price/price-table';
import { send, UNREACHED } from '@/ui/kit/api';
import { sayDay } from '@/ui/kit/day';
import { TickField } from '@/ui/kit/fields/fields';
import { Wrong } from '@/ui/kit/fields/lists';
import { LayPanel } from '@/ui/lay/lay-panel';
import { useStore } from '@/ui/store/use-store';
import { JobFields } from './job-fields';
import type { FloorPiece } from './jobs';
import { useTogether } from './use-together';

const TABS = [
  { id: 'pieces', name: 'Pieces' },
  { id: 'cut', name: 'Cut' },
  { id: 'buy', name: 'Buy' },
  { id: 'price', name: 'Price' },
] as const;
export type Tab = (typeof TABS)[number]['id'];

/** A job's words and its pieces; a change saves itself and says so. */
function OwnJob({ first, pieces, onChange }: { first: JobRecord; pieces: readonly FloorPiece[]; onChange: () => void }) {
  const [record, setRecord] = useState(first);
  const [says, setSays] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const save = (job: Job): string | null => {
    if (job.name.trim() === '') return 'Enter a name for the job';
    setSays('Saving…');
    setRecord({ ...record, job });
    send<JobRecord & { current?: JobRecord }>('PUT', `/api/jobs/${record.id}`, { base: record.revision, job })
      .then(({ ok, data }) => {
        setSays(ok ? 'Saved' : '');
        setWrong(ok ? null : (data.message ?? 'Not saved'));
        // What somebody else wrote meanwhile stands; what was typed here stays in its field.
        if (ok) setRecord(data);
        else if (data.current) setRecord(data.current);
      })
      .catch(() => setWrong(UNREACHED));
    return null;
  };
  const put = async (piece: string, belongs: boolean) => {
    const answer = await send<JobRecord>('PUT', `/api/jobs/${record.id}/pieces`, { piece, belongs }).catch(() => null);
    if (answer?.ok) {
      setRecord(answer.data);
      onChange();
    } else setWrong(answer?.data.message ?? UNREACHED);
  };
  return (
    <div className="grid grid-cols-2 gap-8 upright:grid-cols-1">
      <section aria-label="The job">
        <p role="status" className="text-sm h-5">
          {says}
        </p>
        <Wrong message={wrong} />
        <JobFields job={record.job} name={`job ${record.id}`} onChange={save} />
      </section>
      <section aria-label="Its pieces">
        <h2 className="font-display text-lg">Pieces</h2>
        {pieces.map(({ id, name, count }) => (
          <div key={id} className="flex items-center gap-3 border-t border-base-content/15">
            <div className="grow">
              <TickField
                label={count > 1 ? `${name}, set of ${count}` : name}
                checked={record.pieces.includes(id)}
                onChange={(is) => void put(id, is)}
              />
            </div>
            <Link className="underline text-sm" href={`/piece/${id}`}>
              Open
            </Link>
          </div>
        ))}
      </section>
    </div>
  );
}

type Props = {
  scope: string;
  tab: Tab;
  /** the job itself, where it is one */
  job: JobRecord | null;
  /** pieces that are in it or could be */
  pieces: readonly FloorPiece[];
};

/** In the order things are bought. */
const ORDER = new Map<string, number>(WARE_KINDS.map(({ id }, k) => [id, k]));

/** A job, several, or one piece: its pieces, what they are cut from, and what to buy for them. */
export function Together({ scope, tab: first, job, pieces }: Props) {
  const [tab, setTab] = useState<Tab>(first);
  const { view, wrong, says, keep, act, look } = useTogether(scope);
  const store = useStore();
  const tabs = job ? TABS : TABS.filter(({ id }) => id !== 'pieces');
  const turn = (next: Tab): void => {
    setTab(next);
    window.history.replaceState(null, '', `?tab=${next}`);
    void store.look();
  };
  return (
    <main className="max-w-6xl w-full mx-auto px-6 py-4">
      <div className="flex items-baseline gap-4 flex-wrap">
        <h1 className="font-display text-2xl">{view?.name ?? job?.job.name ?? ''}</h1>
        {view && <p className="text-sm">{view.pieces.map(({ name, count }) => (count > 1 ? `${count} × ${name}` : name)).join(', ')}</p>}
        {view?.due && <p className="text-sm">due {sayDay(view.due)}</p>}
      </div>
      <nav aria-label="Views" className="flex gap-1 border-b border-base-content/30 my-2">
        {tabs.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            aria-current={id === tab ? 'page' : undefined}
            className={`px-4 py-1.5 cursor-pointer ${id === tab ? 'font-semibold border-b-2 border-primary' : ''}`}
            onClick={() => turn(id)}
          >
            {name}
          </button>
        ))}
      </nav>
      {/* What to buy and what it comes to say for themselves why they cannot be worked out. */}
      <Wrong message={(tab === 'cut' || tab === 'pieces' ? wrong : null) ?? store.wrong} />
      {says.length > 0 && (
        <p role="status" className="text-sm text-success">
          {says.join(' ')}
        </p>
      )}
      {tab === 'pieces' && job && <OwnJob first={job} pieces={pieces} onChange={() => void look()} />}
      {tab === 'cut' && (!view || !store.store) && !wrong && <p role="status">Working out what is cut…</p>}
      {tab === 'cut' && view && store.store && (
        <>
          {view.groups.length === 0 && <p>Nothing to cut yet: add pieces first.</p>}
          {[...view.groups]
            .sort((a, b) => (ORDER.get(a.kind) ?? 0) - (ORDER.get(b.kind) ?? 0))
            .map((group) => (
              <LayPanel
                key={`${group.key} ${view.pieces.map(({ id, revision }) => `${id} ${revision}`).join(' ')}`}
                group={group}
                store={store.store!}
                lays={view.lays.filter(({ lay }) => lay.group === group.key)}
                names={new Map(view.pieces.map(({ id, name }) => [id, name]))}
                keep={keep}
                act={(id, what) => void act(id, what).then(store.look)}
              />
            ))}
        </>
      )}
      {tab === 'buy' && (
        <Buy key={view?.lays.map(({ id, chosen, cutAt }) => `${id} ${chosen} ${cutAt}`).join(' ')} scope={scope} store={store} />
      )}
      {tab === 'price' && <PriceTable scope={scope} />}
    </main>
  );
}
