import { expect, type Page } from '@playwright/test';
import { deep, weekly } from './workshop';
import { newPiece } from '../src/core/piece';
import { NO_STRIP } from '../src/core/strip';
import { stripItem } from '../src/testing/strip-item';
import { place, saved, settled } from './help';

weekly(1)('the order of a seat’s staples is followed wave by wave', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('chair-seat'), name: 'Waves' });
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  const waves = page.getByRole('region', { name: 'The order, wave by wave' });
  const staples = page.locator('[data-staple]');
  await expect(waves).toContainText('in 5 waves');
  const all = await staples.count();
  await waves.getByRole('button', { name: 'First wave' }).click();
  await expect(waves).toContainText('1–4 centres of opposite sides');
  await expect(staples).toHaveCount(4);
  await waves.getByRole('button', { name: 'Next wave' }).click();
  await expect(waves).toContainText('5–12 one on either side of each centre');
  await expect(staples).toHaveCount(12);
  for (const says of ['half-way out', 'on to the corners', 'corners, opposite']) {
    await waves.getByRole('button', { name: 'Next wave' }).click();
    await expect(waves).toContainText(says);
  }
  await expect(staples).toHaveCount(all);
  await waves.getByRole('button', { name: 'Previous wave' }).click();
  await expect(waves).toContainText('on to the corners');
  for (const name of ['Next wave', 'All waves']) await waves.getByRole('button', { name }).click();
  await expect(waves).toContainText(`All ${all}`);
});

/** Names of the steps on the run sheet, in their order. */
async function steps(page: Page, id: string): Promise<string[]> {
  await page.goto(`/piece/${id}?stage=bench`);
  await expect(page.locator('[data-step]').last()).toBeAttached({ timeout: 60_000 });
  return page.locator('[data-step]').evaluateAll((all) => all.map((item) => item.getAttribute('data-step')!));
}

/** What comes in this order, whatever lies between. */
function inOrder(all: readonly string[], wanted: readonly string[]): void {
  const at = wanted.map((key) => all.indexOf(key));
  expect(at, `${wanted.join(' > ')} in ${all.join(', ')}`).not.toContain(-1);
  expect(at).toEqual([...at].sort((a, b) => a - b));
}

const row = (page: Page, id: string) => page.locator(`[data-row="${id}"]`);

deep('a bordered headboard, back-tacked in stages: three rows behind, none on another, followed on a tablet', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1280 });
  await page.goto('/');
  const id = await place(page, { ...newPiece('headboard-bordered'), name: 'Rows behind' });
  inOrder(await steps(page, id), [
    'lip-strips',
    'inner-panel',
    'border-tack',
    'border-foam',
    'border-pull',
    'edge-welt',
    'band-tack',
    'staple',
    'dust',
  ]);
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  for (const [name, inset] of [
    ['dust', '14 mm'],
    ['over-all', '19 mm'],
    ['cover', '30 mm'],
  ] as const)
    await expect(row(page, name)).toContainText(inset);
  await expect(page.locator('[data-row-line]')).toHaveCount(2);
  const waves = page.getByRole('region', { name: 'The order, wave by wave' });
  await waves.getByRole('button', { name: 'First wave' }).click();
  await expect(page.locator('[data-staple]')).toHaveCount(4);
  await expect(page.locator('[data-pull]')).toHaveCount(4);
  await waves.getByRole('button', { name: 'Next wave' }).click();
  await expect(page.locator('[data-staple]')).toHaveCount(12);
  await expect(page.locator('[data-pull]')).toHaveCount(8);
});

