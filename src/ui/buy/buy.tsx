'use client';

import { useCallback, useEffect, useState } from 'react';
import { firePapers, isUnanswered, PURCHASE_STATES } from '@/core/buying';
import { rollLength, type Unit } from '@/core/length';
import type { PurchaseRecord } from '@/data/purchases';
import type { BuyView } from '@/server/store/buying';
import { send, UNREACHED } from '@/ui/kit/api';
import { sayDay } from '@/ui/kit/day';
import { FigureField } from '@/ui/kit/fields/fields';
import { Wrong } from '@/ui/kit/fields/lists';
import { useIds } from '@/ui/kit/new-id';
import { useMoney, useSettings } from '@/ui/kit/settings';
import { FirePapers } from './fire-papers';
import type { StoreHook } from '@/ui/store/use-store';

type Line = BuyView['lines'][number];

/** So many of a thing, as they are said. */
const units = (count: number, sold: Line['sold'], unit: Unit): string => (sold === 'metre' ? rollLength(count * 1000, unit) : `${count}`);

function useBuy(scope: string) {
  const [view, setView] = useState<BuyView | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const look = useCallback(async () => {
    try {
      const response = await fetch(`/api/buy/${encodeURIComponent(scope)}`);
      const data = (await response.json()) as BuyView & { message?: string };
      if (response.ok) setView(data);
      setWrong(response.ok ? null : (data.message ?? 'The shopping list cannot be made just now.'));
    } catch {
      setWrong(UNREACHED);
    }
  }, [scope]);
  useEffect(() => void look(), [look]);
  const act = async (method: 'POST' | 'PUT', url: string, body: unknown, doing: string): Promise<void> => {
    setBusy(doing);
    try {
      const answer = await send<PurchaseRecord>(method, url, body);
      setWrong(answer.ok ? null : (answer.data.message ?? 'That could not be done.'));
    } catch {
      setWrong(UNREACHED);
    }
    setBusy(null);
    await look();
  };
  return { view, wrong, busy, look, act };
}

const HEADS = [
  { head: 'What', look: 'w-2/5' },
  { head: 'To buy', look: '' },
  { head: 'On its way', look: '' },
  { head: 'Short', look: '' },
  { head: 'Price', look: 'text-right' },
  { head: 'Cost', look: 'text-right' },
  { head: 'Days', look: 'text-right' },
];

type OrderButtonProps = { name: string; busy: boolean; short: Line[]; waiting: boolean; order: (lines: Line[]) => void };

/** Orders what is short; of nobody nothing can be ordered, nor while an earlier order may have been taken. */
function OrderButton({ name, busy, short, waiting, order }: OrderButtonProps) {
  if (waiting) return <p className="text-sm text-warning">Not confirmed yet: see Orders below</p>;
  const says = short.length === 0 ? 'All of it is ordered' : name === '' ? 'Name a supplier in Store' : 'Order what is short';
  return (
    <button
      type="button"
      className="btn btn-sm btn-primary"
      disabled={busy || short.length === 0 || name === ''}
      onClick={() => order(short)}
    >
      {says}
    </button>
  );
}

