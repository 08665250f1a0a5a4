// Refreshes docs/screenshots from a running demo: node scripts/screenshots.mjs [address]
import { chromium } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';

const address = process.argv[2] ?? 'http://127.0.0.1:3000';
const browser = await chromium.launch(CHROMIUM);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (error) => console.error(String(error)));

async function shoot(name, path, before) {
  await page.goto(address + path);
  await page.waitForLoadState('networkidle');
  // A sheet is looked at once it has settled.
  if (path.includes('?stage='))
    await page
      .locator('[data-slip], [data-laid], [aria-label="Run sheet"], [aria-label="Strip record"], [data-sizes]')
      .first()
      .waitFor({ timeout: 60_000 });
  if (before) await before();
  await page.waitForTimeout(600);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

await page.goto(`${address}/`);
const href = await page
  .getByRole('link', { name: /Dome-room chairs/ })
  .first()
  .getAttribute('href');
const piece = href.split('?')[0];
await shoot('floor', '/');
await shoot('new', '/new');
await shoot('workshop', '/workshop', async () => {
  await page.getByRole('button', { name: 'Back up now' }).click();
  await page.getByText('Backed up').waitFor();
});
await shoot('cover', `${piece}?stage=cover`);
await shoot('fastening', `${piece}?stage=bench&view=order`);
await shoot('padding', `${piece}?stage=padding`, () => page.locator('[data-sat="still"]').waitFor({ timeout: 60_000 }));
await shoot('cut', `${piece}?stage=cut`, () => page.locator('[data-saving]').first().waitFor({ timeout: 60_000 }));
const pieceOf = async (name) => {
  await page.goto(`${address}/`);
  return (await page.getByRole('link', { name }).first().getAttribute('href')).split('?')[0];
};
await shoot('sit', `${piece}?stage=padding&view=sit`, () => page.getByRole('list', { name: 'Verdict' }).waitFor({ timeout: 60_000 }));
const stools = await pieceOf(/stools/);
await shoot('print', `${stools}?stage=cover`, async () => {
  await page.locator('[data-settled="true"]').waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Print…' }).click();
  await page.locator('[data-pages]:not([data-pages=""])').waitFor({ timeout: 60_000 });
});
const saddle = await pieceOf(/Saddle, cargo tricycle/);
await shoot('strip', `${saddle}?stage=strip`, () =>
  page
    .getByRole('button', { name: /Carry the holes/ })
    .first()
    .waitFor({ timeout: 60_000 }),
);
await shoot('board', `${saddle}?stage=board`, () => page.locator('[aria-label="Answer"][aria-busy="false"]').waitFor({ timeout: 60_000 }));
await shoot('round', `${piece}?stage=cover`, async () => {
  await page.locator('[data-settled="true"]').waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: '3D' }).click();
  await page.locator('[data-cloth="laid"] [data-drawn="yes"]').waitFor({ timeout: 60_000 });
  await page.getByLabel('The whole set').check();
  await page.waitForTimeout(2000);
});
await shoot('bench', `/bench/${piece.split('/').at(-1)}`, async () => {
  await page.locator('main[data-bench]').waitFor({ timeout: 60_000 });
  for (let k = 0; k < 20 && (await page.locator('main[data-bench]').getAttribute('data-bench')) !== 'staple'; k++)
    await page.getByRole('button', { name: 'Next', exact: true }).click();
  await page.getByRole('button', { name: 'Next wave' }).click();
});
await shoot('diary', '/diary', async () => {
  await page.getByRole('button', { name: 'Plan again' }).waitFor({ timeout: 90_000 });
  await page.waitForTimeout(3000);
});
await shoot('house', '/house');
await shoot('log', '/log');
await shoot('store', '/store', async () => {
  await page.getByRole('button', { name: /^Cloth / }).click();
  await page.getByRole('button', { name: 'Striped wool, dusk', exact: true }).click();
});
await page.goto(`${address}/jobs`);
const job = await page.getByRole('link', { name: 'Dome room' }).getAttribute('href');
await shoot('lay', `${job}?tab=cut`, async () => {
  const wool = page.locator('[data-group^="cloth-striped"]');
  await wool.locator('[data-laid-piece]').first().waitFor({ timeout: 60_000 });
  await wool.getByRole('button', { name: 'Look for a better one' }).waitFor({ timeout: 30_000 });
  await wool.evaluate((own) => own.scrollIntoView({ block: 'start' }));
});
await shoot('buy', `${job}?tab=buy`, () => page.locator('[data-buy]').first().waitFor({ timeout: 60_000 }));
await browser.close();
