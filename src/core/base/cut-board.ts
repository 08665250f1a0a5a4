import type { Point } from '../outline';
import { edgeFrame, type Base } from '../piece';
import { stretchedIn } from './deck';

/** Webbing and hessian are so thick where they are drawn, mm. */
const WEB = 3;

/** What is known of a cut: the base's top face from left to right, and how thick it is. */
type Cut = { base: readonly Point[]; board: { left: number; right: number; thickness: number } };

/** The rails of the frame below the board at either end of a cut. */
function railsBelow({ base: top, board: { left, right, thickness } }: Cut, base: Pick<Base, 'frame'>): Point[][] {
  const frame = edgeFrame(base);
  if (!frame || right - left <= 2 * (frame.inset + frame.width)) return [];
  const box = (from: number, z: number): Point[] => [
    [from, z - thickness],
    [from + frame.width, z - thickness],
    [from + frame.width, z - thickness - frame.thickness],
    [from, z - thickness - frame.thickness],
  ];
  return [box(left + frame.inset, top[0]![1]), box(right - frame.inset - frame.width, top.at(-1)![1])];
}

/**
 * What a cut through the base shows, as closed outlines: the board with the rails of a frame that its cover goes round; of a frame
 * without a board its two rails and what is stretched over them.
 *
 * @param cut the section
 * @param base of the piece
 */
export function cutBoard({ base: top, board }: Cut, base: Pick<Base, 'board' | 'deck' | 'frame'>): Point[][] {
  const below = (line: readonly Point[], by: number): Point[] => [...line, ...[...line].reverse().map(([x, z]): Point => [x, z - by])];
  const stretched = stretchedIn(base);
  const { left, right, thickness } = board;
  // A loose pad lies on none.
  if (thickness <= 0) return [];
  if (!stretched || right - left <= 2 * stretched.rail) return [below(top, thickness), ...railsBelow({ base: top, board }, base)];
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
