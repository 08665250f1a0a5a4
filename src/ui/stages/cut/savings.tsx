'use client';

import { useEffect, useMemo } from 'react';
import { inUnit, rollLength } from '@/core/length';
import { savedAlready, type Saving } from '@/core/plan';
import { useMoney, useSettings } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/worker/use-job';
import { useStore } from '@/ui/store/use-store';
import { usePiece, usePlan, useSheet } from '@/ui/sheet/store';
import { OnlySoMuch } from './only-so-much';

/** What a saving saves, as it is said. */
function useSaid(): (saving: Saving) => string {
  const { unit } = useSettings();
  const say = useMoney();
  return ({ cloth, sheets, money }) =>
    [
      ...(money > 0 ? [say(money)] : []),
      ...(cloth > 0 ? [`${rollLength(cloth, unit)} of cloth`] : []),
      ...(sheets > 0 ? [sheets === 1 ? 'a sheet of foam' : `${sheets} sheets of foam`] : []),
    ].join(' and ');
}

/** What was saved without asking: said, and taken back by one press. */
function Already() {
  const piece = usePiece();
  const plan = usePlan();
  const apply = useSheet((state) => state.apply);
  const { unit } = useSettings();
  if (!plan) return null;
  return savedAlready(piece, plan).map(({ id, words, otherwise, takeBack, without }) => (
    <p key={id} className="text-sm pt-1" data-saved={id}>
      {words} {rollLength(otherwise, unit)} of the roll.
      <button type="button" className="btn btn-sm btn-outline font-normal mt-1 block" onClick={() => apply(without)}>
        {takeBack}
      </button>
    </p>
  ));
}

/** Ways to buy less, looked for by themselves: what each saves, what it gives up, done on request. */
export function Savings() {
  const piece = usePiece();
  const house = useSheet((state) => state.house);
  const apply = useSheet((state) => state.apply);
  const { unit } = useSettings();
  const { store, wrong: unread } = useStore();
  const label = useSaid();
  const shelf = useMemo(() => (store ? { wares: store.wares, stock: store.stock } : null), [store]);
  const { start, stop, running, done, wrong, answer } = useJob('savings');
  useEffect(() => {
    if (!store && !unread) return;
    start({ piece, house, ...(shelf ? { shelf } : {}) });
    return stop;
  }, [piece, house, store, shelf, unread, start, stop]);
  return (
    <section aria-label="Ways to save" className="pt-3 mt-3 border-t border-base-content/25">
      <h3 className="font-semibold text-sm">Ways to save</h3>
      <Already />
      {running && (
        <p className="text-xs flex items-center gap-2" role="status">
          Laying it out in other ways… <progress className="progress w-20" value={done} aria-label="Ways tried" />
        </p>
      )}
      {wrong && <p className="text-xs text-error">{wrong}</p>}
      {!running && answer?.length === 0 && <p className="text-xs">No worthwhile saving found.</p>}
      {!running && (
        <ul className="space-y-2 pt-1">
          {answer?.map((saving) => (
            <li key={saving.id} className="text-sm border-l-3 border-secondary pl-2" data-saving={saving.id}>
              <strong>Saves {label(saving)}.</strong> {inUnit(saving.words, unit)}
              <button type="button" className="btn btn-sm btn-outline font-normal mt-1 block" onClick={() => apply(saving.apply)}>
                Do this
              </button>
            </li>
          ))}
        </ul>
      )}
      <OnlySoMuch shelf={shelf} />
    </section>
  );
}
