import type { Db } from '../data/database';
import { database } from '../data/database';
import { houseMark, keepLook, keptLook } from '../data/looks';
import { getPiece, type PieceRecord } from '../data/pieces';
import { getHouse } from '../data/settings';
import { troubleOf } from '../data/trouble';
import { eventLog } from './event-log';
import { planning, type Look } from './planning';

/** A piece that rests so long after a save has its look worked out, ms: by then its sheet has settled, and a hand at it is not kept waiting. */
const REST = 5000;

/**
 * What the floor shows of a piece as it stands, where it is known.
 *
 * @param db the database
 * @param record the piece at its revision
 * @param [house] the mark of the rules, where it is known already
 */
export function lookOf(db: Db, { id, revision }: Pick<PieceRecord, 'id' | 'revision'>, house = houseMark(getHouse(db))): Look | null {
  const json = keptLook(db, id, revision, house);
  return json === null ? null : (JSON.parse(json) as Look);
}

/**
 * The same, worked out on a thread of its own where it is not known yet, and kept with the revision.
 *
 * @throws PieceProblems where the house's rules no longer suit the piece
 */
export async function lookAt(db: Db, record: PieceRecord): Promise<Look> {
  return lookOf(db, record) ?? lookAnew(db, record);
}

/** The same, worked out whatever is kept. */
export async function lookAnew(db: Db, record: PieceRecord): Promise<Look> {
  const house = getHouse(db);
  const look = await planning().look({ piece: record.piece, house });
  const { section } = look;
  try {
    keepLook(db, {
      pieceId: record.id,
      revision: record.revision,
      house: houseMark(house),
      json: JSON.stringify(look),
      span: section ? section.board.right - section.board.left : 0,
    });
  } catch (error) {
    // On a full disk the floor is still to be read: it is worked out again next time.
    if (!troubleOf(error)) throw error;
    eventLog().warn({ err: error }, 'A picture for the floor could not be kept');
  }
  return look;
}

/** Works looks out after saves, one by one and only once a piece rests: no save and no tick waits for it. */
export type LooksLater = { wanted: (id: string) => void; stop: () => void };

function createLooksLater(): LooksLater {
  const timers = new Map<string, NodeJS.Timeout>();
  let queue = Promise.resolve();
  const work = async (id: string): Promise<void> => {
    try {
      const db = database();
      const record = getPiece(db, id);
      if (record) await lookAt(db, record);
    } catch (error) {
      // The floor says it of the piece when it is opened.
      eventLog().info({ err: error }, 'A piece could not be looked at');
    }
  };
  return {
    wanted: (id) => {
      clearTimeout(timers.get(id));
      const timer = setTimeout(() => {
        timers.delete(id);
        queue = queue.then(() => work(id));
      }, REST);
      timer.unref();
      timers.set(id, timer);
    },
    stop: () => {
      timers.forEach((timer) => clearTimeout(timer));
      timers.clear();
    },
  };
}

const shared = globalThis as { foveaLooks?: LooksLater };

/** The one of this process. */
export function looksLater(): LooksLater {
  shared.foveaLooks ??= createLooksLater();
  return shared.foveaLooks;
}
