import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { deep, test, weekly } from './workshop';
import { newChairSeat, newPiece } from '../src/core/piece';
import { place, settled } from './help';

type Kind = 'blue' | 'pale';

/** How many dots of a picture are of a kind: read by the browser's own decoder, whatever drew it. */
const seen = (page: Page, png: Buffer, kind: Kind): Promise<number> =>
  page.evaluate(
    async ([data, wanted]) => {
      const bytes = Uint8Array.from(atob(data!), (sign) => sign.charCodeAt(0));
      const picture = await createImageBitmap(new Blob([bytes], { type: 'image/png' }));
      const pen = new OffscreenCanvas(picture.width, picture.height).getContext('2d')!;
      pen.drawImage(picture, 0, 0);
      const dots = pen.getImageData(0, 0, picture.width, picture.height).data;
      let count = 0;
      for (let i = 0; i < dots.length; i += 4) {
        const [r, g, b] = [dots[i]!, dots[i + 1]!, dots[i + 2]!];
        if (wanted === 'blue' ? b > r + 18 && b > 40 : r > 120 && r < 236 && Math.abs(r - g) < 26 && g > b + 8 && g - b < 60) count += 1;
      }
      return count;
    },
    [png.toString('base64'), kind] as const,
  );

const round = async (page: Page): Promise<Buffer> => {
  const view = page.getByRole('img', { name: /in the round/ });
  await expect(view).toHaveAttribute('data-drawn', 'yes', { timeout: 60_000 });
  await expect(page.locator('[data-cloth="laid"]')).toBeVisible({ timeout: 60_000 });
  await page.waitForTimeout(400);
  return view.screenshot();
};

deep('in the round the cloth lies as its flat pieces carry it, and somebody sits down on it', async ({ page }) => {
  const id = await place(page, {
    name: 'Striped seat',
    cloth: { ...newChairSeat().cloth, repeatAcross: 84, colour: 'night', second: 'chalk', figure: 'stripe' },
    covering: { way: 'pull-over', motif: { x: 0, y: 0, on: 'stripe' } },
  });
  // At a stage that looks at no cover: in the round the cloth is on it all the same.
  await page.goto(`/piece/${id}?stage=padding&view=sit`);
  await settled(page);
  await page.getByRole('button', { name: '3D' }).click();
  const striped = await round(page);
  expect(await seen(page, striped, 'blue')).toBeGreaterThan(4000);
  expect(await seen(page, striped, 'pale')).toBeGreaterThan(3000);
  await page.getByLabel('Somebody sits on it').check({ timeout: 60_000 });
  await page.waitForTimeout(1200);
  expect((await round(page)).equals(striped)).toBe(false);
  await page.getByLabel('Somebody sits on it').uncheck();
  // Cut open at the chalk line, foam and board are seen: half the stripes are gone.
  await page.getByLabel('Cut open at the chalk line').check();
  const open = await round(page);
  expect(await seen(page, open, 'blue')).toBeLessThan((await seen(page, striped, 'blue')) * 0.8);
  await page.getByLabel('Cut open at the chalk line').uncheck();
  await page.getByLabel('Colour by').selectOption('strain');
  const strained = await round(page);
  expect(await seen(page, strained, 'blue')).toBeLessThan(1500);
  const [model] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'glTF' }).click()]);
  // A glTF says what it is in its first four letters, and its length in its third word.
  const bytes = readFileSync(await model.path());
  expect(bytes.toString('latin1', 0, 4)).toBe('glTF');
  expect(bytes.readUInt32LE(8)).toBe(bytes.length);
});

