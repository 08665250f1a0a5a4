import { clips } from './clips';
import { drawCord } from './draw-cord';
import { edgeGlue } from './edge-glue';
import { edgeTape } from './edge-tape';
import type { Fastener } from './fastener';
import { hookLoop } from './hook-loop';
import { nails } from './nails';
import { rivets } from './rivets';
import { screws } from './screws';
import { staples } from './staples';
import { tacks } from './tacks';

/** Every fastener, in the order of work. A new one is a file beside these and a line here. */
export const FASTENERS: Fastener[] = [staples, tacks, rivets, screws, clips, drawCord, hookLoop, edgeGlue, edgeTape, nails];

/** What can hold a cover along its edge, as it is offered. */
export const edgeHolds = (): Fastener[] => FASTENERS.filter(({ holdsEdge }) => holdsEdge);

/** A fastener's name, as it is said. */
export const fastenerName = (id: string): string => FASTENERS.find((fastener) => fastener.id === id)!.name;

export type { Fastener, FastenerPlace, FastenerPlan, Fastening, FasteningSteps } from './fastener';
