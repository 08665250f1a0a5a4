export type { SewnFacts } from './ways/way';
export {
  cornerFields,
  coverFields,
  liningFields,
  wrapFields,
  type CornerFields,
  type CornerModel,
  type CoverFields,
  type LiningFields,
  type WrapFields,
  type WrapModel,
} from './reads';
export { cornerPlans, cornerWords, type CornerPlan, type CornerWay, type Cut } from './pulled/corners';
export type { Relief, ReliefCut } from './pulled/relief';
export type { CoverPiece, FlatPiece, LiningPiece, Notch, PieceEdge, PieceLine, PieceMark } from './laying/cloth-piece';
export { dustCover, pullOver, waddingFaces, waddingPiece } from './pulled/blank';
export { wrapAt, type StationWrap } from './pulled/wrap';
export { BIAS_BELOW, stripWidth, type WeltPlan } from './details/welts';
export type { ChannelPlan } from './details/channels';
export { BUTTON_CLEAR, buttonPlaces, spreadButtons, type ButtonPlan } from './details/buttons';
export { joinLength, type SeamPlan } from './details/seam-plans';
export { builtModel } from './built';
export { choicesOf, clothsOn, coveredBy, isMatched, STARTING } from './choices';
export { clothFor, firstSecond, OF_CLOTH, partsOffered, seamTakeUp, secondParts } from './cloths-on';
export { nearestReach, type Reach, type ReachPlace } from './judge/reach';
export {
  comparePinned,
  PINNED_SIDES,
  pinnedCorrections,
  pinnedOutline,
  pinnedSize,
  pinnedWords,
  type PinnedCompared,
  type PinnedSide,
} from './judge/pinned';
export type { SewnCheck } from './judge/sewn-check';
export { proposalsFor, type Proposal } from './judge/proposals';
export { clothWarnings } from './judge/cloth-warnings';
export { flatReads, layFlat, type FlatTask, type LaidFlat } from './laying/make-panel';
export { flatsOf, reliefPlan, sewCover, type CoverInput, type SewnCover } from './sew';
export { arcOver, loopPlaces, looseVolume, type LoosePlan } from './details/loose';
export type { CoverPlan, StrainMap, ZipPlan } from './plan';
export type { YCut } from './pulled/y-cuts';
export { skinOf, type ClothPatch, type Skin } from './skin';
export { alikeCorners, cornerSteps, foldPlan, type FoldPlan } from './pulled/fold-plan';
export { WAYS, wayOf, type Choices, type ReachPart, type Suit, type Way } from './ways';
export { endedLengths } from './pulled/ended';
export { endsInSight, shortAt } from './pulled/ends-in-sight';
export { foldedCuts } from './pulled/folded-cuts';
export { tapeOver, type Place3, type Surface, type Taped } from './tape-over';
export { arrangePieces, onPage, type Arranged } from './laying/arranged';
