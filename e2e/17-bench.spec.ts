import { expect, type Page } from '@playwright/test';
import { deep, test, weekly } from './workshop';
import ICAL from 'ical.js';
import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { writeScope } from '../src/core/job';
import { openDatabase } from '../src/data/database';
import { beginPurchase, settlePurchase } from '../src/data/purchases';
import { listWares } from '../src/data/store';

/** A workshop of its own, so that it can be stopped in the middle. */
const PORT = 3927;
const BASE = `http://127.0.0.1:${PORT}`;
const DATA = 'test-results/data-bench';
let server: ChildProcess;

async function serve(): Promise<void> {
  server = spawn('node', ['scripts/serve.mjs', '--port', String(PORT)], {
    env: { ...process.env, FOVEA_DATA: DATA },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve) => server.stdout!.on('data', (bytes: Buffer) => String(bytes).includes('Fovea is on') && resolve()));
}
const stop = (): Promise<void> =>
  new Promise((resolve) => {
    server.once('exit', () => resolve());
    server.kill('SIGKILL');
  });

const headers = { origin: BASE, 'sec-fetch-site': 'same-origin', 'content-type': 'application/json' };
const tell = (method: string, path: string, body: unknown) => fetch(BASE + path, { method, headers, body: JSON.stringify(body) });
async function ask<T>(path: string): Promise<T> {
  return (await (await fetch(BASE + path)).json()) as T;
}
type View = {
  ticks: { unit: number; step: string }[];
  notes: { note: string; photo: string | null }[];
  timers: { step: string; readyAt: string }[];
};
let chairs = '';

test.beforeAll(async () => {
  rmSync(DATA, { recursive: true, force: true });
  await serve();
  expect((await tell('POST', '/api/demo', {})).status).toBe(201);
  const { pieces } = await ask<{ pieces: { id: string; piece: { name: string } }[] }>('/api/pieces');
  chairs = pieces.find(({ piece }) => piece.name === 'Dome-room chairs')!.id;
});
test.afterAll(() => stop());

const step = (page: Page) => page.locator('main[data-bench]');
const open = async (page: Page): Promise<void> => {
  await page.goto(`${BASE}/bench/${chairs}`);
  await expect(step(page)).toBeVisible({ timeout: 60_000 });
};

weekly(2)(
  'eight chairs in batches with glue clocks over a restart: what can be done meanwhile, laid in time, followed by keys',
  async ({ page }) => {
    test.setTimeout(240_000);
    // A 10-inch tablet on its side.
    await page.setViewportSize({ width: 1280, height: 800 });
    await open(page);
    // The demo stopped at the crown pads: five are glued, three are not.
    await expect(step(page)).toHaveAttribute('data-bench', 'spray-crown');
    await expect(page.locator('[data-behind]')).toContainText('Pieces 6, 7, 8 are behind');
    // Its little drawing: the pad that is worked on, the other one faint.
    await expect(page.locator('[data-sees="crown"] [data-pad="crown"]')).toHaveAttribute('opacity', '1');
    await expect(page.locator('[data-sees="crown"] [data-pad="main"]')).toHaveAttribute('opacity', '0.35');
    await page.getByRole('button', { name: 'Done on the other 3' }).click();
    const clock = page.locator('[data-timer="spray-crown"]');
    await expect(clock).toHaveAttribute('data-ready', 'false');
    await expect(clock).toContainText(/[45]:\d\d/);
    // Nothing that hangs on the glue, and nothing that is done already.
    await expect(page.locator('[data-meanwhile]')).toContainText('Meanwhile:');
    await expect(step(page)).toHaveAttribute('data-waiting', '0');
    const { timers } = await ask<View>(`/api/pieces/${chairs}/bench`);
    expect(timers).toHaveLength(1);
    await stop();
    await page.waitForTimeout(1500);
    // Away: what is ticked is kept here.
    await expect(step(page)).toHaveAttribute('data-bench', 'glue-crown');
    await page.getByRole('button', { name: 'Piece 6' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'kept here' })).toBeVisible();
    await serve();
    await expect(step(page)).toHaveAttribute('data-waiting', '0', { timeout: 30_000 });
    const after = await ask<View>(`/api/pieces/${chairs}/bench`);
    // The same clock, not begun again; the tick that was kept has come, once.
    expect(after.timers.find((timer) => timer.step === 'spray-crown')?.readyAt).toBe(timers[0]!.readyAt);
    expect(after.ticks.filter((tick) => tick.unit === 6 && tick.step === 'glue-crown')).toHaveLength(1);
    // Laid: the clock of the spraying is over, that of the press begins.
    await page.getByRole('button', { name: 'Done on the other 2' }).click();
    await expect(page.locator('[data-timer="spray-crown"]')).toHaveCount(0);
    // One clock for the sixth, which was laid by itself, one for the rest of the batch.
    await expect(page.locator('[data-timer="glue-crown"]')).toHaveCount(2);
    // A pedal sends page down and page up, a presenter arrows.
    await expect(step(page)).toHaveAttribute('data-bench', 'spray-main');
    for (const [key, at] of [
      ['PageDown', 'glue-main'],
      ['PageUp', 'spray-main'],
      ['ArrowRight', 'glue-main'],
      ['ArrowLeft', 'spray-main'],
      ['Space', 'glue-main'],
    ] as const) {
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      await page.keyboard.press(key);
      await expect(step(page)).toHaveAttribute('data-bench', at);
    }
    // What is pressed with glue on the fingers is large enough, and what is read from the bench too.
    // A clock that runs out takes its button away: then they are looked at anew.
    await expect(async () => {
      for (const button of await page.locator('main[data-bench] button:visible').all()) {
        const box = (await button.boundingBox({ timeout: 2000 }))!;
        expect(Math.min(box.width, box.height), (await button.textContent()) ?? '').toBeGreaterThanOrEqual(56);
      }
    }).toPass();
    expect(
      await page.locator('main[data-bench] h1 + p').evaluate((item) => parseFloat(getComputedStyle(item).fontSize)),
    ).toBeGreaterThanOrEqual(28);
  },
);

