import type { Section } from '../core/build';
import type { Piece } from '../core/piece';
import { listTicks, serialOf } from '../data/bench';
import type { Db } from '../data/database';
import { listPieces } from '../data/pieces';
import { getHouse } from '../data/settings';
import { planning } from './planning';

/** A row of the floor: the piece, a true section of it, how far it has come. */
export type FloorRow = {
  id: string;
  piece: Piece;
  /** null where the house rules no longer suit the piece */
  look: { section: Section | null; size: { width: number; depth: number } } | null;
  /** the step in hand, and the number of a finished job in the log */
  step: string | null;
  serial: string | null;
  done: number;
  of: number;
};

/**
 * Everything in the workshop.
 *
 * @param db the database
 */
export async function floorRows(db: Db): Promise<FloorRow[]> {
  const house = getHouse(db);
  return Promise.all(
    listPieces(db).map(async ({ id, piece }): Promise<FloorRow> => {
      const ticks = listTicks(db, id).filter((tick) => tick.unit <= piece.count);
      const serial = serialOf(db, id);
      try {
        const { steps, section, size } = await planning().look({ piece, house });
        const keys = new Set(steps.map(({ key }) => key));
        const open = steps.find(({ key }) => ticks.filter((tick) => tick.step === key).length < piece.count);
        const done = ticks.filter((tick) => keys.has(tick.step)).length;
        return { id, piece, look: { section, size }, step: open?.name ?? null, serial, done, of: steps.length * piece.count };
      } catch {
        // House rules changed since may no longer suit the piece; it can still be opened and mended.
        return { id, piece, look: null, step: null, serial, done: 0, of: 0 };
      }
    }),
  );
}
