import { createSearch, leftover, type Lay, type LayBin, type LayGroup } from '../nesting';
import type { KeptStock, KeptWare } from '../store';
import type { FlatOffer } from './program';
import { stockFor, waresFor } from './offers';

/** No shelf is looked through further than this. */
const MOST = 24;

/** What one of a thing is, as something to cut from. */
export function freshBin(ware: KeptWare): LayBin {
  const whole = ware.sold !== 'metre';
  return {
    id: ware.id,
    says: ware.name,
    stock: null,
    ware: ware.id,
    width: ware.width ?? 1000,
    length: whole ? (ware.length ?? 1000) : null,
    flaws: [],
    outline: null,
  };
}

/**
 * What of the store a group can be cut from: offcuts and part rolls first, then what is there as it is sold.
 *
 * @param group what is cut
 * @param wares of the store
 * @param stock of the store
 */
export function stockBins(group: LayGroup, wares: readonly KeptWare[], stock: readonly KeptStock[]): LayBin[] {
  const byId = new Map(wares.map((ware) => [ware.id, ware]));
  const order = { offcut: 0, part: 1, full: 2 };
  return stockFor(group, wares, stock)
    .sort((a, b) => order[a.form] - order[b.form])
    .flatMap((item): LayBin[] => {
      const ware = byId.get(item.ware)!;
      const says = [item.form === 'full' ? ware.name : `${item.form === 'part' ? 'Part roll' : 'Offcut'}, ${ware.name}`, item.place]
        .filter(Boolean)
        .join(' – ');
      // What is washed or steamed first is shorter when it is cut, and its flaws lie nearer.
      const loss = 1 / group.more;
      const flaws = (item.flaws ?? []).map((flaw) => ({ ...flaw, y: flaw.y * loss }));
      const outline = item.outline?.map(([x, y]): [number, number] => [x, y * loss]) ?? null;
      const common = { says, stock: item.id, ware: ware.id, flaws, outline };
      const width = item.width ?? ware.width ?? 1000;
      if (item.form === 'full' && ware.sold === 'metre') return [{ ...common, id: item.id, width, length: item.count * 1000 * loss }];
      const length = (item.length ?? ware.length ?? 1000) * loss;
      const each = item.form === 'full' && ware.sold === 'packet' ? item.count * (ware.each ?? 1) : item.count;
      return Array.from({ length: Math.min(MOST, Math.floor(each)) }, (_, k) => ({
        ...common,
        id: k === 0 ? item.id : `${item.id}-${k + 1}`,
        width,
        length,
      }));
    })
    .slice(0, MOST);
}

/** How much of a bought thing a lay takes: sheets or packets, mm off the roll, with what the cloth loses before it is cut. */
export function boughtBy(lay: Pick<Lay, 'bins' | 'used'>, ware: KeptWare, more = 1): number {
  const fresh = lay.bins.map((bin, k) => ({ bin, used: lay.used[k] ?? 0 })).filter(({ bin, used }) => bin.stock === null && used > 0);
  if (ware.sold === 'metre') return fresh.reduce((sum, { used }) => sum + used, 0) * more;
  return ware.sold === 'packet' ? Math.ceil(fresh.length / (ware.each ?? 1)) : fresh.length;
}

/** How much of the bought sheets or packets a lay leaves that is worth keeping; off the roll nothing is bought to be left. */
function leftBy(lay: Pick<Lay, 'bins' | 'used'>, ware: KeptWare): number {
  if (ware.sold === 'metre') return 0;
  const rests = lay.bins.map((bin, k) => {
    const used = lay.used[k] ?? 0;
    const rest = bin.stock === null && used > 0 ? leftover(bin, used, false) : null;
    return rest ? (rest.length ?? 0) / (bin.length ?? 1) : 0;
  });
  return rests.reduce((sum, rest) => sum + rest, 0) / (ware.sold === 'packet' ? (ware.each ?? 1) : 1);
}

/** A quick look at each thing that would do takes so many tries. */
const TRIES = 12;
/** No more things than this are tried. */
const WARES = 6;

/**
 * What a group would take of each thing that could serve it, after what is in the store: by a quick lay.
 *
 * @param group what is cut
 * @param wares of the store
 * @param stock of the store
 */
export function quickOffers(group: LayGroup, wares: readonly KeptWare[], stock: readonly KeptStock[]): FlatOffer[] {
  const bins = stockBins(group, wares, stock);
  const isOnePiece = group.shapes.every(({ piece }) => piece === group.shapes[0]!.piece);
  // One piece takes what its cut sheet says until another lay is chosen; several laid together, or onto offcuts, never more than that.
  const amountOf = (lay: Lay, ware: KeptWare): number => {
    const found = boughtBy(lay, ware, group.more);
    if (group.planned === null || ware.sold !== 'metre' || ware.width !== group.width) return found;
    const planned = group.planned * group.more;
    return isOnePiece && bins.length === 0 ? planned : Math.min(found, planned);
  };
  const need = { ...group, amount: 0, note: '', pieces: [], group: group.key };
  return waresFor(need, wares)
    .filter((ware) =>
      group.packet
        ? ware.sold === 'packet' && ware.width === group.packet.width && ware.length === group.packet.length
        : ware.sold !== 'packet',
    )
    .slice(0, WARES)
    .flatMap((ware): FlatOffer[] => {
      const search = createSearch({
        shapes: group.shapes,
        stock: bins,
        fresh: freshBin(ware),
        gap: group.gap,
        repeat: group.repeat,
        locked: [],
      });
      search.step(400, TRIES);
      const lay = search.best();
      // What fits on none of it is no offer: another thing, or a join, must serve.
      return lay.left.length > 0 ? [] : [{ ware: ware.id, amount: amountOf(lay, ware), left: leftBy(lay, ware) }];
    });
}

/** What so much of a thing costs: off the roll to the tenth of a metre. */
export function costOf(ware: KeptWare, amount: number): number {
  const units = ware.sold === 'metre' ? Math.ceil(amount / 100 - 1e-9) / 10 : amount;
  return Math.round(ware.price * units * 100) / 100;
}
