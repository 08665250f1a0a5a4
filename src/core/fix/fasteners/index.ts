import type { Fastener } from './fastener';
import { nails } from './nails';
import { rivets } from './rivets';
import { staples } from './staples';

/** Every fastener, in the order of work. A new one is a file beside these and a line here. */
export const FASTENERS: Fastener[] = [staples, rivets, nails];

export type { Fastener, FastenerPlace, FastenerPlan, Fastening } from './fastener';
