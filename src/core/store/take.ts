import type { Cloth, OwnFoam, Piece } from '../piece';
import { foamOf } from '../piece';
import { findMaterial, FOAMS } from '../foam';
import { knownPrice, type Ware } from './ware';

/**
 * A cloth of the store as a piece carries it: with the store's figures, pulled and laid as before.
 *
 * @param now the piece's cloth
 * @param stored the cloth of the store
 */
export function takenCloth(now: Cloth, stored: Cloth): Cloth {
  const shows = stored.nap === 'pile' || stored.weave === 'pile' || stored.repeatAcross > 0 || stored.repeatAlong > 0;
  const napped = (stored.nap ?? 'none') !== 'none';
  return {
    ...stored,
    pull: shows && now.pull === 'taut' ? 'smooth' : now.pull,
    direction: napped && now.direction === 'any' ? 'along' : now.direction,
    ...(now.force === undefined ? {} : { force: now.force }),
  };
}

/** All that a plan reads of a cloth itself, and not how a piece uses it. */
const OF_ITSELF = [
  'weave',
  'fibre',
  'weight',
  'thickness',
  'stretchWarp',
  'stretchWeft',
  'nap',
  'coated',
  'repeatAcross',
  'repeatAlong',
  'shrinkage',
] as const satisfies readonly (keyof Cloth)[];
/** The same and what it looks like: what the store asks of a cloth. */
export const CLOTH_ASKED = [...OF_ITSELF, 'colour', 'second', 'figure'] as const satisfies readonly (keyof Cloth)[];
/** What is compared of two cloths. */
const FIGURES = [...OF_ITSELF, 'rollWidth', 'price'] as const satisfies readonly (keyof Cloth)[];

/** A cloth of the store with what the store says of it today: its name, width and price; null where it is none. */
export function clothSold(ware: Ware): Cloth | null {
  if (!ware.cloth) return null;
  const { name, width = ware.cloth.rollWidth, certificate = ware.cloth.certificate ?? '' } = ware;
  const known = knownPrice(ware);
  return { ...ware.cloth, name, ...(known === null ? {} : { price: known }), rollWidth: width, certificate };
}

/**
 * Where a piece's cloth says otherwise than the store's of that name.
 *
 * @param cloth of the piece
 * @param wares of the store
 * @returns the store's, and the fields that differ; null where the store has none of that name
 */
export function clothInStore<W extends Ware>(
  cloth: Cloth,
  wares: readonly W[],
): { ware: W; cloth: Cloth; differs: (keyof Cloth)[] } | null {
  const ware = wares.find(
    (candidate) => candidate.kind === 'cloth' && candidate.cloth && candidate.name.toLowerCase() === cloth.name.trim().toLowerCase(),
  );
  if (!ware?.cloth) return null;
  const stored = clothSold(ware)!;
  // Who has said no price has said none that differs.
  const differs = FIGURES.filter(
    (key) => (cloth[key] ?? null) !== (stored[key] ?? null) && !(key === 'price' && cloth.price === undefined),
  );
  return { ware, cloth: stored, differs };
}

/** A foam of the store as a piece carries it where it is not one that ships: nothing where it is. */
function ownFoamOf(ware: Ware): OwnFoam | null {
  return ware.foam ?? null;
}

/**
 * A piece with a foam of the store among those it can be built from.
 *
 * @param piece the piece
 * @param ware of the store
 * @returns the piece, and the id that a pad takes
 */
export function withStoreFoam(piece: Piece, ware: Ware): { piece: Piece; material: string } {
  const ownFoam = ownFoamOf(ware);
  if (!ownFoam) return { piece, material: ware.of };
  const known = piece.foams?.find(({ id }) => id === ownFoam.id);
  if (known)
    return { piece: { ...piece, foams: piece.foams!.map((foam) => (foam.id === ownFoam.id ? ownFoam : foam)) }, material: ownFoam.id };
  return { piece: { ...piece, foams: [...(piece.foams ?? []), ownFoam] }, material: ownFoam.id };
}

/** A foam of a piece's own as the store would keep it, so that the next piece can have it. */
export function foamToStore(piece: Pick<Piece, 'foams'>, id: string, thickness: number): Ware | null {
  const foam = foamOf(piece, id);
  if (!foam) return null;
  const item = findMaterial(FOAMS, id) ? null : (piece.foams?.find((one) => one.id === id) ?? null);
  return {
    kind: 'foam',
    name: `${foam.name}, ${thickness} mm`,
    of: id,
    sold: 'sheet',
    thickness,
    width: 1000,
    length: 2000,
    price: 0,
    supplier: '',
    lead: 3,
    ...(item ? { foam: item } : {}),
  };
}

/** A cloth of a piece as the store would keep it. */
export function clothToStore(cloth: Cloth): Ware {
  return {
    kind: 'cloth',
    name: cloth.name,
    of: '',
    sold: 'metre',
    width: cloth.rollWidth,
    price: cloth.price ?? 0,
    supplier: '',
    lead: 7,
    cloth: { ...cloth, direction: 'along' },
    ...(cloth.certificate ? { certificate: cloth.certificate } : {}),
  };
}
