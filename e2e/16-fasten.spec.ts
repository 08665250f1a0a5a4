import { expect, test } from '@playwright/test';
import { newPiece } from '../src/core/piece';
import { place, settled } from './help';

test('the order of a seat’s staples is followed wave by wave', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('chair-seat'), name: 'Waves' });
  await page.goto(`/piece/${id}?stage=fix`);
  await settled(page);
  const waves = page.getByRole('region', { name: 'The order, wave by wave' });
  const staples = page.locator('[data-staple]');
  await expect(waves).toContainText('in 5 waves');
  const all = await staples.count();
  await waves.getByRole('button', { name: 'Follow it' }).click();
  await expect(waves).toContainText('1–4 centres of opposite sides');
  await expect(staples).toHaveCount(4);
  await waves.getByRole('button', { name: 'Next' }).click();
  await expect(waves).toContainText('5–12 one on either side of each centre');
  await expect(staples).toHaveCount(12);
  for (const says of ['half-way out', 'on to the corners', 'corners, opposite']) {
    await waves.getByRole('button', { name: 'Next' }).click();
    await expect(waves).toContainText(says);
  }
  await expect(staples).toHaveCount(all);
  await waves.getByRole('button', { name: 'Before' }).click();
  await expect(waves).toContainText('on to the corners');
  for (const name of ['Next', 'All of them']) await waves.getByRole('button', { name }).click();
  await expect(waves).toContainText(`All ${all}`);
});
