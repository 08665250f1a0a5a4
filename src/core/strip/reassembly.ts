import type { ChairPart, StripItem, StripRecord } from '../piece';
import { inTurn, partOf } from './chair-parts';

/** One step of putting back what came off: the reverse order, with what is replaced by new. */
export type RefitStep = {
  item: StripItem;
  part: ChairPart | null;
  again: Exclude<StripItem['again'], 'leave-off' | 'stays'>;
  words: string;
};

const SIZES = (item: StripItem): string =>
  [
    item.crown > 0 ? `crown ${item.crown} mm` : '',
    item.leg > 0 ? `leg ${item.leg} mm` : '',
    item.thickness > 0 ? `${item.thickness} mm thick` : '',
  ]
    .filter(Boolean)
    .join(', ');

/**
 * The order of reassembly: what came off last goes on first, of several parts of a chair the innermost first; what is not wanted again is left out, and what stayed in never came off.
 *
 * @param strip the record, in the order things came off
 */
export function reassembly(strip: StripRecord | undefined): RefitStep[] {
  if (!strip) return [];
  return inTurn(strip)
    .reverse()
    .flatMap((item): RefitStep[] => {
      const { again } = item;
      if (again === 'leave-off' || again === 'stays') return [];
      const sizes = SIZES(item);
      const words = [
        `${item.count > 1 ? `${item.count} × ` : ''}${item.name}${again === 'replace' ? ', new' : ''}`,
        item.where,
        again === 'refit' ? '' : sizes,
      ]
        .filter(Boolean)
        .join('; ');
      return [{ item, part: partOf(strip, item), again, words }];
    });
}
