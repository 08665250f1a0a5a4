import type { StripRecord } from '../piece';

/** A record with nothing in it yet. */
export const NO_STRIP: StripRecord = { items: [], findings: [], press: null, cover: [], tasks: [] };
