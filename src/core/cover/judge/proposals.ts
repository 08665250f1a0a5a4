import type { Model } from '../../padding';
import { CLOTHS, giveOf } from '../../cloth';
import { CORNER_BEND } from '../../outline';
import { PieceProblems, type Covering, type Piece } from '../../piece';
import type { SewnCover } from '../sew';
import { wayOf } from '../ways';

/**
 * Something to do where the cover asks more than the cloth gives: `share` is what it then asks (1 is all that the cloth
 * gives); `apply` is the piece with it done.
 */
export type Proposal = { id: string; words: string; share: number; apply: Piece };

/** How much a straight seam is bowed when its band is shaped, mm: its farthest stand-off from the line between its ends. */
function bowOf({ made }: SewnCover): number {
  let most = 0;
  for (const { spec, pieces } of made) {
    if (spec.region.kind !== 'strip' || spec.straight) continue;
    for (const piece of pieces) {
      const edge = piece.edges.find((pieceEdge) => pieceEdge.id === spec.inner?.id);
      if (!edge) continue;
      const points = Array.from({ length: edge.sides + 1 }, (_, k) => piece.sewn[(edge.from + k) % piece.sewn.length]!);
      const [a, b] = [points[0]!, points.at(-1)!];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      for (const [x, y] of points) most = Math.max(most, Math.abs((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / length);
    }
  }
  return most;
}

/** A trial: what it is called, what it says once it was laid flat, the piece with it done. */
type Trial = { id: string; words: (made: SewnCover) => string; piece: Piece };

/** Where darts are taken up where the edge has no corners, as shares of the way round. */
const EVENLY = [0.125, 0.375, 0.625, 0.875];
/** Another cloth is worth a word when it gives so much more; so many are named. */
const STRETCHIER = { by: 1.2, most: 2 };

/** What can be done to a sewn cover. */
function sewnTrials(model: Model): Trial[] {
  const { piece, places, perimeter } = model;
  const { covering } = piece;
  const { fields } = wayOf(covering.way);
  const trials: Trial[] = [];
  const change = (id: string, words: Trial['words'], next: Partial<Covering>): void =>
    void trials.push({ id, words, piece: { ...piece, covering: { ...covering, ...next } } });
  if (covering.bandCut !== 'shaped')
    change('bow', (made) => `Bow the band’s edge by ${Math.round(bowOf(made))} mm: cut it as the side is shaped.`, { bandCut: 'shaped' });
  for (const [seamAt, where] of [
    ['on-top', 'farther in, on top of the pad'],
    ['edge', 'to the edge'],
    ['below', 'below the edge'],
  ] as const)
    if ((covering.seamAt ?? 'edge') !== seamAt && fields.includes('seamAt') && !fields.includes('border'))
      change(`seam-${seamAt}`, () => `Move the top seam ${where}.`, { seamAt });
  if ((covering.split ?? 'none') !== 'none') return trials;
  const corners = places.filter((place) => place.turn > CORNER_BEND);
  const shares = corners.length > 1 ? corners.map((place) => place.at / perimeter) : EVENLY;
  if (!covering.darts?.length)
    change('darts', () => `Take up ${shares.length} darts ${corners.length > 1 ? 'at the corners' : 'evenly round'}.`, { darts: shares });
  change('split-depth', () => 'Split the top down the middle, front to back.', { split: 'depth', darts: [] });
  change('split-width', () => 'Split the top across the middle.', { split: 'width', darts: [] });
  return trials;
}

/** Cloths that give more. */
function clothTrials(piece: Piece): Trial[] {
  const give = giveOf(piece.cloth);
  return CLOTHS.filter((cloth) => cloth.id !== 'lining-calico' && cloth.coated === piece.cloth.coated)
    .map((cloth) => ({ cloth, give: giveOf(cloth) }))
    .filter((other) => other.give.warp > give.warp * STRETCHIER.by)
    .sort((a, b) => a.give.warp - b.give.warp)
    .slice(0, STRETCHIER.most)
    .map(({ cloth: { id, ...item } }) => ({
      id: `cloth-${id}`,
      words: () => `Take a cloth that gives more: ${item.name.toLowerCase()}.`,
      piece: { ...piece, cloth: { ...piece.cloth, ...item, certificate: '' } },
    }));
}

function trialsFor(model: Model): Trial[] {
  const { piece } = model;
  const way = wayOf(piece.covering.way);
  const trials: Trial[] = way.endsInside
    ? []
    : way.pulled
      ? [
          {
            id: 'box',
            words: () => 'Sew a top and a band instead of pulling one cloth over.',
            piece: { ...piece, covering: { ...piece.covering, way: 'boxed' } },
          },
        ]
      : sewnTrials(model);
  return [...trials, ...clothTrials(piece)];
}

/**
 * Tries what a practitioner would try where a cover asks too much of its cloth, each by laying it flat again: bow the
 * band, move the seam, darts, a seam down the middle, another cloth.
 *
 * @param model the built piece
 * @param sewn lays a piece's cover flat; what a trial does not change is kept
 * @param [tell] told how far it is; answer false to stop
 * @returns what is asked now, and the proposals that ask less, least first
 */
export function proposalsFor(
  model: Model,
  sewn: (piece: Piece) => SewnCover,
  tell: (done: number, of: number) => boolean = () => true,
): { share: number; proposals: Proposal[] } {
  const now = sewn(model.piece).cover.strain?.share ?? 0;
  const trials = trialsFor(model);
  const found: Proposal[] = [];
  for (const [k, trial] of trials.entries()) {
    if (!tell(k, trials.length)) break;
    try {
      const made = sewn(trial.piece);
      const share = made.cover.strain?.share ?? 0;
      if (share < now * 0.97) found.push({ id: trial.id, words: trial.words(made), share, apply: trial.piece });
    } catch (error) {
      // A seam that cannot lie there is no proposal.
      if (!(error instanceof PieceProblems)) throw error;
    }
  }
  return { share: now, proposals: found.sort((a, b) => a.share - b.share) };
}
