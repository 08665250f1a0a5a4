import type { HouseRules } from '../house';
import type { Asked } from './questions';
import { BEYOND, boldest, givesUp, looking, noMoreThan, type Looking, type Saving } from './savings';
import { laddersOf, type Shelf } from './savings-ladders';

/** What becomes of a piece out of a length of cloth that is all there is. */
export type WithinCloth = {
  /** what it takes as it is planned, mm */
  takes: number;
  have: number;
  /** changes with each of which it fits, the mildest first; none where it fits as it is */
  ways: Saving[];
  /** where nothing makes it fit: what is short with everything given up that can be, mm; otherwise nothing */
  short: number;
  /** of the set, so many come out of it as they are planned */
  pieces: number;
};

/** How many of a set come out of a length as they are planned: halved, as each takes more than one fewer. */
function piecesWithin({ piece, house, planner, shelf, tell }: Asked & { shelf?: Shelf | undefined }, have: number): number {
  // Of a set that is measured differently those of its first outline are counted.
  const { variants: _variants, ...rest } = piece;
  void _variants;
  const fits = (count: number): boolean => {
    const fewer = looking({ piece: { ...rest, count }, house, planner, shelf }, tell ? () => tell(1, 1) : () => true);
    return fewer !== null && fewer.bought <= have;
  };
  let [most, tooMany] = [0, piece.count];
  while (tooMany - most > 1) {
    const count = Math.floor((most + tooMany) / 2);
    if (fits(count)) most = count;
    else tooMany = count;
  }
  return most;
}

/** Of each ladder the mildest rung with which the cloth is enough. */
function single(look: Looking, ladders: ReturnType<typeof laddersOf>, lack: number): Saving[] {
  return ladders.flatMap(({ family, trials }): Saving[] => {
    for (const { id, words, change } of trials) {
      if (!look.tell()) return [];
      const apply = change(look.piece);
      const saves = look.saves(apply, family);
      if (saves && saves.money === 0 && saves.cloth >= lack) return [{ id, words: words(look.rule(look.piece)), ...saves, apply }];
    }
    return [];
  });
}

/**
 * What to do where there is only so much cloth: whether it is enough, which single change makes it so, or which together, what is still
 * short with everything given up, and how many of the set come out of it. Source: docs/models.md, "Savings".
 *
 * @param asked the piece, the house, the planner; where the store is given, what its part rolls hold counts as there
 * @param have the length there is, mm
 */
export function withinCloth(asked: Asked & { shelf?: Shelf | undefined }, have: number): WithinCloth | null {
  const { piece, house, tell = () => true, shelf } = asked;
  const ladders = laddersOf(piece, house as HouseRules, shelf);
  const of = 2 * ladders.reduce((sum, { trials }) => sum + trials.length, 0);
  let [tried, wanted] = [0, true];
  const look = looking(asked, () => (wanted &&= tell(Math.min(tried++, of), of)));
  if (!look) return null;
  const takes = look.bought;
  if (takes <= have) return { takes, have, ways: [], short: 0, pieces: piece.count };
  const lack = takes - have;
  const all = single(look, ladders, lack);
  // What gives up more of the same is no choice where less does.
  const ways = all.filter(({ id }) => !all.some((other) => BEYOND[id]?.includes(other.id))).sort((a, b) => givesUp(b) - givesUp(a));
  const pieces = piecesWithin(asked, have);
  if (ways.length > 0) return { takes, have, ways, short: 0, pieces };
  // Cloth is what lacks: a sheet of foam that is saved does not help.
  const best = boldest(look, ladders, ({ cloth }, before) => !before || cloth > before.cloth);
  if (!best || best.saves.cloth < lack) return { takes, have, ways, short: lack - (best?.saves.cloth ?? 0), pieces };
  const { apply, words } = noMoreThan(look, best, ({ cloth }) => cloth >= lack);
  const saves = look.saves(apply)!;
  return { takes, have, ways: [{ id: 'together', words, ...saves, apply }], short: 0, pieces };
}
