import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseDocument } from '../src/core/document';
import { planPiece } from '../src/core/plan';
import { addLogEntry, setTick } from '../src/data/bench';
import { openDatabase } from '../src/data/database';
import { createPiece, listPieces, removePiece } from '../src/data/pieces';
import { markSeeded, wasSeeded } from '../src/data/settings';

/** Steps of the dome-room chairs that the demo workshop has done: all boards, foam cut for all, glued on three. */
const DONE: { step: string; units: number }[] = [
  { step: 'board', units: 8 },
  { step: 'foam', units: 8 },
  { step: 'spray-crown', units: 5 },
  { step: 'glue-crown', units: 5 },
  { step: 'spray-main', units: 3 },
  { step: 'glue-main', units: 3 },
];

const read = (name: string) => parseDocument(readFileSync(join(process.cwd(), `demo/${name}.json`), 'utf8'));

const db = openDatabase();
if (wasSeeded(db) || listPieces(db).length > 0) {
  console.log('The workshop has its own pieces; the demo is left out.');
} else {
  const stool = createPiece(db, read('operator-stool'));
  addLogEntry(db, {
    pieceId: stool.id,
    revision: 1,
    serial: '2025-007',
    note: 'Latex under leathercloth sits well; the pull took more than we thought, so leave the grip long.',
    finishedAt: '2025-10-17T15:20:00.000Z',
  });
  removePiece(db, stool.id);
  const chairs = createPiece(db, read('dome-room-chairs'));
  const steps = new Set(planPiece(chairs.piece, {}).steps.map((step) => step.key));
  for (const { step, units } of DONE) {
    if (!steps.has(step)) throw new Error(`The demo ticks “${step}”, which is not on the run sheet`);
    for (let unit = 1; unit <= units; unit++) setTick(db, chairs.id, { unit, step }, true);
  }
  createPiece(db, read('ticket-hall-stools'));
  createPiece(db, read('window-bench'));
  createPiece(db, read('astronomer-headboard'));
  createPiece(db, read('reading-corner-seat'));
  createPiece(db, read('reading-corner-back'));
  createPiece(db, read('operator-arm-pad'));
  createPiece(db, read('tricycle-saddle'));
  markSeeded(db);
  console.log('The demo workshop is laid out.');
}
db.close();
