import type { Job } from '../../core/job';
import { clothToStore, type Stock } from '../../core/store';
import type { Db } from '../../data/database';
import { createJob, listJobs } from '../../data/jobs';
import { getPiece } from '../../data/pieces';
import { furnishAsLodge, keepStock, keepWare, listStock, listWares } from '../../data/store';

/** What lies on the shelves of the demo workshop, by the names of the shelf. */
const STOCK: readonly [ware: string, stock: Omit<Stock, 'ware'>][] = [
  [
    'Striped wool, dusk',
    {
      form: 'part',
      count: 1,
      width: 1420,
      length: 2600,
      flaws: [
        { x: 240, y: 620, width: 60, height: 45 },
        { x: 980, y: 1710, width: 40, height: 70 },
      ],
      place: 'rack 2, behind the door',
    },
  ],
  ['Night-blue velvet', { form: 'offcut', count: 1, width: 900, length: 760, place: 'drawer of ends' }],
  [
    'Seating, firm, 50 mm',
    {
      form: 'offcut',
      count: 1,
      width: 960,
      length: 720,
      outline: [
        [0, 0],
        [960, 0],
        [960, 430],
        [560, 720],
        [0, 720],
      ],
      place: 'loft, left',
    },
  ],
  ['Seating, firm, 50 mm', { form: 'full', count: 1, place: 'loft, left' }],
  ['Wadding, medium', { form: 'full', count: 6, place: 'loft, on the beam' }],
  ['Staples, narrow crown, 8 mm', { form: 'full', count: 1, place: 'bench' }],
  ['Contact glue, sprayed', { form: 'full', count: 1, place: 'steel cupboard' }],
  ['Dust cloth, black', { form: 'part', count: 1, width: 1400, length: 2400, place: 'rack 1' }],
];

/** A metre of what the lodge chose by itself, in its own money. */
const LODGE_PRICE = 36;

/** Jobs of the demo workshop, by the names of the pieces in them. */
const JOBS: readonly { job: Omit<Job, 'photos'>; pieces: readonly string[] }[] = [
  {
    job: {
      name: 'Dome room',
      customer: 'the lodge',
      due: '2026-12-18',
      notes: 'Chairs and bench stand together: one dye lot of everything.',
    },
    pieces: ['Dome-room chairs', 'Window bench, left half'],
  },
  {
    job: { name: 'Reading corner', customer: 'the lodge', due: '2027-01-22', notes: '' },
    pieces: ['Seat, reading corner', 'Panelled back, reading corner'],
  },
];

/**
 * Jobs and what is in the store, for a demo workshop that has none.
 *
 * @param db the database
 * @param floor pieces of the floor, by their names
 */
export function layOutStore(db: Db, floor: ReadonlyMap<string, string>): void {
  if (listJobs(db).length > 0 || listStock(db).length > 0) return;
  furnishAsLodge(db);
  // Cloths that the lodge has chosen and no shelf ships.
  for (const id of floor.values()) {
    const { cloth } = getPiece(db, id)!.piece;
    if (cloth.name === '' || listWares(db).some(({ name }) => name === cloth.name)) continue;
    keepWare(db, { ...clothToStore(cloth), supplier: 'The cloth room', price: cloth.price ?? LODGE_PRICE });
  }
  const wares = new Map(listWares(db).map((ware) => [ware.name, ware.id]));
  for (const [name, stock] of STOCK) {
    const ware = wares.get(name);
    if (ware === undefined) throw new Error(`The demo has “${name}” in stock, which no shelf knows`);
    keepStock(db, { ware, ...stock }, 'Here from the beginning');
  }
  for (const { job, pieces } of JOBS) {
    const ids = pieces.map((name) => floor.get(name));
    if (ids.some((id) => id === undefined)) throw new Error(`The demo’s job “${job.name}” has a piece that is not on its floor`);
    createJob(db, { ...job, photos: [] }, ids as string[]);
  }
}
