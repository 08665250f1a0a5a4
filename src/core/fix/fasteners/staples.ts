import { clothsOn, cornerWords, dustCover, endedLengths, wayOf, type CornerPlan } from '../../cover';
import { BOARDS, findMaterial } from '../../foam';
import type { RuleReader } from '../../house';
import { bounds, offsetPolygon, polygonPerimeter } from '../../outline';
import { END_HOLDS, type Cloth, type Piece } from '../../piece';
import { rebateWords } from '../../strip/chair-parts';
import { meetAgain, meetings } from '../../strip/realign';
import { CAUTIONS } from '../../run/cautions';
import { step, type Step } from '../../run/step';
import { sayLength } from '../../warning';
import { riveted } from '../riveted';
import { staplePlaces } from '../staple-places';
import type { Fastener, Fastening } from './fastener';
import { stapleLeg, type GunLegs, type LegChoice } from './staple-leg';

/** A frame set in by less than this lies behind the staple line, mm. */
const FRAME_REACHED = 15;
/** Turning the piece and finding its centres; trimming what stands over; a metre of finished fold: minutes. */
const HANDLING = { turnAndCentre: 2, trim: 3, endMetre: 25 };

/** How the cover is pulled, by its school. */
const HOW: Record<Cloth['pull'], string> = {
  taut: 'pull hard, with the flat of the hand',
  firm: 'an even, firm pull',
  smooth: 'smooth only, no pull',
};

/** What a staple can go into at the edge: the board and the frame behind it, mm. */
function fasteningDepth({ base }: Piece): number {
  const { board, frame } = base;
  return board.thickness + (frame && frame.inset < FRAME_REACHED ? frame.thickness : 0);
}

/** The legs that the gun there is takes, mm. */
export const gunLegs = (rule: RuleReader): GunLegs => [rule('gunShortest'), rule('gunLongest')];

/** The leg for a piece's cloth and board. */
export function legOf({ model }: Pick<Fastening, 'model'>): LegChoice {
  const { piece, rule } = model;
  return stapleLeg(
    Math.max(...clothsOn(piece).map(({ thickness }) => thickness)),
    fasteningDepth(piece),
    {
      bite: rule('stapleBite'),
      clear: rule('stapleClear'),
    },
    gunLegs(rule),
  );
}

/** Staples that hold the dust cover, twice as far apart as the cover's. */
function dustStaples({ model }: Fastening): number {
  const { board, rule } = model;
  if (dustCover(model) === null) return 0;
  const line = offsetPolygon(board, rule('dustTurn') - rule('dustInset')) ?? board;
  return Math.ceil(polygonPerimeter(line) / (2 * rule('staplePitch')));
}

/** Staples that hold a welt along the board's lower edge, as far apart as the cover's. */
function weltStaples({ model: { board, rule }, choices: { covering, welt } }: Fastening): number {
  return welt && wayOf(covering.way).welt?.stapled?.(welt) ? Math.ceil(polygonPerimeter(board) / rule('staplePitch')) : 0;
}

/** Staples that hold parts which are back-tacked on the board, line by line. */
function lineStaples({ model: { board, rule }, choices: { covering } }: Fastening): number {
  const round = (inset: number): number => polygonPerimeter((inset > 0 ? offsetPolygon(board, -inset) : null) ?? board);
  const near = (inset: number): number => bounds(board).width - 2 * inset;
  return Math.ceil((wayOf(covering.way).alongLines?.(covering, round, near) ?? 0) / rule('staplePitch'));
}

/** Minutes of a corner, in folds: a parcel's end is one, cutting the bulk away takes longer, a tuck half as long. */
function folds({ way, pleats }: CornerPlan): number {
  if (way === 'tucks') return pleats / 2;
  if (way === 'bulk cut away') return 1.25;
  return way === 'parcel fold' || way === 'cut in' ? 1 : 0.25;
}

