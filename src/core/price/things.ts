import { costOf, quickOffers, waresFor, type Need } from '../buying';
import type { LayGroup } from '../nesting';
import { holds, knownPrice, type KeptWare } from '../store';
import type { PricedThing } from './price';

/**
 * What the materials of some work cost, whatever of them lies in the store already: what lies flat laid on whole sheets and
 * roll lengths, each on the thing that is cheapest, the rest by how much of a reel, box or can it uses.
 *
 * @param needs everything that any step takes
 * @param groups what of it lies flat
 * @param wares of the store
 * @returns the things, and the names of what no price is known of
 */
export function thingsOf(
  needs: readonly Need[],
  groups: readonly LayGroup[],
  wares: readonly KeptWare[],
): { things: PricedThing[]; unpriced: string[] } {
  const things: PricedThing[] = [];
  const unpriced: string[] = [];
  const byId = new Map(wares.map((ware) => [ware.id, ware]));
  for (const need of needs) {
    const group = groups.find(({ key }) => key === need.group);
    const text = need.thickness === null ? need.name : `${need.name}, ${need.thickness} mm`;
    const found = group ? flat(group, wares, byId) : loose(need, wares);
    if (found) things.push({ name: text, ...found });
    else unpriced.push(text);
  }
  return { things, unpriced };
}

type Cost = Pick<PricedThing, 'cost' | 'left'>;

const cheapest = (costs: readonly Cost[]): Cost | null =>
  costs.reduce<Cost | null>((best, cost) => (best && best.cost - best.left <= cost.cost - cost.left ? best : cost), null);

function flat(group: LayGroup, wares: readonly KeptWare[], byId: ReadonlyMap<string, KeptWare>): Cost | null {
  const offers = quickOffers(
    group,
    wares.filter((ware) => knownPrice(ware) !== null),
    [],
  );
  return cheapest(
    offers.map(({ ware, amount, left = 0 }) => {
      const item = byId.get(ware)!;
      const cost = costOf(item, amount);
      return { cost, left: left * item.price };
    }),
  );
}

/** Of what is not laid so much of a reel, box or can as is used. */
function loose(need: Need, wares: readonly KeptWare[]): Cost | null {
  return cheapest(
    waresFor(need, wares)
      .filter((ware) => knownPrice(ware) !== null && holds(ware) > 0)
      .map((ware) => ({ cost: (need.amount / holds(ware)) * ware.price, left: 0 })),
  );
}
