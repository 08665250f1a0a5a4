import type { StripItem } from '../core/piece';

/** A thing that came off, as a test needs it: a cover piece that goes back on unless it says otherwise. */
export function stripItem(id: string, more: Partial<StripItem> = {}): StripItem {
  return {
    id,
    what: 'cover',
    name: id,
    where: '',
    count: 1,
    crown: 0,
    leg: 0,
    thickness: 0,
    again: 'refit',
    photos: [],
    ...more,
  };
}
