import { type Static } from '@sinclair/typebox';
import { choice, record, words } from '../../fields';

/** The parts of a base's edge: an edge between two corners, a corner, a notch cut into it. */
export const EDGE_PART_KINDS = ['edge', 'corner', 'notch'] as const;

const named = <const K extends readonly (typeof EDGE_PART_KINDS)[number][]>(kinds: K) =>
  record({ kind: choice('Part of the edge', kinds), name: words('Its name', 60) });

/** An edge by its name: front, right, back, left, or as it was named. */
export const EDGE = named(['edge']);
/** A corner by the edges that meet in it: “back left”. */
export const CORNER = named(['corner']);
/** Any part of the edge. */
export const EDGE_PART = named(EDGE_PART_KINDS);

export type EdgePart = Static<typeof EDGE_PART>;
