import type { CoverPiece } from '../laying/cloth-piece';
import { cornerPlaces, levelLength, levelSteps, stretches, stretchLength, type Stretch } from '../surface/levels';
import type { Sewn, Way, Working } from '../ways/way';

/** A seam with the pieces that meet in it. `ease` is the most by which two partners differ as cut, mm. */
export type SeamPlan = {
  id: string;
  name: string;
  length: number;
  welted: boolean;
  /** laid along and fastened, not stitched */
  laid?: boolean;
  partners: { piece: string; edge: string; flat: number }[];
  ease: number;
  notches: number;
  thread: number;
  /** layers of cloth that lie under the foot where it is thickest; nothing where it is not stitched */
  layers: number;
};

/**
 * Layers of cloth at a seam’s thickest place: the two that it joins, a welt’s folded strip (twice for a double one), and where a
 * join runs into it the join’s two allowances, pressed open.
 *
 * @param seam what is known of it
 */
export function layersAt({ welted, double, crossed }: { welted: boolean; double: boolean; crossed: boolean }): number {
  return 2 + (welted ? (double ? 4 : 2) : 0) + (crossed ? 2 : 0);
}

/** The seams of a cover with the pieces that meet in them. */
export function seamPlans({ ring, covering, rule, welt }: Working, sewn: Sewn, pieces: readonly CoverPiece[]): SeamPlan[] {
  return sewn.seams.map((seam) => {
    const length = levelLength(ring, seam.level, seam.over);
    const partners = pieces.flatMap((piece) =>
      piece.edges
        .filter((edge) => edge.seam === seam.id)
        .map((edge) => ({ piece: piece.name, edge: edge.id, flat: edge.flat, role: piece.role })),
    );
    // The same seam is walked once by what lies inside it and once by what lies outside.
    const inside = partners.filter(
      ({ role }) =>
        role === 'top' || (seam.id === 'top' && role === 'border') || (seam.id === 'lower' && role !== 'bottom' && role !== 'fly'),
    );
    const outside = partners.filter((partner) => !inside.includes(partner));
    const sum = (of: typeof partners): number => of.reduce((total, { flat }) => total + flat, 0);
    const both = inside.length > 0 && outside.length > 0;
    // What is laid along an edge has no partner to differ from.
    const ease = partners.length === 0 ? 0 : Math.abs(sum(both ? inside : partners) - (both ? sum(outside) : length));
    const stitched = length * (seam.welted ? 2 : 1) * (covering.doubleStitch ? 2 : 1) + ((covering.topStitch ?? 0) > 0 ? length : 0);
    return {
      id: seam.id,
      name: seam.name,
      length,
      welted: seam.welted,
      ...(seam.laid ? { laid: true } : {}),
      partners: partners.map(({ piece, edge, flat }) => ({ piece, edge, flat })),
      ease,
      notches: pieces[0]!.notches.length,
      thread: seam.laid ? 0 : (stitched * rule('threadFactor')) / 100,
      layers: seam.laid
        ? 0
        : layersAt({ welted: seam.welted, double: Boolean(welt?.double), crossed: outside.length > 1 || inside.length > 1 }),
    };
  });
}

/** The sides of a piece along which a seam runs; one that ends short of a corner ends there. */
function sidesOver(sides: readonly [number, number][], over: Stretch | undefined): [number, number][] {
  if (!over) return [...sides];
  return sides.flatMap(([from, to]): [number, number][] => {
    const part: [number, number] = [Math.max(from, over.from), Math.min(to, over.to)];
    // What is left of the side that has none is the little round its corners.
    return from >= over.from && to <= over.to ? [part] : [];
  });
}

/** Card strip for straight hidden edges: a border or an outer band that is back-tacked, a deck's edges below the rails. */
export function tackStrips(way: Way, working: Working, sewn: Sewn): { edge: string; along: string; length: number }[] {
  const { ring } = working;
  const corners = cornerPlaces(ring);
  if (corners.length < 2) return [];
  return (way.tackAlong?.(working, sewn) ?? []).flatMap(({ name, level, over }) => {
    const steps = levelSteps(ring, level);
    return sidesOver(stretches(ring, corners), over).map(([from, to]) => ({
      edge: ring.places[Math.round((from + to) / 2) % ring.places.length]!.edge,
      along: name,
      length: stretchLength(steps, from, to),
    }));
  });
}

/**
 * The joins of strips to each other: each is an edge of two pieces.
 *
 * @param pieces of the cover
 * @returns how many, and how long together, mm
 */
export function joinLength(pieces: readonly CoverPiece[]): { count: number; length: number } {
  const ends = pieces.flatMap(({ edges }) => edges.filter(({ kind }) => kind === 'join'));
  return { count: Math.round(ends.length / 2), length: ends.reduce((sum, { sewn }) => sum + sewn, 0) / 2 };
}
