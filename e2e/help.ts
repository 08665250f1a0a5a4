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
