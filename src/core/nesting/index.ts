export { boundOf, createSearch, type LayBound, type LaySearch } from './search';
export { atOrigin, turned } from './turned';
export type { Lay, LayBin, LayFlaw, LayPlace, LayRepeat, LayShape, LayTask, Turn } from './types';
export { layGroups, type LayGroup, type Planned } from './groups';
export { laidOutline, layFaults, type LayFault } from './check';
export { CUT_TOOLS, gapOf, KEPT_LAY, toKeep, type CutTool, type KeptLay } from './kept';
export { leftover, WORTH_KEEPING, type Leftover } from './leftover';
export { isBetter, scoreOf, usedOf, type LayScore } from './score';
export { SNAP, snapped, turnedOn, withPlace } from './by-hand';
