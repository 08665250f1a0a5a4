import { giveOf, weaveOf } from '../../cloth';
import { bareMargin } from '../../padding';
import type { CoverModel } from '../reads';
import { bounds } from '../../outline';
import { kindOf } from '../../piece';
import type { CornerPlan } from '../pulled/corners';
import type { StationWrap } from '../pulled/wrap';
import { WAYS, type Suit, type SuitFacts, type Way } from '../ways';

/** What a judgement looks at. */
function factsOf(model: CoverModel, stations: readonly StationWrap[], corners: readonly CornerPlan[], crown: number): SuitFacts {
  const { piece } = model;
  const { cloth } = piece;
  const box = bounds(model.board);
  const across = Math.min(box.width, box.height);
  // A dome of half-angle α asks a cloth for α²/6 along its threads.
  const alpha = (4 * Math.max(0, crown)) / across;
  return {
    traits: kindOf(piece.kind).traits,
    cloth,
    give: giveOf(cloth),
    rule: model.rule,
    // What hangs slack hangs over padding: a frame below the board is hard.
    side: stations.reduce((sum, station) => sum + station.side, 0) / stations.length - (model.edgeThickness - model.boardThickness),
    across,
    bare: bareMargin(model),
    dome: (alpha * alpha) / 6,
    most: Math.max(0, ...corners.filter((corner) => !corner.inside).map((corner) => corner.fullness)),
    striped: cloth.repeatAcross > 0 || cloth.repeatAlong > 0,
    pile: weaveOf(cloth) === 'pile',
    round: corners.length === 0,
    strip: piece.base.edges?.some((edge) => edge.strip) ?? false,
  };
}

function judged({ id, suits }: Way, facts: SuitFacts): Suit {
  const { against, good } = suits(facts);
  const objections = against.filter(([bad]) => bad);
  const fit = objections.some(([, hard]) => hard) ? 'not' : objections.length > 0 ? 'with care' : 'suits';
  return { way: id, fit, why: objections.length > 0 ? objections.map(([, , why]) => why) : [good] };
}

/**
 * Says of every way of covering whether it suits, and why: by the surface's dome and sides, its corners, its margin and
 * what the cloth gives.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param corners the planned corners
 * @param crown how far the covered middle rises over its rim, mm
 */
export function suitsOf(model: CoverModel, stations: readonly StationWrap[], corners: readonly CornerPlan[], crown: number): Suit[] {
  const facts = factsOf(model, stations, corners, crown);
  return WAYS.map((way) => judged(way, facts));
}
