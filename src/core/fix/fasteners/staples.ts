import { BOARDS, findMaterial } from '../../foam';
import { offsetPolygon, polygonPerimeter } from '../../outline';
import { CAUTIONS } from '../../run/cautions';
import { step, type Step } from '../../run/step';
import { sayLength } from '../../warning';
import { staplePlaces } from '../staple-places';
import type { Fastener, Fastening } from './fastener';
import { stapleLeg, type LegChoice } from './staple-leg';

/** Turning the piece and finding its centres; trimming what stands over: minutes. */
const HANDLING = { turnAndCentre: 2, trim: 3 };

/** The leg for a piece's cloth and board. */
export function legOf({ model }: Pick<Fastening, 'model'>): LegChoice {
  const { piece, rule } = model;
  return stapleLeg(piece.cloth.thickness, piece.base.board.thickness, { bite: rule('stapleBite'), clear: rule('stapleClear') });
}

/** Staples that hold the dust cover, twice as far apart as the cover's. */
function dustStaples({ model: { board, rule } }: Fastening): number {
  const line = offsetPolygon(board, rule('dustTurn') - rule('dustInset')) ?? board;
  return Math.ceil(polygonPerimeter(line) / (2 * rule('staplePitch')));
}

function cornerStep({ corners, model: { rule } }: Fastening): Step {
  if (corners.length === 0)
    return step('relief', 'Relieve the edge', 'Cut the cloth under the board as drawn; lay the tabs over each other.', rule('timeCorner'), {
      caution: CAUTIONS.shears,
    });
  const folded = corners.filter((corner) => !corner.inside);
  const pleats = [...new Set(folded.map((corner) => corner.pleats))].join(' or ');
  const inside = corners.length - folded.length;
  return step(
    'corners',
    'Fold the corners',
    `${folded.length} corners, ${pleats} ${pleats === '1' ? 'pleat' : 'pleats'} each${inside > 0 ? `; cut into ${inside} inside ${inside === 1 ? 'corner' : 'corners'} so that the cloth can spread` : ''}; relieve the cloth as drawn first.`,
    corners.length * rule('timeCorner'),
    { caution: CAUTIONS.staples },
  );
}

export const staples: Fastener = {
  id: 'staples',
  name: 'Staples',
  words: 'Hold the cover under the board.',
  used: () => true,
  size: (fastening) => {
    const leg = legOf(fastening);
    return { says: `${leg.leg} mm leg, ${fastening.model.piece.cloth.coated ? 'broad' : 'narrow'} crown`, fits: leg.fits };
  },
  places: ({ model, corners }) => staplePlaces(model, corners),
  more: dustStaples,
  spare: (rule) => rule('stapleSpare'),
  steps: (fastening, places) => {
    const { model } = fastening;
    const { rule, piece } = model;
    const along = Math.max(0, places.filter((place) => place.kind !== 'corner').length - 4);
    const how = piece.cloth.pull === 'taut' ? 'pull taut with the flat of the hand' : 'smooth only, no pull';
    return {
      fasten: [
        step(
          'tack',
          'Tack the centres',
          'Centre marks on centre lines: front, back, left, right; temporary, half driven.',
          HANDLING.turnAndCentre + (4 * rule('timeStaple')) / 60,
          { caution: CAUTIONS.staples },
        ),
        step(
          'staple',
          'Staple outwards',
          `${along} staples, ${legOf(fastening).leg} mm leg, opposite sides in turn as numbered; ${how}.`,
          (along * rule('timeStaple')) / 60,
          { caution: CAUTIONS.staples },
        ),
        cornerStep(fastening),
        step('trim', 'Trim', `Along the trim line, ${rule('stapleToTrim')} mm outside the staples.`, HANDLING.trim, {
          caution: CAUTIONS.shears,
        }),
      ],
    };
  },
  warnings: (fastening) => {
    const leg = legOf(fastening);
    const { board } = fastening.model.piece.base;
    return [
      ...(findMaterial(BOARDS, board.material)!.bears
        ? []
        : [
            {
              code: 'board-holds-no-staple',
              where: 'base.board.material',
              message: 'This board holds no staple: glue the cover, or fasten into a wood edge strip.',
            },
          ]),
      ...(leg.fits
        ? []
        : [
            {
              code: 'staple-leg',
              where: 'base.board.thickness',
              message: `No staple leg fits: the cloth needs ${sayLength(leg.least)} or more and the board takes ${sayLength(leg.most)} at most.`,
            },
          ]),
    ];
  },
};
