import { expect } from '@playwright/test';
import { deep, origin, test, weekly } from './workshop';
import { newChairSeat, newPiece } from '../src/core/piece';
import { fovea, openPads, place, settled, slip, toStage, unfold } from './help';

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
});

weekly(1)('a house rule reaches every piece that has not set its own, and goes back', async ({ page }) => {
  const follows = await place(page, { name: 'Follows' });
  const text = await place(page, { name: 'Has its own', overrides: { grip: 28 } });
  await page.goto(`/piece/${follows}?stage=padding`);
  await openPads(page);
  await settled(page);
  await unfold(page, 'Cover');
  const before = parseFloat(await slip(page, 'wrap').innerText());
  await page.goto('/house');
  const grip = page.getByLabel('Pull allowance beyond the staple line');
  await grip.fill('45');
  await grip.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await page.goto(`/piece/${follows}?stage=padding`);
  await openPads(page);
  await settled(page);
  await unfold(page, 'Cover');
  expect(parseFloat(await slip(page, 'wrap').innerText())).toBeCloseTo(before + 10, 0);
  await page.goto(`/piece/${text}?stage=padding`);
  await openPads(page);
  await settled(page);
  await unfold(page, 'Cover');
  expect(parseFloat(await slip(page, 'wrap').innerText())).toBeCloseTo(before - 7, 0);

  await page.goto('/house');
  await page.getByLabel('Pull allowance beyond the staple line').fill('-3');
  await page.getByLabel('Pull allowance beyond the staple line').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'too little' })).toBeVisible();
  await page.getByLabel('Pull allowance beyond the staple line').press('Escape');
  await page.getByRole('button', { name: 'Back to 35 mm' }).click();
  await expect(page.getByLabel('Pull allowance beyond the staple line')).toHaveValue('35 mm');
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
});

weekly(2)('a save that came too late waits for its choice, also after the page was closed', async ({ page, baseURL }) => {
  const id = await place(page, { name: 'Late seat' });
  const put = (name: string, base: number) =>
    page.request.put(`/api/pieces/${id}`, { data: { base, piece: { ...newChairSeat(), name } }, headers: { origin: baseURL! } });
  expect((await put('First', 1)).status()).toBe(200);
  expect((await put('Second', 1)).status()).toBe(409);
  await page.goto(`/piece/${id}?stage=board`);
  const dialog = page.getByRole('dialog', { name: 'This piece was changed elsewhere' });
  await expect(dialog).toContainText('Second');
  await dialog.getByRole('button', { name: 'Keep what I have here' }).click();
  await settled(page);
  await page.reload();
  await settled(page);
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Second' })).toBeVisible();
});

