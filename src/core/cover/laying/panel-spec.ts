import type { Give } from '../../flattening';
import type { Point } from '../../outline';
import type { Keep } from '../../keep';
import type { Correction } from '../../piece';
import type { CoverPiece, EdgeKind } from './cloth-piece';
import type { Level, Stretch } from '../surface/levels';
import type { Slit } from './disc-mesh';
import type { Ring } from '../surface/ring';

/** What is done with an edge of a panel. */
export type EdgeUse = { id: string; kind: EdgeKind; seam: string | null; allowance: number };

/** A part of the surface that becomes a cloth piece. */
export type PanelSpec = {
  id: string;
  name: string;
  role: CoverPiece['role'];
  cloth?: CoverPiece['cloth'];
  hand?: CoverPiece['hand'];
  note?: string;
  region:
    | { kind: 'disc'; level: Level; slits?: readonly Slit[] }
    | { kind: 'strip'; inner: Level; outer: Level; from: number; to: number; lay?: 'unrolled' | 'plan' };
  /** cut as a straight strip along its inner seam, or laid flat as it is shaped; `if it gives`: straight where the cloth can */
  straight?: boolean | 'if it gives';
  outer: EdgeUse;
  /** of a disc, where its rim is used otherwise than `outer` says */
  rim?: Stretch & { use: EdgeUse };
  inner?: EdgeUse;
  /** a strip's two ends, where it begins and where it ends */
  first?: EdgeUse;
  last?: EdgeUse;
  /** distance of the staple line beyond the outer edge */
  stapleAt?: number;
};

/** Everything that the panels of one cover share while they are made. */
export type Making = {
  keep: Keep;
  ring: Ring;
  spacing: number;
  give: Give;
  count: number;
  /** 1/(1 − shrinkage) */
  preShrink: number;
  /** the same of the second cloth, for the panels that are cut from it */
  second: { give: Give; preShrink: number } | null;
  /** places of the ring that carry a notch, with their labels */
  notches: ReadonlyMap<number, string>;
  corrections: readonly Correction[];
  motif: Point | null;
  /** flat length of each seam from place to place, as its first piece was cut */
  seams: Map<string, Float64Array>;
};

/** A stretch of a panel's rim in the order in which it is walked, with the place of each node where it has one. */
export type Run = { use: EdgeUse; nodes: number[]; places: number[] };
