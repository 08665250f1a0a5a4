// A workshop under load in a process of its own, to be killed at any moment: each thing that is done is told once it is
// on the disk, one line of JSON each.
import { createHash } from 'node:crypto';
import { appendFileSync } from 'node:fs';
import { join } from 'node:path';
import { newChairSeat } from '../../core/piece';
import { makeBackup } from '../backup';
import { addLogEntry, nextSerial, setTick } from '../bench';
import { database, dataFolder } from '../database';
import { keepPhoto } from '../photos';
import { seededRandom } from '../../testing/seeded-random';
import { createPiece, savePiece, type PieceRecord } from '../pieces';

/** What the hammer tells of what it did. */
export type Acknowledged =
  | { did: 'save'; id: string; revision: number; name: string }
  | { did: 'tick'; id: string; unit: number; step: string }
  | { did: 'photo'; name: string }
  | { did: 'log'; serial: string }
  | { did: 'backup'; name: string };

/** Told into a file of the folder: whoever watches what is written there sees in which order it came. */
const tell = (entry: Acknowledged): void => appendFileSync(join(dataFolder(), 'acknowledged'), `${JSON.stringify(entry)}\n`);

const [seed = '1', rounds = 'Infinity', backups = 'yes'] = process.argv.slice(2);
const roll = seededRandom(Number(seed) || 1);

const db = database();
const pieces: PieceRecord[] = [];
let made = 0;

async function act(): Promise<void> {
  const way = roll();
  made += 1;
  const name = `${seed}.${made}`;
  if (pieces.length === 0 || way < 0.1) {
    const record = createPiece(db, { ...newChairSeat(), name, count: 8 }, `make-${name}`);
    pieces.push(record);
    return tell({ did: 'save', id: record.id, revision: record.revision, name });
  }
  const at = Math.floor(roll() * pieces.length);
  const piece = pieces[at]!;
  if (way < 0.7) {
    const saved = savePiece(db, piece.id, { base: piece.revision, piece: { ...piece.piece, name }, saveId: `save-${name}` });
    if (!saved?.ok) throw new Error('a save of ours was refused');
    pieces[at] = saved.record;
    return tell({ did: 'save', id: piece.id, revision: saved.record.revision, name });
  }
  if (way < 0.85) {
    const tick = { unit: 1 + Math.floor(roll() * 8), step: `step-${made}` };
    setTick(db, piece.id, tick, true);
    return tell({ did: 'tick', id: piece.id, ...tick });
  }
  if (way < 0.93) {
    const bytes = createHash('sha512').update(name).digest();
    return tell({ did: 'photo', name: keepPhoto(Buffer.concat(Array.from({ length: 300 }, () => bytes)), 'jpg') });
  }
  if (way < 0.98 || backups !== 'yes') {
    const serial = nextSerial(db, 2026);
    addLogEntry(db, { pieceId: piece.id, revision: piece.revision, serial, note: '' });
    return tell({ did: 'log', serial });
  }
  const path = await makeBackup(db, dataFolder());
  return tell({ did: 'backup', name: path.split('/').at(-1)! });
}

for (let k = 0; k < Number(rounds); k++) await act();
