import { clips } from './clips';
import { drawCord } from './draw-cord';
import { edgeGlue } from './edge-glue';
import type { Fastener } from './fastener';
import { hookLoop } from './hook-loop';
import { nails } from './nails';
import { rivets } from './rivets';
import { screws } from './screws';
import { staples } from './staples';
import { tacks } from './tacks';

/** Every fastener, in the order of work. A new one is a file beside these and a line here. */
export const FASTENERS: Fastener[] = [staples, tacks, rivets, screws, clips, drawCord, hookLoop, edgeGlue, nails];

export type { Fastener, FastenerPlace, FastenerPlan, Fastening } from './fastener';
