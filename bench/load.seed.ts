// Fills an empty folder with a workshop that has grown: so many pieces on the floor, each looked at, and so much in the log.
import { randomUUID } from 'node:crypto';
import { KINDS, newPiece } from '../src/core/piece';
import { addLogEntry, setTick } from '../src/data/bench';
import { openDatabase } from '../src/data/database';
import { houseMark, keepLook } from '../src/data/looks';
import { createPiece } from '../src/data/pieces';
import { look } from '../src/server/planning/thread';

const [pieces = '1000', log = '10000'] = process.argv.slice(2);
const db = openDatabase();
const house = houseMark({});
const looks = KINDS.map(({ id }) => {
  const piece = { ...newPiece(id), count: newPiece(id).panels ? newPiece(id).count : 4 };
  return { piece, json: JSON.stringify(look({ piece, house: {} })), steps: look({ piece, house: {} }).steps };
});
db.transaction(() => {
  for (let k = 0; k < Number(pieces); k++) {
    const { piece, json, steps } = looks[k % looks.length]!;
    const { id } = createPiece(db, { ...piece, name: `${piece.name} ${k}` });
    keepLook(db, { pieceId: id, revision: 1, house, json, span: 450 });
    for (const step of steps.slice(0, 6))
      for (let unit = 1; unit <= Math.min(2, piece.count); unit++) setTick(db, id, { unit, step: step.key }, true);
    for (let n = 0; n < Number(log) / Number(pieces); n++)
      addLogEntry(db, {
        pieceId: id,
        revision: 1,
        serial: randomUUID().slice(0, 13),
        note: `Note ${n} of ${k}`,
        finishedAt: `20${10 + (n % 15)}-01-01`,
      });
  }
})();
db.close();
