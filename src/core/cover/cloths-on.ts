import { CLOTH } from '../piece/schema/cloth';
import { defaultsOf, SECOND_PARTS, type Cloth, type CutCloth, type CutCloths, type Piece, type SecondPart } from '../piece';

/**
 * The parts that are cut from the second cloth; none where the piece has no second cloth.
 *
 * @param piece of the document
 */
export function secondParts({ second, covering }: Pick<CutCloths, 'second'> & Pick<Piece, 'covering'>): ReadonlySet<string> {
  return new Set<string>(second ? (covering.secondOn ?? []) : []);
}

/**
 * Which cloth a part is cut from.
 *
 * @param piece of the document
 * @param of what a cloth piece says of itself
 */
export function clothFor<C extends CutCloth>({ cloth, second }: { cloth: C; second?: C | null }, of: 'cover' | 'second' | 'lining'): C {
  return of === 'second' ? (second ?? cloth) : cloth;
}

/**
 * The parts of a cover that could be cut from a second cloth: what it is made of, and its welts.
 *
 * @param roles of its pieces
 * @param welted whether it has welts
 */
export function partsOffered(roles: readonly string[], welted: boolean): { id: SecondPart; name: string }[] {
  return SECOND_PARTS.filter(({ id }) => (id === 'welt' ? welted : roles.includes(id) || (id === 'band' && roles.includes('zip'))));
}

/** What a piece is cut from, where that is not the cover's own cloth. */
export const OF_CLOTH = { cover: '', second: ' of the second cloth', lining: ' of lining cloth' } as const;

/**
 * A second cloth as it is first taken, and what it is first used on: its welts where a cover has some, the part under its
 * top otherwise.
 *
 * @param offered the parts that could be cut from it
 */
export function firstSecond(offered: readonly { id: SecondPart }[]): { second: Cloth; on: SecondPart[] } {
  const first = offered.find(({ id }) => id === 'welt') ?? offered.find(({ id }) => id !== 'top') ?? offered[0];
  return { second: { ...defaultsOf(CLOTH), name: 'Plain wool, second', pull: 'smooth', colour: 'oat' }, on: first ? [first.id] : [] };
}

/**
 * How much longer the pieces of a sewn cover are cut for what their seams take up: feed and thread draw a seam in, a circle
 * comes out small. The strip that was sewn says by how much.
 *
 * @param covering of the document
 * @returns a factor, 1 where nobody has tried
 */
export function seamTakeUp({ seamSwatch }: Pick<Piece['covering'], 'seamSwatch'>): number {
  return seamSwatch ? seamSwatch.before / seamSwatch.after : 1;
}
