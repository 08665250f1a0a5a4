import { expect } from '@playwright/test';
import { deep, origin, weekly } from './workshop';
import { openPads, place, settled, toStage } from './help';

deep('an empty workshop greets with three ways in; a guide leads through a first piece and can be left', async ({ page }) => {
  await page.goto('/');
  const greeting = page.getByRole('region', { name: 'An empty workshop' });
  await expect(greeting.getByRole('button', { name: 'Lay out the demo workshop' })).toBeVisible();
  await expect(greeting.getByText('Bring in a backup')).toBeVisible();
  await expect(page.locator('main')).toHaveScreenshot('empty.png', { maxDiffPixelRatio: 0.005, threshold: 0.25 });
  // What is no backup is said to be none, and nothing is changed.
  await greeting
    .getByLabel('Backup to bring in')
    .setInputFiles({ name: 'notes.tar.gz', mimeType: 'application/gzip', buffer: Buffer.from('no archive') });
  await expect(page.locator('main [role="alert"]')).toContainText('cannot be unpacked');
  await greeting.getByRole('link', { name: 'Begin with a guide' }).click();
  const guide = page.getByRole('region', { name: 'Guide to a first piece' });
  await expect(guide).toContainText('1 of 4');
  await page.getByLabel('Name').fill('Guided seat');
  await page.getByRole('button', { name: 'Use standard sizes for blanks' }).click();
  await page.waitForURL(/\/piece\//);
  await expect(guide).toContainText('2 of 4');
  await settled(page);
  await expect(page.getByRole('slider', { name: 'Crown height' })).toBeVisible();
  // The guided first chair passes its own check.
  await expect(page.locator('[data-verdict]')).toHaveText(/^85 kg: sinks \d+ mm, \d+ mm left, edge not felt$/, { timeout: 60_000 });
  // Somewhere else in between, it waits and leads back.
  await toStage(page, 'Board');
  await guide.getByRole('button', { name: 'Show me' }).click();
  await expect(page.locator('[data-verdict]')).toBeVisible();
  await guide.getByRole('button', { name: 'Next' }).click();
  await expect(guide).toContainText('3 of 4');
  await page.reload();
  await expect(guide).toContainText('3 of 4');
  await guide.getByRole('button', { name: 'Leave the guide' }).click();
  await expect(guide).toBeHidden();
  await page.reload();
  await settled(page).catch(() => undefined);
  await expect(guide).toBeHidden();
  const id = /piece\/([^?]+)/.exec(page.url())![1]!;
  await page.request.delete(`/api/pieces/${id}`, { headers: { origin: new URL(page.url()).origin } });
});

weekly(2)('a word is explained beside its field, and all of them can be searched', async ({ page }) => {
  const id = await place(page, { name: 'Words seat' });
  await page.goto(`/piece/${id}?stage=padding`);
  await settled(page);
  await openPads(page);
  await page.getByRole('button', { name: 'What is “Overhang”?' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'Words of the trade' });
  await expect(dialog.locator('[data-word="overhang"]')).toContainText('What goes wrong');
  await dialog.getByLabel('Search the words').fill('mitred');
  await expect(dialog.locator('[data-word]')).toHaveCount(1);
  await expect(dialog.locator('[data-word="border"]')).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(dialog).toBeHidden();
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Words of the trade…' }).click();
  await expect(dialog.locator('[data-word="crown"]')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.request.delete(`/api/pieces/${id}`, { headers: { origin: origin() } });
});
