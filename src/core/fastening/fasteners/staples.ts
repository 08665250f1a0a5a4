import { FASTENED } from '../../step/checkpoints';
import { clothsOn, dustCover, wayOf } from '../../cover';
import { isStretched } from '../../foam';
import { offsetPolygon, polygonPerimeter } from '../../outline';
import { getsWet, hasFilm, kindOf, saidEdge, type Cloth } from '../../piece';
import { meetAgain, meetings } from '../../meeting-marks';
import { CAUTIONS } from '../../step/cautions';
import { step, type StepDraft } from '../../step/step';
import { sayLength } from '../../warning';
import { heldBy, holdsOf, nextBest } from '../held';
import { staplePlaces } from '../staple-places';
import { tackedRows } from '../tacked-rows';
import { bites, gunLegs, legOf, liningRow, takesStaples } from '../takes-staples';
import type { Fastener, FastenerPlace, Fastening } from './fastener';
import { cornerStep, drawnOver, endSteps, reliefStep, trimStep } from '../fastening-steps';

/** Turning the piece and finding its centres, minutes. */
const HANDLING = { turnAndCentre: 2 };

/** How the cover is pulled, by its school. */
const HOW: Record<Cloth['pull'], string> = {
  taut: 'pull hard, with the flat of the hand',
  firm: 'an even, firm pull',
  smooth: 'smooth only, no pull',
};

