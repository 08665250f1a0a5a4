import type { FastenerPlace } from './fasteners';

/** Some fasteners that are put in one after another before one looks up: from number to number, and what they are. */
export type Wave = { from: number; to: number; says: string };

/** Of what lies between the centres and the corners so much is the first half of the way out. */
const HALF = 0.5;

/**
 * The order of fasteners in waves that can be followed: the centres, one on either side of each, half-way out, to the corners, the
 * corners by pairs. What has no centres is told in one wave.
 *
 * @param order as they are put in
 */
export function wavesOf(order: readonly FastenerPlace[]): Wave[] {
  if (order.length === 0) return [];
  const centres = order.filter(({ kind }) => kind === 'centre');
  const edges = order.filter(({ kind }) => kind === 'edge');
  const corners = order.filter(({ kind }) => kind === 'corner');
  // Fasteners that follow a line from end to end have no waves of their own.
  if (centres.length === 0 || edges.some(({ n }) => n < centres.at(-1)!.n))
    return [{ from: 1, to: order.length, says: 'in the order of their numbers' }];
  const sides = new Set(centres.map(({ edge }) => edge)).size;
  const beside = Math.min(edges.length, 2 * sides);
  const half = beside + Math.round((edges.length - beside) * HALF);
  const parts: [says: string, own: readonly FastenerPlace[]][] = [
    ['centres of opposite sides', centres],
    ['one on either side of each centre', edges.slice(0, beside)],
    ['half-way out, opposite sides in turn', edges.slice(beside, half)],
    ['on to the corners', edges.slice(half)],
    ['corners, opposite ones in turn', corners],
  ];
  return parts.flatMap(([says, own]) => (own.length > 0 ? [{ from: own[0]!.n, to: own.at(-1)!.n, says }] : []));
}
