'use client';

import { useEffect, useState } from 'react';
import { boughtBy, costOf } from '@/core/buying';
import { CUT_TOOLS, leftover, scoreOf, toKeep, type Lay, type LayBound, type LayGroup } from '@/core/nesting';
import { rollLength, saidLength, type Unit } from '@/core/length';
import { polygonArea } from '@/core/outline';
import { SOLD_AS, wareKind, type KeptWare } from '@/core/store';
import type { LayRecord } from '@/data/lays';
import { foamColour } from '@/ui/drawing/materials';
import { ChoiceField, TickField } from '@/ui/kit/fields/fields';
import { Wrong } from '@/ui/kit/fields/lists';
import { useLength, useMoney, useSettings } from '@/ui/kit/settings';
import { saysSold } from '@/ui/store/says';
import type { StoreData } from '@/ui/store/use-store';
import { LayBoard } from './lay-board';
import { useLay, type LayHook } from './use-lay';
import { SECONDS } from './use-lay-search';

/** Many materials are laid at once when a page is opened: each by one worker, for so long, seconds. */
const FIRST_LOOK = 2;

/** A lay that was kept, and whether the pieces have changed since. */
export type KeptRecord = LayRecord & { stale: boolean };

const FILLS: Record<string, string> = {
  cloth: '#c9838a',
  lining: '#d8d0be',
  wadding: '#efe7d6',
  dust: '#b7b1a5',
  film: '#dfe6e4',
  waterproof: '#b9c6c4',
};

/** What a lay comes to: what is bought for it, how much of what is cut is used. */
export function useLaySays(group: LayGroup): (lay: Pick<Lay, 'bins' | 'used' | 'left'>, ware: KeptWare | undefined) => string {
  const { unit } = useSettings();
  const area = group.shapes.reduce((sum, { outline }) => sum + Math.abs(polygonArea(outline)), 0);
  return (lay, ware) => {
    const taken = lay.bins.reduce((sum, bin, k) => {
      const used = lay.used[k] ?? 0;
      return sum + (used > 0 ? bin.width * (bin.stock === null && bin.length !== null ? bin.length : used) : 0);
    }, 0);
    const parts = lay.bins.filter(({ stock }, k) => stock !== null && (lay.used[k] ?? 0) > 0).length;
    const bought = ware ? boughtBy(lay, ware, group.more) : 0;
    const buys =
      !ware || bought <= 0
        ? 'nothing to buy'
        : ware.sold === 'metre'
          ? `${rollLength(bought, unit)} to buy`
          : `${bought} ${bought === 1 ? ware.sold : SOLD_AS.find(({ id }) => id === ware.sold)!.many} to buy`;
    return [
      buys,
      ...(parts > 0 ? [`${parts} from the store`] : []),
      `${Math.round((100 * area) / Math.max(1, taken))} % used`,
      ...leaves(lay, group, unit),
      ...(lay.left.length > 0 ? [`${lay.left.length} fit nowhere`] : []),
    ].join(', ');
  };
}

/** What a lay leaves that is worth keeping: parts of rolls by their length, sheets by the rest of them. */
function leaves(lay: Pick<Lay, 'bins' | 'used'>, group: LayGroup, unit: Unit): string[] {
  const isRoll = wareKind(group.kind).measure === 'length';
  const rests = lay.bins.flatMap((bin, k) => {
    const used = lay.used[k] ?? 0;
    const rest = used > 0 ? leftover(bin, used, isRoll) : null;
    return rest ? [rest] : [];
  });
  if (rests.length === 0) return [];
  const longest = rests.reduce((best, leftover) => ((leftover.length ?? 0) > (best.length ?? 0) ? leftover : best));
  const says = isRoll
    ? saidLength(longest.length ?? 0, unit)
    : `${saidLength(longest.width ?? 0, unit)} × ${saidLength(longest.length ?? 0, unit)}`;
  return [`leaves ${says}${rests.length > 1 ? ` and ${rests.length - 1} smaller` : ''}`];
}

/** How far a lay is from what could at best be. */
function Bound({ lay, bound }: { lay: Lay; bound: LayBound }) {
  const { unit } = useSettings();
  const [, fresh, length] = scoreOf(lay);
  if (bound.length > 0 && fresh <= 1)
    return (
      <>
        {'; '}
        {rollLength(length, unit)}; no lay is shorter than {rollLength(bound.length, unit)}
      </>
    );
  return fresh > 0 && bound.fresh > 0 ? <>; no lay takes fewer than {bound.fresh}</> : null;
}

