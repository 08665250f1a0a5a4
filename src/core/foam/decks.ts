import type { Bought } from '../wares';

/** What is stretched in a frame instead of a board, as the workshop puts it in. Lengths mm. */
export type Deck = {
  id: string;
  /** what it is bought as, and what holds its ends */
  ware: Bought;
  holds: Bought;
  name: string;
  /** what one of its parts is called */
  part: string;
  /** how wide one is, and what is left open between two */
  width: number;
  gap: number;
  /** how far it is stretched when it is put in, as a share of its length: also how fast it grows tighter */
  stretch: number;
  /** pull side to side beside that front to back: straps are woven both ways, springs run one way and are tied across */
  across: number;
  /** what either end takes beyond the rail's middle: folded over and fastened again; nothing where it hooks into a clip */
  turn: number;
  /** fasteners at either end */
  fasteners: number;
  /** hooks into clips rather than being fastened itself */
  clips: boolean;
  /** how it is put in */
  how: string;
};

/** A hand leant on a deck goes down so far, mm: less is a board, more is a hammock. */
export const TIGHT_ENOUGH = [25, 40] as const;

/** The decks that are known, the usual one first. */
export const DECKS = [
  {
    id: 'elastic',
    ware: { kind: 'webbing', sort: 'elastic', name: 'Webbing' },
    holds: { kind: 'staple', name: 'Staples' },
    name: 'Elastic webbing',
    part: 'Strap',
    width: 50,
    gap: 30,
    stretch: 0.12,
    across: 1,
    turn: 25,
    fasteners: 9,
    clips: false,
    how: 'Front to back first, then across, woven over and under; fold each end over and fasten it again.',
  },
  {
    id: 'jute',
    ware: { kind: 'webbing', sort: 'jute', name: 'Webbing' },
    holds: { kind: 'staple', name: 'Staples' },
    name: 'Jute webbing',
    part: 'Strap',
    width: 50,
    gap: 20,
    stretch: 0.02,
    across: 1,
    turn: 30,
    fasteners: 9,
    clips: false,
    how: 'Pull each with the stretcher until it rings like a drum; front to back first, then across, woven; fold the ends over.',
  },
  {
    id: 'springs',
    ware: { kind: 'spring', sort: 'zigzag', name: 'Zigzag springs' },
    holds: { kind: 'fastener', sort: 'clip-nail', name: 'Clip nails' },
    name: 'Zigzag springs',
    part: 'Spring',
    width: 50,
    gap: 60,
    stretch: 0.07,
    across: 0.15,
    turn: 0,
    fasteners: 2,
    clips: true,
    how: 'Hook the back end in first and draw the front over its clip; clips open away from each other; tie them across in two rows.',
  },
] as const satisfies readonly Deck[];

/** A deck by its id. */
export function deckOf(id: string): Deck {
  return DECKS.find((deck) => deck.id === id) ?? DECKS[0];
}
