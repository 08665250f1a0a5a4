'use client';

import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { Price } from '@/core/price';
import { Wrong } from '@/ui/kit/fields/lists';
import { UNREACHED } from '@/ui/kit/api';
import { useMoney } from '@/ui/kit/settings';

/** What a price is made of: the work on every piece, and every material. */
function MadeOf({ price }: { price: Price }) {
  const money = useMoney();
  return (
    <>
      <h2 className="font-display text-lg">Work</h2>
      <table className="text-sm w-full mb-4" aria-label="Work">
        <tbody>
          {price.work.map(({ id, name, count, minutes }) => (
            <tr key={id} className="border-t border-base-content/15">
              <td className="py-1">{count > 1 ? `${count} × ${name}` : name}</td>
              <td className="py-1 text-right tabular-nums">{minutes} min each</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2 className="font-display text-lg">Materials</h2>
      <table className="text-sm w-full" aria-label="Materials">
        <tbody>
          {price.things.map(({ name, cost }, k) => (
            <tr key={`${name} ${k}`} className="border-t border-base-content/15">
              <td className="py-1">{name}</td>
              <td className="py-1 text-right tabular-nums">{money(cost)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** What a job, several, or one piece come to: materials, time and margin, each with what it is made of. */
export function PriceTable({ scope }: { scope: string }) {
  const money = useMoney();
  const [price, setPrice] = useState<Price | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    const end = new AbortController();
    fetch(`/api/price/${encodeURIComponent(scope)}`, { signal: end.signal })
      .then(async (response) => {
        const data = (await response.json()) as { price?: Price; message?: string };
        if (response.ok && data.price) setPrice(data.price);
        else setWrong(data.message ?? 'The price could not be calculated.');
      })
      .catch(() => {
        if (!end.signal.aborted) setWrong(UNREACHED);
      });
    return () => end.abort();
  }, [scope]);
  if (!price) return wrong ? <Wrong message={wrong} /> : <p role="status">Working out the price…</p>;
  return (
    <section aria-label="Price" data-settled-price="yes" className="grid grid-cols-2 gap-10 upright:grid-cols-1">
      <div>
        <table className="text-sm w-full" aria-label="Price">
          <tbody>
            {price.lines.map(({ key, label, amount, note }) => (
              <tr key={key} className="border-t border-base-content/25 align-top" data-price={key}>
                <td className="py-1.5">
                  {label}
                  <span className="block text-xs">{note}</span>
                </td>
                <td className="py-1.5 text-right tabular-nums">{money(amount)}</td>
              </tr>
            ))}
            <tr className="border-t-2 border-base-content/60" data-price="total">
              <th scope="row" className="py-1.5 text-left font-display text-lg">
                Price
              </th>
              <td className="py-1.5 text-right tabular-nums font-display text-lg">{money(price.total)}</td>
            </tr>
          </tbody>
        </table>
        {price.unpriced.length > 0 && (
          <p role="alert" className="text-sm text-error pt-2">
            The store has no price for {price.unpriced.join(', ')}: the price is too low by it.{' '}
            <Link className="underline" href="/store">
              Put it in
            </Link>
          </p>
        )}
        <p className="text-sm pt-2">
          Hourly rate, consumables, credit for leftovers and margin are{' '}
          <Link className="underline" href="/house">
            house rules
          </Link>
          . Stock from the store is charged at its price.
        </p>
      </div>
      <div>
        <MadeOf price={price} />
      </div>
    </section>
  );
}
