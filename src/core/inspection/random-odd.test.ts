import { expect, it } from 'vitest';
import { inspectedJobs } from '../../testing/inspected-jobs';
import { runs, WEEK } from '../../testing/runs';

/** Half of the random jobs; the other half is in the file beside this one, so that both cores have work. */
const COUNT = runs(60, 5000);

it(`${COUNT} random jobs of week ${WEEK} raise nothing`, { timeout: 36e5 }, () => {
  const { wrong, refused } = inspectedJobs(COUNT, 2 * WEEK + 1 + 1000);
  expect(wrong).toEqual([]);
  // A way that does not go on an outline is refused; that stays the exception.
  expect(refused).toBeLessThan(COUNT / 50);
});
