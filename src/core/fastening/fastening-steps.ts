import { CORNERED, TRIMMED } from '../step/checkpoints';
import { alikeCorners, cornerSteps, cornerWords, endedLengths, wayOf, type CornerPlan } from '../cover';
import { END_HOLDS, saidCorner, type PieceKind } from '../piece';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';
import { rebateWords } from '../strip/chair-parts';
import type { Fastening } from './fasteners/fastener';

/** A metre of finished fold; trimming what stands over: minutes. */
const MINUTES = { endMetre: 25, trim: 3, relief: 0.2 };

const upper = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Minutes of a corner, in folds: a parcel's end is one, cutting the bulk away takes longer, a tuck half as long. */
function folds({ way, pleats }: CornerPlan): number {
  if (way === 'tucks') return pleats / 2;
  if (way === 'bulk cut away') return 1.25;
  return way === 'parcel fold' || way === 'cut in' ? 1 : 0.25;
}

/**
 * Corners that are made alike, and what they are called: all, or each by its name as it is said of the kind.
 *
 * @param corners in the order of the edge
 * @param kind of piece
 */
export function cornerLots(corners: readonly CornerPlan[], kind: PieceKind): { says: string; lot: CornerPlan[] }[] {
  return alikeCorners(corners.map((corner) => ({ ...corner, edge: saidCorner(kind, corner.edge) }))).map((lot) => {
    const all = lot.length === corners.length && lot.length > 1;
    return {
      says: `${all ? `All ${lot.length}` : upper(lot.map(({ edge }) => edge.replace(/ corner$/, '')).join(', '))}, ${cornerWords(lot[0]!)}`,
      lot,
    };
  });
}

/**
 * What is done at the corners, each lot that is made alike with its figures and what is done in turn; null where nothing is.
 *
 * @param fastening its corners and relief
 * @param [by] what holds the folds, one of it in a word, and its caution
 */
export function cornerStep(
  { corners, relief, model: { rule, piece } }: Fastening,
  { caution, by }: { caution: string; by: string } = { caution: CAUTIONS.staples, by: 'staple' },
): StepDraft | null {
  const phrases: string[] = [];
  // An inside corner was cut into before anything beside it was held: nothing is left to fold there.
  const left = corners.filter(({ way, cut: into }) => way !== 'cut in' || into === null);
  for (const { says, lot } of cornerLots(left, piece.kind)) phrases.push(`${says}: ${cornerSteps(lot, rule, by).join(' ')}`);
  if (relief?.gather)
    phrases.push(
      `Round the curves the cloth is gathered under the board, a little ${by === 'cord' ? 'at a time as the cord is drawn' : `to each ${by}`}.`,
    );
  if (phrases.length === 0) return null;
  const minutes = left.reduce((sum, corner) => sum + folds(corner), relief?.gather ? 1 : 0) * rule('timeCorner');
  const cut = left.some(({ away }) => away);
  const [key, name] = left.length > 0 ? ['corners', 'Make the corners'] : ['relief', 'Ease the edge'];
  return step(key!, name!, phrases.join('\n'), minutes, {
    ...(left.length > 0 ? { check: CORNERED } : {}),
    caution: cut ? `${caution} ${CAUTIONS.shears}` : caution,
    ...(left.length > 0 ? { sees: { in: 'corners' } } : {}),
  });
}

/** Cloth that is to go round a curve is cut into before it is pulled there; nothing where none is. */
export function reliefStep({ relief }: Pick<Fastening, 'relief'>): StepDraft[] {
  if (!relief?.cuts.length) return [];
  return [
    step(
      'relief-cuts',
      'Cut the reliefs',
      `${relief.cuts.length} relief cuts as drawn: make each one before you fasten beside it.`,
      relief.cuts.length * MINUTES.relief,
      { caution: CAUTIONS.shears, sees: { in: 'corners' } },
    ),
  ];
}

/** How a sewn cover comes over its pad before anything holds it; nothing where a flat cloth is laid on. */
export const drawnOver = ({ piece }: Fastening['model']): string =>
  wayOf(piece.covering.way).boxed
    ? 'Draw the sewn cover down over the pad a little on every side in turn, its seam along the pad’s edge, the allowances turned down into the band. '
    : '';

/** Where the cloth ends in sight: corners first, then its edge turned under along the fold. */
export function endSteps(model: Fastening['model']): StepDraft[] {
  return endedLengths(model).map(({ name, end, length }) => {
    const fastening = END_HOLDS.find(({ id }) => id === end.held)!;
    const how =
      fastening.apart === null
        ? 'slip-stitch it with a curved needle, small stitches inside the fold'
        : `${fastening.plural} ${fastening.apart > 0 ? `every ${fastening.apart} mm` : 'head to head'}, into the board’s edge, from the middle outwards`;
    return step(
      `end-${name}`,
      `Finish the ${name}`,
      `Chalk a line ${Math.round(end.up * 10) / 10} mm above the board’s lower edge. Corners first: the bulk cut out, the last fold laid towards the ${name} with its open side down. Turn ${Math.round(end.turn)} mm under along the line, no wadding in the fold; ${how}.`,
      (length / 1000) * MINUTES.endMetre,
      { uses: [fastening.apart === null ? 'thread' : 'fastener'], caution: fastening.apart === null ? CAUTIONS.shears : CAUTIONS.nails },
    );
  });
}

/** What stands over is cut off: along the trim line, beyond what holds the cover. */
export function trimStep({ rule, piece }: Fastening['model'], beyond: string): StepDraft {
  return step('trim', 'Trim', `Along the trim line, ${rule('stapleToTrim')} mm ${beyond}.${rebateWords(piece.strip)}`, MINUTES.trim, {
    check: TRIMMED,
    caution: CAUTIONS.shears,
  });
}
