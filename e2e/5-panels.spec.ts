import { expect } from '@playwright/test';
import { weekly } from './workshop';
import { newPiece } from '../src/core/piece';
import { measure, place, savedHere, settled } from './help';

weekly(0)('an address that names no stage opens the board', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('chair-seat'), name: 'Addressed' });
  for (const address of ['?stage=foo', '?stage=sizes', '?stage=base&stage=cut', '?stage=']) {
    await page.goto(`/piece/${id}${address}`);
    await expect(page.getByRole('heading', { name: 'Addressed' })).toBeVisible();
    await expect(page.getByRole('button', { name: '1. Board' })).toHaveAttribute('aria-current', 'step');
  }
});

weekly(1)('four panels of 600 × 450: the wall is what they fill, and follows board and number', async ({ page }) => {
  await measure(page, 'Headboard or wall, panelled', null, 'Stair wall', 'Width', ['600', '450', '12']);
  const piece = await savedHere(page);
  expect(piece.base.shape).toMatchObject({ width: 600 });
  // Four of 600, each with its cloth and wadding, and three gaps of 3.
  expect(piece.panels).toMatchObject({ count: 4, gap: 3 });
  expect(piece.panels!.across).toBeGreaterThan(2409);
  expect(piece.panels!.across).toBeLessThan(2480);
  await expect(page.locator('[data-panels]')).toContainText(/Each panel 60\d mm/);
  await page.getByLabel('Width', { exact: true }).fill('500');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-panels]')).toContainText(/Each panel 50\d mm/);
  await settled(page);
  const narrower = await savedHere(page);
  expect(narrower.panels!.across).toBeLessThan(2080);
  expect(narrower.panels!.across).toBeGreaterThan(2009);
});
