import { clothsOn } from '../cover';
import { FASTENERS, type FastenerPlace, type FastenerPlan, type Fastening } from './fasteners';
import { rivets } from './fasteners/rivets';
import { legOf, staples } from './fasteners/staples';
import type { LegChoice } from './fasteners/staple-leg';

/** How the cover is held: the staples, and every fastener that the piece has. */
export type Fixing = {
  /** what holds the cover, or null; the staple that would be taken */
  fastener: { id: string | null; kind: 'staple'; leg: number; crown: 'narrow' | 'broad'; choice: LegChoice };
  pitch: number;
  /** of it in one piece, those of the dust cover and of a stapled welt included */
  count: number;
  /** to buy for the set, spare included */
  toBuy: number;
  order: FastenerPlace[];
  fasteners: FastenerPlan[];
};

/** Fasteners that hold the cover itself. */
const HOLDING: readonly string[] = [staples.id, rivets.id];

/** What a set takes of something, spare included; a hair over a whole one is that one. */
function toBuy(count: number, pieces: number, spare: number): number {
  return Math.ceil(count * pieces * (1 + spare / 100) - 1e-9);
}

/**
 * Chooses and places every fastener of a piece.
 *
 * @param fastening the built piece, what was chosen of its cover, its corners
 */
export function fixPlan(fastening: Fastening): Fixing {
  const { piece, rule } = fastening.model;
  const fasteners = FASTENERS.filter((fastener) => fastener.used(fastening)).map((fastener): FastenerPlan => {
    const places = fastener.places(fastening);
    const count = places.length + (fastener.more?.(fastening) ?? 0);
    const { says, fits, sold = {} } = fastener.size(fastening);
    return {
      id: fastener.id,
      name: fastener.name,
      kind: fastener.kind,
      size: says,
      fits,
      count,
      toBuy: toBuy(count, piece.count, fastener.spare(rule)),
      places,
      sold,
    };
  });
  // What holds the cover: staples, rivets where a pan takes none, nothing for a loose one.
  const held = fasteners.find(({ id }) => HOLDING.includes(id));
  const choice = legOf(fastening);
  return {
    fastener: {
      id: held?.id ?? null,
      kind: 'staple',
      leg: choice.leg,
      crown: clothsOn(piece).some(({ coated }) => coated) ? 'broad' : 'narrow',
      choice,
    },
    pitch: rule('staplePitch'),
    count: held?.count ?? 0,
    toBuy: held?.toBuy ?? 0,
    order: held?.places ?? [],
    fasteners,
  };
}
