import { BENCH_ROUTES } from './bench-routes';
import { DEVICE_ROUTES } from './device-routes';
import { openapi } from './openapi';
import { PIECE_ROUTES } from './piece-routes';
import type { Routes } from './route';
import { STORE_ROUTES } from './store-routes';
import { WORKSHOP_ROUTES } from './workshop-routes';

/**
 * Every route there is, by path and method: what it is for, what it takes and answers, who may ask for it, and what does it. The
 * description of the interface and the guard are read from here; a new route is a line in one of these tables.
 */
export const ROUTES: Routes = {
  ...PIECE_ROUTES,
  ...BENCH_ROUTES,
  ...STORE_ROUTES,
  ...DEVICE_ROUTES,
  ...WORKSHOP_ROUTES,
  '/api/openapi.json': {
    get: { handle: () => Response.json(openapi(ROUTES)), says: 'This description', gives: { type: 'object' } },
  },
};
