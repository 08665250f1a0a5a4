import { expect, type Page } from '@playwright/test';
import { deep, test, weekly } from './workshop';
import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { standIn } from '../src/testing/stand-in';

/** A workshop of its own, so that it can be stopped in the middle. */
const PORT = 3917;
const BASE = `http://127.0.0.1:${PORT}`;
const DATA = 'test-results/data-store';
const PORTS = { FOVEA_SUPPLIER: '4731', FOVEA_CUTTER: '4742', FOVEA_CUTTER_PANEL: '4743' };

let server: ChildProcess;
let others: ChildProcess[] = [];

async function serve(): Promise<void> {
  server = spawn('node', ['scripts/serve.mjs', '--port', String(PORT)], {
    env: { ...process.env, ...PORTS, FOVEA_DATA: DATA },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve) => server.stdout!.on('data', (bytes: Buffer) => String(bytes).includes('Fovea is on') && resolve()));
}

test.beforeAll(async () => {
  rmSync(DATA, { recursive: true, force: true });
  others = await Promise.all([
    standIn('supplier', { ...PORTS, FOVEA_SUPPLIER_SLOW: '1500' }),
    standIn('cutter', { ...PORTS, FOVEA_CUTTER_HASTE: '400' }),
  ]);
  await serve();
  const laid = await fetch(`${BASE}/api/demo`, { method: 'POST', headers: { origin: BASE, 'sec-fetch-site': 'same-origin' } });
  expect(laid.status).toBe(201);
});
test.afterAll(() => {
  server.kill('SIGKILL');
  others.forEach((other) => other.kill());
});

const mood = (name: string) => fetch(`http://127.0.0.1:${PORTS.FOVEA_SUPPLIER}/moods/${name}`, { method: 'POST' });
const striped = (page: Page) => page.locator('[data-group^="cloth-striped wool, dusk"]');
const jobOf = async (name: string): Promise<string> => {
  const { jobs } = (await (await fetch(`${BASE}/api/jobs`)).json()) as { jobs: { id: string; job: { name: string } }[] };
  return jobs.find(({ job }) => job.name === name)!.id;
};

