import type { WrapFields, WrapModel } from '../reads';
import { samePart, type EdgePart } from '../../outline';
import { kindOf, type CoverEnd, type Covering, type Piece } from '../../piece';
import { wayOf } from '../ways';

/** Whether a piece's cloth can end in sight: pulled over, on a board whose edge takes a pin; a pan's does not. */
export function endsInSight({ kind, covering }: Pick<Piece, 'kind'> & { covering: Pick<Covering, 'way'> }): boolean {
  return wayOf(covering.way).pulled && !kindOf(kind).traits.pan;
}

/** What a hand still holds on by, mm: a cloth cut short is pulled there with pliers, and first. */
const LEAST_GRIP = 15;

/**
 * How much shorter than elsewhere a pulled cloth is cut along a part of the edge, mm: never so much that there is nothing to hold.
 *
 * @param piece the document
 * @param part of the edge
 * @param grip what there is to hold elsewhere, mm
 */
export function shortAt({ base, covering }: WrapFields, part: EdgePart, grip: number): number {
  if (!wayOf(covering.way).pulled) return 0;
  const found = base.edges?.find(({ edge }) => samePart(edge, part));
  return found && !found.end ? Math.min(found.short ?? 0, Math.max(0, grip - LEAST_GRIP)) : 0;
}

/** An edge on whose face the cloth ends in sight. */
export type Ended = { edge: EdgePart; name: string; end: CoverEnd };

/**
 * The edges on which a pulled cover ends in sight, its own edge turned under, instead of going on under the board.
 *
 * @param model the built piece
 */
export function endedEdges({ piece, outline }: Pick<WrapModel, 'piece' | 'outline'>): Ended[] {
  if (!endsInSight(piece)) return [];
  // What was said of an edge stays with the document when another shape has no such edge.
  const there = (edge: EdgePart): boolean => outline.segments.some((segment) => samePart(segment.edge, edge));
  return (piece.base.edges ?? []).flatMap(({ edge, end }) => (end && there(edge) ? [{ edge, name: edge.name, end }] : []));
}