function Looking({ lay: item }: { lay: LayHook }) {
  const { search, lay } = item;
  return (
    <div className="flex items-center gap-2 flex-wrap text-sm" aria-live="polite">
      {search.running ? (
        <>
          <progress className="progress w-32" value={search.done} aria-label="Time left" />
          <button type="button" className="btn btn-sm btn-outline font-normal" onClick={search.stop}>
            Stop, keep the best
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-sm btn-primary" onClick={() => item.look(SECONDS)}>
          {lay ? 'Look for a better one' : 'Lay it out'}
        </button>
      )}
      <span data-tried={search.tried}>
        {search.tried > 0 && `${search.tried} tried`}
        {lay && search.best && <Bound lay={lay} bound={search.best.bound} />}
      </span>
      {search.wrong && <span className="text-error">{search.wrong}</span>}
    </div>
  );
}

/** What a piece that is chosen can be asked. */
function ChosenPiece({ lay: item }: { lay: LayHook }) {
  const say = useLength();
  const place = item.lay?.places.find(({ key }) => key === item.chosen);
  if (!place)
    return <p className="text-xs">Drag a part or use the arrow keys. R turns it, L locks it in place; hold Alt to stop it snapping.</p>;
  return (
    <p className="text-sm flex items-center gap-2 flex-wrap" data-chosen={place.key}>
      {say(place.x)} from the edge, {say(place.y)} along
      <button type="button" className="btn btn-xs btn-outline font-normal" disabled={place.locked} onClick={() => item.hands.turn(place)}>
        Turn (R)
      </button>
      <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => item.hands.lock(place)}>
        {place.locked ? 'Unlock (L)' : 'Lock in place (L)'}
      </button>
    </p>
  );
}

type KeptProps = {
  group: LayGroup;
  lays: readonly KeptRecord[];
  wares: readonly KeptWare[];
  onShow: (lay: Lay) => void;
  act: (id: string, what: 'choose' | 'cut' | 'remove') => void;
};

