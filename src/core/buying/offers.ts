import type { LayGroup } from '../nesting';
import { holds, type KeptStock, type KeptWare } from '../store';
import type { Need } from './needs';

/** Two thicknesses or widths this near are one, mm. */
const SAME = 0.5;

/** Whether a size that is asked for is the one that is sold; a thing that does not say it may be of any. */
const same = (asked: number | null | undefined, sold: number | undefined): boolean =>
  asked === null || asked === undefined || sold === undefined || Math.abs(asked - sold) < SAME;

/** A box of nails is no box of rivets; a thing that does not say what it is of its kind may be any. */
const isSort = (need: Need, ware: KeptWare): boolean => need.of === '' || ware.of === '' || ware.of === need.of;

/** A batten laid on its other side is the same; lengths are what the cuts were laid on. */
function isSection({ width, thickness, length }: Need, ware: KeptWare): boolean {
  const either = (a: number | null, b: number | null): boolean => same(a, ware.width) && same(b, ware.thickness);
  const fits = either(width, thickness) || (ware.thickness === undefined ? either(thickness, null) : either(thickness, width));
  return (width === null || fits) && same(length, ware.length);
}

/** The next length on sale holds; one much longer does not close, or comes through. */
const LONGER = 4;
const isLongEnough = ({ length }: Need, ware: KeptWare): boolean =>
  !length || ware.length === undefined || (ware.length > length - SAME && ware.length <= length + LONGER);

/**
 * Which things of the store could serve a need: of its kind, its material and its thickness; a roll as wide as was planned for.
 *
 * @param need what is needed
 * @param wares of the store
 */
export function waresFor<W extends KeptWare>(need: Need, wares: readonly W[]): W[] {
  const named = need.of.trim().toLowerCase();
  return wares.filter((ware) => {
    if (ware.kind !== need.kind) return false;
    switch (need.kind) {
      case 'foam':
        return (ware.of === need.of || ware.foam?.id === need.of) && Math.abs((ware.thickness ?? 0) - (need.thickness ?? 0)) < SAME;
      case 'cloth':
        return ware.name.trim().toLowerCase() === named && (need.width === null || (ware.width ?? 0) >= need.width - SAME);
      case 'wadding':
        return ware.of === need.of;
      case 'cord':
        return isSort(need, ware) && same(need.thickness, ware.thickness);
      case 'board':
        return ware.of === need.of && same(need.thickness, ware.thickness);
      case 'card':
      case 'hardware':
      case 'spring':
      case 'button':
        return isSort(need, ware);
      case 'batten':
        return isSort(need, ware) && isSection(need, ware);
      case 'webbing':
        return isSort(need, ware) && same(need.width, ware.width);
      case 'zip':
        // Off the reel, or as long or longer: a zip is cut to its length.
        return ware.length === undefined || !need.length || ware.length > need.length - SAME;
      case 'fastener':
        return isSort(need, ware) && same(need.thickness, ware.thickness) && isLongEnough(need, ware);
      case 'glue':
        // One product, as the piece says; nobody sprays half of a pad and brushes the rest.
        return ware.of === need.of || ware.of === '';
      case 'thread':
        return ware.of === need.of || ware.of === '';
      case 'staple':
        return (
          ware.of === '' ||
          ((need.of === '' || ware.of === need.of) && (need.thickness === null || Math.abs((ware.thickness ?? 0) - need.thickness) < SAME))
        );
      default:
        return true;
    }
  });
}

/** What of a group’s material lies in the store and can be cut from: sheets, part rolls, offcuts; the smallest first. */
export function stockFor(
  group: Pick<LayGroup, 'kind' | 'of' | 'thickness' | 'width' | 'key' | 'name'>,
  wares: readonly KeptWare[],
  stock: readonly KeptStock[],
): KeptStock[] {
  const need: Need = { ...group, amount: 0, note: '', pieces: [], group: group.key };
  const item = new Set(waresFor(need, wares).map(({ id }) => id));
  const area = ({ width = 0, length = 0 }: KeptStock): number => width * length;
  return stock.filter(({ ware, count }) => item.has(ware) && count > 0).sort((a, b) => area(a) - area(b) || a.id.localeCompare(b.id));
}

/** How much of its measure is in the store of things that are not laid out. */
export function inStore(ware: KeptWare, stock: readonly KeptStock[]): number {
  return stock
    .filter((candidate) => candidate.ware === ware.id)
    .reduce(
      (sum, result) =>
        sum + (result.form === 'full' ? result.count * (ware.sold === 'metre' ? 1000 : holds(ware)) : (result.length ?? 0) * result.count),
      0,
    );
}