deep(
  'board, back and foam are drawn at their steps; what is typed waits while others are looked at; a note is read again on the run sheet and in the log',
  async ({ page }) => {
    test.setTimeout(120_000);
    await page.setViewportSize({ width: 1280, height: 800 });
    await open(page);
    const to = async (way: 'Back' | 'Next', key: string) => {
      for (let k = 0; k < 20 && (await step(page).getAttribute('data-bench')) !== key; k++)
        await page.getByRole('button', { name: way, exact: true }).click();
      await expect(step(page)).toHaveAttribute('data-bench', key);
    };
    await to('Back', 'board');
    await expect(page.locator('svg[data-board="board"]')).toContainText('455');
    // The whole drawing is on the screen, nothing of it under the fold.
    const drawn = (await page.locator('svg[data-board="board"]').boundingBox())!;
    const shown = (await page.getByText('Add a note').boundingBox())!;
    expect(drawn.y + drawn.height).toBeLessThanOrEqual(shown.y + 1);
    await to('Next', 'foam');
    await expect(page.locator('[data-sees="foam"] [data-piece="Main pad 50"]')).toContainText('467');
    await page.getByText('Add a note').click();
    await page.getByLabel('Note', { exact: true }).fill('sheet had a soft corner');
    await page.getByLabel('Minutes for one').fill('soon');
    await expect(page.getByRole('alert').filter({ hasText: 'not a number of minutes' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Save note' })).toBeDisabled();
    await page.getByLabel('Minutes for one').fill('9');
    await to('Next', 'spray-crown');
    await to('Back', 'foam');
    await expect(page.getByLabel('Note', { exact: true })).toHaveValue('sheet had a soft corner');
    await page.getByRole('button', { name: 'Save note' }).click();
    await expect(page.getByLabel('Note', { exact: true })).toHaveValue('');
    await expect(step(page)).toHaveAttribute('data-waiting', '0', { timeout: 30_000 });
    await page.goto(`${BASE}/piece/${chairs}?stage=bench`);
    // Done on every piece, the step is folded to one line.
    await page.locator('[data-step="foam"][data-done] button').click();
    await expect(page.locator('[data-step="foam"] [data-note]')).toContainText('9 min · sheet had a soft corner', { timeout: 30_000 });
    // Finished, it is found in the log by what was said at the bench.
    expect((await tell('POST', `/api/pieces/${chairs}/finish`, { serial: '2026-777', note: '' })).status).toBe(201);
    await page.goto(`${BASE}/log`);
    await page.getByLabel('Search the log').fill('soft corner');
    const entry = page.getByRole('listitem').filter({ hasText: '2026-777' });
    await entry.getByText(/Said at the bench/).click();
    await expect(entry).toContainText('Cut the foam · ');
    await expect(page.getByText('2025-007')).toHaveCount(0);
  },
);

weekly(3)('the picture of a step: wave by wave, on a tablet held upright', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1280 });
  await open(page);
  for (let k = 0; k < 20 && (await step(page).getAttribute('data-bench')) !== 'staple'; k++)
    await page.getByRole('button', { name: 'Next', exact: true }).click();
  const picture = page.locator('[data-bench-wave]');
  await expect(picture.getByRole('status')).toContainText('1–4 centres of opposite sides');
  await expect(picture.locator('[data-fastener]')).toHaveCount(4);
  await picture.getByRole('button', { name: 'Next wave' }).click();
  await expect(picture.getByRole('status')).toContainText('5–12');
  await expect(picture.locator('[data-fastener]')).toHaveCount(8);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(800);
  // The next thing is its corners: each sort drawn as its cloth is folded, and told with its figures.
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(step(page)).toHaveAttribute('data-bench', 'corners');
  await expect(step(page)).toContainText(/3 tucks: Fasten both sides to 50 mm/);
  await expect(page.locator('[data-corners="2"] figure')).toHaveCount(2);
  // Three tucks, each a fold in and one out.
  await expect(page.locator('[data-corners] figure').first().locator('[data-fold-line]')).not.toHaveCount(0);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(800);
});