deep('in the round a tape is laid, and the cut is moved', async ({ page }) => {
  test.slow();
  const id = await place(page, { name: 'Taped seat' });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  await page.getByRole('button', { name: '3D' }).click();
  await round(page);
  await page.getByLabel('Measure with the tape').check();
  const tape = page.getByRole('group', { name: 'Tape' });
  await tape.getByLabel('Tape from').selectOption('front, at the board’s edge');
  await tape.getByLabel('Tape to').selectOption('back, at the board’s edge');
  const locator = tape.locator('[data-taped]');
  await expect(locator).toHaveAttribute('data-taped', /\d+/);
  // Board 420 deep, 50 of foam and a crown over it: what an upholsterer would lay over it is between 500 and 560.
  const over = Number(await locator.getAttribute('data-taped'));
  expect(over).toBeGreaterThan(500);
  expect(over).toBeLessThan(560);
  // Pointed at: two presses on the cloth.
  const view = page.getByRole('img', { name: /in the round/ });
  const box = (await view.boundingBox())!;
  for (const [x, y] of [
    [0.5, 0.42],
    [0.62, 0.44],
  ] as const)
    await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
  await expect(locator).toHaveAttribute('data-taped', /\d+/);
  expect(Number(await locator.getAttribute('data-taped'))).toBeLessThan(300);
  await page.getByLabel('Measure with the tape').uncheck();
  // The chalk line moves with the cut: by its slide, and by hand at the cut itself.
  await page.getByLabel('Cut open at the chalk line').check();
  const slide = page.getByRole('slider', { name: /Cut at/ });
  const before = Number(await slide.inputValue());
  await slide.focus();
  for (let k = 0; k < 5; k++) await page.keyboard.press('ArrowRight');
  await expect(slide).toHaveValue(String(before + 5));
  await settled(page);
});

deep('in the round a set stands in a row and turns', async ({ page }) => {
  test.slow();
  const id = await place(page, { name: 'Row seat', count: 4 });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  await page.getByRole('button', { name: '3D' }).click();
  const one = await round(page);
  await page.getByLabel('The whole set').check();
  const view = page.getByRole('img', { name: /in the round/ });
  await expect.poll(async () => (await view.screenshot()).equals(one), { timeout: 60_000 }).toBe(false);
  await page.getByLabel('The whole set').uncheck();
  const [turned] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Turntable' }).click()]);
  // A zip of twenty-four pictures, by its own list at the end.
  const zip = readFileSync(await turned.path());
  const end = zip.lastIndexOf(Buffer.from('504b0506', 'hex'));
  expect(zip.readUInt16LE(end + 10)).toBe(24);
  const first = zip.subarray(30 + zip.readUInt16LE(26) + zip.readUInt16LE(28));
  expect(first.subarray(1, 4).toString('latin1')).toBe('PNG');
});

deep('a photo of the cloth is what is seen in the round', async ({ page }) => {
  const id = await place(page, { name: 'Photographed seat' });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  // A blue photo, made by the browser itself.
  const blue = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(64, 64);
    const pen = canvas.getContext('2d')!;
    pen.fillStyle = '#2040c0';
    pen.fillRect(0, 0, 64, 64);
    return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer())];
  });
  await page.getByRole('button', { name: 'Cloth store…' }).click();
  const store = page.getByRole('dialog', { name: 'Cloth store' });
  await store.getByLabel('Photo of the cloth').setInputFiles({ name: 'cloth.png', mimeType: 'image/png', buffer: Buffer.from(blue) });
  await expect(store.getByAltText('This cloth')).toBeVisible();
  await store.getByLabel('The photo shows, across').fill('12 cm');
  await page.keyboard.press('Enter');
  await expect(store.getByLabel('The photo shows, across')).toHaveValue('120 mm');
  await store.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: '3D' }).click();
  await expect.poll(async () => seen(page, await round(page), 'blue'), { timeout: 60_000 }).toBeGreaterThan(8000);
});