weekly(3)(
  'eight striped seats: laid on a flawed part roll, one held, one saving taken, ordered while the supplier is slow and then dearer, received over a stop, cut',
  async ({ page }) => {
    test.setTimeout(300_000);
    const job = await jobOf('Dome room');
    await page.goto(`${BASE}/job/${job}?tab=cut`);
    const panel = striped(page);
    const pieces = panel.locator('[data-laid-piece]');
    await expect(pieces).toHaveCount(8, { timeout: 60_000 });
    // The part roll comes first, and nothing lies on its flaws.
    await expect(panel.getByText(/Part roll, Striped wool, dusk/)).toBeVisible();
    await expect(panel.locator('[data-flaw]')).toHaveCount(2);
    await expect(panel.locator('[data-fault]')).toHaveCount(0);
    await expect(panel.getByRole('button', { name: 'Look for a better one' })).toBeVisible({ timeout: 30_000 });
    // One is moved onto a flaw: it is said at once, and the lay cannot be kept.
    const first = pieces.first();
    const key = (await first.getAttribute('data-laid-piece'))!;
    const locator = panel.locator(`[data-laid-piece="${key}"]`);
    await locator.focus();
    for (let k = 0; k < 6; k++) await page.keyboard.press('Shift+ArrowRight');
    await expect(panel.getByRole('alert')).toContainText('cannot be cut');
    await expect(panel.getByRole('button', { name: 'Save this lay' })).toBeDisabled();
    for (let k = 0; k < 6; k++) await page.keyboard.press('Shift+ArrowLeft');
    await expect(panel.locator('[data-fault]')).toHaveCount(0);
    // Held where it is, it stays there while the others are laid anew.
    await locator.focus();
    await page.keyboard.press('l');
    await expect(locator).toHaveAttribute('data-held', 'yes');
    const holdId = await locator.locator('path').getAttribute('d');
    await panel.getByRole('button', { name: 'Look for a better one' }).click();
    await expect(panel.locator('[data-tried]')).not.toHaveAttribute('data-tried', '0', { timeout: 20_000 });
    await panel.getByRole('button', { name: 'Stop, keep the best' }).click();
    await expect(pieces).toHaveCount(8);
    await expect(locator.locator('path')).toHaveAttribute('d', holdId!);
    await panel.getByRole('button', { name: 'Save this lay' }).click();
    await expect(panel.locator('[data-kept]')).toHaveCount(1);
    await expect(panel.getByText('in use')).toBeVisible();

    // A saving is taken on the piece itself; the lay that was kept knows that it is of yesterday.
    const { pieces: all } = (await (await fetch(`${BASE}/api/pieces`)).json()) as { pieces: { id: string; piece: { name: string } }[] };
    const chairs = all.find(({ piece }) => piece.name === 'Dome-room chairs')!.id;
    await page.goto(`${BASE}/piece/${chairs}?stage=cut`);
    await page
      .locator('[data-saving="return"], [data-saving="grip"]')
      .getByRole('button', { name: 'Do this' })
      .first()
      .click({ timeout: 90_000 });
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    await page.goto(`${BASE}/job/${job}?tab=cut`);
    await expect(panel.getByText(/out of date/)).toBeVisible({ timeout: 60_000 });
    await expect(pieces).toHaveCount(8, { timeout: 30_000 });
    await expect(panel.getByRole('button', { name: 'Look for a better one' })).toBeVisible({ timeout: 30_000 });
    await panel.getByRole('button', { name: 'Save this lay' }).click();
    await expect(panel.locator('[data-kept]')).toHaveCount(2);
    await panel.getByRole('button', { name: 'Use this lay' }).click();
    await expect(panel.getByText('in use')).toBeVisible();

    // What is missing is ordered while the supplier is slow, and then dearer.
    await mood('slow');
    await mood('dearer');
    await page.getByRole('button', { name: 'Buy', exact: true }).click();
    const row = page.locator('[data-buy="Striped wool, dusk"]');
    await expect(row).toBeVisible({ timeout: 60_000 });
    const cloths = page.getByRole('region', { name: 'The cloth room' });
    await cloths.getByRole('button', { name: 'Order what is short' }).click();
    await expect(page.getByText('Asking the supplier…')).toBeVisible();
    const refused = page.locator('[data-order="refused"]');
    await expect(refused).toContainText('Prices have changed', { timeout: 30_000 });
    await expect(refused).toContainText('at 51.52');
    await refused.getByRole('button', { name: 'Order at these prices' }).click();
    const ordered = page.locator('[data-order="ordered"]');
    await expect(ordered).toContainText('S-0001', { timeout: 30_000 });
    await expect(row).toContainText('51.52');
    await mood('slow');

    // The server is stopped in the middle: nothing that was accepted is lost.
    server.kill('SIGKILL');
    await serve();
    await page.goto(`${BASE}/job/${job}?tab=buy`);
    await expect(ordered).toContainText('S-0001', { timeout: 60_000 });
    await ordered.getByRole('button', { name: 'Book it in' }).click();
    await expect(page.locator('[data-order="arrived"]')).toBeVisible({ timeout: 30_000 });
    await expect(row).toHaveCount(0);

    // It is cut: the part roll is gone, what is left of it is in the store.
    await page.getByRole('button', { name: 'Cut', exact: true }).click();
    await panel.getByRole('button', { name: 'Mark as cut' }).click({ timeout: 60_000 });
    await expect(panel.locator('[data-kept]').getByText('cut', { exact: true })).toBeVisible();
    const { stock, moves } = (await (await fetch(`${BASE}/api/store`)).json()) as {
      stock: { place: string; form: string }[];
      moves: { why: string }[];
    };
    expect(stock.some(({ form, place }) => form === 'full' && place === 'rack 2, behind the door')).toBe(false);
    expect(moves.some(({ why }) => why.startsWith('Cut: '))).toBe(true);

    // One template goes to the cutter, and the picture of the cut is the plan.
    await page.goto(`${BASE}/piece/${chairs}?stage=cut`);
    const cutter = page.getByRole('region', { name: 'To a cutter' });
    await cutter.getByText('To a cutter').click();
    await expect(cutter.getByRole('combobox', { name: 'Template' }).locator('option')).not.toHaveCount(1, { timeout: 60_000 });
    await cutter.getByRole('button', { name: 'Cut it' }).click();
    await expect(cutter.getByRole('alert')).toContainText('Confirm first');
    await cutter.getByRole('checkbox', { name: /The bed is clear/ }).check();
    await cutter.getByRole('button', { name: 'Cut it' }).click();
    await expect(cutter.locator('[data-matches="true"]')).toBeVisible({ timeout: 60_000 });
    await expect(cutter.locator('[data-cut]')).not.toHaveCount(0);
  },
);

