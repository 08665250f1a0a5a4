/** Whether the deep checks run: `npm run thorough`. */
export const thorough = process.env.FOVEA_THOROUGH === '1';

/**
 * How many random cases a test tries.
 *
 * @param quick in `npm test`
 * @param deep in `npm run thorough`
 */
export const runs = (quick: number, deep: number): number => (thorough ? deep : quick);

const thisYear = Date.UTC(new Date().getUTCFullYear(), 0, 1);

/** The week of the year: in `npm test` each week tries other cases. `FOVEA_WEEK` tries those of another. */
export const WEEK = Number(process.env.FOVEA_WEEK ?? Math.floor((Date.now() - thisYear) / (7 * 86_400_000)));
// Of no week nothing would be tried, and all of it would pass.
if (!Number.isInteger(WEEK)) throw new Error(`FOVEA_WEEK is not a week: ${process.env.FOVEA_WEEK}`);

/**
 * What of a list is tried in `npm test` this week; `npm run thorough` tries all of it.
 *
 * @param list the cases
 * @param every one of so many
 * @returns every so many of them, beginning with another each week
 */
export const thisWeek = <T>(list: readonly T[], every: number): T[] =>
  thorough ? [...list] : list.filter((_, i) => i % every === WEEK % Math.min(every, list.length));
