import { it } from 'vitest';
import { thorough, WEEK } from './runs';

/** Long tests are in three turns, one a week. */
const TURNS = 3;

/**
 * A long test: `npm test` runs it every third week, `npm run thorough` always.
 *
 * @param turn which week of three
 */
export const weekly = (turn: 0 | 1 | 2): typeof it | typeof it.skip => (thorough || WEEK % TURNS === turn ? it : it.skip);
