export {
  boughtLonger,
  CLOTHS,
  FIBRES,
  giveOf,
  isReadied,
  NAPS,
  preShrink,
  READYINGS,
  weaveOf,
  WEAVES,
  type ClothKind,
  type Fibre,
  type Gives,
  type Nap,
  type Weave,
} from './cloths';
export { coloursOf, DYES, figureOf, FIGURES, PHOTO_WIDTH, type Dye, type FigureKind, type Seen } from './looks';
export { stitchingFor, stitchingWords, type Stitching } from './stitching';