test('a piece is found, copied, removed, put back at once or out of the bin', async ({ page }) => {
  const id = await place(page, { name: 'Porch settle', cloth: { ...newChairSeat().cloth, name: 'Lichen tweed' } });
  await place(page, { name: 'Other stool' });
  await page.goto('/');
  await page.getByRole('searchbox', { name: 'Find on the floor' }).fill('lichen');
  const rows = page.locator('.floor-row');
  await expect(rows).toHaveCount(1);
  await expect(rows.first()).toContainText('Porch settle');
  await page.getByRole('searchbox', { name: 'Find on the floor' }).fill('nothing like it');
  await expect(page.getByText('Nothing on the floor for “nothing like it”.')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Find on the floor' }).fill('');
  await page.getByRole('button', { name: 'Remove Porch settle' }).click();
  await expect(page.getByRole('link', { name: /Porch settle/ })).toBeHidden();
  await page.locator('[data-removed]').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /Porch settle/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Remove Porch settle' }).click();
  await expect(page.locator('[data-removed]')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Bin', exact: true }).click();
  const bin = page.getByRole('dialog', { name: 'Bin' });
  await bin.getByRole('listitem').filter({ hasText: 'Porch settle' }).getByRole('button', { name: 'Put back' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('link', { name: /Porch settle/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Copy Porch settle' }).click();
  await page.waitForURL(/\/piece\/.*stage=board/);
  await expect(page.getByRole('heading', { name: 'Porch settle, copy' })).toBeVisible();
  expect(page.url()).not.toContain(id);
});

deep('removed, still in the log, and made again', async ({ page, baseURL }) => {
  const id = await place(page, { name: 'Gone stool' });
  await page.request.post(`/api/pieces/${id}/finish`, { data: { serial: 'W-77', note: 'quiet' }, headers: { origin: baseURL! } });
  await page.goto('/');
  await page.getByRole('button', { name: 'Remove Gone stool' }).click();
  await expect(page.getByRole('link', { name: /Gone stool/ })).toBeHidden();
  await page.goto(`/piece/${id}`);
  await expect(page.getByRole('heading', { name: 'Not on the floor' })).toBeVisible();
  await page.goto('/log');
  await page.getByLabel('Search the log').fill('W-77');
  // Its own row: before the search is answered, whatever else was finished stands there too.
  await page.getByRole('listitem').filter({ hasText: 'W-77' }).getByRole('button', { name: 'Make again' }).click();
  await page.waitForURL(/\/piece\//);
  await settled(page);
  await expect(page.getByRole('heading', { name: 'Gone stool' })).toBeVisible();
});

deep('pads are added, ordered, and taken out; shapes are changed; nothing silent', async ({ page }) => {
  const id = await place(page, { name: 'Stack seat' });
  await page.goto(`/piece/${id}?stage=padding`);
  await openPads(page);
  await settled(page);
  await page.getByRole('button', { name: 'Take crown pad 1 out' }).click();
  await settled(page);
  await expect(slip(page, 'crown')).toHaveText('0 mm');
  await page.getByRole('button', { name: 'Crown pad', exact: true }).click();
  await settled(page);
  await expect(slip(page, 'crown')).not.toHaveText('0 mm');
  await page.getByRole('button', { name: 'Move crown pad 1 up in the stack' }).click();
  await expect(page.getByText('The crown pad lies on the main pad')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('The crown pad lies on the main pad')).toBeHidden();
  await page.getByRole('textbox', { name: 'Thickness' }).fill('17');
  await page.getByRole('textbox', { name: 'Thickness' }).press('Enter');
  await expect(page.getByText(/is not sold to make 17 mm/)).toBeVisible();
  await page.getByRole('radio', { name: 'Inches' }).check({ force: true });
  await expect(page.getByText(/is not sold to make 11\/16"/)).toBeVisible();
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
  await toStage(page, 'Board');
  await page.getByRole('combobox', { name: 'Shape' }).selectOption('round');
  await settled(page);
  await expect(page.getByLabel('Diameter')).toHaveValue('450 mm');
});

weekly(3)('the workshop is backed up with one press, and the backup is whole', async ({ page }, info) => {
  await place(page, { ...newChairSeat(), name: 'Backed up' });
  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect(page.getByText('Backed up')).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download' }).first().click();
  const download = await waiting;
  const file = info.outputPath(download.suggestedFilename());
  await download.saveAs(file);
  const text = fovea('check', file);
  expect(JSON.parse(text)).toMatchObject({ ok: true });
  // Who may come in over the network is told a passcode once.
  await page.getByRole('region', { name: 'Network access' }).getByLabel('Name').fill('Apprentice of the dome');
  await page.getByLabel('Role').selectOption('apprentice');
  await page.getByRole('button', { name: 'Give access', exact: true }).click();
  await expect(page.getByText(/Passcode for Apprentice of the dome/)).toBeVisible();
  const member = page.getByRole('listitem').filter({ hasText: 'Apprentice of the dome' });
  await expect(member).toHaveCount(1);
  await member.getByRole('button', { name: 'Remove' }).click();
  await expect(member).toHaveCount(0);
});

test('a backup is put back and the network opened on the page Workshop', async ({ page, browser }) => {
  const id = await place(page, { ...newChairSeat(), name: 'Before the flood' });
  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect(page.getByText('Backed up')).toBeVisible();
  await page.request.delete(`/api/pieces/${id}`, { headers: { origin: origin() } });
  const putBack = page.getByRole('button', { name: 'Put back', exact: true }).first();
  await putBack.click();
  // Escape closes the question and gives the focus back to the button that asked it.
  await page.keyboard.press('Escape');
  await expect(putBack).toBeFocused();
  await putBack.click();
  await page.getByRole('dialog').getByRole('button', { name: 'Put back', exact: true }).click();
  await expect(page.getByText(/Put back: \d+ pieces?, /)).toBeVisible();
  expect((await page.request.get(`/api/pieces/${id}`)).status()).toBe(200);

  await page.getByRole('button', { name: 'Turn on network access' }).click();
  const address = await page.getByText(/^http:\/\/[\d.:]+$/).textContent();
  const tablet = await browser.newPage({ baseURL: address! });
  await tablet.goto('/');
  await expect(tablet.getByLabel('Passcode')).toBeVisible();
  await page.getByRole('button', { name: 'Turn off network access' }).click();
  await expect(page.getByRole('button', { name: 'Turn on network access' })).toBeVisible();
  await expect(tablet.goto('/')).rejects.toThrow(/ERR_CONNECTION_REFUSED/);
  await tablet.close();
  // The first Tab of any page reaches the way past the header.
  await page.goto('/workshop');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.locator('main')).toBeFocused();
});

test('the words of the trade are chosen once and written on every page', async ({ page }) => {
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(String(error)));
  page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
  const id = await place(page, { ...newPiece('round-seat'), name: 'Hessian stool' });
  const choose = async (words: 'british' | 'american') => {
    await page.goto('/house');
    const reloaded = page.waitForEvent('load');
    await page.getByLabel('Words').selectOption(words);
    await reloaded;
    await expect(page.getByLabel('Words')).toHaveValue(words);
  };
  await choose('american');
  try {
    await page.goto(`/piece/${id}?stage=cover`);
    await settled(page);
    await expect(page.getByRole('checkbox', { name: 'Welt cord in the top seam' })).toBeVisible();
    await expect(page.locator('main, body').first()).not.toContainText(/[Pp]iping/);
    await expect(page.getByRole('heading', { name: 'Hessian stool' })).toBeVisible();
    await page.goto(`/piece/${id}?stage=bench`);
    await expect(page.getByRole('heading', { name: /batting/i }).first()).toBeVisible();
  } finally {
    await choose('british');
  }
  await page.goto(`/piece/${id}?stage=cover`);
  await expect(page.getByRole('checkbox', { name: 'Piping in the top seam' })).toBeVisible();
  expect(wrong).toEqual([]);
});
