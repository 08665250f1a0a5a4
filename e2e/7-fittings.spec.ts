import { expect, type Page } from '@playwright/test';
import { deep, weekly } from './workshop';
import { newChairSeat, newPiece, type Piece } from '../src/core/piece';
import { place, settled, toStage } from './help';

async function saved(page: Page, id: string): Promise<Piece> {
  await expect(page.locator('[data-save="saved"]')).toBeVisible();
  return ((await (await page.request.get(`/api/pieces/${id}`)).json()) as { piece: Piece }).piece;
}

/** A domed plate, 300 × 400 mm and 40 mm high in its middle, as a text STL. */
function domeStl(): string {
  const steps = 24;
  const at = (i: number, j: number): string => {
    const [u, v] = [i / steps - 0.5, j / steps - 0.5];
    return `${300 * u} ${400 * v} ${40 * (1 - 4 * u * u) * (1 - 4 * v * v)}`;
  };
  const facets: string[] = [];
  for (let i = 0; i < steps; i++) {
    for (let j = 0; j < steps; j++) {
      for (const [a, b, c] of [
        [at(i, j), at(i + 1, j), at(i + 1, j + 1)],
        [at(i, j), at(i + 1, j + 1), at(i, j + 1)],
      ])
        facets.push(`facet normal 0 0 1\nouter loop\nvertex ${a}\nvertex ${b}\nvertex ${c}\nendloop\nendfacet`);
    }
  }
  return `solid dome\n${facets.join('\n')}\nendsolid dome\n`;
}

deep('a scan becomes a base that is not flat, in the section and in the round', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { name: 'Scanned pan' });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await page.getByLabel('Drawn in').selectOption('mm');
  await page
    .getByLabel('Outline, readings or scan to bring in')
    .setInputFiles({ name: 'pan.stl', mimeType: 'model/stl', buffer: Buffer.from(domeStl()) });
  await expect(page.locator('[data-brought="true"]')).toContainText('300 × 400 mm, 40 mm from its lowest');
  await settled(page);
  const { base } = await saved(page, id);
  expect(base.mould).toMatchObject({ kind: 'map', name: 'pan.stl' });
  if (base.mould?.kind !== 'map') throw new Error('no map');
  expect(Math.min(...base.mould.heights)).toBeCloseTo(-40, 0);
  await expect(page.locator('[data-board="moulded"]')).toContainText('A moulded pan');
  // The board in the section is bent: its path has far more than a rectangle's four corners.
  const path = await page.locator('[data-board-cut]').getAttribute('d');
  expect(path!.split('L').length).toBeGreaterThan(20);
  await page.keyboard.press('r');
  await expect(page.locator('[data-drawn="yes"] canvas')).toBeVisible();
  await page.keyboard.press('r');
  await expect(page.locator('[data-drawn="yes"]')).toHaveCount(0);
});

deep('one of a set that was measured differently is cut to its own outline', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newChairSeat(), name: 'Three and one', count: 4 });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await page.getByText('Measured differently').click();
  await page.getByRole('button', { name: 'One that differs' }).click();
  await page.getByLabel('Back width').nth(1).fill('402');
  await page.keyboard.press('Enter');
  await settled(page);
  expect((await saved(page, id)).variants).toMatchObject([{ count: 1, shape: { type: 'trapezoid', backWidth: 402 } }]);
  await toStage(page, 'Cut');
  await expect(page.locator('[data-laid="Cover"]')).toHaveCount(3);
  await expect(page.locator('[data-laid="Cover, Number 4"]')).toHaveCount(1);
  // More that differ than there are is refused beside its field.
  await toStage(page, 'Board');
  await page.getByLabel('How many of these').fill('4');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/4 of a set of 4 differ/).first()).toBeVisible();
});

