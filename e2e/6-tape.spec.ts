import { spawn, type ChildProcess } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import { test, weekly } from './workshop';

const PANEL = 'http://127.0.0.1:4711';
let tape: ChildProcess;

async function up(): Promise<void> {
  tape = spawn('npx', ['tsx', 'src/stand-ins/tape.ts'], { stdio: 'ignore', detached: true });
  await expect
    .poll(
      async () =>
        fetch(PANEL).then(
          (r) => r.status,
          () => 0,
        ),
      { timeout: 20_000 },
    )
    .toBe(200);
}

function down(): void {
  if (tape.pid) process.kill(-tape.pid);
}

/** Presses a button of the stand-in's own panel, as a hand would. */
async function press(panel: Page, button: string, reading?: string): Promise<void> {
  if (reading !== undefined) await panel.getByLabel('Reading').fill(reading);
  await panel.getByRole('button', { name: button, exact: true }).click();
  await expect(panel.getByRole('status')).not.toBeEmpty();
}

weekly(2)('readings of the tape land in the focused field and move on; trouble with it is said', async ({ page, context }) => {
  test.setTimeout(120_000);
  await up();
  try {
    const panel = await context.newPage();
    await panel.goto(PANEL);
    await page.goto('/new');
    await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
    await page.getByRole('button', { name: 'Digital tape: off' }).click();
    await expect(page.locator('[data-tape-status="connected"]')).toBeVisible();
    await page.bringToFront();
    await page.getByLabel('Front width').focus();
    await press(panel, 'Send', '447.5');
    await expect(page.getByLabel('Front width')).toHaveValue('447.5 mm');
    await expect(page.getByLabel('Back width')).toBeFocused();
    await press(panel, 'Send', '15.5 in');
    await expect(page.getByLabel('Back width')).toHaveValue('393.7 mm');
    await expect(page.getByLabel('Depth')).toBeFocused();
    // Garbled: nothing lands, and it is said.
    // A line that was lost on the way is sent again, as the hand would: a garbled one lands nowhere.
    await expect(async () => {
      await press(panel, 'Send garbled');
      await expect(page.getByText(/A reading was garbled/)).toBeVisible({ timeout: 5000 });
    }).toPass({ timeout: 60_000 });
    await expect(page.getByLabel('Depth')).toHaveValue('');
    // Slow, sign by sign: it lands whole.
    await press(panel, 'Send slowly', '433');
    await expect(page.getByLabel('Depth')).toHaveValue('433 mm', { timeout: 10_000 });
    // Too long for the field: refused beside it, and nothing moves on.
    await expect(page.getByLabel('Front corner radius')).toBeFocused();
    await press(panel, 'Send', '900');
    await expect(page.getByText(/Front corner radius: 900 mm is too much/)).toBeVisible();
    await expect(page.getByLabel('Front corner radius')).toBeFocused();
    // Unplugged and plugged in again.
    await press(panel, 'Unplug');
    await expect(page.locator('[data-tape-status="looking"]')).toBeVisible();
    await press(panel, 'Unplug');
    await expect(page.locator('[data-tape-status="connected"]')).toBeVisible();
    // Silent: slow.
    await press(panel, 'Fall silent');
    await expect(page.locator('[data-tape-status="slow"]')).toBeVisible({ timeout: 15_000 });
  } finally {
    down();
  }
});
