import type { StrainSummary } from '../flattening';
import type { NailPlan } from './details/nail-places';
import type { Motif } from '../piece';
import type { ButtonPlan } from './details/buttons';
import type { ChannelPlan } from './details/channels';
import type { LoosePlan } from './details/loose';
import type { SeamPlan } from './details/seam-plans';
import type { WeltPlan } from './details/welts';
import type { Reach } from './judge/reach';
import type { SewnCheck } from './judge/sewn-check';
import type { CoverPiece, LiningPiece } from './laying/cloth-piece';
import type { Ended } from './pulled/ends-in-sight';
import type { Relief } from './pulled/relief';
import type { YCut } from './pulled/y-cuts';
import type { Beyond, Suit } from './ways/way';

/** The zip of a cover that comes off. */
export type ZipPlan = { length: number; place: string; past: number; folded: boolean; words: string };

/** Everything about the cover: how it is made, its pieces, what is sewn into it. */
export type CoverPlan = {
  /** id of the way, its name, whether it is one pulled cloth */
  method: string;
  name: string;
  pulled: boolean;
  /** by how much its parts were corrected after the first piece, all together, mm: that much they are not as the surface says */
  corrected: number;
  /** how far a pulled cover goes on under the board, or through the frame: to what holds it, and beyond that for the hand, mm */
  under: Beyond | null;
  pieces: CoverPiece[];
  seams: SeamPlan[];
  /** seam lines in the plan, for the drawing */
  lines: {
    id: string;
    name: string;
    points: [number, number][];
    /** mm over the reference plane */ heights: number[];
    welted: boolean;
    /** whether it goes all the way round */ closed: boolean;
    /** place of the edge that it begins at */ from: number;
  }[];
  relief: Relief | null;
  yCuts: YCut[];
  /** edges on which it ends in sight, turned under */
  ends: (Ended & { length: number })[];
  reach: Reach;
  welts: WeltPlan[];
  channels: ChannelPlan | null;
  nails: NailPlan | null;
  buttons: ButtonPlan | null;
  zip: ZipPlan | null;
  /** filled rolls and loose cushions; their pieces and welts are among the cover's */
  loose: LoosePlan[];
  /** width of the border, where the way has one */
  border: number | null;
  /** a seam that would have crossed itself where it was asked for, and lies nearer the edge instead */
  nearer: { field: string; name: string; asked: unknown; taken: unknown } | null;
  tackStrips: { edge: string; along: string; length: number }[];
  backing: { seam: string; width: number; length: number }[];
  linings: LiningPiece[];
  /** where a motif lies, where it was given its place */
  motif: Motif | null;
  strain: StrainSummary | null;
  /** cloth left over round the shoulder of a pulled cover, mm: worked in all round */
  fullness: number;
  /** which ways suit the surface and the cloth, and why */
  suits: Suit[];
  check: SewnCheck;
};

/** A piece's strain over its flat shape, for a map. */
export type StrainMap = {
  piece: string;
  triangles: Uint32Array;
  flat: Float64Array;
  warp: Float64Array;
  weft: Float64Array;
  bias: Float64Array;
};
