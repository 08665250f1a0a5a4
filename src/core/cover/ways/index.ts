import { block } from './block';
import { bordered } from './bordered';
import { boxed } from './boxed';
import { buttoned } from './buttoned';
import { channelled } from './channelled';
import { lipped } from './lipped';
import { nailEdged } from './nail-edged';
import { pullOver } from './pull-over';
import { saddleSet } from './saddle-set';
import { tightDeck } from './tight-deck';
import type { Way } from './way';

/** Every way of covering, in the order it is offered. A new one is a file beside these and a line here. */
export const WAYS: Way[] = [pullOver, boxed, bordered, channelled, saddleSet, lipped, block, tightDeck, nailEdged, buttoned];

/** A way by its id; a document that was checked names one that there is. */
export function wayOf(id: string): Way {
  return WAYS.find((way) => way.id === id) ?? WAYS[0]!;
}

export type { Against, Beyond, Choices, OwnSteps, ReachPart, SeamSpec, Sewn, Suit, SuitFacts, Way, Working } from './way';