/** What is done at the corners, each way with how often, in words. */
function cornerStep({ corners, relief, model: { rule } }: Fastening): Step | null {
  const counts = new Map<string, number>();
  for (const corner of corners) counts.set(cornerWords(corner), (counts.get(cornerWords(corner)) ?? 0) + 1);
  const said = [...counts].map(([words, count]) => `${count} × ${words}`);
  if (relief?.gather) said.push('round the curves gathered under the board, a little to each staple');
  if (relief?.cuts.length) said.push(`${relief.cuts.length} relief cuts as drawn, first`);
  if (said.length === 0) return null;
  const minutes = corners.reduce((sum, corner) => sum + folds(corner), relief ? 1 : 0) * rule('timeCorner');
  const cut = relief?.cuts.length || corners.some(({ cut: into, away }) => into ?? away);
  return step(
    corners.length > 0 ? 'corners' : 'relief',
    corners.length > 0 ? 'Make the corners' : 'Ease the edge',
    `${said.join('; ')}.`,
    minutes,
    {
      caution: cut ? `${CAUTIONS.staples} ${CAUTIONS.shears}` : CAUTIONS.staples,
    },
  );
}

/** Where the cloth ends in sight: corners first, then its edge turned under along the fold. */
function endSteps(model: Fastening['model']): Step[] {
  return endedLengths(model).map(({ name, end, length }) => {
    const held = END_HOLDS.find(({ id }) => id === end.held)!;
    const how =
      held.apart === null
        ? 'slip-stitch it with a curved needle, small stitches inside the fold'
        : `${held.plural} ${held.apart > 0 ? `every ${held.apart} mm` : 'head to head'}, into the board’s edge, from the middle outwards`;
    return step(
      `end-${name}`,
      `Finish the ${name}`,
      `Chalk a line ${Math.round(end.up * 10) / 10} mm above the board’s lower edge. Corners first: the bulk cut out, the last fold laid towards the ${name} with its open side down. Turn ${Math.round(end.turn)} mm under along the line, no wadding in the fold; ${how}.`,
      (length / 1000) * HANDLING.endMetre,
      { caution: held.apart === null ? CAUTIONS.shears : CAUTIONS.nails },
    );
  });
}

export const staples: Fastener = {
  id: 'staples',
  name: 'Staples',
  kind: 'staple',
  words: 'Hold the cover under the board.',
  used: ({ model }) => !wayOf(model.piece.covering.way).loose && !riveted(model),
  size: (fastening) => {
    const leg = legOf(fastening);
    return {
      says: `${leg.leg} mm leg, ${clothsOn(fastening.model.piece).some(({ coated }) => coated) ? 'broad' : 'narrow'} crown`,
      fits: leg.fits,
    };
  },
  places: ({ model, corners }) => staplePlaces(model, corners),
  more: (fastening) => dustStaples(fastening) + weltStaples(fastening) + lineStaples(fastening),
  spare: (rule) => rule('stapleSpare'),
  steps: (fastening, places) => {
    const { model } = fastening;
    const { rule, piece } = model;
    const along = Math.max(0, places.filter((place) => place.kind !== 'corner').length - 4);
    const corner = cornerStep(fastening);
    return {
      fasten: [
        step(
          'tack',
          'Tack the centres',
          `Centre marks on centre lines: front, back, left, right; temporary, half driven.${meetAgain(meetings(piece.strip, model.outline))}`,
          HANDLING.turnAndCentre + (4 * rule('timeStaple')) / 60,
          { caution: CAUTIONS.staples },
        ),
        step(
          'staple',
          'Staple outwards',
          `${along} staples, ${legOf(fastening).leg} mm leg, opposite sides in turn as numbered; ${HOW[piece.cloth.pull]}.`,
          (along * rule('timeStaple')) / 60,
          { caution: CAUTIONS.staples },
        ),
        ...(corner ? [corner] : []),
        ...endSteps(model),
        step(
          'trim',
          'Trim',
          `Along the trim line, ${rule('stapleToTrim')} mm outside the staples.${rebateWords(piece.strip)}`,
          HANDLING.trim,
          {
            caution: CAUTIONS.shears,
          },
        ),
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
              // A thicker board lets a gun shoot that has no leg so short; it does nothing for one that has none so long.
              code: leg.withoutGun !== null && leg.withoutGun > gunLegs(fastening.model.rule)[1] ? 'gun-leg' : 'staple-leg',
              where: 'base.board.thickness',
              message:
                leg.withoutGun === null
                  ? `No staple leg fits: the cloth needs ${sayLength(leg.least)} or more and the board takes ${sayLength(leg.most)} at most.`
                  : `A leg of ${sayLength(leg.withoutGun)} would hold, and the gun there is takes ${gunLegs(fastening.model.rule).map(sayLength).join(' to ')}: another gun, tacks by hand, or a board it can shoot into.`,
            },
          ]),
    ];
  },
};
