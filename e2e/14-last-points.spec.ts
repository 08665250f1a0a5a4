import { writeFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { deep, test } from './workshop';
import { newPiece } from '../src/core/piece';
import { fovea, openPads, place, saved, settled, slip, toSitting, unfold } from './help';

deep('the height as sat on is chosen on the first page, and the pad that gives it is one that is sold', async ({ page }) => {
  await page.goto('/new');
  await page.getByLabel('Name').fill('Sat on first');
  await page.getByLabel('Seat height, loaded').fill('900');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A height of 3 to 250 mm')).toBeVisible();
  await page.getByLabel('Seat height, loaded').fill('40');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-sat-on]')).toContainText('Main pad 70 mm');
  await page.getByRole('button', { name: 'Use standard sizes for blanks' }).click();
  await expect(page.getByRole('heading', { name: 'Sat on first' })).toBeVisible();
  const id = /piece\/([^?]+)/.exec(page.url())![1]!;
  const piece = await saved(page, id);
  expect(piece.pads.find(({ role }) => role === 'main')!.thickness).toBe(70);
  await toSitting(page);
  await settled(page);
  await expect(page.getByText('No fault: it does not bottom out')).toBeVisible();
  // Of a board on a wall nobody asks how it is sat on.
  await page.goto('/new');
  await page.getByLabel('What are you covering?').selectOption('headboard');
  await expect(page.getByLabel('Seat height, loaded')).toHaveCount(0);
});

deep('an old cover goes on again: it says whether it closes, what mends it, and nothing of it is bought', async ({ page }) => {
  const id = await place(page, { name: 'Old needlework' });
  await page.goto(`/piece/${id}?stage=strip`);
  await page.getByRole('button', { name: 'Cover piece', exact: true }).click();
  await page.getByLabel('Then').selectOption('Goes back on');
  await expect(page.getByText('A cover goes back on: measure it here')).toBeVisible();
  await page.getByRole('button', { name: 'Piece', exact: true }).click();
  await page.getByLabel('Width, laid flat').fill('560');
  await page.keyboard.press('Enter');
  await page.getByLabel('Depth, laid flat').fill('560');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-goes-back]')).toContainText('It does not close');
  await page.getByLabel('Seams let out, either side').fill('30');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-goes-back]')).toContainText('It closes. The build may be');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-goes-back]')).toContainText('It does not close');

  await page.getByRole('button', { name: /Cover$/ }).click();
  await settled(page);
  await page.getByRole('button', { name: /^Take a main pad of/ }).click();
  await settled(page);
  await expect(page.getByText('It does not close')).toHaveCount(0);
  await page.getByRole('button', { name: /Cut$/ }).click();
  await expect(slip(page, 'foam.sheets')).toBeVisible();
  await expect(slip(page, 'cloth.length')).toHaveCount(0);
  const file = test.info().outputPath('old.json');
  writeFileSync(file, JSON.stringify(await saved(page, id)));
  const plan = JSON.parse(fovea('plan', file)) as { steps: { key: string }[]; cut: { cloth: { length: number } } };
  expect(plan.cut.cloth.length).toBe(0);
  expect(plan.steps.map(({ key }) => key)).toContain('old-cover');
});

deep('foam from packets, backed foam stretched over all, a border on three sides: chosen, laid, undone', async ({ page }) => {
  const id = await place(page, { name: 'Packet seats', count: 6 });
  await page.goto(`/piece/${id}?stage=padding`);
  await openPads(page);
  await settled(page);
  await page.getByLabel('Wadding over all').selectOption('Backed foam 5 mm, stretched');
  const pad = page.locator('[data-pad="main"]');
  await pad.getByText('Wedge, blocks, packets, old foam, pocket').click();
  await pad.getByLabel('From packets').check();
  await settled(page);
  await page.getByRole('button', { name: /Cut$/ }).click();
  await expect(slip(page, 'foam.packets.1')).toHaveText('3');
  await expect(page.getByText('24 pieces of 400 × 400 × 50 mm')).toBeVisible();
  await expect(slip(page, 'wadding.staples')).toBeVisible();
  await expect(page.getByText(/pieces cut so, \d+ packets? to buy/).first()).toBeVisible();

  const wall = await place(page, { ...newPiece('headboard-bordered'), name: 'Three sides' });
  await page.goto(`/piece/${wall}?stage=cover`);
  await settled(page);
  await expect(page.getByRole('slider', { name: 'Seam at the front, move' })).toBeVisible();
  await page.getByLabel('Border on').selectOption('Three sides');
  await settled(page);
  await expect(page.getByRole('slider', { name: 'Seam at the front, move' })).toHaveCount(0);
  await expect(slip(page, 'piece.border-3')).toBeVisible();
  await expect(slip(page, 'piece.border-4')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  await unfold(page, 'Cover');
  await expect(slip(page, 'piece.border-4')).toBeVisible();
});
