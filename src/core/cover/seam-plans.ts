import type { Model } from '../build';
import type { Covering } from '../piece';
import type { CoverPiece } from './cloth-piece';
import { coveringOf } from './covering';
import { cornerPlaces, levelSteps, lowerEdge } from './levels';
import { seamLine } from './reach';
import type { Ring } from './ring';
import type { Sewn } from './ways';

/** A seam with the pieces that meet in it. `ease` is the most by which two partners differ as cut, mm. */
export type SeamPlan = {
  id: string;
  name: string;
  length: number;
  welted: boolean;
  partners: { piece: string; edge: string; flat: number }[];
  ease: number;
  notches: number;
  thread: number;
};

/** The seams of a cover with the pieces that meet in them. */
export function seamPlans(model: Model, ring: Ring, sewn: Sewn, pieces: readonly CoverPiece[]): SeamPlan[] {
  const { rule } = model;
  const covering = coveringOf(model.piece);
  return sewn.seams.map((seam) => {
    const { length } = seamLine(ring, seam);
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
    const ease = inside.length > 0 && outside.length > 0 ? Math.abs(sum(inside) - sum(outside)) : Math.abs(sum(partners) - length);
    const stitched = length * (seam.welted ? 2 : 1) * (covering.doubleStitch ? 2 : 1) + ((covering.topStitch ?? 0) > 0 ? length : 0);
    return {
      id: seam.id,
      name: seam.name,
      length,
      welted: seam.welted,
      partners: partners.map(({ piece, edge, flat }) => ({ piece, edge, flat })),
      ease,
      notches: pieces[0]!.notches.length,
      thread: (stitched * rule('threadFactor')) / 100,
    };
  });
}

/** Card strip for straight hidden edges: a border or an outer band that is back-tacked, a deck's edges below the rails. */
export function tackStrips(ring: Ring, covering: Covering, sewn: Sewn): { edge: string; length: number }[] {
  const level = covering.way === 'bordered' ? sewn.seams[0]!.level : covering.way === 'tight-deck' ? lowerEdge(ring) : null;
  const corners = cornerPlaces(ring);
  if (!level || corners.length < 2) return [];
  const n = ring.places.length;
  const steps = levelSteps(ring, level);
  return corners.map((from, k) => {
    const to = k + 1 < corners.length ? corners[k + 1]! : corners[0]! + n;
    let length = 0;
    for (let i = from; i < to; i++) length += steps[i % n]!;
    return { edge: ring.places[Math.round((from + to) / 2) % n]!.edge, length };
  });
}
