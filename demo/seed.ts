import { openDatabase } from '../src/data/database';
import { layOutDemo } from '../src/server/demo';

const db = openDatabase();
console.log(layOutDemo(db) ? 'The demo workshop is laid out.' : 'The workshop has its own pieces; the demo is left out.');
db.close();
