import { FASTENED } from '../../step/checkpoints';
import { meetAgain, meetings } from '../../meeting-marks';
import { CAUTIONS } from '../../step/cautions';
import { step } from '../../step/step';
import type { FixFields, FixModel } from '../reads';
import { kindOf, type Hole } from '../../piece';
import { heldBy, holdsOf } from '../held';
import { staplePlaces } from '../staple-places';
import { reliefStep, trimStep } from '../fastening-steps';
import type { Fastener, FastenerPlace, Fastening } from './fastener';

/** Rivets stand this many staple pitches apart: each holds with its washer. */
const APART = 3;
/** Diameter of a rivet, mm; it is longer than what it holds by a washer and what is drawn into its head, mm. */
const RIVET = { diameter: 4, more: 5 };
/** Of the time that a rivet takes this share is its hole. */
const DRILLING = 0.4;
/** Lengths on sale, mm: the next one closes; one far longer is drawn crooked. */
const RIVET_LENGTHS = [8, 10, 12, 16, 20, 25];

/** The length for what is held together: the shortest on sale that closes. */
export const rivetFor = (grip: number): number =>
  RIVET_LENGTHS.find((rivetLength) => rivetLength >= grip + RIVET.more) ?? Math.ceil(grip + RIVET.more);

/** The places with the holes of the old cover used again: the nearest place goes to each, and what no place is near to is one more. */
function throughOld({ piece, rule }: FixModel, places: readonly FastenerPlace[]): FastenerPlace[] {
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
  (heldBy(model) === 'rivets' ? staplePlaces(model, corners, 'rivets', TEMPORARY) : [])
    .filter(({ kind }) => kind !== 'corner')
    .map((place, i) => ({ ...place, n: i + 1 }));

const through = (old: number): string =>
  old > 0 ? `, ${old} of them through the old holes: find each with an awl from below before the cover hides it` : '';

/** Holes in the base that held the old cover. */
function oldHolesOf({ base: { holes = [] } }: FixFields): Extract<Hole, { kind: 'round' }>[] {
  return holes.filter((hole) => hole.kind === 'round').filter(({ held }) => held);
}

export const rivets: Fastener = {
  id: 'rivets',
  name: 'Rivets with washers',
  kind: 'other',
  holdsEdge: true,
  ware: { kind: 'fastener', sort: 'rivet', name: 'Fasteners' },
  caution: CAUTIONS.rivets,
  words: 'Through a pan that is too thin for staples.',
  used: ({ model }) => holdsOf(model).includes('rivets'),
  size: ({ model }) => {
    const through = model.piece.base.board.thickness + 2 * model.piece.cloth.thickness;
    const length = rivetFor(through);
    return {
      says: `${RIVET.diameter} × ${length} mm, stainless, each with a washer`,
      fits: true,
      sold: { thickness: RIVET.diameter, length },
    };
  },
  places: ({ model, corners }) => {
    const places = staplePlaces(model, corners, 'rivets', APART * model.rule('staplePitch'));
    return heldBy(model) === 'rivets' ? throughOld(model, places) : places;
  },
  temporary,
  spare: (rule) => rule('stapleSpare'),
  steps: (fastening, places) => {
    const { model } = fastening;
    const { pan } = kindOf(model.piece.kind).traits;
    const holdId = `${temporary(fastening).length} temporary staples or clips, ${TEMPORARY} mm apart. Look from all sides before anything is fastened.${meetAgain(meetings(model.piece.strip, model.outline))}`;
    const old = oldHolesOf(model.piece).length;
    // A pan's cover goes on nose first; a board's by opposite sides, as any other.
    const [name, turn, base] = pan
      ? ['Pull it on, nose first', 'Nose first, then the tail, then the sides from the front backwards', 'pan']
      : ['Pull it on', 'Opposite sides in turn', 'board'];
    const fresh = places.length - old;
    const minutes = (places.length * model.rule('timeRivet')) / 60;
    const drill =
      fresh > 0
        ? [
            step(
              'rivet-holes',
              `Drill the ${base} for its rivets`,
              `${fresh} holes of ${RIVET.diameter} mm, as numbered${old > 0 ? `; the other ${old} are the old ones` : ''}. In the bare ${base}, before any foam or cloth lies on it; take the burr off both faces.`,
              minutes * DRILLING,
              { caution: CAUTIONS.rivets },
            ),
          ]
        : [];
    const rivet = step(
      'rivet',
      `Rivet it through the ${base}`,
      `${places.length} rivets with washers, as numbered${through(old)}${pan ? '; nose, tail, then the sides from the front backwards' : ''}; punch the cloth at each hole from below, with an awl or a hollow punch: a drill winds it up. A temporary one comes out as soon as the rivets on either side of it hold.`,
      fresh > 0 ? minutes * (1 - DRILLING) : minutes,
      { check: FASTENED, uses: ['fastener'], caution: CAUTIONS.rivets },
    );
    if (heldBy(model) !== 'rivets') return { bare: drill, fasten: [rivet] };
    return {
      bare: drill,
      fasten: [
        step('tack', name!, `${turn}; ${holdId}`, 8, { temporary: true, caution: CAUTIONS.staples }),
        ...reliefStep(fastening),
        rivet,
      ],
      close: [trimStep(model, 'beyond the rivets')],
    };
  },
};
