import { CAUTIONS } from '../../run/cautions';
import { step } from '../../run/step';
import { riveted } from '../riveted';
import { staplePlaces } from '../staple-places';
import type { Fastener, FastenerPlace } from './fastener';

/** Rivets stand this many staple pitches apart: each holds with its washer. */
const APART = 3;
/** Diameter of a rivet, mm; it is as long as what it goes through and this much more, mm. */
const RIVET = { diameter: 4, more: 5 };
/** A rivet: drill, set, look, minutes. */
const EACH = 0.75;

/** Every so many of the staples' places, counted within each kind, the centres always. */
function thinned(places: readonly FastenerPlace[]): FastenerPlace[] {
  let since = 0;
  return places.filter(({ kind }) => kind === 'centre' || since++ % APART === 0).map((place, i) => ({ ...place, n: i + 1 }));
}

export const rivets: Fastener = {
  id: 'rivets',
  name: 'Rivets with washers',
  kind: 'other',
  words: 'Through a pan that is too thin for staples.',
  used: ({ model }) => riveted(model),
  size: ({ model }) => {
    const through = model.piece.base.board.thickness + 2 * model.piece.cloth.thickness;
    return { says: `${RIVET.diameter} × ${Math.ceil(through + RIVET.more)} mm, stainless, each with a washer`, fits: true };
  },
  places: ({ model, corners }) => thinned(staplePlaces(model, corners)),
  spare: (rule) => rule('stapleSpare'),
  steps: ({ model }, places) => ({
    fasten: [
      step(
        'tack',
        'Pull it on, nose first',
        'Nose first, then the tail, then the sides from the front backwards; clips or temporary staples only. Look from all sides before anything is fastened.',
        8,
        { caution: CAUTIONS.staples },
      ),
      step(
        'rivet',
        'Rivet it through the pan',
        `${places.length} rivets with washers, as numbered; drill through cloth and pan together, from below.`,
        places.length * EACH,
        { caution: CAUTIONS.rivets },
      ),
      step('trim', 'Trim', `Along the trim line, ${model.rule('stapleToTrim')} mm beyond the rivets.`, 3, {
        caution: CAUTIONS.shears,
      }),
    ],
  }),
};