deep(
  'the store: a thing of one’s own, a part roll with a flaw, a table out; a cloth of a piece gets the store’s figures',
  async ({ page }) => {
    await page.goto(`${BASE}/store`);
    await page.getByRole('button', { name: /^Glue / }).click();
    await page.getByRole('button', { name: 'New glue' }).click();
    const fresh = page.getByRole('region', { name: 'New item' });
    await fresh.getByLabel('Name').fill('Attic glue');
    await fresh.getByRole('button', { name: 'Add to the store' }).click();
    await expect(fresh.getByRole('alert')).toContainText('Enter the size of one unit');
    await fresh.getByLabel('Covers, m²').fill('5');
    await fresh.getByLabel('Price', { exact: true }).fill('11,5');
    await fresh.getByRole('button', { name: 'Add to the store' }).click();
    await expect(page.getByRole('button', { name: 'Attic glue' })).toBeVisible();
    await page.getByRole('button', { name: /^Cloth / }).click();
    await page.getByRole('button', { name: 'Plain wool', exact: true }).click();
    const detail = page.getByRole('region', { name: 'Plain wool', exact: true });
    await detail.getByRole('button', { name: 'Put in' }).click();
    await detail.getByRole('button', { name: 'Mark a flaw' }).click();
    await detail.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(detail.getByRole('alert').first()).toContainText('How long is it?');
    await detail.getByLabel('Length', { exact: true }).first().fill('3.2 m');
    await detail.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(detail.locator('[data-stock]')).toContainText('1 flaw');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      (async () => {
        await page.getByText('As tables (CSV)').click();
        await page.getByRole('link', { name: /stock/ }).click();
      })(),
    ]);
    expect(download.suggestedFilename()).toBe('store-stock.csv');
    // The stools' cloth was changed by hand: the store says so, and one press makes them one.
    const { pieces } = (await (await fetch(`${BASE}/api/pieces`)).json()) as {
      pieces: { id: string; revision: number; piece: { name: string; cloth: object } }[];
    };
    const stools = pieces.find(({ piece }) => piece.name === 'Ticket-hall stools')!;
    await fetch(`${BASE}/api/pieces/${stools.id}`, {
      method: 'PUT',
      headers: { origin: BASE, 'sec-fetch-site': 'same-origin' },
      body: JSON.stringify({ base: stools.revision, piece: { ...stools.piece, cloth: { ...stools.piece.cloth, stretchWeft: 7 } } }),
    });
    await page.goto(`${BASE}/piece/${stools.id}?stage=cover`);
    await page.getByRole('button', { name: 'Cloth store…' }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByText(/other figures than the store’s/)).toContainText('gives across');
    await dialog.getByRole('button', { name: 'Take the store’s' }).click();
    await expect(dialog.getByText('Its figures are those of the store.')).toBeVisible();
  },
);

weekly(0)('a job: made of pieces of the floor, changed, cut together with another', async ({ page }) => {
  await page.goto(`${BASE}/jobs`);
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Make the job' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Enter a name');
  await dialog.getByLabel('Job', { exact: true }).fill('Ticket hall');
  await dialog.getByLabel(/Ticket-hall stools/).check();
  await dialog.getByRole('button', { name: 'Make the job' }).click();
  await expect(page.getByRole('heading', { name: 'Ticket hall' })).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('For', { exact: true }).fill('the lodge');
  await page.getByLabel('Notes').click();
  await expect(page.getByText('Saved')).toBeVisible();
  await page.goto(`${BASE}/jobs`);
  await page.getByRole('checkbox', { name: /Ticket hall/ }).check();
  await page.getByRole('checkbox', { name: /Reading corner/ }).check();
  await page.getByRole('link', { name: /these 2 together/ }).click();
  await expect(page.getByRole('heading', { name: /Reading corner and Ticket hall|Ticket hall and Reading corner/ })).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.locator('[data-group^="foam"]').first()).toBeVisible({ timeout: 60_000 });
  // What both come to: every line of it in sight, and they add up; an hour that costs more makes it dearer.
  const read = async (): Promise<Record<string, number>> => {
    await page.getByRole('button', { name: 'Price', exact: true }).click();
    await expect(page.locator('[data-settled-price]')).toBeVisible({ timeout: 60_000 });
    const rows = await page
      .locator('[data-price]')
      .evaluateAll((all) => all.map((row) => [row.getAttribute('data-price')!, row.lastElementChild!.textContent] as const));
    return Object.fromEntries(rows.map(([key, text]) => [key, Number(text.replace('−', '-').replaceAll(',', ''))]));
  };
  const { total, ...lines } = await read();
  expect(lines.materials).toBeGreaterThan(0);
  expect(lines.time).toBeGreaterThan(0);
  expect(Object.values(lines).reduce((sum, value) => sum + value, 0)).toBeCloseTo(total!, 1);
  const item = { headers: { origin: BASE, 'sec-fetch-site': 'same-origin' } };
  await fetch(`${BASE}/api/house`, { method: 'PUT', ...item, body: JSON.stringify({ key: 'hourPrice', value: 84 }) });
  await page.reload();
  const dearer = await read();
  expect(dearer.time).toBeCloseTo(2 * lines.time!, 1);
  await fetch(`${BASE}/api/house`, { method: 'PUT', ...item, body: JSON.stringify({ key: 'hourPrice', value: null }) });
});
