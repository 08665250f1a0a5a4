import { test as base } from '@playwright/test';
import { thorough, WEEK } from '../src/testing/runs';
import { FIRST_PORT } from '../scripts/e2e-ports.mjs';

/** The workshop of the worker that runs this test: each has a server and a folder of its own, so that they do not meet. */
export const port = (): number => FIRST_PORT + base.info().parallelIndex;
export const origin = (): string => `http://127.0.0.1:${port()}`;

/** Tests as they are written here: what they open is their own worker's workshop. */
export const test = base.extend<{ folded: boolean }>({
  // What a fixture wants is read from this pattern: nothing.
  baseURL: async ({}, use) => use(origin()),
  // What is under More stays open on a device where somebody opened it: most walks are of such a device.
  folded: [false, { option: true }],
  page: async ({ page, folded }, use) => {
    if (!folded)
      await page.addInitScript(() => ['board', 'padding', 'cover'].forEach((name) => localStorage.setItem(`fovea.more.${name}`, 'open')));
    await use(page);
  },
});

/** A test of `npm run thorough` alone: the figures that it shows are held by tests of the core, and its drawing or its kind takes long. */
export const deep: typeof test | typeof test.skip = thorough ? test : test.skip;

/** Walks are in four turns, one a week: a quarter of them in `npm test`, all of them in `npm run thorough`. */
const TURNS = 4;

/**
 * A walk that `npm test` does every fourth week.
 *
 * @param turn which week of four
 */
export const weekly = (turn: 0 | 1 | 2 | 3): typeof test | typeof test.skip => (thorough || WEEK % TURNS === turn ? test : test.skip);
