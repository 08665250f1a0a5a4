import { it } from 'vitest';
import { thorough, WEEK } from './runs';

/** Long tests are in four turns, one a week. */
const TURNS = 4;

/**
 * A long test: `npm test` runs it every fourth week, `npm run thorough` always.
 *
 * @param turn which week of four
 */
export const weekly = (turn: 0 | 1 | 2 | 3): typeof it | typeof it.skip => (thorough || WEEK % TURNS === turn ? it : it.skip);
