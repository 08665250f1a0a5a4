import { CHAIR_PARTS, type ChairPart, type StripItem, type StripRecord } from '../piece';

const PLACE = new Map<ChairPart, number>(CHAIR_PARTS.map(({ id }, i) => [id, i]));

/** A part's name, as it stands in a sentence. */
export function partName(part: ChairPart): string {
  return CHAIR_PARTS.find(({ id }) => id === part)!.name.toLowerCase();
}

/** Which part of the chair a thing was taken off: its own, or the piece itself. */
export function partOf(strip: StripRecord, item: Pick<StripItem, 'part'>): ChairPart | null {
  return strip.part ? (item.part ?? strip.part) : null;
}

/** Whether a part is covered before this piece, after it, or is it; a chair is covered from the deck outwards. */
export function partComes(strip: StripRecord, part: ChairPart | null): 'before' | 'itself' | 'after' {
  if (!part || !strip.part) return 'itself';
  const [value, other] = [PLACE.get(strip.part)!, PLACE.get(part)!];
  return value === other ? 'itself' : other < value ? 'before' : 'after';
}

/** Parts of the chair that a record speaks of and that are not this piece, in the order they go on. */
export function otherParts(strip: StripRecord): { part: ChairPart; name: string; comes: 'before' | 'after'; items: StripItem[] }[] {
  return CHAIR_PARTS.flatMap(({ id: part, name }) => {
    const comes = partComes(strip, part);
    const items = strip.items.filter((item) => partOf(strip, item) === part);
    return comes === 'itself' || items.length === 0 || !strip.part ? [] : [{ part, name, comes, items }];
  });
}

/** Two things that were put down as having come off the wrong way round: what lies over the other comes off first. */
export type OutOfTurn = { item: StripItem; over: StripItem; words: string };

/**
 * What cannot have come off in the order it was put down: a part whose edge lies under another's was taken off before it.
 *
 * @param strip the record
 * @returns of each such thing the first that should have come off earlier
 */
export function outOfTurn(strip: StripRecord): OutOfTurn[] {
  if (!strip.part) return [];
  return strip.items.flatMap((item, i): OutOfTurn[] => {
    const value = PLACE.get(partOf(strip, item)!)!;
    const over = strip.items.slice(i + 1).find((later) => PLACE.get(partOf(strip, later)!)! > value);
    if (!over) return [];
    const [above, below] = [partName(partOf(strip, over)!), partName(partOf(strip, item)!)];
    return [{ item, over, words: `Take the ${above} off before the ${below}` }];
  });
}

/** The record in an order it can have come off: the outermost part first, within a part as it was put down. */
export function inTurn(strip: StripRecord): StripItem[] {
  if (!strip.part) return [...strip.items];
  const place = (item: StripItem): number => PLACE.get(partOf(strip, item)!)!;
  return strip.items
    .map((item, i) => ({ item, i }))
    .sort((a, b) => place(b.item) - place(a.item) || a.i - b.i)
    .map(({ item }) => item);
}

/** What is said where this piece's cloth is trimmed: what shares a rebate with a later part waits for that one. */
export function rebateWords(strip: StripRecord | undefined): string {
  const next = strip && otherParts(strip).find(({ comes }) => comes === 'after');
  return next ? ` Not where the cloth of the ${next.name.toLowerCase()} comes into the same rebate: there once that is on.` : '';
}
