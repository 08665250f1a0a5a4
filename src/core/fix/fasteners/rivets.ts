import { rebateWords } from '../../strip/chair-parts';
import { meetAgain, meetings } from '../../strip/realign';
import { CAUTIONS } from '../../run/cautions';
import { step } from '../../run/step';
import type { Model } from '../../build';
import type { Hole, Piece } from '../../piece';
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

/** The places with the holes of the old cover used again: the nearest place goes to each, and what no place is near to is one more. */
function throughOld({ piece, rule }: Model, places: readonly FastenerPlace[]): FastenerPlace[] {
  const near = (APART * rule('staplePitch')) / 2;
  const found = places.map((place) => ({ ...place, old: false }));
  for (const { x, y } of oldHolesOf(piece)) {
    const away = (place: FastenerPlace): number => Math.hypot(place.x - x, place.y - y);
    const free = found.filter((place) => !place.old);
    const next = free.reduce<(typeof found)[number] | null>((best, place) => (best && away(best) <= away(place) ? best : place), null);
    if (next && away(next) <= near) Object.assign(next, { x, y, old: true });
    else if (next) found.push({ ...next, x, y, kind: 'edge', old: true });
  }
  return found.map(({ x, y, edge, kind }, i) => ({ n: i + 1, x, y, edge, kind }));
}

const through = (old: number): string =>
  old > 0 ? `, ${old} of them through the old holes: feel for each with an awl from below before the cover hides it` : '';

/** Holes in the base that held the old cover. */
function oldHolesOf({ base: { holes = [] } }: Piece): Extract<Hole, { kind: 'round' }>[] {
  return holes.filter((hole) => hole.kind === 'round').filter(({ held }) => held);
}

export const rivets: Fastener = {
  id: 'rivets',
  name: 'Rivets with washers',
  kind: 'other',
  words: 'Through a pan that is too thin for staples.',
  used: ({ model }) => riveted(model),
  size: ({ model }) => {
    const through = model.piece.base.board.thickness + 2 * model.piece.cloth.thickness;
    const length = Math.ceil(through + RIVET.more);
    return {
      says: `${RIVET.diameter} × ${length} mm, stainless, each with a washer`,
      fits: true,
      sold: { thickness: RIVET.diameter, length },
    };
  },
  places: ({ model, corners }) => throughOld(model, thinned(staplePlaces(model, corners))),
  spare: (rule) => rule('stapleSpare'),
  steps: ({ model }, places) => ({
    fasten: [
      step(
        'tack',
        'Pull it on, nose first',
        `Nose first, then the tail, then the sides from the front backwards; clips or temporary staples only. Look from all sides before anything is fastened.${meetAgain(meetings(model.piece.strip, model.outline))}`,
        8,
        { caution: CAUTIONS.staples },
      ),
      step(
        'rivet',
        'Rivet it through the pan',
        `${places.length} rivets with washers, as numbered${through(oldHolesOf(model.piece).length)}; drill ${oldHolesOf(model.piece).length > 0 ? 'the others ' : ''}through cloth and pan together, from below.`,
        places.length * EACH,
        { caution: CAUTIONS.rivets },
      ),
      step('trim', 'Trim', `Along the trim line, ${model.rule('stapleToTrim')} mm beyond the rivets.${rebateWords(model.piece.strip)}`, 3, {
        caution: CAUTIONS.shears,
      }),
    ],
  }),
};
