import { giveOf, preShrink } from '../cloth';
import type { CoverPiece, CoverPlan } from '../cover';
import { bounds } from '../outline';
import type { Cloth, OldPiece, Piece } from '../piece';
import { partComes, partOf } from './chair-parts';

/**
 * Of what a cloth gives, what is still in an old cover: it has been pulled once and has kept part of it. A master counts on
 * about half; the rest is what tears.
 */
export const EASED = 0.5;

/** An old piece of cover that goes on again, and how far the build may differ before it no longer closes, mm. */
export type GoesBack = {
  id: string;
  name: string;
  /** the piece of the computed cover that it stands for, and whether that is pulled and fastened or sewn */
  piece: string;
  pulled: boolean;
  /** what the build asks, seam to seam, or from trimmed edge to trimmed edge */
  need: { width: number; height: number };
  /** what of it cloth can reach: as measured, what it still gives, seams let out */
  have: { width: number; height: number };
  stretch: { width: number; height: number };
  letOut: number;
  room: { width: number; height: number };
  /** by how much the build may be thicker all over; of a sewn piece nothing, its seams stand where they are */
  thicker: number | null;
  closes: boolean;
  words: string;
};

/**
 * The piece of a computed cover that an old one stands for: of its name, or else the first.
 *
 * @param name of the old piece
 * @param pieces of the computed cover
 */
export function standsFor(name: string, pieces: readonly CoverPiece[]): CoverPiece {
  const toLowerCase = name.trim().toLowerCase();
  return (
    pieces.find((piece) => piece.name.toLowerCase() === toLowerCase) ??
    pieces.find((piece) => piece.name.toLowerCase().includes(toLowerCase)) ??
    pieces[0]!
  );
}

/** Ids of the cover's pieces that are not made new: the old ones go on again. */
export function backOn({ strip }: Pick<Piece, 'strip'>, pieces: readonly CoverPiece[]): string[] {
  const back = (strip?.cover ?? []).filter((candidate) => candidate.back);
  return [...new Set(back.map((item) => standsFor(item.name, pieces).id))];
}

/** What an old cloth still gives, as shares of its length across and up the piece. */
function left(cloth: Cloth): { width: number; height: number } {
  const { warp, weft } = giveOf(cloth);
  return cloth.direction === 'across' ? { width: EASED * warp, height: EASED * weft } : { width: EASED * weft, height: EASED * warp };
}

const mm = (value: number): string => `${Math.round(Math.abs(value))} mm`;

function wordsOf(pulled: boolean, room: GoesBack['room'], thicker: number | null): string {
  const short = [
    room.width < 0 ? `${mm(room.width)} short across` : '',
    room.height < 0 ? `${mm(room.height)} short from front to back` : '',
  ].filter(Boolean);
  if (short.length > 0) return `It does not close: ${short.join(' and ')}.`;
  return pulled
    ? `It closes. The build may be ${mm(thicker!)} thicker all over before it no longer does (${mm(room.width)} left across, ${mm(room.height)} from front to back).`
    : `It closes. This part may be ${mm(room.width)} wider and ${mm(room.height)} deeper before its seams no longer meet.`;
}

function judged(old: OldPiece, piece: CoverPiece, cloth: Cloth): GoesBack {
  const pulled = piece.role === 'cover';
  const longer = preShrink(cloth);
  // An old cover is trimmed already: the least it can be held by is what stays beyond the staples. A sewn one keeps its seams.
  const box = bounds(pulled ? piece.trimLine : piece.sewn);
  const need = { width: box.width / longer, height: box.height / longer };
  const letOut = old.back?.letOut ?? 0;
  const give = left(cloth);
  const stretch = { width: old.width * give.width, height: old.height * give.height };
  const have = { width: old.width + stretch.width + 2 * letOut, height: old.height + stretch.height + 2 * letOut };
  const room = { width: have.width - need.width, height: have.height - need.height };
  // A millimetre of padding all over lengthens each of two sides by one.
  const thicker = pulled ? Math.min(room.width, room.height) / 2 : null;
  const { id, name } = old;
  return {
    id,
    name,
    piece: piece.id,
    pulled,
    need,
    have,
    stretch,
    letOut,
    room,
    thicker,
    closes: room.width >= 0 && room.height >= 0,
    words: wordsOf(pulled, room, thicker),
  };
}

/**
 * Judges every old piece of cover that goes on again: whether it still closes over the new build, and how far that may differ.
 *
 * @param piece with its strip record
 * @param pieces the computed cover's
 */
export function goesBack(piece: Pick<Piece, 'strip' | 'cloth'>, pieces: readonly CoverPiece[]): GoesBack[] {
  return (piece.strip?.cover ?? [])
    .filter((candidate) => candidate.back)
    .map((item) => judged(item, standsFor(item.name, pieces), piece.cloth));
}

/**
 * By how much less the main pad must be for an old cover to close, whole mm; 0 where it closes or is not one that is pulled.
 *
 * @param back what `goesBack` found
 */
export function tooThick({ thicker }: GoesBack): number {
  return thicker !== null && thicker < 0 ? Math.ceil(-thicker) : 0;
}

/** What is laid under or over everything else and may go back as it came. */
export type KeptLayer = 'wadding' | 'film' | 'lining' | 'dust';
const LAYERS: readonly KeptLayer[] = ['wadding', 'film', 'lining', 'dust'];
/** The lining that each of them is. */
const MATERIAL: Partial<Record<KeptLayer, string>> = { film: 'film', lining: 'liner' };

/** Which layers of this piece go back as they came: nothing is cut or bought for them. */
export function keptLayers({ strip }: Pick<Piece, 'strip'>): ReadonlySet<KeptLayer> {
  const back = (strip?.items ?? []).filter((item) => item.again === 'refit' && partComes(strip!, partOf(strip!, item)) === 'itself');
  return new Set(LAYERS.filter((layer) => back.some(({ what }) => what === layer)));
}

/** Whether a lining is an old one that goes back. */
export function isKept(retained: ReadonlySet<KeptLayer>, material: string): boolean {
  return [...retained].some((layer) => MATERIAL[layer] === material);
}

/**
 * A cover without what goes on again: what is left is cut, bought and sewn. Where all of it goes on again nothing is sewn;
 * loose cushions are never part of an old cover.
 *
 * @param cover the computed cover
 * @param piece with its strip record
 */
export function newOf(cover: CoverPlan, piece: Pick<Piece, 'strip'>): CoverPlan {
  const back = backOn(piece, cover.pieces);
  const retained = keptLayers(piece);
  const linings = cover.linings.filter(({ material }) => !isKept(retained, material));
  const coverPlan = linings.length < cover.linings.length ? { ...cover, linings } : cover;
  if (back.length === 0) return coverPlan;
  const pieces = cover.pieces.filter(({ id }) => !back.includes(id));
  if (pieces.some(({ role }) => role !== 'loose')) return { ...coverPlan, pieces };
  const welts = cover.loose.flatMap((loosePlan) => loosePlan.welts);
  return { ...coverPlan, pieces, seams: [], welts, zip: null, channels: null, buttons: null, backing: [] };
}