/** What a staple is made like: a broad crown does not cut a coated cloth, a stainless one does not rust where it is wet. */
export function stapleOf({ piece }: Pick<Fastening['model'], 'piece'>): { crown: 'narrow' | 'broad'; stainless: boolean } {
  return {
    crown: clothsOn(piece).some(({ coated }) => coated) ? 'broad' : 'narrow',
    stainless: getsWet(piece),
  };
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

/** Staples that hold parts which are back-tacked on the board, row by row. */
const tackedStaples = ({ model, choices }: Fastening): number =>
  tackedRows(model, choices).reduce((sum, { places }) => sum + places.length, 0);

/** Staples that hold the wadding of a wall piece under its board, twice as far apart as the cover's; what is stretched counts its own. */
function waddingStaples({ model: { piece, board, rule } }: Fastening): number {
  const isStapled = kindOf(piece.kind).traits.wall && piece.wadding !== null && !isStretched(piece.wadding);
  return isStapled && !wayOf(piece.covering.way).loose ? liningRow(board, rule('staplePitch')) : 0;
}

/** Staples of liner, waterproof cloth and film that is fixed, each on a row of its own, twice as far apart as the cover's. */
const liningStaples = ({ model: { piece, board, rule } }: Fastening): number => {
  const { liner, waterproof, outdoors, way } = piece.covering;
  if (wayOf(way).loose) return 0;
  const { pan } = kindOf(piece.kind).traits;
  const rows = [liner, waterproof && !pan, outdoors && hasFilm(piece) && !pan].filter(Boolean).length;
  return rows * liningRow(board, rule('staplePitch'));
};

/** Staples beside those that hold the cover; where the board holds none, those of parts that are tacked to a lip of wood. */
const others = (fastening: Fastening): number =>
  tackedStaples(fastening) +
  (takesStaples(fastening.model)
    ? [dustStaples, weltStaples, waddingStaples, liningStaples].reduce((sum, count) => sum + count(fastening), 0)
    : 0);

/** Whether staples hold the cover, or an edge of it. */
const holdsCover = ({ model }: Fastening): boolean => holdsOf(model).includes('staples') && takesStaples(model);

/** What stands in the place of steps that nobody could do. */
const unheldStep = ({ model }: Fastening): StepDraft =>
  step(
    'unheld',
    'Choose how the cover is held',
    `No staple holds in this board. Next best: ${nextBest(model)}. Choose it on Cover, or fix the wood first; its steps then appear here.`,
    1,
  );

/** In which turn the sides are stapled, in words. */
const turnWords = ([first]: readonly FastenerPlace[]): string =>
  !first?.wave || first.wave.startsWith('centres') ? 'opposite sides in turn' : `${first.wave.split(', ').slice(0, 2).join(', ')}, first,`;

export const staples: Fastener = {
  id: 'staples',
  name: 'Staples',
  kind: 'staple',
  holdsEdge: true,
  ware: { kind: 'staple', name: 'Staples' },
  words: 'Hold the cover under the board.',
  caution: CAUTIONS.staples,
  // Whatever holds the cover, its dust cover, welt and back-tacked parts are stapled.
  used: (fastening) => holdsOf(fastening.model).includes('staples') || others(fastening) > 0,
  size: (fastening) => {
    const leg = legOf(fastening);
    const { crown, stainless } = stapleOf(fastening.model);
    return {
      says: `${leg.leg} mm leg, ${crown} crown${stainless ? ', stainless' : ''}`,
      fits: leg.fits,
    };
  },
  places: (fastening) => (holdsCover(fastening) ? staplePlaces(fastening.model, fastening.corners, 'staples') : []),
  more: others,
  spare: (rule) => rule('stapleSpare'),
  steps: (fastening, places) => {
    const { model } = fastening;
    if (!holdsOf(model).includes('staples')) return {};
    if (!takesStaples(model)) return { fasten: [unheldStep(fastening)] };
    const { rule, piece } = model;
    const along = Math.max(0, places.filter((place) => place.kind !== 'corner').length - 4);
    const corner = cornerStep(fastening);
    // Along a single edge: centres, corners and trimming belong to what holds the rest.
    const main = heldBy(model) === 'staples';
    // Card lies along straight edges; a round one has none.
    const throughCard = model.outline.segments.some(({ kind }) => kind === 'line') ? wayOf(piece.covering.way).throughCard : undefined;
    const stapled = step(
      'staple',
      main ? 'Staple outwards' : `Staple the ${[...new Set(places.map(({ edge }) => edge))].join(' and the ')}`,
      `${main ? along : places.length} staples, ${legOf(fastening).leg} mm leg, ${turnWords(places)} as numbered${throughCard ? `, ${throughCard}` : ''}; ${HOW[piece.cloth.pull]}.`,
      ((main ? along : places.length) * rule('timeStaple')) / 60,
      { check: FASTENED, uses: throughCard ? ['staple', 'card'] : ['staple'], caution: CAUTIONS.staples },
    );
    if (!main) return { fasten: [stapled] };
    return {
      fasten: [
        step(
          'tack',
          'Tack the centres',
          `${drawnOver(model)}Centre marks on centre lines: ${[...new Set(places.filter(({ kind }) => kind === 'centre').map(({ edge }) => saidEdge(piece.kind, edge)))].join(', ')}; temporary, half driven.${meetAgain(meetings(piece.strip, model.outline))}`,
          HANDLING.turnAndCentre + (4 * rule('timeStaple')) / 60,
          { uses: ['staple'], temporary: true, caution: CAUTIONS.staples },
        ),
        ...reliefStep(fastening),
        stapled,
      ],
      close: [...(corner ? [corner] : []), ...endSteps(model), trimStep(model, 'outside the staples')],
    };
  },
  warnings: (fastening) => {
    const onCover = holdsOf(fastening.model).includes('staples');
    if (!onCover && tackedStaples(fastening) === 0) return [];
    const leg = legOf(fastening);
    const { board } = fastening.model.piece.base;
    return [
      ...(bites(board.material)
        ? []
        : [
            {
              code: 'board-holds-no-staple',
              where: 'base.board.material',
              message: `This board holds no staple: ${nextBest(fastening.model)}, or a wood strip along its edge to staple into.`,
            },
          ]),
      ...(leg.fits || !onCover
        ? []
        : [
            {
              // A thicker board lets a gun shoot that has no leg so short; it does nothing for one that has none so long.
              code: leg.withoutGun !== null && leg.withoutGun > gunLegs(fastening.model.rule)[1] ? 'gun-leg' : 'staple-leg',
              where: 'base.board.thickness',
              message:
                leg.withoutGun === null
                  ? `No staple leg fits: through this cloth a leg of ${sayLength(leg.least)} or more holds, and past ${sayLength(leg.most)} its point comes through the board. Next best: ${nextBest(fastening.model)}.`
                  : `A leg of ${sayLength(leg.withoutGun)} would hold, but the gun takes ${gunLegs(fastening.model.rule).map(sayLength).join(' to ')}: another gun, tacks by hand, or a board it can shoot into.`,
            },
          ]),
    ];
  },
};
