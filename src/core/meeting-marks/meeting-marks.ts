import { partWords, pointOnEdge, type Outline, type Point } from '../outline';
import type { StripRecord } from '../piece';

/** A mark on cover and base that must meet again: its letter, where it lies on the base's edge, and in words. */
export type Meeting = { id: string; letter: string; at: Point; words: string };

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ';

/** The letter of the k-th mark; I and O are left out: on cloth they are a one and a nothing. */
export const letterOf = (k: number): string =>
  LETTERS[k % LETTERS.length]! + (k >= LETTERS.length ? String(Math.floor(k / LETTERS.length) + 1) : '');

const SIDEWAYS = new Set(['front', 'back', 'bottom', 'top']);

/**
 * The marks of a strip record where they lie on the base; one on an edge that the base no longer has is left out.
 *
 * @param strip the record
 * @param outline of the base
 */
export function meetings(strip: Pick<StripRecord, 'meet'> | undefined, outline: Outline): Meeting[] {
  return (strip?.meet ?? []).flatMap(({ id, name, edge, along }, k): Meeting[] => {
    const at = pointOnEdge(outline, edge, along);
    if (!at) return [];
    const mm = Math.abs(Math.round(along * 10) / 10);
    const [more, less] = SIDEWAYS.has(edge.name) ? ['right', 'left'] : ['behind', 'before'];
    const where = mm === 0 ? 'in the middle' : `${mm} mm ${along > 0 ? more : less}${more === 'right' ? ' of the middle' : ' the middle'}`;
    return [{ id, letter: letterOf(k), at, words: `${name.trim() ? `${name.trim()}, ` : ''}${partWords(edge)}, ${where}` }];
  });
}

/** What is looked at before anything is driven home. */
export function meetAgain(marks: readonly Meeting[]): string {
  return marks.length > 0
    ? ` Then the marks of the old cover: ${marks.map(({ letter, words }) => `${letter} on ${letter}, ${words}`).join('; ')}.`
    : '';
}
