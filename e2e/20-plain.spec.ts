import { readdirSync, readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import type { Piece } from '../src/core/piece';
import { thisWeek } from '../src/testing/runs';
import { place } from './help';
import { test } from './workshop';

/** Nothing of a stage is farther down than this, in screens of 1280 × 800, and it has no more controls than these. */
const SCREENS = 1.3;
const CONTROLS = 40;

/** What somebody sees of a stage’s panel as it opens. */
const panel = (page: Page, stage: string) =>
  page.locator(`[aria-label="${stage}"]`).evaluate((place) => ({
    controls: [...place.querySelectorAll('button,input,select,textarea,summary,a[href]')].filter((element) =>
      element.checkVisibility({ visibilityProperty: true, contentVisibilityAuto: true }),
    ).length,
    screens: place.scrollHeight / 800,
  }));

const demo = readdirSync('demo')
  .filter((name) => name.endsWith('.json'))
  .map((name) => JSON.parse(readFileSync(`demo/${name}`, 'utf8')) as Piece);

test.use({ folded: true });

// The run sheet’s ticks are not counted: they lie beside the panel.
for (const piece of thisWeek(demo, 9))
  test(`${piece.name}: no stage is taller than ${SCREENS} screens or has more than ${CONTROLS} controls`, async ({ page }) => {
    await page.goto('/');
    const id = await place(page, piece);
    for (const stage of [...(piece.strip ? ['Strip'] : []), 'Board', 'Padding', 'Cover', 'Cut', 'Bench']) {
      await page.goto(`/piece/${id}?stage=${stage.toLowerCase()}`);
      await expect(page.locator('[data-save="saved"]')).toBeVisible();
      await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
      // What is worked out beside the fields comes later: it is measured once it no longer grows.
      let before = -1;
      await expect
        .poll(
          async () => {
            const { screens } = await panel(page, stage);
            const same = screens === before;
            before = screens;
            return same;
          },
          { intervals: [1500] },
        )
        .toBe(true);
      const { controls, screens } = await panel(page, stage);
      expect.soft(screens, `${stage}, screens`).toBeLessThanOrEqual(SCREENS);
      expect.soft(controls, `${stage}, controls`).toBeLessThanOrEqual(CONTROLS);
    }
  });
