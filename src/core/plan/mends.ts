import { withStayingFoam } from '../strip';
import { BOARDS, findMaterial } from '../foam';
import { choicesOf } from '../cover';
import { defaultsOf, FRAME, type Pad, type Piece } from '../piece';
import type { Warning } from '../warning';

/** What mends a warning: what the button says, and what of the piece it sets. */
export type Mend = { says: string; path: string; value: unknown };

/** Warnings in the order of the harm they stand for: people first, then spoilt cloth, then looks. */
const HARM: readonly string[] = [
  'board-breaks',
  'panels-too-heavy',
  'board-soft',
  'deck-slack',
  'courses-loose',
  'bottoms-out',
  'edge-felt',
  'board-holds-no-staple',
  'staple-leg',
  'gun-leg',
  'not-at-rest',
  'seam-too-deep',
  'not-flat',
  'cloth-too-narrow',
  'pad-larger-than-sheet',
  'too-large-between',
  'old-cover-short',
  'grip-short',
  'nails-over-foam',
  'seam-eased',
  'strained',
];

/** The more harmful first; what is not in the list comes after, in the order it was found. */
export function byHarm(warnings: readonly Warning[]): Warning[] {
  const rank = ({ code }: Warning): number => (HARM.includes(code) ? HARM.indexOf(code) : HARM.length);
  return [...warnings].sort((a, b) => rank(a) - rank(b));
}

/** The pad that a warning's place names, and its number. */
function padAt({ pads }: Piece, where: string): { pad: Pad; path: string } | null {
  const found = /^pads\.(\d+)/.exec(where);
  const pad = found ? pads[Number(found[1])] : undefined;
  return pad ? { pad, path: `pads.${found![1]}` } : null;
}

type Mender = (piece: Piece, warning: Warning) => Mend | null;

const OF_PADS: Record<string, Mender> = {
  'edge-not-buried': (piece, { where }) => {
    const at = padAt(piece, where);
    return at && { says: 'Let it overhang', path: `${at.path}.offset`, value: null };
  },
  'slow-main-pad': (piece, { where }) => {
    const at = padAt(piece, where);
    return at && { says: 'Take firm seating foam', path: `${at.path}.material`, value: 'seat-firm' };
  },
  'crown-on-top': (piece, { where }) => {
    const at = padAt(piece, where);
    return at && { says: 'Lay it lowest', path: 'pads', value: [at.pad, ...piece.pads.filter((pad) => pad !== at.pad)] };
  },
};

const OF_BOARD: Record<string, Mender> = {
  'staple-leg': ({ base }) => {
    const { board } = base;
    const thicker = findMaterial(BOARDS, board.material)?.sold.find((t) => t > board.thickness && t >= 12);
    if (thicker) return { says: `Take a board of ${thicker} mm`, path: 'base.board.thickness', value: thicker };
    // No board of this kind is thick enough: wood behind its edge is.
    return base.frame ? null : { says: 'Battens behind the edge', path: 'base.frame', value: { ...defaultsOf(FRAME), inset: 0, ribs: 0 } };
  },
  'board-holds-no-staple': () => ({ says: 'Glue the cover', path: 'covering.held', value: 'glue' }),
};

const OF_STRIP: Record<string, Mender> = {
  'foam-stays': (piece) => {
    const value = withStayingFoam(piece);
    return value && { says: 'Build on the foam that stays', path: 'pads', value };
  },
};

const OF_CLOTH: Record<string, Mender> = {
  'stripe-pulled': () => ({ says: 'Smooth it only', path: 'cloth.pull', value: 'smooth' }),
  'stripe-turned': () => ({ says: 'Up the roll', path: 'cloth.direction', value: 'along' }),
  'nap-turned': () => ({ says: 'Up the roll', path: 'cloth.direction', value: 'along' }),
  'nap-against': () => ({ says: 'Up the roll', path: 'cloth.direction', value: 'along' }),
  'motif-not-placed': () => ({ says: 'A stripe on the middle', path: 'covering.motif', value: { x: 0, y: 0, on: 'stripe' } }),
  'cloth-too-narrow': ({ cloth }) => ({
    says: cloth.direction === 'across' ? 'Up the roll' : 'Turn it sideways',
    path: 'cloth.direction',
    value: cloth.direction === 'across' ? 'along' : 'across',
  }),
  'pile-on-foam': () => ({ says: 'Lay a slip film', path: 'covering.slipFilm', value: true }),
  'rots-outdoors': () => ({ says: 'It stays indoors', path: 'covering.outdoors', value: false }),
  'not-pre-shrunk': () => ({ says: 'Allow 3 %', path: 'cloth.shrinkage', value: 3 }),
  'grip-short': () => ({ says: 'Allow 35 mm', path: 'overrides.grip', value: 35 }),
  'welt-on-the-straight': ({ covering }) => ({
    says: 'Cut it on the bias',
    path: 'covering.welt',
    value: { ...choicesOf(covering).welt!, cut: 'bias' },
  }),
  'no-backing': ({ covering }) => ({
    says: 'Quilt on 6 mm backed foam',
    path: 'covering.channels',
    value: { ...choicesOf(covering).channels!, backing: 6 },
  }),
};

const OF_RULES: Record<string, Mender> = {
  'override-unusual': ({ overrides }, { where }) => {
    const key = where.replace(/^overrides\./, '');
    return {
      says: 'Back to the house rule',
      path: 'overrides',
      value: Object.fromEntries(Object.entries(overrides).filter(([text]) => text !== key)),
    };
  },
};

const MENDERS: Record<string, Mender> = { ...OF_PADS, ...OF_BOARD, ...OF_STRIP, ...OF_CLOTH, ...OF_RULES };

/**
 * What mends a warning with one press, or null where only the hand can.
 *
 * @param piece the document
 * @param warning of its plan
 */
export function mendOf(piece: Piece, warning: Warning): Mend | null {
  if (warning.mend) return warning.mend;
  return MENDERS[warning.code]?.(piece, warning) ?? null;
}
