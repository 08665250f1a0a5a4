import type { Base, Support } from '../schema/base';
import type { Covering, Welt } from '../schema/covering';
import type { Cloth } from '../schema/cloth';
import type { PadEdge } from '../../pad-rims';
import type { Pad, Sitting } from '../schema/pads';
import type { BaseShape, ShapeType } from '../../outline/schema/shapes';

/** What matters of a kind elsewhere. Code asks for one of these, never for a kind by its name. */
export type Traits = {
  /** somebody's weight comes on it */
  sat: boolean;
  /** its base is a moulded pan */
  pan: boolean;
  /** it stands or hangs at a wall */
  wall: boolean;
  /** it is used upright: its far edge is the top, its near one the hidden bottom */
  upright: boolean;
  /** its padding lies loose, not glued to a board */
  loose: boolean;
  /** its cover passes through a frame */
  throughFrame: boolean;
};

/** What a new piece of a kind starts from. */
export type Start = {
  shape: BaseShape;
  board: { material: string; thickness: number };
  pads: Pad[];
  cloth?: Partial<Cloth>;
  way: string;
  wadding?: string | null;
  overrides?: Record<string, number>;
  /** what else is known of the base: its frame, its edges */
  base?: Partial<Base>;
  covering?: Partial<Covering>;
  /** what its welt has otherwise than usual */
  welt?: Partial<Welt>;
  /** split into this many panels side by side, over this width with these gaps */
  panels?: { across: number; gap: number; count: number };
};

/** A kind of piece: what it is called, what is special about it, how it is measured, what it starts from. */
export type Kind<Id extends string = string> = {
  id: Id;
  name: string;
  special: string;
  traits: Traits;
  /** offered first, in this order */
  shapes: readonly ShapeType[];
  /** what the near and the far edge are called in its drawing */
  words: readonly [near: string, far: string];
  supports: Support;
  /** who usually presses on it */
  loader: Sitting['loader'];
  start: Start;
  /** what the first cloth piece of a new one is cut to, from least to most, mm, and why a master would sign it */
  signed: { width: readonly [number, number]; height: readonly [number, number]; why: string };
};

const PLAIN: Traits = { sat: false, pan: false, wall: false, upright: false, loose: false, throughFrame: false };

/** A kind with the traits it does not name left out. */
export const kind = <const Id extends string>(item: Omit<Kind<Id>, 'traits'> & { traits?: Partial<Traits> }): Kind<Id> => ({
  ...item,
  // Whatever is at a wall stands upright.
  traits: { ...PLAIN, upright: Boolean(item.traits?.wall), ...item.traits },
});

export const SEAT_WORDS = ['front', 'back'] as const;
export const BOARD_WORDS = ['bottom', 'top'] as const;

/** A staple line on a wall piece lies well in: there is room behind it, and nobody sees the back. */
export const WALL_LINE = { return: 30 };

const square: PadEdge = { kind: 'square' };

/** A main pad as it lies on most pieces. */
export const main = (material: string, thickness: number, change: Partial<Pad> = {}): Pad => ({
  id: 'main',
  role: 'main',
  material,
  thickness,
  offset: null,
  edge: square,
  ...change,
});

/** A low domed pad under the main one. */
export const crown = (thickness: number, material = 'seat-extra-firm'): Pad => ({
  id: 'crown',
  role: 'crown',
  material,
  thickness,
  offset: null,
  edge: { kind: 'domed' },
});
