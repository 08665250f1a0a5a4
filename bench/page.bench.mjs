// The real page in Debian's Chromium: from a move of the pointer to the painted section, and the first useful paint of a
// sheet from a cold start. Both also in bare sweeps, swept in the same page.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../scripts/chromium.mjs';
import { ensureBuilt } from '../scripts/build.mjs';

const PORT = 3911;
const MOVES = 60;
const address = `http://127.0.0.1:${PORT}`;
await ensureBuilt();
const data = mkdtempSync(join(tmpdir(), 'fovea-bench-'));
const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', FOVEA_DATA: data };
const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(PORT)], {
  env,
  stdio: 'ignore',
});

/** The least time of the bare sweep in a page, ms. */
function sweepInPage() {
  const n = 201;
  const u = new Float64Array(n * n);
  let least = Infinity;
  // The page's clock is coarse: many sweeps are taken together.
  for (let run = 0; run < 12; run++) {
    const began = performance.now();
    for (let again = 0; again < 20; again++)
      for (let colour = 0; colour < 2; colour++)
        for (let j = 1; j < n - 1; j++)
          for (let i = 1 + ((j + colour) & 1); i < n - 1; i += 2) {
            const k = j * n + i;
            u[k] = 0.25 * (u[k - 1] + u[k + 1] + u[k - n] + u[k + n] + 1);
          }
    least = Math.min(least, (performance.now() - began) / 20);
  }
  return least;
}

/** Watches the covered line in the section: when a move comes, and when what it changed is painted. */
function watch() {
  const log = (window.painted = { moved: [], handle: [], section: [] });
  window.addEventListener('pointermove', () => log.moved.push(performance.now()), true);
  const after = (list) => requestAnimationFrame(() => setTimeout(() => list.push(performance.now())));
  const seen = (selector, list) =>
    new MutationObserver(() => after(list)).observe(document.querySelector(selector), { attributes: true, childList: true, subtree: true });
  seen('[data-cover-line]', log.section);
  seen('[role="slider"][aria-label="Crown height"]', log.handle);
}

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];

function say(name, ms, sweep, target) {
  const ratio = ms / sweep;
  const over = target && ratio > target ? `  over ×${(ratio / target).toFixed(1)}` : '';
  console.log(
    `${name.padEnd(52)}${ms.toFixed(1).padStart(9)} ms${ratio.toFixed(0).padStart(8)} sweeps${target ? `  (at most ${target})` : ''}${over}`,
  );
}

try {
  for (let tries = 0; ; tries++) {
    const up = await fetch(`${address}/schema/piece.json`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) break;
    if (tries > 200) throw new Error('The server did not start');
    await new Promise((r) => setTimeout(r, 100));
  }
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const piece = JSON.parse(execFileSync(process.execPath, ['dist/fovea.mjs', 'new', 'chair-seat'], { encoding: 'utf8' }));
  const answer = await page.request.post(`${address}/api/pieces`, { data: { piece }, headers: { origin: address } });
  const url = `${address}/piece/${(await answer.json()).id}`;
  await page.goto(`${url}?stage=build`);
  const line = page.locator('[data-cover-line]').first();
  await line.waitFor({ timeout: 60_000 });

  const firsts = [];
  for (let i = 0; i < 4; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const cold = await context.newPage();
    const began = performance.now();
    await cold.goto(`${url}?stage=build`, { waitUntil: 'commit' });
    await cold.locator('[data-cover-line]').first().waitFor({ timeout: 60_000 });
    firsts.push(performance.now() - began);
    await context.close();
  }

  await page.goto(`${url}?stage=build`);
  await line.waitFor({ timeout: 60_000 });
  await page.locator('[data-settled="true"]').waitFor({ timeout: 60_000 });
  const sweep = await page.evaluate(sweepInPage);
  const handle = page.getByRole('slider', { name: 'Crown height' });
  const box = await handle.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 4);
  await page.waitForTimeout(1500);
  await page.evaluate(watch);
  for (let k = 0; k < MOVES; k++) {
    await page.mouse.move(x, y - 4 - (k % 2 ? 6 : 1) - (k % 7));
    await page.waitForTimeout(260);
  }
  const { moved, handle: drawn, section } = await page.evaluate(() => window.painted);
  await page.mouse.up();
  const waits = (list) =>
    moved
      .map((t) => list.find((paint) => paint > t) - t)
      .filter((ms) => ms < 259)
      .sort((a, b) => a - b);
  const [own, all] = [waits(drawn), waits(section)];
  console.log('\nIn the page');
  say(`pointer to painted section, median of ${all.length}`, at(all, 0.5), sweep, 130);
  say('the same, 95 %', at(all, 0.95), sweep, 200);
  say(`pointer to the handle itself, median of ${own.length}`, at(own, 0.5), sweep);
  say('first useful paint of a sheet, cold', Math.min(...firsts), sweep);

  // In the round: from the press to the picture, and what one turn costs the page itself (the card's own time is not in it).
  await page.goto(`${url}?stage=cover`);
  await page.locator('[data-settled="true"]').waitFor({ timeout: 60_000 });
  const opened = [];
  for (let k = 0; k < 4; k++) {
    opened.push(
      await page.evaluate(
        () =>
          new Promise((done) => {
            const began = performance.now();
            const look = () =>
              document.querySelector('[data-drawn="yes"]') ? done(performance.now() - began) : requestAnimationFrame(look);
            [...document.querySelectorAll('button')].find((own) => own.textContent?.includes('In the round')).click();
            look();
          }),
      ),
    );
    if (k < 3) await page.getByRole('button', { name: 'Flat', exact: true }).click();
  }
  await page.locator('[data-cloth="laid"]').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1000);
  const turned = await page.evaluate(() => {
    const host = document.querySelector('[data-drawn="yes"]');
    const times = [];
    for (let k = 0; k < 60; k++) {
      const began = performance.now();
      host.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true }));
      times.push(performance.now() - began);
    }
    return { times: times.sort((a, b) => a - b), triangles: Number(host.dataset.triangles) };
  });
  say('in the round: first opened', opened[0], sweep);
  say('in the round: opened again', Math.min(...opened.slice(1)), sweep);
  say(`one turn of ${turned.triangles} triangles, the page's part`, at(turned.times, 0.5), sweep);
  await browser.close();
} finally {
  server.kill();
  rmSync(data, { recursive: true, force: true });
}
