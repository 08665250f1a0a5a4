import { expect, type Page } from '@playwright/test';
import { deep, weekly } from './workshop';
import { newPiece } from '../src/core/piece';
import { openPads, place, settled } from './help';

/**
 * What each state of a view looks like, beside a picture of it that somebody looked at. A few dots differ between machines;
 * a part that moved, fell out or covers another differs by far more.
 */
const LIKE = { maxDiffPixelRatio: 0.005, threshold: 0.25, animations: 'disabled', caret: 'hide' } as const;

const middle = (page: Page) => page.locator('main');

weekly(0)('a sheet that is still being worked out says so, and its fields can be typed into', async ({ page }) => {
  const id = await place(page, { name: 'Waiting seat' });
  // A worker that never answers.
  await page.addInitScript(() => {
    window.Worker = class extends EventTarget {
      postMessage(): void {}
      terminate(): void {}
    } as unknown as typeof Worker;
  });
  await page.goto(`/piece/${id}?stage=padding`);
  await expect(page.getByText('Calculating…').first()).toBeVisible();
  await expect(middle(page)).toHaveScreenshot('loading.png', LIKE);
});

weekly(1)('what is refused is said beside its field, and the last good sheet stays', async ({ page }) => {
  const id = await place(page, { name: 'Refused seat' });
  await page.goto(`/piece/${id}?stage=padding`);
  await settled(page);
  await expect(page.getByRole('region', { name: 'Answer' })).toHaveAttribute('aria-busy', 'false');
  await openPads(page);
  const thickness = page.getByLabel('Thickness').first();
  await thickness.fill('5000');
  await page.keyboard.press('Enter');
  await expect(thickness).toHaveAttribute('aria-invalid', 'true');
  await page.mouse.move(0, 0);
  await expect(middle(page)).toHaveScreenshot('refused.png', LIKE);
});

weekly(2)('a plan with hundreds of staples stays legible', async ({ page }) => {
  const id = await place(page, { ...newPiece('headboard'), name: 'Large headboard', overrides: { staplePitch: 8 } });
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  await expect(page.getByRole('group', { name: /Plan from above/ })).toHaveScreenshot('many-staples.png', LIKE);
});

deep('the flat pieces of a bordered headboard lie as they join', async ({ page }) => {
  const id = await place(page, { ...newPiece('headboard-bordered'), name: 'Bordered headboard' });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  await page.getByRole('button', { name: 'Flat pieces', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Flat pieces, as they join' })).toHaveScreenshot('pieces.png', LIKE);
});

weekly(3)('a page that is not there, and a search that finds nothing, say what can be done', async ({ page }) => {
  await page.goto('/nowhere');
  await expect(middle(page)).toHaveScreenshot('nowhere.png', LIKE);
  // The log has something in it, whatever ran before.
  const id = await place(page, { name: 'Finished seat' });
  const done = await page.request.post(`/api/pieces/${id}/finish`, {
    data: { serial: 'pictures-1', note: 'done' },
    headers: { origin: new URL(page.url()).origin },
  });
  expect(done.status()).toBe(201);
  await page.goto('/log');
  await expect(page.getByText('Finished seat').first()).toBeVisible();
  await page.getByLabel('Search the log').fill('nothing has this name');
  await page.getByLabel('Search the log').press('Enter');
  await expect(page.getByText('Finished seat')).toHaveCount(0);
  await expect(middle(page)).toHaveScreenshot('nothing-found.png', LIKE);
});
