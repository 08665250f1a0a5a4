'use client';

import { useState } from 'react';
import { inUnit } from '@/core/length';
import { STORE_TABLES, WARE_KINDS, wareKind, type KeptWare, type StoreTable, type Ware, type WareKind } from '@/core/store';
import { FilePick } from '@/ui/kit/file-pick';
import { Wrong } from '@/ui/kit/fields/lists';
import { useMoney, useSettings } from '@/ui/kit/settings';
import { foamColour } from '@/ui/drawing/materials';
import { saysPrice, saysSold, saysStock } from './says';
import { StockOf } from './stock-fields';
import { useStore, type StoreData, type StoreHook } from './use-store';
import { WareFields } from './ware-fields';

const TABLE_WORDS: Record<StoreTable, string> = { wares: 'items', stock: 'stock' };

/** The store as tables, out and in. */
function Tables({ store }: { store: StoreHook }) {
  const [says, setSays] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async (table: StoreTable, file: File) => {
    const { message, data } = await store.importTable(table, await file.text());
    setWrong(message);
    setSays(data ? `${data.rows} rows imported.` : null);
  };
  return (
    <details className="text-sm">
      <summary className="cursor-pointer py-1">As tables (CSV)</summary>
      {(Object.keys(STORE_TABLES) as StoreTable[]).map((table) => (
        <div key={table} className="flex items-center gap-2 py-1">
          <span className="grow">{TABLE_WORDS[table]}</span>
          <a className="btn btn-xs btn-outline font-normal" href={`/api/store/csv?table=${table}`} download>
            Out<span className="sr-only">: {TABLE_WORDS[table]}</span>
          </a>
          <FilePick
            label={`A table of ${TABLE_WORDS[table]}`}
            accept=".csv,text/csv"
            className="btn btn-xs btn-outline font-normal"
            onPick={(file) => void take(table, file)}
          >
            In…
          </FilePick>
        </div>
      ))}
      {says && <p role="status">{says}</p>}
      <Wrong message={wrong} />
    </details>
  );
}

/** Kinds of things, each with how many the workshop knows. */
function Kinds({
  wares,
  here,
  kind,
  onChoose,
}: {
  wares: readonly KeptWare[];
  here: number;
  kind: WareKind | 'here';
  onChoose: (kind: WareKind | 'here') => void;
}) {
  const all = [{ id: 'here' as const, name: 'In stock' }, ...WARE_KINDS];
  return (
    <nav aria-label="Kinds" className="flex flex-col upright:flex-row upright:flex-wrap">
      {all.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          aria-current={id === kind ? 'true' : undefined}
          className={`text-left text-sm px-2 py-1 rounded-sm cursor-pointer hover:bg-base-200 ${id === kind ? 'font-semibold bg-base-200' : ''}`}
          onClick={() => onChoose(id)}
        >
          {name}{' '}
          <span className="text-base-content/75 font-normal">{id === 'here' ? here : wares.filter((ware) => ware.kind === id).length}</span>
        </button>
      ))}
    </nav>
  );
}