weekly(0)('two tablets tick at once: neither takes the other’s ticks, each sees both', async ({ browser }) => {
  test.setTimeout(180_000);
  const [one, other] = await Promise.all([browser.newPage(), browser.newPage()]);
  await Promise.all([open(one), open(other)]);
  const go = async (page: Page) => {
    for (let k = 0; k < 20 && (await step(page).getAttribute('data-bench')) !== 'cloth'; k++)
      await page.getByRole('button', { name: 'Next', exact: true }).click();
  };
  await Promise.all([go(one), go(other)]);
  await Promise.all([
    (async () => {
      for (const unit of [1, 2, 3, 4]) await one.getByRole('button', { name: `Piece ${unit}`, exact: true }).click();
    })(),
    (async () => {
      for (const unit of [5, 6, 7, 8]) await other.getByRole('button', { name: `Piece ${unit}`, exact: true }).click();
    })(),
  ]);
  for (const page of [one, other])
    for (let unit = 1; unit <= 8; unit++)
      await expect(page.getByRole('button', { name: `Piece ${unit}`, exact: true })).toHaveAttribute('aria-pressed', 'true', {
        timeout: 30_000,
      });
  const { ticks } = await ask<View>(`/api/pieces/${chairs}/bench`);
  expect(ticks.filter((tick) => tick.step === 'cloth').map(({ unit }) => unit)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  await Promise.all([one.close(), other.close()]);
});

test('an hour without a network: the page opens again, ticks, a time and a photo arrive once', async ({ browser }) => {
  test.setTimeout(180_000);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await open(page);
  await page.evaluate(() => navigator.serviceWorker.ready);
  // Opened once more it is all kept.
  await page.reload();
  await expect(step(page)).toBeVisible();
  await page.waitForTimeout(2000);
  const before = await ask<View>(`/api/pieces/${chairs}/bench`);
  await context.setOffline(true);
  for (let k = 0; k < 20 && (await step(page).getAttribute('data-bench')) !== 'tack'; k++)
    await page.getByRole('button', { name: 'Next', exact: true }).click();
  const at = 'tack';
  await page.getByRole('button', { name: 'Piece 1', exact: true }).click();
  await page.getByText('Add a note').click();
  await page.getByLabel('Note', { exact: true }).fill('the left one is soft');
  await page.getByLabel('Minutes for one').fill('7,5');
  await page.getByLabel('Photo').setInputFiles('docs/screenshots/fastening.png');
  await page.getByRole('button', { name: 'Save note' }).click();
  await expect(step(page)).toHaveAttribute('data-waiting', '2');
  // Closed and opened where there is nothing: what was kept is still there.
  await page.reload();
  await expect(step(page)).toBeVisible();
  await expect(step(page)).toHaveAttribute('data-waiting', '2');
  expect((await ask<View>(`/api/pieces/${chairs}/bench`)).notes).toHaveLength(before.notes.length);
  await context.setOffline(false);
  await expect(step(page)).toHaveAttribute('data-waiting', '0', { timeout: 30_000 });
  const after = await ask<View>(`/api/pieces/${chairs}/bench`);
  expect(after.notes).toHaveLength(before.notes.length + 1);
  const note = after.notes.at(-1)!;
  expect(note).toMatchObject({ note: 'the left one is soft', took: 7.5, step: at });
  expect((await fetch(`${BASE}/api/photos/${note.photo}`)).status).toBe(200);
  expect(after.ticks.filter((tick) => tick.step === at && tick.unit === 1)).toHaveLength(1);
  await page.waitForTimeout(6000);
  expect((await ask<View>(`/api/pieces/${chairs}/bench`)).notes).toHaveLength(before.notes.length + 1);
  await context.close();
});

type Diary = {
  input: {
    begins: string;
    pieces: { id: string; name: string }[];
    shop: { people: unknown[] };
    pins: { task: string; day: string; minute: number; who: string | null }[];
  };
  saved: { schedule: { done: { id: string; who: string; spans: [number, number][] }[]; left: string[] } } | null;
  changed: string[];
};

weekly(1)(
  'a floor is planned, a task laid by hand, a delivery late: planned again, told what it costs, exported and read by another',
  async ({ page }) => {
    test.setTimeout(240_000);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${BASE}/diary`);
    // It plans by itself when it is opened.
    await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible({ timeout: 90_000 });
    await expect(page.locator('[data-task]').first()).toBeVisible();
    const rows = page.locator('[data-end]');
    await expect(rows).toHaveCount(8);
    for (const row of await rows.all()) await expect(row).not.toContainText('not planned yet');
    const first = await ask<Diary>('/api/diary');
    expect(first.saved!.schedule.left).toEqual([]);
    expect(first.changed).toEqual([]);
    // Both of the lodge's people have something in hand.
    expect(new Set(first.saved!.schedule.done.map(({ who }) => who)).size).toBe(2);

    // Before anybody says yes: as many chairs again by tomorrow is no, and the honest day is told; nothing of it is kept.
    await page.getByLabel('Similar to').selectOption({ label: 'Dome-room chairs' });
    const many = page.getByRole('region', { name: 'Can I promise it?' }).getByLabel('Quantity');
    await many.fill('24');
    await many.blur();
    await page.getByLabel('Wanted by').fill(first.input.begins);
    await page.getByRole('button', { name: 'Can it be promised?' }).click();
    const promised = page.locator('[data-promised]');
    await expect(promised).toContainText('Dome-room chairs, 24', { timeout: 90_000 });
    await expect(promised).toContainText(/: no\. It would be done on .* is an honest day, if its cloth is here/);
    expect((await ask<Diary>('/api/diary')).input.pieces).toHaveLength(8);
    await expect(page.getByRole('button', { name: /^Take it/ })).toBeVisible();

    const day = (by: number): string =>
      new Date(Date.parse(`${first.input.begins}T00:00:00Z`) + by * 86_400_000).toISOString().slice(0, 10);
    // A stretch of work is dragged an hour and a half on: it is laid there by hand, by whom it was dragged to.
    // Whatever the hour is at which this is asked: one that has the room for it in its day.
    const day0 = (await page.locator('[data-day]').first().boundingBox())!;
    const blocks = page.locator('[data-day] [data-task]');
    const room = () =>
      blocks.evaluateAll((all) =>
        all.findIndex((candidate) => {
          const column = candidate.closest('[data-day]')!.getBoundingClientRect();
          return (column.right - candidate.getBoundingClientRect().left) / column.width > 150 / 660;
        }),
      );
    while ((await room()) < 0) await page.getByRole('button', { name: 'Later' }).click();
    const dragged = blocks.nth(await room());
    await dragged.scrollIntoViewIfNeeded();
    const holdId = (await dragged.getAttribute('data-task'))!;
    const taken = Number(await dragged.getAttribute('data-from'));
    const on = (await dragged.locator('xpath=ancestor::*[@data-day]').getAttribute('data-day'))!;
    const from = (await dragged.boundingBox())!;
    await page.mouse.move(from.x + from.width / 2, from.y + 20);
    await page.mouse.down();
    await page.mouse.move(from.x + from.width / 2 + 30, from.y + 22, { steps: 4 });
    await page.mouse.move(from.x + from.width / 2 + (day0.width * 90) / 660, from.y + 22, { steps: 8 });
    await page.mouse.up();
    await expect(page.locator('[data-changed]')).toContainText('work moved by hand');
    const pinned = (await ask<Diary>('/api/diary')).input.pins;
    const was = first.saved!.schedule.done.find(({ id }) => id === holdId)!;
    expect(pinned.map(({ task }) => task)).toEqual([holdId]);
    expect(pinned[0]!.day).toBe(on);
    expect(was.spans.map(([at]) => at)).toContain(taken);
    expect(Math.abs(pinned[0]!.minute - ((taken % 1440) + 90))).toBeLessThanOrEqual(8);
    expect(pinned[0]!.who).toBe(was.who);
    expect((await tell('PUT', '/api/diary/pins', { task: holdId, pin: null })).status).toBe(200);
    await page.reload();
    await expect(page.locator('[data-task]').first()).toBeVisible({ timeout: 60_000 });

    // One task is laid far ahead: the piece that it is of ends later, and the table says by how much.
    const saddle = first.input.pieces.find(({ name }) => name.startsWith('Saddle'))!;
    const task = first.saved!.schedule.done.find(({ id }) => id.startsWith(saddle.id))!;
    const listed = page.locator(`[data-listed="${task.id}"]`).first();
    for (let k = 0; k < 10 && !(await listed.isVisible()); k++) await page.getByRole('button', { name: 'Later' }).click();
    await listed.click();
    const hand = page.locator('[data-in-hand]');
    await hand.getByLabel('Day', { exact: true }).fill(day(28));
    await hand.getByLabel('Not before').fill('25');
    await hand.getByRole('button', { name: 'Move it there' }).click();
    await expect(hand.getByRole('alert')).toContainText('not a time');
    await hand.getByLabel('Not before').fill('9.30');
    await hand.getByRole('button', { name: 'Move it there' }).click();
    await expect(page.locator('[data-changed]')).toContainText('work moved by hand');
    await page.getByRole('button', { name: 'Plan again' }).click();
    const end = page.locator(`[data-end="${saddle.id}"]`);
    await expect(end).toContainText('later than before', { timeout: 90_000 });
    await expect(end).toContainText('late');
    // The honest answer to an earlier day is the day that it can be.
    await expect(page.locator(`[data-answer="${saddle.id}"]`)).toContainText(/no; .* is honest/);

    // Cloth for the stools is ordered, thought to come next week; then the mill says three weeks. What waits for it is planned again.
    const stools = first.input.pieces.find(({ name }) => name === 'Ticket-hall stools')!;
    const db = openDatabase(DATA);
    const cloth = listWares(db).find(({ kind }) => kind === 'cloth')!;
    const line = { ware: cloth.id, name: cloth.name, units: 4, price: 10, arrived: 0 };
    const order = { lines: [line], carriage: 0, reference: '', expected: day(7), says: '' };
    const { id } = beginPurchase(db, writeScope({ jobs: [], piece: stools.id }), 'The mill', order);
    settlePurchase(db, id, 'ordered', order);
    db.close();
    await page.reload();
    const coming = page.locator(`[data-order="${id}"]`);
    // Opened anew it plans by itself, with the delivery.
    await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible({ timeout: 90_000 });
    await expect(page.locator('[data-changed]')).toHaveCount(0, { timeout: 90_000 });
    await coming.getByLabel('The mill comes on').fill(day(21));
    await expect(coming.getByRole('button', { name: /as the supplier says/ })).toBeVisible();
    await expect(page.locator('[data-changed]')).toContainText('a delivery');
    await page.getByRole('button', { name: 'Plan again' }).click();
    await expect(page.locator('[data-changed]')).toHaveCount(0, { timeout: 90_000 });
    await expect(page.locator(`[data-end="${stools.id}"]`)).toContainText('later than before', { timeout: 90_000 });
    const late = (await ask<Diary>('/api/diary')).saved!.schedule.done.filter((candidate) => candidate.id.startsWith(stools.id));
    for (const item of late.filter((one) => one.id.endsWith('/cloth'))) expect(item.spans[0]![0]).toBeGreaterThanOrEqual(21 * 1440 + 720);
    // Boards and foam do not wait for cloth.
    expect(late.find((candidate) => candidate.id.endsWith('/foam'))!.spans[0]![0]).toBeLessThan(14 * 1440);

    const calendar = await (await fetch(`${BASE}/api/diary/calendar`)).text();
    const events = new ICAL.Component(ICAL.parse(calendar) as unknown[])
      .getAllSubcomponents('vevent')
      .map((component) => new ICAL.Event(component));
    const planned = (await ask<Diary>('/api/diary')).saved!.schedule.done;
    expect(events).toHaveLength(planned.reduce((sum, { spans }) => sum + spans.length, 0));
    const minutes = events.reduce(
      (sum, { startDate, endDate }) => sum + (endDate.toJSDate().getTime() - startDate.toJSDate().getTime()) / 60_000,
      0,
    );
    expect(minutes).toBeCloseTo(
      planned.reduce((sum, { spans }) => sum + spans.reduce((all, [a, b]) => all + b - a, 0), 0),
      3,
    );
  },
);
