import { expect } from '@playwright/test';
import { newChairSeat, newPiece } from '../src/core/piece';
import { planPiece } from '../src/core/plan';
import { answerLine, sizesOf } from '../src/core/sizes';
import { place, settled, slip, toStage } from './help';
import { test, weekly } from './workshop';

test('the answer stands over every stage, opens its reason, and Back goes to the stage before', async ({ page }) => {
  const piece = { ...newChairSeat(), name: 'Answered', count: 8 };
  const id = await place(page, piece);
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer).toHaveAttribute('aria-busy', 'false');
  // Its figures are the plan's, as the command line has it.
  for (const { name, figures } of answerLine(sizesOf(planPiece(piece, {}), piece, {}), 'mm')) {
    await expect(answer).toContainText(name);
    for (const { says } of figures) await expect(answer).toContainText(says);
  }
  await answer.locator('[data-answer="cover"]').click();
  await expect(page.getByRole('button', { name: /Cover, cut size/, expanded: true })).toBeFocused();
  await expect(slip(page, 'cover')).toBeInViewport();

  await toStage(page, 'Cover');
  await expect(page).toHaveURL(/stage=cover/);
  await expect(answer).toBeVisible();
  await toStage(page, 'Bench');
  await page.goBack();
  await expect(page.getByRole('button', { name: '3. Cover' })).toHaveAttribute('aria-current', 'step');
  await page.goBack();
  await expect(page.getByRole('button', { name: '1. Board' })).toHaveAttribute('aria-current', 'step');
  await page.goForward();
  await expect(page.getByRole('button', { name: '3. Cover' })).toHaveAttribute('aria-current', 'step');
});

weekly(0)('a cover of many parts names the first and counts the rest', async ({ page }) => {
  const id = await place(page, { ...newPiece('headboard-bordered'), name: 'Many parts' });
  await page.goto(`/piece/${id}?stage=padding`);
  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer.getByRole('button', { name: /\d+ more parts/ })).toBeVisible({ timeout: 20_000 });
  await answer.getByRole('button', { name: /\d+ more parts/ }).click();
  await expect(page.locator('[data-sizes="Cover"] button[aria-expanded="true"]').first()).toBeVisible();
});
