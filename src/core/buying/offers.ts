import type { LayGroup } from '../lay';
import { holds, type KeptStock, type KeptWare } from '../store';
import type { Need } from './needs';

/** Two thicknesses or widths this near are one, mm. */
const SAME = 0.5;
/** Cord is called by what it is near to, mm. */
const CORD = 1.1;

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
        return need.thickness === null || Math.abs((ware.thickness ?? 0) - need.thickness) < CORD;
      case 'card':
      case 'spring':
      case 'batten':
      case 'button':
        // Clips are no springs, and a plank is no batten: by the word that they are called by.
        return ware.name.toLowerCase().startsWith(need.name.toLowerCase().split(' ')[0]!.replace(/s$/, ''));
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
  const own = new Set(waresFor(need, wares).map(({ id }) => id));
  const area = ({ width = 0, length = 0 }: KeptStock): number => width * length;
  return stock.filter(({ ware, count }) => own.has(ware) && count > 0).sort((a, b) => area(a) - area(b) || a.id.localeCompare(b.id));
}

/** How much of its measure is in the store of things that are not laid out. */
export function inStore(ware: KeptWare, stock: readonly KeptStock[]): number {
  return stock
    .filter((own) => own.ware === ware.id)
    .reduce(
      (sum, own) => sum + (own.form === 'full' ? own.count * (ware.sold === 'metre' ? 1000 : holds(ware)) : (own.length ?? 0) * own.count),
      0,
    );
}
