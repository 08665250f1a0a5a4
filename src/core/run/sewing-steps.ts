import type { Model } from '../build';
import { wayOf, type CoverPlan } from '../cover';
import { CAUTIONS } from './cautions';
import { metresRound } from './metres';
import { step, type Step } from './step';

/** Plain handling times, minutes. */
const HANDLING = { lining: 4, film: 2, prove: 6, zip: 8, weltMetre: 2 } as const;

const round = (mm: number): number => Math.round(mm * 10) / 10;

/** How each lining is laid on. */
const LAYING: Record<string, { detail: string; minutes: number; caution?: string }> = {
  film: { detail: 'Loose, never pulled tight, never pierced on top.', minutes: HANDLING.film },
  waterproof: {
    detail: 'In one piece down to the staples: no seam and no staple on top.',
    minutes: HANDLING.lining,
    caution: CAUTIONS.staples,
  },
  liner: {
    detail: 'Pull it firm and staple it inside the cover’s own line: the cover then needs no force.',
    minutes: HANDLING.lining,
    caution: CAUTIONS.staples,
  },
};

function cutStep({ rule }: Model, { pieces }: CoverPlan): Step {
  const detail =
    pieces.length === 1
      ? 'Centre marks on all four sides; grain from front to back.'
      : `${pieces.length} pieces: ${pieces.map(({ name }) => name.toLowerCase()).join(', ')}. Notches and centre marks before they part; grain as drawn.`;
  return step('cloth', 'Cut the cover', detail, (metresRound(pieces) * rule('timeClothMetre')) / 60, { caution: CAUTIONS.shears });
}

function stitchSteps({ rule }: Model, { channels, welts, seams, zip }: CoverPlan): Step[] {
  const sew = (length: number): number => ((length / 1000) * rule('timeSewMetre')) / 60;
  const caution = CAUTIONS.machine;
  const steps: Step[] = [];
  if (channels)
    steps.push(
      step(
        'channels',
        'Stitch the channels',
        `${channels.lines} lines, marked ${round(channels.pitch)} mm apart on the back of the cloth, from the middle outwards${channels.backing > 0 ? `, on ${round(channels.backing)} mm backed foam` : ''}; measure the sewn width: ${round(channels.sewnWidth)} mm.`,
        sew((channels.thread / rule('threadFactor')) * 100),
        { caution },
      ),
    );
  if (welts.length > 0)
    steps.push(
      step(
        'welts',
        'Make the welts',
        welts
          .map(
            (welt) =>
              `${welt.name.toLowerCase()}: ${round(welt.stripLength)} × ${round(welt.stripWidth)} mm, ${welt.cut === 'bias' ? 'on the bias' : 'on the straight'}, cord ${round(welt.cord)} mm`,
          )
          .join('; '),
        welts.reduce((sum, welt) => sum + (welt.stripLength / 1000) * HANDLING.weltMetre, 0),
        { caution },
      ),
    );
  const stitched = seams.filter((seam) => !seam.laid);
  if (stitched.length > 0)
    steps.push(
      step(
        'sew',
        'Sew the cover',
        `Joins first, then ${stitched.map((seam) => seam.name.toLowerCase()).join(', ')}: notch to notch, from the middle outwards; measure each seam as it is sewn.`,
        stitched.reduce((sum, seam) => sum + sew(seam.length * (seam.welted ? 2 : 1)), 0),
        { caution },
      ),
    );
  if (zip) steps.push(step('zip', 'Set the zip in', `${round(zip.length)} mm along the ${zip.place}.`, HANDLING.zip, { caution }));
  return steps;
}

function liningSteps({ linings }: CoverPlan): Step[] {
  return linings.flatMap((lining) => {
    const laying = LAYING[lining.material];
    if (!laying) return [];
    const { detail, minutes, caution } = laying;
    return [step(`lay-${lining.material}`, `Lay on the ${lining.name.toLowerCase()}`, detail, minutes, caution ? { caution } : {})];
  });
}

/**
 * What is cut, sewn and laid on before the cover is fastened.
 *
 * @param model the built piece
 * @param cover its cover
 */
export function sewingSteps(model: Model, cover: CoverPlan): Step[] {
  const { piece } = model;
  const own = wayOf(cover.method).steps?.({ piece, rule: model.rule, pieces: cover.pieces });
  const steps = [cutStep(model, cover), ...stitchSteps(model, cover), ...liningSteps(cover), ...(own?.before ?? [])];
  if (piece.count > 1 && cover.pieces.length > 0)
    steps.push(
      step(
        'prove',
        'Prove it on the first one',
        'Pin it on, look at bands and seams, write down what shows: the pattern is corrected for the rest.',
        HANDLING.prove,
      ),
    );
  return steps;
}

/** What is done to the cover once it is fastened: by its way, and the buttons drawn in. */
export function finishingSteps({ piece, rule }: Model, cover: CoverPlan): Step[] {
  const steps = [...(wayOf(cover.method).steps?.({ piece, rule, pieces: cover.pieces }).after ?? [])];
  const { buttons } = cover;
  if (buttons)
    steps.push(
      step(
        'buttons',
        'Draw in the buttons',
        `${buttons.count} buttons, the middle one first; needle ${round(buttons.needle)} mm or longer, drawn in ${round(buttons.depth)} mm.`,
        (buttons.count * rule('timeNail') * 3) / 60,
        { caution: CAUTIONS.nails },
      ),
    );
  return steps;
}
