import { writeScope } from '../../core/job';
import type { ChosenLengths } from '../../core/sizes';
import { database } from '../../data/database';
import { listLays } from '../../data/lays';
import type { PieceRecord } from '../../data/pieces';
import { isStale } from './stale';

/**
 * What is bought of each roll by the lays that were chosen for a piece as it is now.
 *
 * @param record a piece on the floor
 * @returns mm by the key of the size line; nothing of a lay that leaves something out, or was made for another revision
 */
export function chosenLengths(record: Pick<PieceRecord, 'id' | 'revision'>): ChosenLengths {
  const lays = listLays(database(), writeScope({ jobs: [], piece: record.id }));
  const current = lays.filter((found) => found.chosen && found.lay.left.length === 0 && !isStale(found, [record]));
  return Object.fromEntries(current.flatMap(({ lay: { bought } }) => (bought ? [[bought.line, bought.length]] : [])));
}
