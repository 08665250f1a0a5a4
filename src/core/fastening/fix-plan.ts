import type { PanelLayout } from '../base/panels';
import { behindOf, type Behind } from './behind';
import { fastenerName, FASTENERS, type FastenerPlace, type FastenerPlan, type Fastening } from './fasteners';
import { stapleOf } from './fasteners/staples';
import { heldBy, holdsOf } from './held';
import { drawnRows, type DrawnRow } from './rows';
import { tackedRows, type TackedRow } from './tacked-rows';
import { legOf, takesStaples } from './takes-staples';
import { wavesOf, type Wave } from './waves';
import type { LegChoice } from './fasteners/staple-leg';

/** How the cover is held: the staples, and every fastener that the piece has. */
export type Fixing = {
  /** what holds the cover, or null; the staple that would be taken */
  fastener: { id: string | null; kind: 'staple'; leg: number; crown: 'narrow' | 'broad'; stainless: boolean; choice: LegChoice };
  pitch: number;
  /** whether the base holds a staple at all; where it does not, every layer is glued along its row */
  stapled: boolean;
  /** of it in one piece, those of the dust cover and of a stapled welt included */
  count: number;
  /** to buy for the set, spare included */
  toBuy: number;
  order: FastenerPlace[];
  fasteners: FastenerPlan[];
  /** each layer's own, from the edge inwards */
  rows: DrawnRow[];
  /** rows in which parts are stapled on the board itself, in the order of work */
  tacked: TackedRow[];
  /** everything behind the board on one plan */
  behind: Behind;
  /** temporary ones of what holds the cover, then its places, in the waves that they are put in */
  waves: Wave[];
};

/** What a set takes of something, spare included; a hair over a whole one is that one. */
function toBuy(count: number, pieces: number, spare: number): number {
  return Math.ceil(count * pieces * (1 + spare / 100) - 1e-9);
}

/** What holds most of the cover in its order, then what holds single edges, numbered on. */
function inOneOrder(fastening: Fastening, fasteners: readonly FastenerPlan[]): FastenerPlace[] {
  const [main, ...others] = holdsOf(fastening.model);
  const places = (by: string | undefined): FastenerPlace[] => fasteners.find(({ id }) => id === by)?.places ?? [];
  const single = others.flatMap((by) =>
    places(by).map((place) => ({ ...place, wave: `${place.edge}: ${fastenerName(by).toLowerCase()}, from its middle outwards` })),
  );
  return [...places(main), ...single].map((place, i) => ({ ...place, n: i + 1 }));
}

/**
 * Chooses and places every fastener of a piece.
 *
 * @param fastening the built piece, what was chosen of its cover, its corners
 * @param panels on their wall, where it is one
 */
export function fixPlan(fastening: Fastening, panels: PanelLayout | null): Fixing {
  const { piece, rule } = fastening.model;
  const fasteners = FASTENERS.filter((fastener) => fastener.used(fastening)).map((fastener): FastenerPlan => {
    const places = fastener.places(fastening);
    const count = places.length + (fastener.more?.(fastening) ?? 0);
    const { says, fits, sold = {} } = fastener.size(fastening);
    return {
      id: fastener.id,
      name: fastener.name,
      kind: fastener.kind,
      face: fastener.face ?? 'under',
      size: says,
      fits,
      count,
      toBuy: toBuy(count, piece.count, fastener.spare(rule)),
      places,
      caution: fastener.caution,
      ware: fastener.ware,
      glued: fastener.glued?.(fastening) ?? 0,
      seam: fastener.seam?.(fastening) ?? 0,
      temporary: fastener.temporary?.(fastening) ?? [],
      sold,
      bulk: fastener.bulk ? { unit: fastener.bulk.unit, amount: fastener.bulk.amount(fastening) } : null,
    };
  });
  const by = heldBy(fastening.model);
  const fastenerPlan = fasteners.find(({ id }) => id === by);
  const choice = legOf(fastening);
  const rows = drawnRows(fastening.model, fastening.choices);
  const order = inOneOrder(fastening, fasteners);
  return {
    fastener: {
      id: fastenerPlan?.id ?? null,
      kind: 'staple',
      leg: choice.leg,
      ...stapleOf(fastening.model),
      choice,
    },
    pitch: rule('staplePitch'),
    stapled: takesStaples(fastening.model),
    count: fastenerPlan?.count ?? 0,
    toBuy: fastenerPlan?.toBuy ?? 0,
    order,
    fasteners,
    rows,
    tacked: fasteners.some(({ kind }) => kind === 'staple') ? tackedRows(fastening.model, fastening.choices) : [],
    behind: behindOf(fastening.model, panels, rows),
    waves: wavesOf(order, fastenerPlan?.temporary.length ?? 0),
  };
}
