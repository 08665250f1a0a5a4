import { hiddenEdge } from '../../piece';
import { CAUTIONS } from '../../step/cautions';
import { step, type StepDraft } from '../../step/step';
import type { SewnFacts } from '../ways/way';

/** Finding the beginning, and closing the join, minutes. */
const BEGIN = 2;

/**
 * A welt that is stapled along the board's lower edge once the cover is on.
 *
 * @param facts what the run sheet is made from
 * @param over what lies under it
 */
export function stapledWelt({ piece, rule, seams, welt }: SewnFacts, over: string): StepDraft {
  const length = seams.find(({ id }) => id === 'lower')?.length ?? 0;
  return step(
    'welt-lower',
    welt?.double ? 'Staple the double piping' : 'Staple the lower piping',
    `Along the board’s lower edge, ${welt?.double ? 'the staples between the two cords' : 'cord outwards, the staples close behind it'}, join at the ${hiddenEdge(piece.kind).name}; ${over}.`,
    (length / rule('staplePitch')) * (rule('timeStaple') / 60) + BEGIN,
    { uses: ['staple', 'cord'], caution: CAUTIONS.staples },
  );
}
