import { FINER_POINTS } from './finer-points';
import { SADDLES_AND_BLOCKS } from './saddles-and-blocks';
import { SEATS } from './seats';
import { WALLS } from './walls';

export type { Expected, Job } from './job';

/** Forty jobs as they come through the lodge's door, each with what a master would let pass. */
export const JOBS = [...SEATS, ...WALLS, ...SADDLES_AND_BLOCKS, ...FINER_POINTS];
