import type { FastenerPlace } from './fasteners/fastener';

/** A place before it has its number. */
export type Place = Omit<FastenerPlace, 'n'>;

/** The places of one side, from its middle outwards. */
export type Side = { edge: string; places: Place[] };

/** The sides and corners that an order is made of. */
export type ToOrder = {
  /** opposite sides after each other */
  sides: readonly Side[];
  /** corners in the order of their working, opposite ones after each other */
  corners: readonly Place[];
  /** sides that are bowed, by name */
  bowed: readonly string[];
  /** a pan has a nose and a tail, where anything else has a front and a back */
  pan: boolean;
};

/** Places in waves, each with what is done in it. */
type Wave = { says: string; places: readonly Place[] };

/** Of what lies between the centres and the corners so much is the first half of the way out. */
const HALF = 0.5;

const OPPOSITE: Record<string, string> = { front: 'back', back: 'front', bottom: 'top', top: 'bottom', left: 'right', right: 'left' };

/** Sides in turn, two places of each at a time: one to the left of what is there, one to the right. */
function inTurn(sides: readonly Side[], from: number): Place[] {
  const longest = Math.max(0, ...sides.map(({ places }) => places.length));
  const ordered: Place[] = [];
  for (let k = from; k < longest; k += 2) for (const { places } of sides) ordered.push(...places.slice(k, k + 2));
  return ordered;
}

/** The centres of opposite sides, one on either side of each, half-way out, on to the corners. */
function outwards(sides: readonly Side[]): Wave[] {
  const rest = inTurn(sides, 1);
  const beside = Math.min(rest.length, 2 * sides.length);
  const half = beside + Math.round((rest.length - beside) * HALF);
  return [
    { says: 'centres of opposite sides', places: sides.flatMap(({ places }) => places.slice(0, 1)) },
    { says: 'one on either side of each centre', places: rest.slice(0, beside) },
    { says: 'half-way out, opposite sides in turn', places: rest.slice(beside, half) },
    { says: 'on to the corners', places: rest.slice(half) },
  ];
}

/** More than this at once nobody follows: a long side is told in two. */
const AT_ONCE = 24;

function halves(places: readonly Place[], says: string): Wave[] {
  if (places.length <= AT_ONCE) return [{ says, places }];
  const middle = Math.ceil(places.length / 2);
  return [
    { says: `${says}, half-way`, places: places.slice(0, middle) },
    { says: `${says}, on to its corners`, places: places.slice(middle) },
  ];
}

/** One side right through, then what lies opposite, then the others as they always are. */
function sideFirst({ sides }: ToOrder, first: Side | undefined, called: string): Wave[] {
  if (!first) return outwards(sides);
  const opposite = sides.find(({ edge }) => edge === OPPOSITE[first.edge]);
  const rest = sides.filter((side) => side !== first && side !== opposite);
  return [
    ...halves(first.places, `${called}, ${first.edge}, from its middle outwards`),
    ...(opposite ? halves(opposite.places, `its opposite, ${opposite.edge}, drawn over from the middle outwards`) : []),
    ...outwards(rest),
  ];
}

const lengthOf = ({ places }: Side): number =>
  places.length < 2 ? 0 : Math.hypot(places.at(-1)!.x - places.at(-2)!.x, places.at(-1)!.y - places.at(-2)!.y);

/** Nose, tail, then the sides from the front backwards, left and right in turn. */
function frontFirst({ sides, pan }: ToOrder): Wave[] {
  const [nose, tail] = [sides.find(({ edge }) => edge === 'front'), sides.find(({ edge }) => edge === 'back')];
  const flanks = sides.filter((side) => side !== nose && side !== tail).flatMap(({ places }) => places);
  const backwards = [...flanks].sort((a, b) => a.y - b.y);
  const middle = Math.ceil(backwards.length / 2);
  return [
    { says: `${pan ? 'nose' : 'front'}, from its middle outwards`, places: nose?.places ?? [] },
    { says: pan ? 'tail, drawn over from the nose' : 'back, drawn over from the front', places: tail?.places ?? [] },
    { says: 'sides from the front backwards, left and right in turn', places: backwards.slice(0, middle) },
    { says: pan ? 'on backwards to the tail' : 'on backwards', places: backwards.slice(middle) },
  ];
}

/** What may be chosen as the order of work. */
export type OrderId = 'centres' | 'long-side' | 'curved' | 'front';

const MADE: Record<OrderId, (to: ToOrder) => Wave[]> = {
  centres: ({ sides }) => outwards(sides),
  'long-side': (to) =>
    sideFirst(
      to,
      to.sides.reduce<Side | undefined>((best, side) => (best && lengthOf(best) >= lengthOf(side) ? best : side), undefined),
      'one long side',
    ),
  curved: (to) =>
    sideFirst(
      to,
      to.sides.find(({ edge }) => to.bowed.includes(edge)),
      'the bowed side',
    ),
  front: frontFirst,
};

/** What the corners are called in an order: from front to back where all of it is. */
const CORNERS: Record<OrderId, string> = {
  centres: 'corners, opposite ones in turn',
  'long-side': 'corners, opposite ones in turn',
  curved: 'corners, opposite ones in turn',
  front: 'corners, those in front first',
};

/**
 * Puts places in the order of a school and numbers them. Source: docs/models.md, "Order"; trade.md, "fixing order".
 *
 * @param id of the school
 * @param to the places of every side, and of the corners
 */
export function ordered(id: OrderId, to: ToOrder): FastenerPlace[] {
  const corners = id === 'front' ? [...to.corners].sort((a, b) => a.y - b.y) : to.corners;
  const waves: Wave[] = [...MADE[id](to), { says: CORNERS[id], places: corners }];
  return waves.flatMap(({ says, places }) => places.map((place) => ({ ...place, wave: says }))).map((place, i) => ({ n: i + 1, ...place }));
}
