import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { deep, test } from './workshop';
import { newPiece } from '../src/core/piece';
import { fovea, openPads, place, saved, settled, slip, toSitting, unfold } from './help';

deep('a pocket lies where they sat, by photo and by mat; one more beside it, moved on the plan', async ({ page }) => {
  const id = await place(page, { name: 'Sat on' });
  await page.goto(`/piece/${id}?stage=padding`);
  await openPads(page);
  await settled(page);
  const photo = await page.screenshot({ clip: { x: 0, y: 0, width: 1200, height: 700 } });
  const pad = page.locator('[data-pad="main"]');
  await pad.getByText('Wedge, blocks, packets, old foam, pocket').click();
  await pad.getByLabel('A pocket with an insert').check();
  await settled(page);
  await pad.getByLabel('Photo of where they sat').setInputFiles({ name: 'seat.png', mimeType: 'image/png', buffer: photo });
  await expect(page.locator('[data-photo-ready="true"]')).toBeVisible();
  await expect(pad.getByText('Mark the middle of the front edge.')).toBeVisible();
  const board = (await page.getByRole('application', { name: /Photo to trace/ }).boundingBox())!;
  const k = Math.min(board.width / 1200, board.height / 700);
  const [left, top] = [board.x + (board.width - 1200 * k) / 2, board.y + (board.height - 700 * k) / 2];
  // 420 mm of the seat over 600 dots: seat bones 168 dots apart are 118 mm, 100 dots behind the middle are 70 mm.
  for (const [x, y] of [
    [600, 650],
    [600, 50],
    [516, 250],
    [684, 250],
  ] as const)
    await page.mouse.click(left + x * k, top + y * k);
  await pad.getByRole('button', { name: 'Put the pocket there' }).click();
  await settled(page);
  await expect(pad.getByLabel('Behind the middle')).toHaveValue(/^(69|70|71) mm$/);
  await expect(pad.getByLabel('Pocket width')).toHaveValue(/^22[678] mm$/);
  await pad.getByRole('button', { name: 'One more pocket' }).click();
  await settled(page);
  await expect(slip(page, 'foam.main insert 2')).toBeVisible();
  const second = page.getByRole('slider', { name: 'Pocket 2, where it lies' });
  const before = await second.getAttribute('aria-valuetext');
  await second.focus();
  await second.press('Shift+ArrowDown');
  await settled(page);
  expect(await second.getAttribute('aria-valuetext')).not.toBe(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(second).toHaveAttribute('aria-valuetext', before!);

  await toSitting(page);
  await settled(page);
  const mat = execFileSync('npm', ['run', '-s', 'mat', '--', '--csv'], { stdio: ['ignore', 'pipe', 'pipe'] });
  await page.getByLabel('Frame from CSV').setInputFiles({ name: 'frame.csv', mimeType: 'text/csv', buffer: mat });
  await page.getByRole('button', { name: 'Move the pocket there' }).click();
  await settled(page);
  const { pocket } = (await saved(page, id)).pads.find(({ role }) => role === 'main')!;
  expect(pocket!.width).toBeGreaterThan(100);
  expect(pocket!.sat!.points).toHaveLength(2);
});

deep('a roll and a cushion that hang by loops: cut, filled, bought, and undone', async ({ page }) => {
  const id = await place(page, { ...newPiece('corner-seat'), name: 'Bay cushions' });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  await page.getByText('Loose cushions and rolls').click();
  await page.getByRole('button', { name: 'Loose cushion', exact: true }).click();
  await page.getByRole('button', { name: 'Filled roll', exact: true }).click();
  await settled(page);
  await expect(page.locator('[data-loose="l-1"]')).toHaveText('456 g of filling each.');
  await expect(slip(page, 'piece.l-2-body')).toContainText('424 mm × 527 mm');
  await page.getByLabel('Finished diameter').fill('200');
  await page.keyboard.press('Enter');
  await settled(page);
  // π · 200 and two allowances.
  await expect(slip(page, 'piece.l-2-body')).toContainText('424 mm × 652 mm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(slip(page, 'piece.l-2-body')).toContainText('424 mm × 527 mm');
  await unfold(page, 'Buy');
  await expect(slip(page, 'loose.fill')).toContainText('0.76 kg');
  await expect(slip(page, 'loose.knobs')).toContainText('4');
  const file = test.info().outputPath('bay.json');
  writeFileSync(file, JSON.stringify(await saved(page, id)));
  const plan = JSON.parse(fovea('plan', file)) as { steps: { key: string }[]; cut: { cloth: { laid: { label: string }[] } } };
  expect(plan.steps.some(({ key }) => key === 'loose-fill-l-1')).toBe(true);
  expect(plan.cut.cloth.laid.filter(({ label }) => label.startsWith('Back cushion, panel'))).toHaveLength(2);
});

deep('a strip over several parts of a chair puts itself in order, and stands round the work', async ({ page }) => {
  const id = await place(page, { ...newPiece('tight-seat'), name: 'Reading chair deck' });
  await page.goto(`/piece/${id}?stage=strip`);
  await expect(page.getByLabel('This piece is')).toBeVisible();
  await page.getByLabel('This piece is').selectOption('Deck');
  for (const kind of ['Cover piece', 'Cover piece', 'Cover piece']) await page.getByRole('button', { name: kind, exact: true }).click();
  await page.getByLabel('Part of the chair').nth(1).selectOption('Inside arms');
  await page.getByLabel('Part of the chair').nth(2).selectOption('Outside back');
  await expect(page.locator('[data-out-of-turn]')).toContainText('Take the inside arms off before the deck');
  await page.getByRole('button', { name: 'Put them in that order' }).click();
  await expect(page.locator('[data-out-of-turn]')).toBeHidden();
  await expect(page.locator('[data-chair-part]')).toHaveText(['Deck, this piece', 'Inside arms', 'Outside back']);
  await page.getByRole('button', { name: /Bench$/ }).click();
  await expect(page.getByText('Inside arms now')).toBeVisible();
  await expect(page.getByText('Outside back now')).toBeVisible();
});

deep('a cloth that was pinned on is read by tape, compared, and taken over', async ({ page }) => {
  const id = await place(page, { ...newPiece('arm-pad'), name: 'Pinned arm pad' });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  const cut = page.locator('[data-slip="piece.top"]');
  const width = Number(/(\d+) mm ×/.exec((await cut.textContent())!)![1]);
  await page.getByText('Pinned on and marked').click();
  await page.getByRole('button', { name: 'Pinned piece' }).click();
  const add = page.getByRole('button', { name: 'Reading', exact: true });
  await expect(page.getByText('Read its width at two places at least.')).toBeVisible();
  await add.click();
  await add.click();
  // A straight-sided cloth 8 mm wider than the computed panel's finished line.
  const piece = await saved(page, id);
  expect(piece.pinned![0]!.rows).toHaveLength(2);
  const half = (width - 24 + 8) / 2;
  const height = Number(/× (\d+) mm/.exec((await cut.textContent())!)![1]) - 24;
  for (const [k, key, value] of [
    [0, 'From its near edge', 0],
    [0, 'Left of the middle', half],
    [0, 'Right of the middle', half],
    [1, 'From its near edge', height],
    [1, 'Left of the middle', half],
    [1, 'Right of the middle', half],
  ] as const) {
    await page.getByLabel(key).nth(k).fill(String(value));
    await page.getByLabel(key).nth(k).press('Enter');
    await settled(page);
  }
  await expect(page.locator('[data-pinned-compared] [role="status"]')).toContainText(/ wider/);
  await page.getByRole('button', { name: /^Cut the .* by the pinned one$/ }).click();
  await settled(page);
  const after = Number(/(\d+) mm ×/.exec((await cut.textContent())!)![1]);
  expect(after - width).toBeGreaterThan(4);
  expect(after - width).toBeLessThan(14);
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  await expect(cut).toContainText(`${width} mm ×`);
});

deep('a cloth that ends in sight: shorter, its fold on the pattern, pins to buy, its own step', async ({ page }) => {
  const id = await place(page, { ...newPiece('bench'), name: 'Hall bench, ends finished' });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await unfold(page, 'Cover');
  const size = async () => Number(/(\d+) mm ×/.exec((await slip(page, 'cover').textContent())!)![1]);
  const before = await size();
  await page.getByText('Edges', { exact: true }).click();
  for (const name of ['left', 'right']) {
    await page.getByLabel(`Cloth ends in sight, ${name}`).check();
    await settled(page);
  }
  expect(before - (await size())).toBe(84);
  await page.getByLabel('Turned under').first().fill('20');
  await page.keyboard.press('Enter');
  await settled(page);
  expect(before - (await size())).toBe(79);
  await unfold(page, 'Buy');
  await expect(slip(page, 'end.left')).toHaveText('11');
  const file = test.info().outputPath('bench.json');
  writeFileSync(file, JSON.stringify(await saved(page, id)));
  const plan = JSON.parse(fovea('plan', file)) as { steps: { key: string; detail: string }[] };
  expect(plan.steps.find(({ key }) => key === 'end-right')!.detail).toContain('Turn 20 mm under');
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  // The undo is on its way while the sheet still says that it is settled.
  await expect.poll(async () => before - (await size())).toBe(84);
});
