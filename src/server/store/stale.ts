import { database } from '../../data/database';
import type { LayRecord } from '../../data/lays';
import type { PieceRecord } from '../../data/pieces';
import { listStock } from '../../data/store';

/** Whether a lay is out of date: its pieces have other revisions now, or what it lies on has left the store. One that was cut is not. */
export function isStale(
  { lay, cutAt }: Pick<LayRecord, 'lay' | 'cutAt'>,
  pieces: readonly Pick<PieceRecord, 'id' | 'revision'>[],
): boolean {
  if (cutAt !== null) return false;
  const now = new Map(pieces.map(({ id, revision }) => [id, revision]));
  if (Object.entries(lay.revisions).some(([id, revision]) => now.get(id) !== revision)) return true;
  const there = new Set(listStock(database()).map(({ id }) => id));
  return lay.bins.some(({ stock }, k) => stock !== null && (lay.used[k] ?? 0) > 0 && !there.has(stock));
}
