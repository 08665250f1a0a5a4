import { CLOTHS, giveOf } from '../cloth';
import { coveredSurface, modelOf, type Model } from '../build';
import type { HouseRules } from '../house';
import type { Covering, Piece } from '../piece';
import { coveringOf, pulledOver } from './covering';
import { sewCover, type SewnCover } from './sew';
import { stationSections, wrapAt } from './wrap';

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
      const edge = piece.edges.find((own) => own.id === spec.inner?.id);
      if (!edge) continue;
      const points = Array.from({ length: edge.sides + 1 }, (_, k) => piece.sewn[(edge.from + k) % piece.sewn.length]!);
      const [a, b] = [points[0]!, points.at(-1)!];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      for (const [x, y] of points) most = Math.max(most, Math.abs((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / length);
    }
  }
  return most;
}

/**
 * Tries what a practitioner would try where a cover asks too much of its cloth, each by laying it flat again: bow the
 * band, move the seam, darts, a seam down the middle, another cloth.
 *
 * @param piece the document
 * @param house the workshop's rules
 * @param [tell] told how far it is; answer false to stop
 * @returns what is asked now, and the proposals that ask less, least first
 */
export function proposalsFor(
  piece: Piece,
  house: HouseRules,
  tell: (done: number, of: number) => boolean = () => true,
): { share: number; proposals: Proposal[] } {
  const model = modelOf(piece, house);
  const sections = stationSections(model);
  const stations = sections.map((section) => wrapAt(model, section));
  const covered = coveredSurface(model, sections);
  const sewn = (of: Piece): SewnCover => sewCover({ ...model, piece: of } as Model, sections, stations, covered);
  const covering = coveringOf(piece);
  const now = sewn(piece).cover.strain?.share ?? 0;
  const give = giveOf(piece.cloth);
  const trials: { id: string; words: (made: SewnCover) => string; piece: Piece }[] = [];
  const change = (id: string, words: (made: SewnCover) => string, next: Partial<Covering>): void =>
    void trials.push({ id, words, piece: { ...piece, covering: { ...covering, ...next } } });
  if (!pulledOver(covering.way) && covering.way !== 'lipped') {
    if (covering.bandCut !== 'shaped')
      change('bow', (made) => `Bow the band’s edge by ${Math.round(bowOf(made))} mm: cut it as the side is shaped.`, { bandCut: 'shaped' });
    for (const [seamAt, where] of [
      ['on-top', 'farther in, on top of the pad'],
      ['edge', 'to the edge'],
      ['below', 'below the edge'],
    ] as const)
      if ((covering.seamAt ?? 'edge') !== seamAt && covering.way !== 'bordered')
        change(`seam-${seamAt}`, () => `Move the top seam ${where}.`, { seamAt });
    const corners = model.places.filter((place) => place.turn > 0.3);
    const total = model.places.at(-1)!.at + 1;
    const shares = corners.length > 1 ? corners.map((place) => place.at / total) : [0.125, 0.375, 0.625, 0.875];
    if (!covering.darts?.length && (covering.split ?? 'none') === 'none')
      change('darts', () => `Take up ${shares.length} darts ${corners.length > 1 ? 'at the corners' : 'evenly round'}.`, { darts: shares });
    if ((covering.split ?? 'none') === 'none') {
      change('split-depth', () => 'Split the top down the middle, front to back.', { split: 'depth', darts: [] });
      change('split-width', () => 'Split the top across the middle.', { split: 'width', darts: [] });
    }
  } else if (covering.way !== 'lipped') change('box', () => 'Sew a top and a band instead of pulling one cloth over.', { way: 'boxed' });
  const stretchier = CLOTHS.filter((cloth) => cloth.id !== 'lining-calico' && cloth.coated === piece.cloth.coated)
    .map((cloth) => ({ cloth, give: giveOf(cloth) }))
    .filter((other) => other.give.warp > give.warp * 1.2)
    .sort((a, b) => a.give.warp - b.give.warp);
  for (const { cloth } of stretchier.slice(0, 2)) {
    const { id: _, ...own } = cloth;
    void _;
    trials.push({
      id: `cloth-${cloth.id}`,
      words: () => `Take a cloth that gives more: ${cloth.name.toLowerCase()}.`,
      piece: { ...piece, cloth: { ...piece.cloth, ...own, certificate: '' } },
    });
  }
  const found: Proposal[] = [];
  for (const [k, trial] of trials.entries()) {
    if (!tell(k, trials.length)) break;
    try {
      const made = sewn(trial.piece);
      const share = made.cover.strain?.share ?? 0;
      if (share < now * 0.97) found.push({ id: trial.id, words: trial.words(made), share, apply: trial.piece });
    } catch {
      // A seam that cannot lie there is no proposal.
    }
  }
  return { share: now, proposals: found.sort((a, b) => a.share - b.share) };
}