/** Lays that were kept, side by side: what each costs and leaves. */
function KeptLays({ group, lays, wares, onShow, act }: KeptProps) {
  const money = useMoney();
  const says = useLaySays(group);
  if (lays.length === 0) return null;
  return (
    <section aria-label="Saved lays" className="border-t border-base-content/25 pt-2 mt-2">
      <h4 className="font-semibold text-sm">Saved lays</h4>
      <ul className="text-sm">
        {lays.map(({ id, lay, chosen, stale, cutAt }) => {
          const ware = wares.find((one) => lay.bins.some((bin) => bin.stock === null && bin.ware === one.id));
          return (
            <li key={id} className="flex items-center gap-2 flex-wrap py-0.5" data-kept={id}>
              <button type="button" className="underline cursor-pointer text-left" disabled={stale} onClick={() => onShow(lay)}>
                {lay.name}
              </button>
              <span>
                {says(lay, ware)}
                {lay.cost > 0 ? `, ${money(lay.cost)}` : ''}
              </span>
              {chosen && !stale && <strong>in use</strong>}
              {stale && <strong className="text-warning">out of date: the pieces, or the store, have changed</strong>}
              {cutAt && <strong>cut</strong>}
              <span className="ml-auto flex gap-1">
                {!chosen && !stale && !cutAt && (
                  <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => act(id, 'choose')}>
                    Use this lay
                  </button>
                )}
                {chosen && !stale && !cutAt && (
                  <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => act(id, 'cut')}>
                    Mark as cut
                  </button>
                )}
                <button type="button" className="btn btn-xs btn-ghost font-normal" onClick={() => act(id, 'remove')}>
                  Delete
                </button>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What fits nowhere, loudly, with the nearest ways out. */
function FitsNowhere({ group, left }: { group: LayGroup; left: readonly string[] }) {
  const say = useLength();
  const names = [...new Set(left.map((key) => group.shapes.find((shape) => shape.key === key)?.label ?? key))];
  return (
    <p role="alert" className="text-error font-semibold text-sm">
      {names.join(', ')}: {left.length === 1 ? 'fits' : 'fit'} on nothing that is sold
      {group.width === null ? '' : `, ${say(group.width)} wide`}. Join it from parts on Padding, turn the cloth, or put a wider one into the
      store.
    </p>
  );
}

/** What a material is cut from: as what it is bought, with which tool, and whether the store comes first. */
function CutFrom({ group, lay: item }: { group: LayGroup; lay: LayHook }) {
  const { unit } = useSettings();
  return (
    <>
      <div className="flex gap-4 items-center flex-wrap">
        {item.offered.length > 0 && (
          <ChoiceField
            label="Bought as"
            value={item.ware.id}
            options={item.offered.map((one) => ({ id: one.id, name: `${one.name} – ${saysSold(one, unit)}` }))}
            onChange={item.setWare}
          />
        )}
        {group.kind === 'foam' && <ChoiceField label="Cut with" value={item.tool} options={CUT_TOOLS} onChange={item.setTool} />}
        <TickField label="From the store first" checked={item.fromStock} onChange={item.setFromStock} />
      </div>
      {item.offered.length === 0 && (
        <p className="text-sm text-warning">
          The store does not know it.{' '}
          <a className="underline" href="/store">
            Add it to the store
          </a>
          , and it can be bought.
        </p>
      )}
    </>
  );
}

type PanelProps = {
  group: LayGroup;
  store: StoreData;
  lays: readonly KeptRecord[];
  /** what the pieces of the floor are called, by their ids */
  names: ReadonlyMap<string, string>;
  keep: (lay: ReturnType<typeof toKeep>) => Promise<string | null>;
  act: KeptProps['act'];
};

/** One material of what is cut together: its lay, what it is cut from, and the lays that were kept. */
export function LayPanel({ group, store, lays, names, keep, act }: PanelProps) {
  const item = useLay(group, store);
  const { lay, faults, ware } = item;
  const says = useLaySays(group);
  const [message, setMessage] = useState<string | null>(null);
  const { look } = item;
  // The first lay is there as soon as somebody looks; the one that was chosen is shown where there is one.
  const [begun, setBegun] = useState(false);
  useEffect(() => {
    if (begun) return;
    setBegun(true);
    const known = lays.find(({ chosen, stale }) => chosen && !stale);
    if (known) item.show(known.lay);
    else look(FIRST_LOOK, 1);
  }, [begun, lays, item, look]);
  const save = async () => {
    if (!lay) return;
    const cost = costOf(ware, boughtBy(lay, ware, group.more));
    setMessage(await keep(toKeep(lay, { name: `Lay ${lays.length + 1}`, group: group.key, tool: item.tool, cost })));
  };
  return (
    <section aria-label={group.name} className="border-t-2 border-base-content/40 pt-3 pb-4" data-group={group.key}>
      <div className="flex items-baseline gap-3 flex-wrap">
        <h3 className="font-display text-lg">{group.thickness === null ? group.name : `${group.name}, ${group.thickness} mm`}</h3>
        {lay && (
          <p className="text-sm" data-says>
            {says(lay, ware)}
          </p>
        )}
      </div>
      <CutFrom group={group} lay={item} />
      <Looking lay={item} />
      {lay && lay.left.length > 0 && <FitsNowhere group={group} left={lay.left} />}
      {faults.length > 0 && (
        <p role="alert" className="text-sm text-error">
          {faults.length === 1 ? 'One piece lies' : `${faults.length} pieces lie`} as it cannot be cut: move it until its edge is no longer
          red and dashed.
        </p>
      )}
      {lay && (
        <>
          <LayBoard
            group={group}
            lay={lay}
            faults={faults}
            chosen={item.chosen}
            fill={group.kind === 'foam' ? foamColour(group.of) : (FILLS[group.kind] ?? '#d8d0be')}
            hands={item.hands}
            names={names}
          />
          <ChosenPiece lay={item} />
          <button
            type="button"
            className="btn btn-sm btn-outline font-normal mt-1"
            disabled={faults.length > 0}
            onClick={() => void save()}
          >
            Save this lay
          </button>
          <Wrong message={message} />
        </>
      )}
      <KeptLays group={group} lays={lays} wares={store.wares} onShow={item.show} act={act} />
    </section>
  );
}
