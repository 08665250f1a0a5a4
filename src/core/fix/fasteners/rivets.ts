import { meetAgain, meetings } from '../../strip/realign';
import { CAUTIONS } from '../../run/cautions';
import { step } from '../../run/step';
import type { Model } from '../../build';
import type { Hole, Piece } from '../../piece';
import { heldBy, nameOfHold } from '../held';
import { staplePlaces } from '../staple-places';
import { trimStep } from '../fastening-steps';
import type { Fastener, FastenerPlace, Fastening } from './fastener';

/** Rivets stand this many staple pitches apart: each holds with its washer. */
const APART = 3;
/** Diameter of a rivet, mm; it is as long as what it goes through and this much more, mm. */
const RIVET = { diameter: 4, more: 5 };
/** A rivet: drill, set, look, minutes. */
const EACH = 0.75;

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
  return found.map(({ x, y, edge, kind, wave, pull }, i) => ({
    n: i + 1,
    x,
    y,
    edge,
    kind,
    ...(wave ? { wave } : {}),
    ...(pull ? { pull } : {}),
  }));
}

/** What holds the cover while it is looked at stands so far apart, mm: enough to see the folds, few enough to draw again. */
const TEMPORARY = 150;

/** Temporary staples or clips, in the order that the cover is pulled on in. */
const temporary = ({ model, corners }: Fastening): FastenerPlace[] =>
  staplePlaces(model, corners, TEMPORARY)
    .filter(({ kind }) => kind !== 'corner')
    .map((place, i) => ({ ...place, n: i + 1 }));

const through = (old: number): string =>
  old > 0 ? `, ${old} of them through the old holes: feel for each with an awl from below before the cover hides it` : '';

/** Holes in the base that held the old cover. */
function oldHolesOf({ base: { holes = [] } }: Piece): Extract<Hole, { kind: 'round' }>[] {
  return holes.filter((hole) => hole.kind === 'round').filter(({ held }) => held);
}

export const rivets: Fastener = {
  id: 'rivets',
  name: nameOfHold('rivets'),
  kind: 'other',
  caution: CAUTIONS.rivets,
  words: 'Through a pan that is too thin for staples.',
  used: ({ model }) => heldBy(model) === 'rivets',
  size: ({ model }) => {
    const through = model.piece.base.board.thickness + 2 * model.piece.cloth.thickness;
    const length = Math.ceil(through + RIVET.more);
    return {
      says: `${RIVET.diameter} × ${length} mm, stainless, each with a washer`,
      fits: true,
      sold: { thickness: RIVET.diameter, length },
    };
  },
  places: ({ model, corners }) => throughOld(model, staplePlaces(model, corners, APART * model.rule('staplePitch'))),
  temporary,
  spare: (rule) => rule('stapleSpare'),
  steps: (fastening, places) => {
    const { model } = fastening;
    return {
      fasten: [
        step(
          'tack',
          'Pull it on, nose first',
          `Nose first, then the tail, then the sides from the front backwards; ${temporary(fastening).length} temporary staples or clips, ${TEMPORARY} mm apart. Look from all sides before anything is fastened.${meetAgain(meetings(model.piece.strip, model.outline))}`,
          8,
          { caution: CAUTIONS.staples },
        ),
        step(
          'rivet',
          'Rivet it through the pan',
          `${places.length} rivets with washers, as numbered${through(oldHolesOf(model.piece).length)}; nose, tail, then the sides from the front backwards; drill ${oldHolesOf(model.piece).length > 0 ? 'the others ' : ''}through cloth and pan together, from below. A temporary one comes out as soon as the rivets on either side of it hold.`,
          places.length * EACH,
          { caution: CAUTIONS.rivets },
        ),
        trimStep(model, 'beyond the rivets'),
      ],
    };
  },
};
