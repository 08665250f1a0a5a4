import { closeDatabase, database } from '../src/data/database';
import { listFloor } from '../src/data/pieces';
import { layOutDemo } from '../src/server/demo';
import { lookAt } from '../src/server/looks';
import { planning } from '../src/server/planning';

const db = database();
if (layOutDemo(db)) {
  // The floor is drawn when it is opened first: nobody waits for it row by row.
  await Promise.all(listFloor(db).pieces.map((record) => lookAt(db, record)));
  console.log('The demo workshop is laid out.');
} else console.log('The workshop has its own pieces; the demo is left out.');
await planning().close();
closeDatabase();
