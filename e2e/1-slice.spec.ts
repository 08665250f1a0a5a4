import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { deep, test } from './workshop';
import { PDFDocument } from '@cantoo/pdf-lib';
import { rollLength, saidLength } from '../src/core/length';
import type { Piece } from '../src/core/piece';
import type { Plan } from '../src/core/plan';
import { fovea, settled, slip, toPads, unfold } from './help';

deep('a seat from the tape to the templates, and the same numbers everywhere', async ({ page }, info) => {
  await page.goto('/');
  await expect(page.getByText('The floor is empty')).toBeVisible();
  await page.getByRole('radio', { name: 'Inches' }).check({ force: true });

  // Typed as a tape goes round, Enter to the next.
  await page.getByRole('link', { name: 'New piece', exact: true }).click();
  await page.getByLabel('Name').fill('Porch chair');
  await page.getByLabel('Quantity').fill('4');
  await page.getByLabel('Front width').fill('17 3/4');
  await expect(page.getByText('= 17 3/4"')).toBeVisible();
  await page.getByLabel('Front width').press('Enter');
  await expect(page.getByLabel('Back width')).toBeFocused();
  await page.keyboard.type('15-1/2"');
  await page.keyboard.press('Enter');
  await page.keyboard.type('1\' 4 1/4"');
  await page.keyboard.press('Enter');
  await page.keyboard.type('4 cm');
  await page.keyboard.press('Enter');
  await page.keyboard.type('3/4');
  await page.keyboard.press('Enter');
  await page.keyboard.type('1/2');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Start this piece' }).click();
  await expect(page.getByRole('heading', { name: 'Porch chair' })).toBeVisible();
  await toPads(page);
  await settled(page);

  // Drag the crown up.
  const crown = page.getByRole('slider', { name: 'Crown height' });
  const before = Number(await crown.getAttribute('aria-valuenow'));
  const flat = await slip(page, 'height').innerText();
  const box = (await crown.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 12, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => Number(await crown.getAttribute('aria-valuenow'))).toBeGreaterThan(before + 3);
  await settled(page);
  expect(await slip(page, 'height').innerText()).not.toBe(flat);

  // Turn the chalk line.
  const turn = page.getByRole('slider', { name: 'Chalk line, turn', exact: true });
  const end = (await turn.boundingBox())!;
  const centre = (await page.getByRole('slider', { name: 'Chalk line, move' }).boundingBox())!;
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2);
  await page.mouse.down();
  await page.mouse.move(centre.x + centre.width / 2, centre.y - 120, { steps: 8 });
  await page.mouse.up();
  await expect(turn).toHaveAttribute('aria-valuenow', '90');
  await settled(page);

  // Override one allowance, in inches.
  await unfold(page, 'Cover');
  const wrapBefore = await slip(page, 'wrap').innerText();
  await page.getByRole('button', { name: /Wrap at the front/ }).click();
  await page.getByLabel(/turn-under: staple line in from the board’s edge, for this piece/).fill('2 1/2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Set for this piece.')).toBeVisible();
  await settled(page);
  const wrapOwn = await slip(page, 'wrap').innerText();
  expect(wrapOwn).not.toBe(wrapBefore);

  // Reload, undo, redo.
  await page.reload();
  await settled(page);
  await unfold(page, 'Cover');
  await expect(slip(page, 'wrap')).toHaveText(wrapOwn);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(slip(page, 'wrap')).toHaveText(wrapBefore);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(slip(page, 'wrap')).toHaveText(wrapOwn);
  await settled(page);

  // The PDF and the JSON.
  await page.getByRole('button', { name: 'Print…' }).click();
  await expect(page.locator('[data-pages]')).not.toHaveAttribute('data-pages', '', { timeout: 60_000 });
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Save as PDF' }).click()]);
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  const pages = await PDFDocument.load(readFileSync(await pdf.path()));
  // Job sheet, cut sheet, run sheet and templates, under a dozen sheets.
  expect(pages.getPageCount()).toBeGreaterThan(4);
  expect(pages.getPageCount()).toBeLessThan(12);
  expect(pages.getTitle()).toContain('Porch chair');
  const [json] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Export' }).click()]);
  const file = info.outputPath('porch-chair.json');
  await json.saveAs(file);
  const piece = JSON.parse(readFileSync(file, 'utf8')) as Piece;
  expect(piece.base.shape).toMatchObject({ type: 'trapezoid', frontWidth: 17.75 * 25.4, backWidth: 15.5 * 25.4, depth: 412.75 });
  expect(piece.overrides).toEqual({ return: 63.5 });

  // The command line says the same.
  const plan = JSON.parse(fovea('plan', file)) as Plan;
  expect(wrapOwn).toBe(saidLength(plan.stations[0]!.wrap, 'in'));
  await unfold(page, 'Buy', 'Fastening', 'Work');
  await expect(slip(page, 'cloth.length')).toHaveText(rollLength(plan.cut.cloth.length, 'in'));
  // The last of them to be worked out.
  await expect(page.getByText('Work on one, with waits')).toBeVisible();
  const numbers = await page.locator('[data-slip]').allInnerTexts();

  // And so does the piece brought in again.
  await page.goto('/');
  await page.getByLabel('Piece file to import').setInputFiles(file);
  await page.waitForURL(/\/piece\//);
  await settled(page);
  await unfold(page, 'Cover', 'Buy', 'Fastening', 'Work');
  await expect(page.getByText('Work on one, with waits')).toBeVisible();
  expect(await page.locator('[data-slip]').allInnerTexts()).toEqual(numbers);

  // The unit switch turns everything.
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
  await expect(slip(page, 'wrap')).toHaveText(saidLength(plan.stations[0]!.wrap, 'mm'));
});

