export type { BoardSheets } from './board-sheets';
export { canBeTrimmed, endsOf, foamPieces, fromPacket, gluedLayers, isPaired, type FoamFields, type FoamPiece } from './foam-pieces';
export {
  biasBlocks,
  cutPlan,
  sheetsAlike,
  type BiasBlock,
  type CutFields,
  type CutPlan,
  type CutSet,
  type FoamSheets,
  type RollLayout,
} from './layout';
export type { Blank, Laid } from './blank';
export { packRoll, packSheets } from './pack';
