import type { Polygon } from '../../outline';
import type { Columns } from '../../mechanics/load';
import type { HeightGrid } from '../../heights';

/** The covered piece over its whole plan, with everything a load on it needs to know. */
export type CoveredSurface = {
  grid: HeightGrid;
  /** outline of the padding */
  polygon: Polygon;
  /** 1 where there is padding */
  there: Uint8Array;
  /** 1 where the height was found over the plan; elsewhere it is from the sections */
  inner: Uint8Array;
  /** height without a cover, wadding smoothed on, and the board's top face */
  rest: Float64Array;
  base: Float64Array;
  columns: Columns;
  /** index of the layers that are padding proper: not wadding, not hollows */
  foams: number[];
  converged: boolean;
};
