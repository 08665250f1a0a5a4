import type { WareKind } from '../wares';
import { WADDED as WADDING_LAID } from '../step/checkpoints';
import type { Model } from '../padding';
import { choicesOf, waddingFaces, wayOf, type LiningPiece, type ZipPlan } from '../cover';
import { rowInset } from '../fastening/rows';
import { takesStaples } from '../fastening/takes-staples';
import { isStretched, stretchedStaples, STRETCHED_APART } from '../foam';
import { kindOf } from '../piece';
import { keptLayers } from '../strip';
import { CAUTIONS } from '../step/cautions';
import { metresRound, sizeOf } from './metres';
import { step, type StepDraft } from '../step/step';

/** Where a pad is cut apart because what lies outside the line is laid once the panel inside it is on; null where it is laid whole. */
export function apartAt({ piece: { covering }, pads }: Model, pad: string | null): { line: string; toNear: boolean } | null {
  const found = pads.find(({ pad: { id } }) => id === pad);
  // What lies inside the line altogether is not cut.
  if (found && found.offset <= -(covering.border ?? 0)) return null;
  return wayOf(covering.way).laidApart?.(covering) ?? null;
}

/** The same, as it is said. */
export function cutApartWords(model: Model, pad: string | null): string {
  const cut = apartAt(model, pad);
  return cut ? `Cut it along ${cut.line}: the inside is laid now, the frame round it is kept for the border. ` : '';
}

/** How wadding is laid: round a loose pad, under a wall piece, or to the board's lower edge where a seat drops in. */
const WADDED = {
  round:
    'One over each face: a light coat of glue, down the sides until their edges butt half-way; cut a V out at each corner, nothing doubled.',
  under: 'Glue on top, down the sides, and staple it under; no fold at the corners.',
  glued: 'Glue on top, down the sides and under the board; no fold at the corners: no staple holds here.',
  edge: 'Glue on top and down the sides; trim it at the board’s lower edge, so that no bulk lies under it.',
  frame:
    'Over the foam, its edges tucked down along the rails; none of it goes through the gaps, where it would hold the cover off the rail.',
} as const;

/** What of it is used up so. */
const USED: Record<keyof typeof WADDED, readonly WareKind[]> = {
  round: ['wadding', 'glue'],
  under: ['wadding', 'glue', 'staple'],
  glued: ['wadding', 'glue'],
  edge: ['wadding', 'glue'],
  frame: ['wadding'],
};

function wrapped(model: Model): keyof typeof WADDED {
  const { piece } = model;
  if (wayOf(piece.covering.way).loose) return 'round';
  const { wall, throughFrame } = kindOf(piece.kind).traits;
  if (throughFrame) return 'frame';
  if (!wall) return 'edge';
  return takesStaples(model) ? 'under' : 'glued';
}

/** Thin backed foam is not glued but drawn over all and held inside the cover's own line. */
function stretchedStep(model: Model, wadding: LiningPiece, zip: ZipPlan | null): StepDraft {
  const { rule, piece } = model;
  const loose = wayOf(piece.covering.way).loose;
  const { pan } = kindOf(piece.kind).traits;
  const faces = waddingFaces(piece.covering.way);
  const staples = stretchedStaples(wadding, rule('staplePitch'));
  const holdId = loose
    ? 'One over each face: sew or glue their edges together half-way down the sides, edge to edge'
    : pan
      ? `Glue it ${rule('waddingUnder')} mm round the pan’s edge and trim it there, short of every hole`
      : `Staple it every ${Math.round(STRETCHED_APART * rule('staplePitch'))} mm, ${Math.round(rowInset(model, choicesOf(piece.covering), 'over-all'))} mm in from the board’s edge, and trim it beside its staples: the cover’s own line, ${Math.round(rule('return'))} mm in, goes into bare wood`;
  return step(
    'wadding',
    'Stretch the backed foam over all',
    `${faces > 1 ? `${faces} of ` : ''}${sizeOf(wadding)}. ${cutApartWords(model, null)}Foam side down, its backing out, so that the cover slides on it. From the middle outwards, smooth but not pulled thin: where it is strained it goes thin and the edge reads through. ${holdId}; at corners cut a V out and butt the edges, nothing lies double.${zipWords(model, zip)}`,
    faces * rule('timeWadding') +
      (faces * metresRound([wadding]) * rule('timeClothMetre')) / 60 +
      (loose || pan ? 0 : (staples * rule('timeStaple')) / 60),
    { check: WADDING_LAID, uses: ['wadding', loose || pan ? 'glue' : 'staple'], caution: loose || pan ? CAUTIONS.glue : CAUTIONS.staples },
  );
}

/** Where a zip runs, nothing loose lies under it: a slider bites what it meets. */
function zipWords({ rule }: Model, zip: ZipPlan | null): string {
  const free = 2 * rule('zipFree');
  return zip
    ? ` Along the zip at the ${zip.place} trim a strip away ${free} mm wide and ${Math.round(zip.length)} mm long, its teeth in the middle.`
    : '';
}

/**
 * What is laid or stretched over all the padding before the cover.
 *
 * @param model the built piece
 * @param wadding as it is cut
 * @param zip of a cover that comes off: nothing lies loose under it
 */
export function overAllStep(model: Model, wadding: LiningPiece, zip: ZipPlan | null): StepDraft {
  if (keptLayers(model.piece).has('wadding'))
    return step(
      'wadding',
      'Lay the old wadding back',
      `Shake it out, tease what is flat, turn the worn side down.${zipWords(model, zip)}`,
      model.rule('timeWadding'),
      { check: WADDING_LAID, caution: CAUTIONS.strip },
    );
  if (isStretched(wadding.material)) return stretchedStep(model, wadding, zip);
  const faces = waddingFaces(model.piece.covering.way);
  const minutes = faces * model.rule('timeWadding') + (faces * metresRound([wadding]) * model.rule('timeClothMetre')) / 60;
  const how = wrapped(model);
  const row =
    how === 'under'
      ? ` Its staples ${Math.round(rowInset(model, choicesOf(model.piece.covering), 'over-all'))} mm in, clear of the cover’s own line.`
      : '';
  const words = `${faces > 1 ? `${faces} of ` : ''}${sizeOf(wadding)}. ${cutApartWords(model, null)}${WADDED[how]}${row}${zipWords(model, zip)}`;
  return step('wadding', 'Lay the wadding', words, minutes, {
    check: WADDING_LAID,
    uses: USED[how],
    caution: CAUTIONS.glue,
  });
}
