import { writeFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { deep, test, weekly } from './workshop';
import { newChairSeat, newPiece } from '../src/core/piece';
import { fovea, place, settled } from './help';

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
});

weekly(1)('nonsense is met beside its field and stays there, also after a reload', async ({ page }) => {
  const id = await place(page);
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  const depth = page.getByLabel('Depth', { exact: true });
  for (const [text, says] of [
    ['-5', 'cannot be negative'],
    ['0', 'cannot be 0'],
    ['4120', 'did you mean 412 mm?'],
    ['four', 'is not a length'],
    ['4 m', 'is too much'],
  ] as const) {
    await depth.fill(text);
    await depth.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    await expect(depth).toHaveValue(text);
  }
  // What is too small for millimetres is asked for in inches, and one press takes it.
  await depth.fill('14');
  await depth.press('Enter');
  await page.getByRole('button', { name: '14 inches' }).click();
  await expect(depth).toHaveValue('355.6 mm');
  await depth.fill('4 m');
  await depth.press('Enter');
  await page.getByLabel('Front corner radius').fill('300');
  await page.getByLabel('Front corner radius').press('Enter');
  await expect(page.getByText(/mm would fit/)).toBeVisible();
  await page.reload();
  await expect(depth).toHaveValue('4 m');
  await depth.press('Escape');
  await expect(depth).toHaveValue('355.6 mm');
});

deep('what a refusal asks is answered beside it', async ({ page, baseURL }) => {
  const headers = { origin: baseURL! };
  const start = newPiece('chair-seat');
  const shape = { type: 'rectangle' as const, width: 350, depth: 110, cornerRadius: { front: 0, back: 0 } };
  const id = await place(page, { ...start, name: 'Narrow seat', base: { ...start.base, shape } });
  // A house rule changed since: its crown pad is inset by more than there is.
  await page.request.put('/api/house', { data: { key: 'crownInset', value: 60 }, headers });
  await page.goto(`/piece/${id}?stage=cover`);
  await expect(page.getByText('leaves nothing of this pad')).toBeVisible();
  const field = page.locator('[data-mending]').getByRole('textbox');
  await field.fill('-20');
  await field.press('Enter');
  await settled(page);
  await expect(page.getByText('leaves nothing of this pad')).toHaveCount(0);
  await page.request.put('/api/house', { data: { key: 'crownInset', value: null }, headers });
});

weekly(2)('a house’s line too far in for a small board is moved, not refused', async ({ page, baseURL }) => {
  const headers = { origin: baseURL! };
  await page.goto('/');
  const start = newPiece('arm-pad');
  const shape = { type: 'rectangle' as const, width: 350, depth: 60, cornerRadius: { front: 0, back: 0 } };
  const id = await place(page, { ...start, name: 'Narrow pad', overrides: {}, base: { ...start.base, shape } });
  await page.request.put('/api/house', { data: { key: 'return', value: 40 }, headers });
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  await expect(page.locator('[data-row="cover"]')).toContainText('15 mm');
  await page.request.put('/api/house', { data: { key: 'return', value: null }, headers });
});

weekly(3)('files that are not pieces are refused with words', async ({ page }, info) => {
  const file = info.outputPath('bad.json');
  for (const [content, says] of [
    ['{"a": ', 'not JSON'],
    ['[]', 'must be a record'],
    [JSON.stringify({ ...newChairSeat(), base: { ...newChairSeat().base, shape: { type: 'round', diameter: 4000 } } }), '3000 mm maximum'],
    [JSON.stringify({ ...newChairSeat(), overrides: { nothing: 1 } }), 'is not a house rule'],
    [JSON.stringify({ ...newChairSeat(), wadding: 'gold' }), 'is not a wadding we know'],
    ['x'.repeat(1_200_000), 'larger than 1 MB'],
  ] as const) {
    writeFileSync(file, content);
    await page.getByLabel('Piece file to import').setInputFiles(file);
    await expect(page.locator('main [role="alert"]').filter({ hasText: says })).toBeVisible();
  }
  writeFileSync(file, '{"schema": 1}');
  expect(() => fovea('plan', file)).toThrow(/kind.*is missing/);
});

