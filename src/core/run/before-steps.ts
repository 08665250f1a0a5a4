import type { Model } from '../build';
import type { LiningPiece } from '../cover';
import type { FoamPiece } from '../cut';
import { kindOf, PAD_ROLES } from '../piece';
import { findingOf } from '../strip';
import { CAUTIONS } from './cautions';
import { metresRound } from './metres';
import { step, type Step } from './step';

/** Plain handling times that no house rule is worth having for, minutes. */
const HANDLING = { checkBoard: 4, layWadding: 3, takeOff: 3, finding: 10, carvePass: 2 };

const roleName = (role: string): string => PAD_ROLES.find(({ id }) => id === role)!.name.toLowerCase();

/** Taking the old work off, and what was found under it. */
export function stripSteps({ piece: { strip } }: Model): Step[] {
  const steps: Step[] = [];
  if (strip && strip.items.length > 0)
    steps.push(
      step(
        'strip',
        'Strip',
        `${strip.items.map((item) => item.name).join(', ')}; mark where each sat before it comes off.`,
        strip.items.length * HANDLING.takeOff,
        { caution: CAUTIONS.strip, photos: strip.items.flatMap((item) => item.photos) },
      ),
    );
  for (const id of strip?.findings ?? []) {
    const finding = findingOf(id);
    if (finding)
      steps.push(
        step(`finding-${id}`, finding.name, finding.consequence, HANDLING.finding, finding.caution ? { caution: finding.caution } : {}),
      );
  }
  return steps;
}

/** Looking the board over. */
export function boardSteps({ piece }: Model): Step[] {
  return [
    step('board', 'Check the board', 'Flat, sound and square; break sharp edges; mark both centre lines underneath.', HANDLING.checkBoard, {
      caution: kindOf(piece.kind).traits.pan ? CAUTIONS.saddle : CAUTIONS.base,
    }),
  ];
}

/** Cutting the foam, carving its pockets. */
function cutSteps({ piece, rule }: Model, foam: readonly FoamPiece[]): Step[] {
  const layers = foam.flatMap((pad) => pad.layers.map(() => pad));
  const cut = layers.map(
    (pad) =>
      `${roleName(pad.role)} ${pad.materialName.toLowerCase()}${pad.scrap ? ', from scraps' : ''}${pad.blocks.length > 1 ? `, in ${pad.blocks.length} blocks` : ''}`,
  );
  const steps = [
    step('foam', 'Cut the foam', cut.join(', '), (metresRound(layers) * rule('timeCutMetre')) / 60, { caution: CAUTIONS.knife }),
  ];
  for (const { id, role, pocket } of piece.pads) {
    if (!pocket) continue;
    const passes = Math.ceil(pocket.deep / rule('carvePass') - 1e-9);
    steps.push(
      step(
        `pocket-${id}`,
        `Carve the pocket in the ${roleName(role)}`,
        `${passes} even passes, feeling left against right after each; glue the insert in flush.`,
        passes * HANDLING.carvePass,
        { caution: CAUTIONS.knife },
      ),
    );
  }
  return steps;
}

function glueStep({ rule }: Model, pad: FoamPiece): Step {
  const detail =
    pad.role === 'crown'
      ? 'Centre it on the marks; carve its rim as drawn.'
      : `${pad.blocks.length > 1 ? 'Glue the blocks to each other first. ' : ''}Lay it from the middle outwards, even overhang all round.`;
  return step(
    `glue-${pad.pad}`,
    `Glue on the ${roleName(pad.role)}`,
    detail,
    (pad.area / 1e6) * 2 * rule('timeGlueSquare') * pad.layers.length,
    { caution: CAUTIONS.glue, wait: rule('timeGlueTack') },
  );
}

/** Cutting, carving and gluing the pads, and the wadding over them. */
export function buildSteps(model: Model, foam: readonly FoamPiece[], wadding: LiningPiece | null): Step[] {
  const pads = foam.length > 0 ? [...cutSteps(model, foam), ...foam.map((pad) => glueStep(model, pad))] : [];
  if (!wadding) return pads;
  const minutes = HANDLING.layWadding + (metresRound([wadding]) * model.rule('timeClothMetre')) / 60;
  return [
    ...pads,
    step('wadding', 'Lay the wadding', 'Glue on top, down the sides, staple under; no fold at the corners.', minutes, {
      caution: CAUTIONS.glue,
    }),
  ];
}