function Rows({
  wares,
  data,
  chosen,
  onChoose,
}: {
  wares: readonly KeptWare[];
  data: StoreData;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const money = useMoney();
  const { unit } = useSettings();
  return (
    // A region that scrolls must be reachable for those who scroll with keys.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div className="overflow-auto" role="region" aria-label="Items" tabIndex={0}>
      <table className="w-full text-sm">
        <thead className="text-xs text-left">
          <tr className="border-b border-base-content/30">
            {['Name', 'Sold', 'Price', 'In the store', 'From'].map((head) => (
              <th key={head} className="font-normal px-2 py-1">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {wares.map((ware) => (
            <tr key={ware.id} className={`border-b border-base-content/15 ${ware.id === chosen ? 'bg-base-200' : ''}`}>
              <td className="px-2">
                <button type="button" className="underline text-left cursor-pointer py-1" onClick={() => onChoose(ware.id)}>
                  {ware.kind === 'foam' && (
                    <span
                      aria-hidden
                      className="inline-block size-3 mr-1.5 border border-base-content/40 align-baseline"
                      style={{ background: foamColour(ware.of) }}
                    />
                  )}
                  {inUnit(ware.name, unit)}
                </button>
              </td>
              <td className="px-2 whitespace-nowrap">{saysSold(ware, unit)}</td>
              <td className="px-2 text-right whitespace-nowrap tabular-nums">{saysPrice(ware, money)}</td>
              <td className="px-2 whitespace-nowrap font-semibold">{saysStock(ware, data.stock, unit)}</td>
              <td className="px-2 text-base-content/85">{ware.supplier}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {wares.length === 0 && <p className="text-sm px-2 py-3">Nothing of that kind yet.</p>}
    </div>
  );
}

/** A thing as it is changed: kept when somebody says so, so that half of it is never bought by. */
function Detail({
  ware,
  id,
  data,
  store,
  onDone,
}: {
  ware: Ware;
  id: string | null;
  data: StoreData;
  store: StoreHook;
  onDone: (id: string | null) => void;
}) {
  const [draft, setDraft] = useState(ware);
  const [message, setMessage] = useState<string | null>(null);
  const changed = JSON.stringify(draft) !== JSON.stringify(ware);
  const keep = async () => {
    const { message: wrong, data: saved } = await store.keepWare(JSON.parse(JSON.stringify(draft)) as Ware, id ?? undefined);
    setMessage(wrong);
    if (saved) onDone(saved.id);
  };
  const remove = async () => {
    const { message: wrong } = await store.removeWare(id!);
    setMessage(wrong);
    if (!wrong) onDone(null);
  };
  const saved = data.wares.find((candidate) => candidate.id === id);
  return (
    <section aria-label={id ? ware.name : 'New item'} className="border-l border-base-content/25 pl-4 overflow-y-auto">
      <h2 className="font-display text-lg">{id ? ware.name : `New: ${wareKind(ware.kind).name.toLowerCase()}`}</h2>
      {saved && <StockOf key={saved.id} ware={saved} stock={data.stock} store={store} />}
      <WareFields ware={draft} onChange={(change) => setDraft({ ...draft, ...change })} />
      <Wrong message={message} />
      <div className="flex justify-end gap-2 py-2">
        {id && (
          <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={() => void remove()}>
            Remove from the store
          </button>
        )}
        <button type="button" className="btn btn-sm btn-primary" disabled={id !== null && !changed} onClick={() => void keep()}>
          {id ? 'Save' : 'Add to the store'}
        </button>
      </div>
    </section>
  );
}

/** What a new thing of a kind begins with. */
const firstOf = (kind: WareKind): Ware => ({ kind, name: '', of: '', sold: wareKind(kind).sold, price: 0, supplier: '', lead: 3 });

/** Everything a workshop can buy and has. */
export function Store({ first }: { first: StoreData }) {
  const store = useStore(first);
  const data = store.store ?? first;
  const [kind, setKind] = useState<WareKind | 'here'>('here');
  const [search, setSearch] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const [fresh, setFresh] = useState(false);
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const there = new Set(data.stock.map((stock) => stock.ware));
  const known = data.wares.filter((candidate) =>
    words.length > 0
      ? words.every((word) => `${candidate.name} ${candidate.supplier} ${wareKind(candidate.kind).name}`.toLowerCase().includes(word))
      : kind === 'here'
        ? there.has(candidate.id)
        : candidate.kind === kind,
  );
  // What is there stands first.
  const wares = [...known.filter(({ id }) => there.has(id)), ...known.filter(({ id }) => !there.has(id))];
  const ware = data.wares.find((candidate) => candidate.id === chosen) ?? null;
  const freshKind: WareKind = kind === 'here' ? 'foam' : kind;
  const choose = (id: string | null): void => {
    setFresh(false);
    setChosen(id);
  };
  return (
    <main className="max-w-7xl w-full mx-auto px-6 py-5">
      <div className="flex items-baseline gap-4 mb-2">
        <h1 className="font-display text-2xl">Store</h1>
        <Wrong message={store.wrong} />
        <input
          type="search"
          aria-label="Search the store"
          placeholder="Search name, kind, supplier"
          className="ml-auto w-64 px-3 py-1.5 border border-base-content/40 rounded-sm bg-base-100 placeholder:text-base-content/70"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        <button
          type="button"
          className="btn btn-sm btn-outline font-normal"
          onClick={() => {
            setChosen(null);
            setFresh(true);
          }}
        >
          New {wareKind(freshKind).name.toLowerCase()}
        </button>
      </div>
      <div className={`grid gap-4 upright:grid-cols-1 ${ware || fresh ? 'grid-cols-[11rem_1fr_22rem]' : 'grid-cols-[11rem_1fr]'}`}>
        <div>
          <Kinds
            wares={data.wares}
            here={there.size}
            kind={kind}
            onChoose={(next) => {
              setKind(next);
              setSearch('');
              choose(null);
            }}
          />
          <Tables store={store} />
        </div>
        <Rows wares={wares} data={data} chosen={chosen} onChoose={choose} />
        {(ware || fresh) && (
          <Detail
            key={ware ? `${ware.id} ${JSON.stringify(ware)}` : `new ${freshKind}`}
            ware={ware ? withoutId(ware) : firstOf(freshKind)}
            id={ware?.id ?? null}
            data={data}
            store={store}
            onDone={choose}
          />
        )}
      </div>
    </main>
  );
}

function withoutId({ id: _, ...ware }: KeptWare): Ware {
  void _;
  return ware;
}
