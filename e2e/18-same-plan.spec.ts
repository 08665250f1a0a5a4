import { expect } from '@playwright/test';
import { test, weekly } from './workshop';
import type { Piece } from '../src/core/piece';
import { createPlanner, sheetView, type ViewQuestion } from '../src/core/plan';
import { differences } from '../src/testing/differences';
import { JOBS } from '../src/testing/jobs';
import { thorough } from '../src/testing/runs';
import { place, settled } from './help';

declare global {
  interface Window {
    /** the worker that plans in this page, as the page made it */
    plannerUrl?: { url: string; options?: WorkerOptions };
    /** one like it, for the jobs */
    planner?: Worker;
  }
}

/** So many jobs are planned by both: what is cut by the screen and what is cut by the paper must be one plan. */
const COUNT = thorough ? JOBS.length : 40;
/** Every so many are planned as finely as the sheet shows them; the others as coarsely as while something is dragged. */
const FINE = thorough ? 1 : 10;

test(`${COUNT} jobs: the page plans what the server plans, every figure and every choice`, async ({ page }) => {
  test.setTimeout(thorough ? 1_800_000 : 600_000);
  await page.addInitScript(() => {
    const Real = window.Worker;
    window.Worker = class extends Real {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        if (!String(url).includes('diary') && !String(url).includes('bring-in')) window.plannerUrl ??= { url: String(url), options };
      }
    };
  });
  await page.goto('/');
  const id = await place(page);
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  const planner = createPlanner();
  const moved: string[] = [];
  for (const [k, { title, piece }] of JOBS.slice(0, COUNT).entries()) {
    const question: ViewQuestion = { piece, house: {}, parts: ['cover', 'cut', 'fixing', 'run'], preview: k % FINE !== 0 };
    const inPage = await page.evaluate(async (asked) => {
      const { url, options } = window.plannerUrl!;
      const worker = (window.planner ??= new Worker(url, options));
      return await new Promise<string>((resolve, reject) => {
        worker.onmessage = ({ data }: { data: { answer?: { view?: { plan: unknown; sizes: unknown } }; wrong?: string } }) => {
          if (data.wrong) reject(new Error(data.wrong));
          else if (data.answer) resolve(JSON.stringify({ plan: data.answer.view?.plan, sizes: data.answer.view?.sizes }));
        };
        worker.onerror = () => reject(new Error('the worker broke'));
        worker.postMessage({ kind: 'view', question: asked });
      });
    }, question);
    const here = sheetView(question, planner);
    if ('problems' in here) throw new Error(`${title}: ${here.problems[0]!.message}`);
    const { plan, sizes } = here.view;
    moved.push(...differences(JSON.parse(JSON.stringify({ plan, sizes })), JSON.parse(inPage), title).slice(0, 5));
  }
  expect(moved).toEqual([]);
});

test('a plan that was made by another engine would be seen', () => {
  const seat = JOBS[0]!.piece as Piece;
  const view = (piece: Piece) => sheetView({ piece, house: {}, parts: ['cover'], preview: true }, createPlanner());
  const [one, other] = [view(seat), view({ ...seat, cloth: { ...seat.cloth, thickness: seat.cloth.thickness + 0.02 } })];
  expect(differences(JSON.parse(JSON.stringify(one)), JSON.parse(JSON.stringify(other))).length).toBeGreaterThan(0);
});

weekly(3)('what is printed is what the page shows: figures that differ are refused in words, and nothing is printed', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { name: 'Seen seat' });
  type Sent = { fingerprint: Record<string, Record<string, number>> };
  let more = 0;
  await page.route(`**/api/pieces/${id}/seen`, async (route) => {
    const sent = route.request().postDataJSON() as Sent;
    const { cover } = sent.fingerprint;
    for (const name of Object.keys(cover ?? {}).filter((item) => item.endsWith('width'))) cover![name]! += more;
    await route.continue({ postData: JSON.stringify(sent) });
  });
  const seen = page.waitForResponse((response) => response.url().endsWith('/seen') && response.ok());
  await page.goto(`/piece/${id}?stage=cover`);
  expect(await (await seen).json()).toEqual({ current: true });
  const print = async () => page.request.get(`/api/pieces/${id}/print?parts=job`);
  expect((await print()).status()).toBe(200);
  more = 0.3;
  const wider = page.waitForResponse((response) => response.url().endsWith('/seen') && response.ok());
  await page.reload();
  await wider;
  await page.getByRole('button', { name: 'Print…' }).click();
  await expect(page.getByRole('dialog', { name: 'Print' }).getByRole('alert')).toContainText('work out different figures for “Seen seat”');
  expect((await print()).status()).toBe(409);
  // What cannot be followed says so too, and does not wait for ever.
  await page.goto(`/bench/${id}`);
  await expect(page.locator('main[role="status"]')).toContainText('work out different figures for “Seen seat”');
  await page.goto(`/job/p-${id}?tab=buy`);
  await expect(page.getByText('work out different figures for “Seen seat”')).toHaveCount(1);
});