weekly(0)('two pages editing one piece: nothing is overwritten, both versions can be chosen', async ({ browser, page }) => {
  const id = await place(page, { name: 'Shared seat' });
  const url = `/piece/${id}?stage=board`;
  const other = await (await browser.newContext()).newPage();
  await page.goto(url);
  await other.goto(url);
  await settled(page);
  await settled(other);
  const saves: string[] = [];
  // A save goes to the piece itself; what the page shows of it is told beside.
  page.on('request', (request) => request.method() === 'PUT' && request.url().endsWith(`/pieces/${id}`) && saves.push(request.url()));
  await page.getByLabel('Depth', { exact: true }).fill('400');
  await page.getByLabel('Depth', { exact: true }).press('Enter');
  await settled(page);
  // Enter moves on to the next field; leaving this one is not a second change.
  expect(saves).toHaveLength(1);
  await other.getByLabel('Front width').fill('470');
  await other.getByLabel('Front width').press('Enter');
  const dialog = other.getByRole('dialog', { name: 'This piece was changed elsewhere' });
  await expect(dialog).toContainText('base shape depth');
  await dialog.getByRole('button', { name: 'Keep what was saved there' }).click();
  await expect(dialog).toBeHidden();
  await expect(other.getByLabel('Depth', { exact: true })).toHaveValue('400 mm');
  await expect(other.getByLabel('Front width')).toHaveValue('450 mm');

  await page.getByLabel('Depth', { exact: true }).fill('405');
  await page.getByLabel('Depth', { exact: true }).press('Enter');
  await settled(page);
  await other.getByLabel('Front width').fill('480');
  await other.getByLabel('Front width').press('Enter');
  await dialog.getByRole('button', { name: 'Keep what I have here' }).click();
  await settled(other);
  await other.reload();
  await expect(other.getByLabel('Front width')).toHaveValue('480 mm');
  await other.close();
});

weekly(1)('what cannot be saved is kept and saved when the workshop is back', async ({ page }) => {
  const id = await place(page);
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await page.route('**/api/pieces/**', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
  await page.getByLabel('Depth', { exact: true }).fill('433');
  await page.getByLabel('Depth', { exact: true }).press('Enter');
  await expect(page.getByText(/Not saved. The workshop cannot be reached/)).toBeVisible();
  await page.unroute('**/api/pieces/**');
  await page.reload();
  await settled(page);
  await expect(page.getByLabel('Depth', { exact: true })).toHaveValue('433 mm');
  await page.reload();
  await expect(page.getByLabel('Depth', { exact: true })).toHaveValue('433 mm');
});

test('foreign hosts and origins are refused, and pages carry a policy', async ({ page, request, baseURL }) => {
  expect((await request.get('/', { headers: { host: 'elsewhere.test' } })).status()).toBe(403);
  expect((await request.post('/api/pieces', { data: {} })).status()).toBe(403);
  expect((await request.post('/api/pieces', { data: {}, headers: { origin: 'http://elsewhere.test' } })).status()).toBe(403);
  const bad = await request.post('/api/pieces', { data: '{', headers: { origin: baseURL!, 'content-type': 'application/json' } });
  expect(bad.status()).toBe(400);
  const response = await page.goto('/');
  expect(response!.headers()['content-security-policy']).toContain("default-src 'self'");
});

weekly(2)('a figure typed and not entered before a reload says that it is not used, and is used at one press', async ({ page }) => {
  const id = await place(page);
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  const depth = page.getByLabel('Depth', { exact: true });
  const before = await depth.inputValue();
  // Typed without leaving the field: it has not become a value.
  await depth.fill('437');
  await page.reload();
  await settled(page);
  await expect(depth).toHaveValue('437');
  await expect(page.locator('[data-unused]')).toContainText('not used yet');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(depth).toHaveValue('437 mm');
  await expect(page.locator('[data-unused]')).toHaveCount(0);
  expect(before).not.toBe('437 mm');
});
