import type { Point } from '../outline';
import type { Base } from '../piece';
import { stretchedIn } from './deck';

/** Webbing and hessian are so thick where they are drawn, mm. */
const WEB = 3;

/** What is known of a cut: the base's top face from left to right, and how thick it is. */
type Cut = { base: readonly Point[]; board: { left: number; right: number; thickness: number } };

/**
 * What a cut through the base shows, as closed outlines: the board; of a frame its two rails and what is stretched over them.
 *
 * @param cut the section
 * @param base of the piece
 */
export function cutBoard({ base: top, board }: Cut, base: Pick<Base, 'board' | 'deck'>): Point[][] {
  const below = (line: readonly Point[], by: number): Point[] => [...line, ...[...line].reverse().map(([x, z]): Point => [x, z - by])];
  const stretched = stretchedIn(base);
  const { left, right, thickness } = board;
  if (!stretched || right - left <= 2 * stretched.rail) return [below(top, thickness)];
  const rail = (from: number): Point[] =>
    below(
      [
        [from, 0],
        [from + stretched.rail, 0],
      ],
      thickness,
    );
  return [
    rail(left),
    rail(right - stretched.rail),
    below(
      [
        [left + stretched.rail, 0],
        [right - stretched.rail, 0],
      ],
      WEB,
    ),
  ];
}
