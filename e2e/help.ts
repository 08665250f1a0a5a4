import { execFileSync } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import { newChairSeat, type Piece } from '../src/core/piece';
import { origin } from './workshop';

/** Puts a piece on the floor without the interface, and returns its id. */
export async function place(page: Page, change: Partial<Piece> = {}): Promise<string> {
  const response = await page.request.post('/api/pieces', {
    data: { piece: { ...newChairSeat(), ...change } },
    headers: { origin: page.url() === 'about:blank' ? origin() : new URL(page.url()).origin },
  });
  expect(response.status()).toBe(201);
  return ((await response.json()) as { id: string }).id;
}

/** Waits until everything on the sheet is saved and worked out. */
export async function settled(page: Page): Promise<void> {
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  await expect(page.locator('[data-settled="true"]')).toBeVisible();
}

/** The piece as it is kept, once it is. */
export async function saved(page: Page, id: string): Promise<Piece> {
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  return ((await (await page.request.get(`/api/pieces/${id}`)).json()) as { piece: Piece }).piece;
}

/** The piece of the sheet that is open, as it is stored. */
export async function savedHere(page: Page): Promise<Piece> {
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  const id = /piece\/([^?]+)/.exec(page.url())![1]!;
  return ((await (await page.request.get(`/api/pieces/${id}`)).json()) as { piece: Piece }).piece;
}

/** Chooses a kind and shape, then types figures from field to field with Enter alone. */
export async function measure(
  page: Page,
  kind: string,
  shape: string | null,
  name: string,
  first: string,
  figures: string[],
): Promise<void> {
  await page.goto('/new');
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
  await page.getByLabel('What are you covering?').selectOption({ label: kind });
  if (shape) await page.getByRole('radio', { name: shape, exact: true }).check({ force: true });
  await page.getByLabel('Name').fill(name);
  await page.getByLabel(first, { exact: true }).focus();
  for (const figure of figures) {
    await page.keyboard.type(figure);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('[aria-invalid="true"]')).toHaveCount(0);
  const usual = page.getByRole('button', { name: 'Use standard sizes for blanks' });
  await ((await usual.isVisible()) ? usual : page.getByRole('button', { name: 'Start this piece' })).click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
  await settled(page);
}

/** Goes to a stage by its tab. */
export async function toStage(page: Page, name: string): Promise<void> {
  const tabs = page.getByRole('navigation', { name: 'Stages' });
  await tabs.getByRole('button', { name: new RegExp(`^\\d\\. ${name}`) }).click();
}

/** Opens every pad of the stack. */
export async function openPads(page: Page): Promise<void> {
  const folds = page.locator('[data-fold]');
  await expect(folds.first()).toBeVisible();
  for (let k = 0; k < (await folds.count()); k++)
    if ((await folds.nth(k).getAttribute('aria-expanded')) === 'false') await folds.nth(k).click();
}

/** Goes to the padding and opens every pad. */
export async function toPads(page: Page): Promise<void> {
  await toStage(page, 'Padding');
  await openPads(page);
}

/** Goes to the padding and opens the verdict: who sits, and what comes of it. */
export async function toSitting(page: Page): Promise<void> {
  await toStage(page, 'Padding');
  const verdict = page.locator('[data-verdict]');
  if ((await verdict.getAttribute('aria-expanded')) === 'false') await verdict.click();
}

/** A number as the sizes column shows it. */
export function slip(page: Page, key: string) {
  return page.locator(`[data-slip="${key}"]`);
}

/** Unfolds groups of sizes that the stage has folded away, and waits until they are worked out. */
export async function unfold(page: Page, ...groups: string[]): Promise<void> {
  for (const group of groups) {
    const head = page.locator(`[data-sizes="${group}"]`).getByRole('button', { name: group, exact: true });
    if (await head.isVisible()) {
      if ((await head.getAttribute('aria-expanded')) === 'false') await head.click();
      await expect(page.locator(`[data-sizes="${group}"] [data-slip]`).first()).toBeVisible();
    }
  }
}

/** Runs the command line as a user would. */
export function fovea(...args: string[]): string {
  return execFileSync('npm', ['run', '-s', 'fovea', '--', ...args], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
}
