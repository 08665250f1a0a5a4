import { expect } from '@playwright/test';
import { test, weekly } from './workshop';
import { formatLength } from '../src/core/length';
import { newChairSeat } from '../src/core/piece';
import { createPlanner, planPiece, sheetView } from '../src/core/plan';
import { JOBS } from '../src/testing/jobs';
import { place, settled, slip, toStage, unfold } from './help';
import { thorough } from '../src/testing/runs';

/** Jobs of docs/jobs.md, from the floor to the bench in the browser: every eighth, all of them in `npm run thorough`. */
for (const job of JOBS.filter(({ browser }) => browser).filter((_, i) => thorough || i % 8 === 0))
  test(`${job.title}: sizes, layout, order and run sheet as they were planned`, async ({ page }) => {
    const planner = createPlanner();
    const plan = planPiece(job.piece, {}, { planner });
    const shown = sheetView({ piece: job.piece, house: {}, parts: ['cover', 'cut', 'fixing', 'run'] }, planner);
    if ('problems' in shown) throw new Error(shown.problems[0]!.message);
    await page.goto('/');
    const id = await place(page, job.piece);
    await page.goto(`/piece/${id}?stage=cover`);
    await settled(page);
    // It begins without a warning, in the page as in the plan.
    await expect(page.locator('[data-warning]')).toHaveCount(job.warns?.length ?? 0);
    // What is cut is what the core says, to the millimetre, in words of the workshop's unit.
    for (const line of shown.view.sizes.filter(({ group }) => group === 'Cover').slice(0, 6))
      if (line.unit === 'length') await expect(slip(page, line.key)).toContainText(formatLength(Math.round(line.value), 'mm'));
    await unfold(page, 'Buy');
    for (const key of job.buys.filter((buy) => buy.startsWith('cloth') || buy.startsWith('foam')))
      await expect(slip(page, key)).toBeVisible();
    await toStage(page, 'Cut');
    await expect(page.locator('[data-laid]').first()).toBeVisible();
    await toStage(page, 'Bench');
    const heads = page.getByRole('region', { name: 'Run sheet' }).getByRole('heading', { level: 3 });
    await expect(heads).toHaveCount(plan.steps.length);
    expect((await heads.allTextContents()).map((head) => head.replace(/^\d+\. /, ''))).toEqual(plan.steps.map(({ name }) => name));
    const first = plan.steps[0]!;
    await page
      .getByRole('group', { name: `${first.name}, done on` })
      .getByRole('checkbox')
      .first()
      .check({ force: true });
    await page.reload();
    // Done on every piece it is folded into one line, which opens again.
    const row = page.locator(`[data-step="${first.key}"]`);
    await expect(row).toBeVisible();
    if (job.piece.count === 1) await row.getByRole('button', { name: first.name }).click();
    await expect(
      page
        .getByRole('group', { name: `${first.name}, done on` })
        .getByRole('checkbox')
        .first(),
    ).toBeChecked();
    // What is exported is what was put in, and can be printed.
    const file = (await (await page.request.get(`/api/pieces/${id}/export`)).json()) as typeof job.piece;
    expect(file).toEqual(job.piece);
    const print = await page.request.get(`/api/pieces/${id}/print?parts=job`);
    expect(print.status()).toBe(200);
    expect((await print.body()).subarray(0, 5).toString('latin1')).toBe('%PDF-');
  });

weekly(0)('ways to save are found by themselves, say what they give up, and are done on request', async ({ page }) => {
  const seat = newChairSeat({ type: 'rectangle', width: 490, depth: 420, cornerRadius: { front: 30, back: 30 } });
  const id = await place(page, { ...seat, name: 'Wide seats', count: 4 });
  await page.goto(`/piece/${id}?stage=cut`);
  // Metres of cloth, as the sizes say them.
  const length = async (): Promise<number> => Number(/(\d+\.\d) m\b/.exec((await slip(page, 'cloth.length').textContent())!)![1]);
  await expect(slip(page, 'cloth.length')).toBeVisible();
  const before = await length();
  expect(before).toBeGreaterThan(2.4);
  const saving = page.locator('[data-saving="grip"]');
  await expect(saving).toContainText('less pull allowance all round', { timeout: 60_000 });
  await saving.getByRole('button', { name: 'Do this' }).click();
  await expect.poll(length).toBeLessThan(before * 0.6);
  await page.keyboard.press('Control+z');
  await expect.poll(length).toBe(before);
});
