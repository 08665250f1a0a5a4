import { expect, type Page } from '@playwright/test';
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { place } from './help';
import { deep, port, weekly } from './workshop';

/** A slow way to the workshop: what changes something is under way for a while, and what is given up meanwhile never arrives. */
async function slowWay(ms: number): Promise<{ server: Server; base: string; lost: () => number }> {
  let lost = 0;
  const server = createServer((asked, answer) => {
    const parts: Buffer[] = [];
    let gone = false;
    answer.on('close', () => (gone = !answer.writableEnded));
    asked.on('data', (part: Buffer) => parts.push(part));
    asked.on('end', () =>
      setTimeout(
        () => {
          if (gone) return void (lost += asked.method === 'GET' ? 0 : 1);
          const { url: path, method, headers } = asked;
          request({ host: '127.0.0.1', port: port(), path, method, headers }, (incomingMessage) => {
            answer.writeHead(incomingMessage.statusCode!, incomingMessage.headers);
            incomingMessage.pipe(answer);
          }).end(Buffer.concat(parts));
        },
        asked.method === 'GET' ? 0 : ms,
      ),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { server, base: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, lost: () => lost };
}

/** The box of a step for one of the set. */
const box = (page: Page, step: string, unit: number) =>
  page
    .locator(`[data-step="${step}"]`)
    .getByRole('checkbox')
    .nth(unit - 1);
/** A press on the box itself, which is drawn by its label. */
const press = (page: Page, step: string, unit: number) => box(page, step, unit).locator('..').click();

async function open(page: Page, id: string, base = ''): Promise<string[]> {
  await page.goto(`${base}/piece/${id}?stage=bench`);
  await expect(page.locator('[data-step]').first()).toBeVisible();
  const steps = await page.locator('[data-step]').evaluateAll((rows) => rows.map((row) => row.getAttribute('data-step')!));
  expect(steps.length).toBeGreaterThan(8);
  return steps;
}

weekly(2)('a tick stands though the page is left while it is under way, and a row that is all done', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { name: 'Left at once', count: 3 });
  const { server, base, lost } = await slowWay(1500);
  try {
    const steps = await open(page, id, base);
    for (const [k, step] of steps.slice(0, 3).entries()) {
      await press(page, step, 2);
      await (k === 1 ? page.goto(`${base}/`) : page.reload());
      if (k === 1) await page.goBack();
      // The page that is there again was made before it arrived: it looks again.
      await expect(box(page, step, 2)).toBeChecked();
    }
    await page
      .getByRole('button', { name: /, all done$/ })
      .first()
      .click();
    await page.reload();
    // Done on all three it is folded into one line.
    await page.locator(`[data-step="${steps[0]!}"][data-done]`).getByRole('button').click();
    for (const unit of [1, 2, 3]) await expect(box(page, steps[0]!, unit)).toBeChecked();
    expect(lost()).toBe(0);
    const saved = (await (await page.request.get(`/api/pieces/${id}/ticks`)).json()) as { ticks: unknown[] };
    expect(saved.ticks).toHaveLength(5);
  } finally {
    server.closeAllConnections();
    server.close();
  }
});

deep('what another ticks is seen without opening the page anew; what cannot be kept is taken back and said', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { name: 'Two at one sheet', count: 2 });
  const [first, second] = await open(page, id);
  const other = await page.context().newPage();
  await open(other, id);
  await press(other, first!, 1);
  await press(page, first!, 2);
  await expect(box(other, first!, 1)).toBeChecked();
  for (const item of [page, other]) {
    await item.bringToFront();
    for (const unit of [1, 2]) await expect(box(item, first!, unit)).toBeChecked();
  }
  await page.bringToFront();
  await page.context().setOffline(true);
  await press(page, second!, 1);
  await expect(page.getByRole('region', { name: 'Run sheet' }).getByRole('alert')).toContainText('cannot be reached');
  await expect(box(page, second!, 1)).not.toBeChecked();
  await page.context().setOffline(false);
  await press(page, second!, 1);
  await expect(page.getByRole('region', { name: 'Run sheet' }).getByText('cannot be reached')).toHaveCount(0);
  await page.reload();
  await expect(box(page, second!, 1)).toBeChecked();
});
