'use client';

import { useMemo, useState } from 'react';
import { freshBin, stockBins, waresFor, type Need } from '@/core/buying';
import {
  gapOf,
  isBetter,
  layFaults,
  snapped,
  turnedOn,
  withPlace,
  type CutTool,
  type Lay,
  type LayFault,
  type LayGroup,
  type LayPlace,
  type LayTask,
} from '@/core/nesting';
import type { KeptWare } from '@/core/store';
import type { StoreData } from '@/ui/store/use-store';
import type { LayHands } from './lay-board';
import { useLaySearch } from './use-lay-search';

const needOf = (group: LayGroup): Need => ({ ...group, amount: 0, note: '', pieces: [], group: group.key });

/** The things of the store that a group can be cut from. */
export function choices(group: LayGroup, wares: readonly KeptWare[]): KeptWare[] {
  return waresFor(needOf(group), wares).filter((ware) => (group.packet === null ? ware.sold !== 'packet' : ware.sold === 'packet'));
}

/** What is cut from where nobody sells it: a roll as wide as was planned for, a sheet as they are mostly sold. */
function unnamed(group: LayGroup): KeptWare {
  const size = group.packet ?? { width: group.width ?? 1000, length: 2000, each: 1 };
  return {
    id: 'unnamed',
    kind: group.kind,
    name: group.name,
    of: group.of,
    sold: group.packet ? 'packet' : group.width === null ? 'sheet' : 'metre',
    ...size,
    price: 0,
    supplier: '',
    lead: 0,
  };
}

/** What is laid and from what, as it was chosen. */
function useTask(
  group: LayGroup,
  store: StoreData,
  { ware, gap, fromStock }: { ware: KeptWare; gap: number; fromStock: boolean },
): LayTask {
  return useMemo(
    () => ({
      shapes: group.shapes,
      stock: fromStock ? stockBins(group, store.wares, store.stock) : [],
      fresh: ware.id === 'unnamed' ? { ...freshBin(ware), ware: null } : freshBin(ware),
      gap,
      repeat: group.repeat,
      locked: [],
    }),
    [group, store, ware, gap, fromStock],
  );
}

/** One material’s lay: looked for, moved by hand, held, turned; and what of the store it is cut from. */
export function useLay(group: LayGroup, store: StoreData) {
  const search = useLaySearch();
  const offered = useMemo(() => choices(group, store.wares), [group, store.wares]);
  const [wareId, setWare] = useState<string | null>(null);
  const ware = offered.find(({ id }) => id === wareId) ?? offered[0] ?? unnamed(group);
  const [tool, setTool] = useState<CutTool>('house');
  const [fromStock, setFromStock] = useState(true);
  const [item, setOwn] = useState<Lay | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const gap = gapOf(group.kind === 'foam' ? tool : 'house', group.gap);
  const task = useTask(group, store, { ware, gap, fromStock });
  const found = search.best?.lay ?? null;
  // What was moved by hand stands until something better is found that leaves it where it is held.
  const lay = item && (!found || !isBetter(found, item)) ? item : found;
  const faults = useMemo(
    (): LayFault[] => (lay ? layFaults(group.shapes, lay.bins, lay.places, { gap, repeat: group.repeat, all: false }) : []),
    [lay, group, gap],
  );
  const byKey = useMemo(() => new Map(group.shapes.map((shape) => [shape.key, shape])), [group]);
  const put = (place: LayPlace): void => {
    if (!lay) return;
    search.stop();
    setOwn(withPlace(lay, group.shapes, place));
    // A lay that is worse by the hand that moved it is still that hand's.
    search.forget();
  };
  const hands: LayHands = {
    choose: setChosen,
    move: (place, snap) => {
      if (!lay) return;
      const others = lay.places
        .filter(({ key, bin }) => key !== place.key && bin === place.bin)
        .map((one) => ({ place: one, shape: byKey.get(one.key)! }));
      put(snap ? snapped(byKey.get(place.key)!, place, { bin: lay.bins[place.bin]!, others, gap, repeat: group.repeat }) : place);
    },
    turn: (place) => put(turnedOn(byKey.get(place.key)!, place)),
    lock: (place) => put({ ...place, locked: !place.locked }),
  };
  /** What is cut from is another: what was laid is no lay any more. */
  const anew = (change: () => void): void => {
    change();
    setOwn(null);
    search.forget();
  };
  const look = (seconds?: number, most?: number): void => {
    // Only what is held is kept; what lies as it cannot be cut gives way at once.
    const locked = lay?.places.filter((place) => place.locked) ?? [];
    if (faults.length > 0) setOwn(null);
    search.start({ ...task, locked }, seconds, most);
  };
  return {
    search,
    lay,
    faults,
    chosen,
    hands,
    look,
    ware,
    offered,
    tool,
    gap,
    fromStock,
    /** shows a lay that was kept */
    show: (saved: Lay) => {
      search.stop();
      search.forget();
      setOwn(saved);
    },
    setWare: (id: string) => anew(() => setWare(id)),
    setTool: (next: CutTool) => anew(() => setTool(next)),
    setFromStock: (next: boolean) => anew(() => setFromStock(next)),
  };
}
export type LayHook = ReturnType<typeof useLay>;