deep('a drawing keeps its figures readable, comes nearer by wheel, keys and button, and goes home', async ({ page }) => {
  const id = await place(page, { name: 'Near seat' });
  await page.goto(`/piece/${id}?stage=bench&view=order`);
  await settled(page);
  const plan = page.getByRole('group', { name: /Plan from above/ });
  const heights = async (): Promise<number[]> =>
    plan.locator('[data-station] text').evaluateAll((all) => all.map((item) => item.getBoundingClientRect().height));
  for (const high of await heights()) expect(high).toBeGreaterThan(9);
  const numbers = (): Promise<number> => plan.locator('[data-staple] text').count();
  const before = await numbers();
  await page.getByRole('button', { name: 'Zoom in' }).first().click();
  await page.getByRole('button', { name: 'Zoom in' }).first().click();
  await expect(plan).toHaveAttribute('data-near', 'yes');
  // Nearer, there is room for more numbers, and figures have not grown.
  await expect.poll(numbers).toBeGreaterThanOrEqual(before);
  for (const high of await heights()) expect(high).toBeLessThan(24);
  await page.getByRole('button', { name: 'The whole drawing' }).first().click();
  await expect(plan).toHaveAttribute('data-near', 'no');
  const box = (await plan.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 3);
  await page.mouse.wheel(0, -300);
  await expect(plan).toHaveAttribute('data-near', 'yes');
  await page.getByRole('slider', { name: 'Chalk line, move' }).focus();
  await page.keyboard.press('0');
  await expect(plan).toHaveAttribute('data-near', 'no');
  // What can be taken hold of moves by as much as the hand does, also when the drawing is nearer.
  const chalk = page.getByRole('slider', { name: 'Chalk line, move' });
  const dragged = async (): Promise<number> => {
    const from = (await chalk.boundingBox())!;
    const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y - 20, { steps: 4 });
    await page.mouse.up();
    await settled(page);
    const to = (await chalk.boundingBox())!;
    return from.y - to.y;
  };
  expect(Math.abs((await dragged()) - 20)).toBeLessThan(3);
  await chalk.focus();
  await page.keyboard.press('+');
  await expect(plan).toHaveAttribute('data-near', 'yes');
  expect(Math.abs((await dragged()) - 20)).toBeLessThan(3);
  await expect(plan).toHaveAttribute('data-near', 'yes');
});

weekly(3)('what is printed is chosen, seen before it is printed, and remembered', async ({ page }) => {
  const id = await place(page, { ...newPiece('round-seat'), name: 'Printed stool' });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  await page.getByRole('button', { name: 'Print…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Print' });
  const pages = dialog.locator('[data-pages]');
  const count = async (): Promise<number> => {
    await expect(pages).not.toHaveAttribute('data-pages', '', { timeout: 60_000 });
    return Number(await pages.getAttribute('data-pages'));
  };
  const usual = await count();
  expect(usual).toBeLessThanOrEqual(12);
  await expect(dialog.locator('[data-page="1"]')).toContainText('Printed stool');
  const top = dialog.getByLabel(/^Top panel/);
  await expect(top).toHaveValue('string');
  // What is chosen of a template goes with the template, not with its place in the list.
  expect(
    (
      (await page.request.get(`/api/pieces/${id}/pages?parts=job`).then((aPIResponse) => aPIResponse.json())) as {
        templates: { id: string }[];
      }
    ).templates.map((template) => template.id),
  ).toContain('cloth-top');
  await top.selectOption('whole');
  await expect.poll(count, { timeout: 60_000 }).toBeGreaterThan(usual + 3);
  await dialog.getByLabel('Templates', { exact: true }).uncheck();
  await dialog.getByLabel('Run sheet').uncheck();
  await expect(dialog.getByLabel('Run sheet')).not.toBeChecked();
  await expect.poll(count, { timeout: 60_000 }).toBeLessThan(usual);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await settled(page);
  await page.getByRole('button', { name: 'Print…' }).click();
  await expect(dialog.getByLabel('Run sheet')).not.toBeChecked();
  await dialog.getByLabel('Templates', { exact: true }).check();
  await expect(dialog.getByLabel(/^Top panel/)).toHaveValue('whole');
  await dialog.getByLabel('Run sheet').check();
});