/** What is bought from one supplier, and its order. */
function Supplier({
  name,
  lines,
  fee,
  busy,
  waiting,
  setFee,
  order,
}: {
  name: string;
  lines: Line[];
  fee: number;
  busy: boolean;
  /** whether an order to this supplier is not confirmed yet */
  waiting: boolean;
  setFee: (fee: number) => void;
  order: (lines: Line[]) => void;
}) {
  const { unit } = useSettings();
  const money = useMoney();
  const short = lines.filter((line) => line.short > 0);
  const last = short
    .map(({ orderBy }) => orderBy)
    .filter((day): day is string => day !== null)
    .sort()[0];
  const today = new Date().toISOString().slice(0, 10);
  return (
    <section aria-label={name || 'No supplier'} className="mb-4">
      <div className="flex items-baseline gap-4 flex-wrap">
        <h3 className="font-display text-lg">{name || 'No supplier named'}</h3>
        {last && (
          <p className={`text-sm ${last < today ? 'text-error font-semibold' : ''}`}>
            {last < today ? `Should have been ordered by ${sayDay(last)}` : `Order by ${sayDay(last)}`}
          </p>
        )}
        <div className="ml-auto flex items-baseline gap-3">
          <div className="w-52">
            <FigureField
              label="Carriage"
              name={`carriage ${name}`}
              value={fee}
              compact
              onCommit={(next) => {
                setFee(next);
                return null;
              }}
            />
          </div>
          <OrderButton name={name} busy={busy} short={short} waiting={waiting} order={order} />
        </div>
      </div>
      <table className="w-full text-sm table-fixed">
        <thead className="text-xs text-left">
          <tr className="border-b border-base-content/30">
            {HEADS.map(({ head, look }) => (
              <th key={head} className={`font-normal px-2 ${look}`}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.ware} className="border-b border-base-content/15" data-buy={line.name}>
              <td className="px-2 py-1">{line.name}</td>
              <td className="px-2 tabular-nums">{units(line.units, line.sold, unit)}</td>
              <td className="px-2 tabular-nums">{line.coming > 0 ? units(line.coming, line.sold, unit) : ''}</td>
              <td className="px-2 tabular-nums font-semibold">{line.short > 0 ? units(line.short, line.sold, unit) : ''}</td>
              <td className="px-2 text-right tabular-nums">{line.price === null ? '–' : money(line.price)}</td>
              <td className="px-2 text-right tabular-nums">{line.cost === null ? '–' : money(line.cost)}</td>
              <td className="px-2 text-right tabular-nums">{line.lead}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** How an order stands, and what the supplier said of it. */
function OrderState({ record: { state, supplier, order } }: { record: PurchaseRecord }) {
  return (
    <>
      <p className="text-sm">
        <strong>{PURCHASE_STATES.find(({ id }) => id === state)!.name}</strong>: {supplier}
        {order.reference && `, ${order.reference}`}
        {order.expected && state === 'ordered' && `, expected ${sayDay(order.expected)}`}
      </p>
      {order.says && (
        <p className={`text-sm ${state === 'refused' || isUnanswered({ state }) ? 'text-warning' : ''}`} role="status">
          {order.says}
        </p>
      )}
    </>
  );
}

/** What the supplier said by word of mouth. */
const MARKS = [
  { mark: 'not ordered', label: 'Mark as not ordered' },
  { mark: 'ordered', label: 'Mark as ordered' },
] as const;

type Act = (url: string, body: unknown, doing: string) => void;

/** What may be done about an order that the supplier has not answered: ask again, or mark it by hand. */
function Unanswered({ url, busy, act }: { url: string; busy: boolean; act: Act }) {
  return (
    <>
      {MARKS.map(({ mark, label }) => (
        <button
          key={mark}
          type="button"
          className="btn btn-sm btn-ghost font-normal"
          disabled={busy}
          onClick={() => act(url, { mark }, 'Marking it…')}
        >
          {label}
        </button>
      ))}
      <button
        type="button"
        className="btn btn-sm btn-outline font-normal"
        disabled={busy}
        onClick={() => act(url, { again: true }, 'Asking the supplier…')}
      >
        Ask again
      </button>
    </>
  );
}

type OrderProps = {
  record: PurchaseRecord;
  busy: boolean;
  /** wares that are sold by the metre */
  byMetre: ReadonlySet<string>;
  act: Act;
};

/** An order, what the supplier said, and what came of it. */
function Order({ record, busy, byMetre, act }: OrderProps) {
  const { unit } = useSettings();
  const money = useMoney();
  const { id, state, order } = record;
  const [came, setCame] = useState<(number | null)[]>(order.lines.map(() => null));
  const idOf = useIds();
  const open = order.lines.map(({ units: wanted, arrived }) => Math.max(0, Math.round((wanted - arrived) * 1000) / 1000));
  const url = `/api/orders/${id}`;
  return (
    <li className="border-t border-base-content/25 py-2" data-order={state}>
      <OrderState record={record} />
      <ul className="text-sm pl-3">
        {order.lines.map((line, k) => (
          <li key={line.ware} className="flex items-center gap-3">
            <span className="grow">
              {byMetre.has(line.ware) ? `${rollLength(line.units * 1000, unit)} of ${line.name}` : `${line.units} × ${line.name}`}
              {line.price > 0 ? ` at ${money(line.price)}${byMetre.has(line.ware) ? ' a metre' : ''}` : ', price not known yet'}
              {line.arrived > 0 && `, ${line.arrived} received`}
            </span>
            {state === 'ordered' && open[k]! > 0 && (
              <div className="w-56">
                <FigureField
                  label="Received now"
                  name={`came ${id} ${k}`}
                  value={came[k] ?? open[k]!}
                  compact
                  onCommit={(value) => {
                    setCame(came.map((figure, i) => (i === k ? value : figure)));
                    return null;
                  }}
                />
              </div>
            )}
          </li>
        ))}
      </ul>
      <div className="flex gap-2 justify-end">
        {state === 'ordered' && (
          <button
            type="button"
            className="btn btn-sm btn-outline font-normal"
            disabled={busy}
            onClick={() =>
              act(url, { delivery: idOf(open.join()), came: order.lines.map((_, k) => came[k] ?? open[k]!) }, 'Booking it in…')
            }
          >
            Book it in
          </button>
        )}
        {isUnanswered(record) && <Unanswered url={url} busy={busy} act={act} />}
        {state === 'refused' && (
          <button
            type="button"
            className="btn btn-sm btn-outline font-normal"
            disabled={busy}
            onClick={() => act(url, { again: true }, 'Asking the supplier…')}
          >
            Order at these prices
          </button>
        )}
      </div>
    </li>
  );
}

/** What it all costs, as far as prices are known. */
function saysTotal({ lines, total }: BuyView, money: (amount: number) => string): string {
  const unpriced = lines.filter(({ price }) => price === null).length;
  if (unpriced === 0) return `Cheapest that serves: ${money(total)} with carriage.`;
  if (unpriced === lines.length) return 'The store has no prices yet: type them in there.';
  return `${money(total)} with carriage, without the ${unpriced === 1 ? 'one thing' : `${unpriced} things`} that have no price yet.`;
}

/** What to buy for what is cut together: whole ones as they are sold, after the store, from whom, by when; and the orders. */
export function Buy({ scope, store }: { scope: string; store: StoreHook }) {
  const money = useMoney();
  const { view, wrong, busy, look, act } = useBuy(scope);
  const idOf = useIds();
  const byMetre = new Set((store.store?.wares ?? []).flatMap(({ id, sold }) => (sold === 'metre' ? [id] : [])));
  const names = new Map((view?.needs ?? []).map((need) => [need.key, need.name]));
  if (!view) return wrong ? <Wrong message={wrong} /> : <p role="status">Working out what every step uses…</p>;
  const unnamed = [...new Set(view.needs.filter((need) => need.kind === 'cloth' && need.of.trim() === '').flatMap((need) => need.pieces))];
  const suppliers = [...new Set(view.lines.map(({ supplier }) => supplier))].sort();
  return (
    <section aria-label="What to buy" data-settled-buy={busy === null ? 'yes' : 'no'}>
      <p className="text-sm mb-2" role="status">
        {busy ?? `Everything the steps use, less what is in the store. ${saysTotal(view, money)}`}
      </p>
      <Wrong message={wrong} />
      {view.buying.nowhere.length > 0 && (
        <p role="alert" className="text-error text-sm">
          The store has nothing for {view.buying.nowhere.map((key) => names.get(key) ?? key).join(', ')}:{' '}
          <a className="underline" href="/store">
            put it in
          </a>
          , and it is bought with the rest
          {unnamed.map((piece) => (
            <span key={piece}>
              ; the cloth that has no name is chosen{' '}
              <a className="underline" href={`/piece/${piece}?stage=cover`}>
                on the piece’s Cover stage
              </a>
            </span>
          ))}
          .
        </p>
      )}
      {view.lines.length === 0 && view.buying.nowhere.length === 0 && <p>Nothing to buy: the store has everything.</p>}
      {suppliers.map((supplier) => (
        <Supplier
          key={supplier}
          name={supplier}
          lines={view.lines.filter((line) => line.supplier === supplier)}
          fee={store.store?.carriage[supplier] ?? 0}
          busy={busy !== null}
          waiting={view.orders.some((record) => record.supplier === supplier && isUnanswered(record))}
          setFee={(fee) => void store.setCarriage(supplier, fee).then(look)}
          order={(lines) =>
            void act(
              'POST',
              `/api/buy/${encodeURIComponent(scope)}/orders`,
              {
                // Once it stands among the orders, the next one is another.
                id: idOf(`${view.orders.length} ${supplier} ${lines.map(({ ware, short }) => `${ware} ${short}`).join()}`),
                supplier,
                lines: lines.map(({ ware, short }) => ({ ware, units: short })),
              },
              'Asking the supplier…',
            ).then(store.look)
          }
        />
      ))}
      {store.store && <FirePapers papers={firePapers(view.needs, store.store.wares, new Set(view.lines.map(({ ware }) => ware)))} />}
      {view.orders.length > 0 && (
        <section aria-label="Orders">
          <h3 className="font-display text-lg">Orders</h3>
          <ul>
            {view.orders.map((record) => (
              <Order
                key={`${record.id} ${JSON.stringify(record.order)}`}
                record={record}
                busy={busy !== null}
                byMetre={byMetre}
                act={(url, body, doing) => void act('PUT', url, body, doing).then(store.look)}
              />
            ))}
          </ul>
        </section>
      )}
    </section>
  );
}
