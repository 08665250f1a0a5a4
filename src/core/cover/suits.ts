import { giveOf, weaveOf } from '../cloth';
import type { Model } from '../build';
import { bounds } from '../outline';
import type { Way } from '../piece';
import type { CornerPlan } from './corners';
import type { StationWrap } from './wrap';

/** How well a way of covering suits a piece and its cloth, with the reasons. */
export type Suit = { way: Way; fit: 'suits' | 'with care' | 'not'; why: string[] };

/** A side higher than this hangs slack when it is only pulled over, mm. */
const HIGH_SIDE = 95;
/** A band lower than this is no band, mm. */
const LEAST_BAND = 25;
/** A border needs a panel left inside it, mm. */
const LEAST_PANEL = 160;
/** Stitches and folds of a cloth thicker than this are bulky, mm. */
const THICK = 1.3;

/**
 * Says of every way of covering whether it suits, and why: by the surface's dome and sides, its corners, its margin and
 * what the cloth gives.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param corners the planned corners
 * @param crown how far the covered middle rises over its rim, mm
 */
export function suitsOf(model: Model, stations: readonly StationWrap[], corners: readonly CornerPlan[], crown: number): Suit[] {
  const { piece } = model;
  const { cloth } = piece;
  const weave = weaveOf(cloth);
  const give = giveOf(cloth);
  const box = bounds(model.board);
  const across = Math.min(box.width, box.height);
  const side = stations.reduce((sum, station) => sum + station.side, 0) / stations.length;
  const bare = model.pads.length > 0 ? Math.max(0, -Math.max(...model.pads.map((pad) => pad.offset))) : 0;
  // A dome of half-angle α asks a cloth for α²/6 along its threads.
  const alpha = (4 * Math.max(0, crown)) / across;
  const dome = (alpha * alpha) / 6;
  const most = Math.max(0, ...corners.filter((corner) => !corner.inside).map((corner) => corner.fullness));
  const striped = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  const pile = weave === 'pile';
  const round = corners.length === 0;
  const judge = (way: Way, points: readonly (readonly [bad: boolean, hard: boolean, why: string])[], good: string): Suit => {
    const told = points.filter(([bad]) => bad);
    const fit = told.some(([, hard]) => hard) ? 'not' : told.length > 0 ? 'with care' : 'suits';
    return { way, fit, why: told.length > 0 ? told.map(([, , why]) => why) : [good] };
  };
  const mm = (value: number): string => `${Math.round(value)} mm`;
  const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;
  const tooDomed = dome > Math.min(give.warp, give.weft);
  return [
    judge(
      'pull-over',
      [
        [tooDomed, false, `The dome asks ${percent(dome)} of a cloth that gives ${percent(Math.min(give.warp, give.weft))}.`],
        [side > HIGH_SIDE, false, `A side of ${mm(side)} is high for one cloth: it hangs slack or drags.`],
        [most > 0 && cloth.thickness > THICK, false, `A corner leaves ${mm(most)} of thick cloth over: cut the bulk away.`],
      ],
      'Low sides and a gentle crown: one cloth lies well.',
    ),
    judge(
      'boxed',
      [
        [side < LEAST_BAND, true, `A side of ${mm(side)} leaves no band.`],
        [bare > 0, false, 'The padding is set back: a band ends on bare board.'],
      ],
      side > HIGH_SIDE ? `The side of ${mm(side)} asks for a band.` : 'A seam gives the edge a clean line.',
    ),
    judge(
      'bordered',
      [
        [across < LEAST_PANEL + 60, true, `Only ${mm(across)} across: no panel is left inside a border.`],
        [round, false, 'A round edge has no corners to mitre: the border is one ring, and flares.'],
        [!piece.kind.startsWith('headboard'), false, 'Usual on headboards: a border wears where people sit.'],
      ],
      'A large flat panel: the border gives it a frame.',
    ),
    judge(
      'channelled',
      [
        [striped, false, 'Stitch lines and stripes seldom fall together.'],
        [pile, false, 'Pile creeps while it is stitched: tack it first.'],
        [cloth.thickness > 2, true, 'Too thick to be stitched into channels.'],
      ],
      'The stitching holds the cloth to its foam.',
    ),
    judge(
      'saddle-set',
      [
        [piece.kind !== 'saddle', false, 'Made for saddles: sides, nose and tail each of their own.'],
        [side < LEAST_BAND, true, `A side of ${mm(side)} leaves no side pieces.`],
      ],
      'Each side of a saddle bends its own way: four pieces follow it.',
    ),
    judge(
      'lipped',
      [
        [
          bare <= 0 && !piece.base.edges?.some((edge) => edge.strip),
          false,
          'Needs a lip to finish against: a hard-edge strip, or padding held back.',
        ],
        [piece.kind === 'saddle', true, 'A pan has no lip.'],
      ],
      'There is a lip to finish against.',
    ),
    judge(
      'block',
      [
        [side < 40, true, `A side of ${mm(side)} is too low for a zip.`],
        [piece.kind !== 'block-seat' && piece.kind !== 'corner-seat', false, 'For pads that lie loose: this one is glued to its board.'],
      ],
      'The cover comes off for washing.',
    ),
    judge(
      'tight-deck',
      [[piece.kind !== 'tight-seat', false, 'Needs a frame with gaps between its rails.']],
      'The deck passes between the rails and is fastened below.',
    ),
    judge(
      'nail-edged',
      [
        [bare < model.rule('nailMargin') / 2, true, `Nails would stand over foam: hold the pads back ${mm(model.rule('nailMargin'))}.`],
        [cloth.coated, false, 'Every nail through coated cloth is a hole for good: mark twice.'],
      ],
      'The bare margin lets nails bite wood.',
    ),
    judge(
      'buttoned',
      [
        [piece.kind === 'saddle', true, 'Buttons let the rain in.'],
        [striped, false, 'Buttons draw stripes out of line.'],
        [cloth.coated, false, 'Coated cloth puckers round a deep button.'],
      ],
      'Padding thick enough to be drawn in.',
    ),
  ];
}