deep('a saddle: temporary ones first, then riveted from the nose backwards; another way to hold it, and back', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('saddle'), name: 'Riveted' });
  inOrder(await steps(page, id), ['lay-waterproof', 'tack', 'rivet', 'trim']);
  await expect(page.locator('[data-step="rivet"]')).toContainText('comes out as soon as the rivets on either side of it hold');
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  const waves = page.getByRole('region', { name: 'The order, wave by wave' });
  await waves.getByRole('button', { name: 'First wave' }).click();
  await expect(waves).toContainText('1–12 temporary ones first');
  await expect(page.locator('[data-temporary]')).toHaveCount(12);
  await expect(page.locator('[data-staple]')).toHaveCount(0);
  await waves.getByRole('button', { name: 'Next wave' }).click();
  await expect(waves).toContainText('nose, from its middle outwards');
  // The nose lies at the front, which is below on the plan.
  const middle = await page.locator('[data-staple="1"] circle').getAttribute('cy');
  expect(Number(middle)).toBeGreaterThan(0);
  for (const says of ['tail', 'sides from the front backwards', 'on backwards to the tail']) {
    await waves.getByRole('button', { name: 'Next wave' }).click();
    await expect(waves).toContainText(says);
  }
  // In the last wave the temporary ones are out.
  await expect(page.locator('[data-temporary]')).toHaveCount(0);
  await page.getByLabel('Held by').selectOption({ label: 'Clips and tabs' });
  await settled(page);
  await expect(page.getByText(/Clips and tabs: \d+ in one piece/)).toBeVisible();
  expect((await saved(page, id)).covering.held).toBe('clips');
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  await expect(page.getByText(/Rivets with washers: 24 in one piece/)).toBeVisible();
});

deep('a nailed headboard: nails once the cover is on, then its welted band, with a row of its own behind', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('headboard-nailed'), name: 'Nailed' });
  inOrder(await steps(page, id), ['staple', 'trim', 'nails', 'edge-welt', 'band-tack', 'dust']);
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  await expect(row(page, 'cover')).toContainText('30 mm');
  await expect(row(page, 'band')).toContainText('35 mm');
  await expect(page.getByText(/none where small children can reach/)).toBeVisible();
});

deep('a deck through its frame: two rows in one rebate, and the cloth trimmed when the neighbour’s is on', async ({ page }) => {
  await page.goto('/');
  const strip = {
    ...NO_STRIP,
    part: 'deck' as const,
    items: [stripItem('a', { name: 'Piping of the inside back', what: 'lining', part: 'inside-back' })],
  };
  const id = await place(page, { ...newPiece('tight-seat'), name: 'Through the frame', strip });
  const all = await steps(page, id);
  inOrder(all, ['deck', 'hessian', 'wadding', 'staple', 'trim', 'part-inside-back']);
  await expect(page.locator('[data-step="trim"]')).toContainText('comes into the same rebate');
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  await expect(row(page, 'cover')).toContainText('18 mm');
  await expect(row(page, 'neighbour')).toContainText('23 mm');
});

deep('ten panels on cleats, from the middle of a wall that is 1530 wide', async ({ page }) => {
  await page.goto('/');
  const start = newPiece('headboard-panelled', { type: 'rectangle', width: 149, depth: 300, cornerRadius: { front: 0, back: 0 } });
  const panels = { across: 1530, gap: 3, count: 10, mounting: 'hung' as const, cleats: 2, rating: 20 };
  const id = await place(page, { ...start, name: 'Ten on a wall', count: 10, panels });
  await page.goto(`/piece/${id}?stage=board`);
  const report = page.locator('[data-panels]');
  await expect(report).toBeAttached();
  // (1530 − 9 × 3) / 10 = 150.3 each: the middles lie 76.65 from the wall's middle, then 153.3 farther each.
  const marks = [0, 1, 2, 3, 4].map((k) => 76.65 + 153.3 * k).flatMap((x) => [x - 30.15, x + 30.15]);
  const all = await steps(page, id);
  inOrder(all, ['dust', 'cleats', 'measure', 'hang']);
  const hang = page.locator('[data-step="hang"]');
  for (const x of marks)
    await expect(hang).toContainText(new RegExp(`−${Math.round(x)}[, ]|−${Math.round(x) - 1}[, ]|−${Math.round(x) + 1}[, ]`));
  await expect(hang).toContainText('The middle panels first');
  await expect(hang).toContainText('proof-load before use');
});
