/** Whether the deep checks run: `npm run thorough`. */
export const thorough = process.env.FOVEA_THOROUGH === '1';

/**
 * How many random cases a test tries.
 *
 * @param quick in `npm test`
 * @param deep in `npm run thorough`
 */
export const runs = (quick: number, deep: number): number => (thorough ? deep : quick);