weekly(3)('holes and hardware are moved in the plan by keys and by drag, and staples keep clear', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, {
    name: 'Fitted seat',
    base: { ...newPiece('chair-seat').base, hardware: [{ id: 'f-1', kind: 'insert', x: 100, y: 100, diameter: 10, length: 9 }] },
  });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  const insert = page.getByRole('slider', { name: 'Hardware 1, insert' });
  await insert.focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('ArrowUp');
  await settled(page);
  expect((await saved(page, id)).base.hardware).toMatchObject([{ x: 90, y: 101 }]);
  const box = (await insert.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 20, box.y + box.height / 2 + 12, { steps: 4 });
  await page.mouse.up();
  await settled(page);
  const [moved] = (await saved(page, id)).base.hardware!;
  expect(moved!.x).toBeGreaterThan(92);
  expect(moved!.y).toBeLessThan(100);
  // Off the board it is not followed, and said.
  await insert.focus();
  for (let k = 0; k < 20; k++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText(/The insert, number 1/).first()).toBeVisible();
  // Legs and hinges are fixed like anything else: begun with their usual place, named in the plan, undone in one step.
  await page.getByText('Hardware (1)').click();
  await page.getByLabel('Add hardware').selectOption({ label: 'Leg plate' });
  await expect(page.getByRole('slider', { name: 'Hardware 2, leg' })).toBeVisible();
  expect((await saved(page, id)).base.hardware![1]).toMatchObject({ kind: 'leg', diameter: 70 });
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('slider', { name: 'Hardware 2, leg' })).toHaveCount(0);
});

deep('edges, strips and a frame give their cut list; a skewed outline is folded and averaged', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, {
    name: 'Framed bench',
    base: { ...newPiece('bench').base, shape: { type: 'rectangle', width: 1000, depth: 500, cornerRadius: { front: 0, back: 0 } } },
  });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await page.getByText('Frame of battens').click();
  await page.getByRole('button', { name: 'Frame', exact: true }).click();
  await expect(page.getByRole('table', { name: 'Batten cut list' })).toContainText('960 mm');
  await expect(page.getByRole('table', { name: 'Batten cut list' })).toContainText('45° / 45°');
  await page.getByText('Edges', { exact: true }).click();
  await page.getByLabel('Hard-edge strip, width').first().fill('30');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Edge strips and trims' })).toContainText(
    'front strip: 1000 mm outside, 940 mm inside; mitres 45° and 45°',
  );
  const skewed = '<svg width="500mm" height="500mm" viewBox="0 0 500 500"><path d="M0 0H412V300H0V160L-8 150L0 140Z"/></svg>';
  await page
    .getByLabel('Outline, readings or scan to bring in')
    .setInputFiles({ name: 'skew.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(skewed) });
  await expect(page.locator('[data-misfit]')).toContainText(/differ by [78](\.\d)? mm/);
  await page.getByRole('button', { name: 'Average both halves' }).click();
  await expect(page.getByLabel('Half drawn, half mirrored')).toBeChecked();
  await settled(page);
  expect((await saved(page, id)).base.shape).toMatchObject({ type: 'drawn', mirrored: true });
});

deep('a weak board is refused with a cure that one press applies; panels hang by four times their mass', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, {
    name: 'Thin board',
    base: {
      ...newPiece('bench').base,
      shape: { type: 'rectangle', width: 1100, depth: 700, cornerRadius: { front: 0, back: 0 } },
      board: { material: 'plywood', thickness: 4 },
    },
  });
  await page.goto(`/piece/${id}?stage=board`);
  await expect(page.locator('[data-board="breaks"], [data-board="soft"]')).toBeVisible();
  // Beside the board as well as among the notes.
  await expect(page.getByRole('button', { name: /^Take \d+ mm$/ })).toHaveCount(2);
  await page
    .getByRole('region', { name: 'Notes on the plan' })
    .getByRole('button', { name: /^Take \d+ mm$/ })
    .click();
  await expect(page.locator('[data-board="good"]')).toBeVisible();
  const wall = await place(page, { ...newPiece('headboard-panelled'), name: 'Wall' });
  await page.goto(`/piece/${wall}?stage=board`);
  await page.getByLabel('Over a width of').fill('2000');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-panels]')).toContainText('Each panel 498 mm');
  await expect(page.getByLabel('Width', { exact: true })).toHaveValue('490 mm');
  await page.getByLabel('One cleat carries').fill('1');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/kg of cleats \(4 × weight\)/)).toBeVisible();
});
