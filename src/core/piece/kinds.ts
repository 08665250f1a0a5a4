import type { BaseShape, PieceKind, Support } from './types';

/** A kind of piece: what it is called, what is special about it, which shapes it is usually measured as. */
export type KindInfo = {
  id: PieceKind;
  name: string;
  special: string;
  /** offered first, in this order; the first is what a new piece starts from */
  shapes: readonly BaseShape['type'][];
  /** what the near and the far edge are called in its drawing */
  words: readonly [near: string, far: string];
  supports: Support;
  /** whether somebody's weight comes on it */
  sat: boolean;
};

const SEAT = ['front', 'back'] as const;
const BOARD = ['bottom', 'top'] as const;

/** Every kind, in the order it is offered. */
export const KINDS: readonly KindInfo[] = [
  {
    id: 'chair-seat',
    name: 'Chair seat',
    special: 'Drop-in board, often in sets; may have notches for back posts.',
    shapes: ['trapezoid', 'rectangle', 'bowed', 'round', 'd', 'quad'],
    words: SEAT,
    supports: 'frame',
    sat: true,
  },
  {
    id: 'round-seat',
    name: 'Round seat, boxed',
    special: 'Top panel and band with a welt above and below.',
    shapes: ['round', 'oval', 'd'],
    words: SEAT,
    supports: 'frame',
    sat: true,
  },
  {
    id: 'bench',
    name: 'Bench or lid',
    special: 'Long; foam joined from blocks, parcel-folded ends.',
    shapes: ['rectangle', 'kidney', 'quad', 'offsets'],
    words: SEAT,
    supports: 'frame',
    sat: true,
  },
  {
    id: 'corner-seat',
    name: 'Built-in or corner seat',
    special: 'Odd angles taken with a bevel; thin board with a frame.',
    shapes: ['alcove', 'corner', 'bevel', 'quad', 'rectangle'],
    words: SEAT,
    supports: 'frame',
    sat: true,
  },
  {
    id: 'headboard',
    name: 'Headboard, plain',
    special: 'A big area; straight, arched, stepped, crowned or drawn top.',
    shapes: ['arched', 'rectangle', 'stepped', 'crowned', 'drawn'],
    words: BOARD,
    supports: 'two-rails',
    sat: false,
  },
  {
    id: 'headboard-bordered',
    name: 'Headboard, bordered',
    special: 'Inner panel edged by a hard strip, mitred border over rolls.',
    shapes: ['rectangle', 'arched', 'stepped', 'crowned', 'drawn'],
    words: BOARD,
    supports: 'two-rails',
    sat: false,
  },
  {
    id: 'headboard-panelled',
    name: 'Headboard or wall, panelled',
    special: 'Equal panels side by side, laid out from the middle of the wall.',
    shapes: ['rectangle', 'arched', 'drawn'],
    words: BOARD,
    supports: 'solid',
    sat: false,
  },
  {
    id: 'headboard-nailed',
    name: 'Headboard, nailed or buttoned',
    special: 'Foam held back from a bare margin so that nails bite wood.',
    shapes: ['rectangle', 'arched', 'crowned', 'stepped', 'drawn'],
    words: BOARD,
    supports: 'two-rails',
    sat: false,
  },
  {
    id: 'saddle',
    name: 'Vehicle saddle',
    special: 'A moulded pan; cross-sections along its centre line.',
    shapes: ['saddle', 'offsets', 'drawn'],
    words: SEAT,
    supports: 'frame',
    sat: true,
  },
  {
    id: 'arm-pad',
    name: 'Arm rest or console pad',
    special: 'A thin board under firm layered foam.',
    shapes: ['rectangle', 'd', 'oval', 'two-tapes', 'drawn'],
    words: SEAT,
    supports: 'solid',
    sat: false,
  },
  {
    id: 'block-seat',
    name: 'Block seat',
    special: 'The foam is the structure; thin boards only to staple into.',
    shapes: ['rectangle', 'trapezoid', 'd', 'drawn'],
    words: SEAT,
    supports: 'solid',
    sat: true,
  },
  {
    id: 'tight-seat',
    name: 'Tight seat in a frame',
    special: 'The deck passes between rails; notches where posts stand.',
    shapes: ['trapezoid', 'bowed', 'rectangle', 'quad', 'offsets'],
    words: SEAT,
    supports: 'frame',
    sat: true,
  },
];

const BY_ID = new Map(KINDS.map((kind) => [kind.id, kind]));

/** A kind by its id. */
export function kindOf(id: PieceKind): KindInfo {
  return BY_ID.get(id)!;
}
