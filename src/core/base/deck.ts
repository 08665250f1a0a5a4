import { BOARDS, deckOf, findMaterial, type Deck } from '../foam';
import { bounds, lineCrossings, offsetPolygon, type Polygon } from '../outline';
import { DECK, defaultsOf, type Base, type StretchedDeck } from '../piece';

/** One strap or spring. Lengths mm. */
export type Strap = {
  way: 'across' | 'along';
  /** where it lies: its y where it runs across, its x where it runs front to back */
  at: number;
  /** between its two fastenings */
  span: number;
  /** to cut: so much shorter than the span as it is stretched, and what is folded over */
  cut: number;
};

/** What is stretched in a frame: what to cut, how far to stretch it, what holds it. Lengths mm. */
export type DeckPlan = {
  kind: Deck['id'];
  name: string;
  part: string;
  width: number;
  /** percent */
  stretch: number;
  straps: Strap[];
  /** of all straps, as cut */
  total: number;
  fasteners: number;
  clips: number;
  how: string;
  /** strong cloth over it, on which the padding lies: cut so that its edges are turned over on the rails */
  /** it is there and good: nothing is cut, bought or put in */
  stays: boolean;
  hessian: { width: number; height: number };
};

/** Hessian ends so far in from the frame’s outer edge, and its edges are turned over by so much, mm. */
const HESSIAN_IN = 10;
const HESSIAN_TURN = 20;

/** A clip sits on the rail so far from its inner edge, mm. */
const CLIP_IN = 10;
/** A chord shorter than this gets no strap, mm. */
const LEAST_SPAN = 80;

/** What a base has stretched in its frame: as was said, or the usual where its board is webbing and nothing was; null for a board. */
export function stretchedIn({ board, deck }: Pick<Base, 'board' | 'deck'>): StretchedDeck | null {
  if (findMaterial(BOARDS, board.material)?.stiffness !== 0) return null;
  return deck ?? defaultsOf(DECK);
}

/** The rail's inner line; null where the rails leave no opening. */
export function railInside(board: Polygon, { rail }: Pick<StretchedDeck, 'rail'>): Polygon | null {
  return offsetPolygon(board, -rail);
}

/** Straps one way: as many as fit with the usual gap, evenly over the opening. */
function strapsOneWay(board: Polygon, inner: Polygon, deck: Deck, stretched: StretchedDeck, way: Strap['way']): Strap[] {
  const box = bounds(inner);
  const [low, wide] = way === 'along' ? [box.minX, box.width] : [box.minY, box.height];
  const count = Math.max(1, Math.floor((wide + deck.gap) / (deck.width + deck.gap)));
  const inside = deck.clips ? stretched.rail - CLIP_IN : stretched.rail / 2;
  return Array.from({ length: count }, (_, i) => low + ((i + 0.5) * wide) / count).flatMap((at): Strap[] => {
    const crossings = way === 'along' ? lineCrossings(board, [at, 0], [0, 1]) : lineCrossings(board, [0, at], [1, 0]);
    if (crossings.length < 2) return [];
    const span = crossings.at(-1)! - crossings[0]! - 2 * inside;
    return span < LEAST_SPAN ? [] : [{ way, at, span, cut: span / (1 + deck.stretch) + 2 * deck.turn }];
  });
}

/**
 * What to cut and how to stretch it.
 *
 * @param board the frame's outer line
 * @param base tells what is stretched in it
 * @returns null where the base is a board
 */
export function deckPlan(board: Polygon, base: Pick<Base, 'board' | 'deck'>): DeckPlan | null {
  const stretched = stretchedIn(base);
  const inner = stretched && railInside(board, stretched);
  if (!stretched || !inner) return null;
  const deck = deckOf(stretched.kind);
  const frame = bounds(board);
  const ways: Strap['way'][] = deck.clips ? ['along'] : ['along', 'across'];
  const straps = ways.flatMap((way) => strapsOneWay(board, inner, deck, stretched, way));
  return {
    kind: deck.id,
    name: deck.name,
    part: deck.part,
    width: deck.width,
    stretch: deck.stretch * 100,
    straps,
    total: straps.reduce((sum, strap) => sum + strap.cut, 0),
    fasteners: straps.length * 2 * deck.fasteners,
    clips: deck.clips ? straps.length * 2 : 0,
    how: deck.how,
    stays: stretched.made === 'stays',
    hessian: { width: frame.width + 2 * (HESSIAN_TURN - HESSIAN_IN), height: frame.height + 2 * (HESSIAN_TURN - HESSIAN_IN) },
  };
}
