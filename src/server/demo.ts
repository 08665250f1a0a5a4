import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseDocument } from '../core/document';
import { planPiece } from '../core/plan';
import { newPerson, type Shop } from '../core/scheduling';
import { addLogEntry, setTick } from '../data/bench';
import { addNote, setShop, type BenchNote } from '../data/diary';
import { database, type Db } from '../data/database';
import { countFloor, createPiece, removePiece } from '../data/pieces';
import { markSeeded, wasSeeded } from '../data/settings';
import { layOutStore } from './store/demo-store';
import { Refusal } from './http';

/** Steps of the dome-room chairs that the demo workshop has done: all boards, foam cut for all, glued on three. */
const DONE: { step: string; units: number }[] = [
  { step: 'board', units: 8 },
  { step: 'foam', units: 8 },
  { step: 'rim-crown', units: 8 },
  { step: 'spray-crown', units: 5 },
  { step: 'glue-crown', units: 5 },
  { step: 'spray-main', units: 3 },
  { step: 'glue-main', units: 3 },
];

/** What was said while they were worked on. */
const SAID: Pick<BenchNote, 'unit' | 'step' | 'name' | 'person' | 'took' | 'told' | 'reading' | 'note'>[] = [
  { unit: 4, step: 'board', name: 'Check the board', person: 'Tomas', took: 6, told: 4, reading: '2 mm hollow', note: 'planed level' },
  {
    unit: 2,
    step: 'glue-main',
    name: 'Lay the main pad',
    person: 'Ilse',
    took: null,
    told: null,
    reading: '',
    note: 'left notch trimmed by a blade',
  },
];

/** What stands on the demo workshop's floor, beside the chairs that are being worked on. */
const FLOOR = [
  'ticket-hall-stools',
  'window-bench',
  'astronomer-headboard',
  'reading-corner-seat',
  'reading-corner-back',
  'operator-arm-pad',
  'tricycle-saddle',
];

/** Who works at the lodge: one of them mornings only. */
const SHOP: Shop = {
  people: [newPerson({ id: 'p-1', name: 'Ilse' }), { ...newPerson({ id: 'p-2', name: 'Tomas' }), to: 780, breakFor: 0 }],
  benches: 2,
  tables: 1,
  machines: 1,
  sprays: 1,
  racks: 8,
};

const HOME = process.env.FOVEA_HOME ?? process.cwd();
const read = (name: string) => parseDocument(readFileSync(join(HOME, `demo/${name}.json`), 'utf8'));

/** Whether a workshop has nothing on its floor: a piece that cannot be read is one too. */
export const isEmpty = (db: Db): boolean => countFloor(db) === 0;

/**
 * Lays out the demo workshop in an empty one: the fittings of a small observatory lodge, one job finished, one in hand.
 *
 * @param db the database
 * @param [again] also where it was laid out before and taken away
 * @returns false where the workshop has its own pieces, or has had the demo
 */
export function layOutDemo(db: Db, again = false): boolean {
  if ((wasSeeded(db) && !again) || !isEmpty(db)) return false;
  db.transaction(() => {
    const stool = createPiece(db, read('operator-stool'));
    const known = db.prepare('SELECT 1 FROM log_entry WHERE serial = ?').get('2025-007') !== undefined;
    if (!known)
      addLogEntry(db, {
        pieceId: stool.id,
        revision: 1,
        serial: '2025-007',
        note: 'Latex under leathercloth sits well; the pull took more than we thought, so leave the grip long.',
        finishedAt: '2025-10-17T15:20:00.000Z',
      });
    removePiece(db, stool.id);
    const chairs = createPiece(db, read('dome-room-chairs'));
    const steps = new Set(planPiece(chairs.piece, {}, { sits: false, coarse: true }).steps.map((step) => step.key));
    for (const { step, units } of DONE) {
      if (!steps.has(step)) throw new Error(`The demo ticks “${step}”, which is not on the run sheet`);
      for (let unit = 1; unit <= units; unit++) setTick(db, chairs.id, { unit, step }, true);
    }
    SAID.forEach((benchNote, k) =>
      addNote(db, chairs.id, { id: `demo-note-${k + 1}`, at: '2025-11-03T09:00:00.000Z', photo: null, ...benchNote }),
    );
    const floor = new Map([[chairs.piece.name, chairs.id]]);
    for (const name of FLOOR) {
      const { id, piece } = createPiece(db, read(name));
      floor.set(piece.name, id);
    }
    layOutStore(db, floor);
    setShop(db, SHOP);
    markSeeded(db);
  })();
  return true;
}

/** POST /api/demo: the demo workshop, for somebody who looks around first. */
export function postDemo(): Response {
  if (!layOutDemo(database(), true)) throw new Refusal(409, 'This workshop has its own pieces; the demo is for an empty one.');
  return Response.json({ ok: true }, { status: 201 });
}
