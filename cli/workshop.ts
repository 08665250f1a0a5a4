import { parseDocument } from '../src/core/document';
import { PieceProblems } from '../src/core/piece';
import { checkBackup, makeBackup, restoreBackup } from '../src/data/backup';
import { dataFolder, openDatabase, type Db } from '../src/data/database';
import { createPiece, getPiece, listFloor } from '../src/data/pieces';
import { getHouse } from '../src/data/settings';

/** Opens the workshop for one command. */
async function opened<T>(work: (db: Db) => T | Promise<T>): Promise<T> {
  const db = openDatabase();
  try {
    return await work(db);
  } finally {
    db.close();
  }
}

/** A piece's document, or the list of all. */
export function exported(id: string | undefined): Promise<unknown> {
  return opened((db) => {
    const { pieces, broken } = listFloor(db);
    if (id === undefined)
      return {
        pieces: pieces.map(({ id: text, revision, updatedAt, piece }) => ({ id: text, name: piece.name, revision, updatedAt })),
        broken,
      };
    const record = getPiece(db, id);
    if (!record) throw new PieceProblems([{ path: '', message: `There is no piece ${id.slice(0, 60)} on the floor` }]);
    return record.piece;
  });
}

/** Puts a piece on the floor, checked by the workshop's own rules. */
export function imported(text: string): Promise<unknown> {
  return opened((db) => {
    const { id, revision, piece } = createPiece(db, parseDocument(text, getHouse(db)));
    return { id, revision, name: piece.name };
  });
}

/** Makes a backup, in the workshop's folder or where it is wanted. */
export function backedUp(file: string | undefined): Promise<unknown> {
  return opened(async (db) => {
    const path = await makeBackup(db, dataFolder(), file);
    return { file: path, ...(await checkBackup(path)) };
  });
}

/** Puts a backup back. */
export const restored = (file: string, folder = dataFolder()): Promise<unknown> => restoreBackup(file, folder);

/** Looks a backup through. */
export const checked = async (file: string): Promise<unknown> => ({ ok: true, ...(await checkBackup(file)) });
