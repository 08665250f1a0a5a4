import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { test } from './workshop';
import { PDFDocument } from '@cantoo/pdf-lib';
import { saidLength } from '../src/core/length';
import { settled } from './help';

/** Everything a hand does is counted: a figure typed, a key, a click. */
class Hand {
  actions = 0;
  constructor(private readonly page: Page) {}

  async type(figure: string): Promise<void> {
    this.actions += 2;
    await this.page.keyboard.type(figure);
    await this.page.keyboard.press('Enter');
  }

  async click(role: 'button' | 'link', name: string | RegExp): Promise<void> {
    this.actions += 1;
    await this.page.getByRole(role, { name }).first().click();
  }
}

test('a tradesperson’s five minutes: a drop-in chair from the tape to printed templates', async ({ page }) => {
  const began = Date.now();
  await page.goto('/');
  await expect(page.getByText('The floor is empty')).toBeVisible();
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
  const hand = new Hand(page);
  await hand.click('link', 'New piece');
  hand.actions += 1;
  await page.getByLabel('Name').click();
  await hand.type('Kitchen chairs');
  // Enter leads on from field to field.
  for (const figure of ['4', '445', '1\' 3 1/4"', '40,8 cm', '38', '20', '12']) await hand.type(figure);
  // Nothing that was typed needed explaining.
  await expect(page.locator('main [role="alert"]')).toHaveCount(0);
  await hand.click('button', 'Start this piece');
  await expect(page.getByRole('heading', { name: 'Kitchen chairs' })).toBeVisible();
  await hand.click('button', '2. Padding');
  await settled(page);
  // A piece begins without one warning, and what it is cut to is on the sheet.
  await expect(page.locator('[data-warning]')).toHaveCount(0);
  // How it sits is on the same page, without a press.
  await expect(page.locator('[data-verdict]')).toHaveText(/^85 kg: sinks \d+ mm, \d+ mm left, edge not felt$/, { timeout: 60_000 });
  await hand.click('button', '4. Cut');
  await expect(page.locator('[data-laid="Cover"]')).toHaveCount(4);
  await hand.click('button', 'Print…');
  // Two presses: what is printed is seen before it is.
  const pages = page.locator('[data-pages]');
  await expect(pages).not.toHaveAttribute('data-pages', '', { timeout: 60_000 });
  const shown = Number(await pages.getAttribute('data-pages'));
  const [pdf] = await Promise.all([page.waitForEvent('download'), hand.click('link', 'Save as PDF')]);
  const printed = await PDFDocument.load(readFileSync(await pdf.path()));
  expect(printed.getPageCount()).toBe(shown);
  // Fewer than a dozen sheets, and something to cut by.
  expect(shown).toBeGreaterThan(4);
  expect(shown).toBeLessThan(12);
  await hand.click('button', 'Close');
  await hand.click('button', '3. Cover');
  await settled(page);
  const text = await page.locator('[data-slip="cover"]').innerText();
  // Two abreast on a roll of 1400.
  expect(parseFloat(text)).toBeLessThan(695);
  expect(text).toContain(saidLength(parseFloat(text), 'mm'));
  expect(hand.actions).toBeLessThan(60);
  expect(Date.now() - began).toBeLessThan(5 * 60_000);
  // The floor is left as it was found.
  const id = /piece\/([^?]+)/.exec(page.url())![1]!;
  await page.request.delete(`/api/pieces/${id}`, { headers: { origin: new URL(page.url()).origin } });
});