test('worked through the run sheet and found in the log', async ({ page }) => {
  await page.goto('/new');
  await page.getByRole('radio', { name: 'Round', exact: true }).check({ force: true });
  await page.getByLabel('Name').fill('Round test stool');
  await page.getByLabel('Diameter').fill('340');
  // The board's thickness is not measured yet: it is said, and one can begin all the same. Pressed before the page is awake it is not heard.
  await expect(async () => {
    await page.getByRole('button', { name: 'Start this piece' }).click({ timeout: 3000 });
    await expect(page.getByText('Not everything is measured yet')).toBeVisible({ timeout: 3000 });
  }).toPass();
  await page.getByRole('button', { name: 'Use standard sizes for blanks' }).click();
  await page.getByRole('button', { name: /Bench/ }).click();
  await expect(page.getByText('Caution.').first()).toBeVisible();
  // What is done folds away: the first that is open is always the next.
  const boxes = page.getByRole('checkbox', { name: /, piece 1$/, checked: false });
  await expect(boxes.first()).toBeVisible();
  for (let left = await boxes.count(); left > 0; left--) {
    await boxes.first().check({ force: true });
    await expect(boxes).toHaveCount(left - 1);
  }
  await page.getByLabel('What was learnt').fill('Sits well in the hall');
  const serial = await page.getByLabel('Serial number').inputValue();
  await page.getByRole('button', { name: 'Write into the log' }).click();
  await page.waitForURL('/log');
  await page.getByLabel('Search the log').fill('hall round');
  await expect(page.getByText(serial)).toBeVisible();
  await expect(page.getByText('Sits well in the hall')).toBeVisible();

  // The same serial again is refused beside its field, and the note stays.
  await page.getByRole('link', { name: 'Round test stool' }).click();
  await page.getByRole('button', { name: /Bench/ }).click();
  await page.getByLabel('Serial number').fill(serial);
  await page.getByLabel('What was learnt').fill('Second time');
  await page.getByRole('button', { name: 'Write into the log' }).click();
  await expect(page.getByText(`Serial number ${serial} is already in the log`)).toBeVisible();
  await expect(page.getByLabel('What was learnt')).toHaveValue('Second time');
});
