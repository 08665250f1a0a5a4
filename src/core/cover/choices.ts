import { defaultsOf, type Covering, type CutCloth, type Piece, type Welt } from '../piece';
import { BUTTONS, CHANNELS, COVERING, NAILS, WELT } from '../piece/schema/covering';
import { secondParts } from './cloths-on';
import { spreadButtons } from './details/buttons';
import { wayOf, type Choices, type Way } from './ways';

/** What the forms begin from, and what a way has where nothing was chosen. */
export const STARTING = {
  welt: defaultsOf(WELT),
  channels: defaultsOf(CHANNELS),
  buttons: defaultsOf(BUTTONS),
  nails: defaultsOf(NAILS),
  border: defaultsOf(COVERING).border!,
  lip: defaultsOf(COVERING).lip!,
};

function weltOf(way: Way, covering: Covering): Welt | null {
  return way.welt ? (covering.welt ?? { ...STARTING.welt, ...way.welt.start }) : null;
}

/** What a way has of a part: always its own or the usual one, where it is offered only what was chosen. */
function partOf<T>(use: 'always' | 'offered' | undefined, chosen: T | undefined, usual: T): T | null {
  return use === 'always' ? (chosen ?? usual) : use === 'offered' ? (chosen ?? null) : null;
}

/**
 * Everything chosen about a cover, with what its way has where nobody chose.
 *
 * @param covering of the document
 */
export function choicesOf(covering: Covering): Choices & { way: Way } {
  const way = wayOf(covering.way);
  return {
    way,
    covering,
    welt: weltOf(way, covering),
    channels: partOf(way.channels, covering.channels, STARTING.channels),
    buttons: partOf(way.buttons, covering.buttons, STARTING.buttons),
    nails: partOf(way.nails, covering.nails, STARTING.nails),
  };
}

/**
 * A covering with another way chosen. Buttons that nobody set out yet are spread over the board: a grid in its middle leaves
 * the ends bare.
 *
 * @param covering as it is
 * @param way the way’s id
 * @param size of the board, mm
 */
export function coveredBy(covering: Covering, way: string, size: { width: number; depth: number }): Covering {
  const spread = wayOf(way).buttons === 'always' && !covering.buttons;
  return { ...covering, way, ...(spread ? { buttons: spreadButtons(size, STARTING.buttons) } : {}) };
}

/** Whether a pattern comes in the same place on every piece of a set: it does, unless somebody gave that up. */
export function isMatched({ matched }: Pick<Covering, 'matched'>): boolean {
  return matched ?? true;
}

/**
 * Every cloth that is on a piece: its own, and the second where its way has a part that is cut from it.
 *
 * @param piece of the document
 */
export function clothsOn<C extends CutCloth>(piece: { cloth: C; second?: C | null } & Pick<Piece, 'covering' | 'loose'>): C[] {
  const { way, welt } = choicesOf(piece.covering);
  const loose = piece.loose ?? [];
  const welted = Boolean(welt?.upper || welt?.lower) || loose.some((candidate) => candidate.welted);
  const on = [...secondParts(piece)].some((part) => (part === 'welt' ? welted : part === 'loose' ? loose.length > 0 : !way.pulled));
  return [piece.cloth, ...(piece.second && on ? [piece.second] : [])];
}
