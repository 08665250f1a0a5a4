import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { test } from './workshop';
import { place, settled, unfold } from './help';

/** A laptop, a tablet lying, a tablet standing. */
const SIZES = [
  [1280, 800],
  [1024, 768],
  [768, 1024],
] as const;

/** Every screen at every size; otherwise each at one of them, in turn, by day and in the evening at different ones. FOVEA_THOROUGH=1. */
const thorough = process.env.FOVEA_THOROUGH === '1';
const looked = { day: 0, evening: 1 };

async function noSeriousViolation(page: Page, where: string): Promise<void> {
  const turn = looked[where.endsWith('evening') ? 'evening' : 'day']++ % SIZES.length;
  for (const [width, height] of thorough ? SIZES : [SIZES[turn]!]) {
    await page.setViewportSize({ width, height });
    // A round by one theme that ran in the other would look at nothing.
    expect(await page.locator('html').getAttribute('data-theme')).toBe(where.endsWith('evening') ? 'evening' : 'day');
    const axe = new AxeBuilder({ page });
    // Of all that is looked for only the contrast depends on the theme: in the evening that alone is looked at.
    if (where.endsWith('evening')) axe.withRules(['color-contrast']);
    const { violations } = await axe.analyze();
    const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
    expect(serious.map((v) => `${where} at ${width}: ${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`)).toEqual([]);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
}

/** Every screen by one theme: a piece of its own, so that two rounds do not meet. */
async function everyScreen(page: Page, theme: 'day' | 'evening'): Promise<void> {
  // The theme is the workshop's: each round holds its own, whatever the other's page is told.
  await page.addInitScript((own) => {
    const hold = (): void => {
      if (document.documentElement && document.documentElement.dataset.theme !== own) document.documentElement.dataset.theme = own;
    };
    new MutationObserver(hold).observe(document, { attributes: true, childList: true, subtree: true, attributeFilter: ['data-theme'] });
    hold();
  }, theme);
  await page.goto('/');
  const id = await place(page, { name: `Access seat, ${theme}`, count: 2, overrides: { grip: 20 } });
  for (const path of ['/', '/new', '/jobs', '/store', '/diary', `/bench/${id}`, '/log', '/house', '/workshop', '/enter', '/nowhere']) {
    await page.goto(path);
    if (path === '/diary') await expect(page.getByRole('region', { name: 'Pieces' })).toBeVisible({ timeout: 60_000 });
    if (path.startsWith('/bench')) await expect(page.locator('main[data-bench]')).toBeVisible({ timeout: 60_000 });
    await noSeriousViolation(page, `${path} ${theme}`);
  }
  for (const stage of ['strip', 'base', 'build', 'sit', 'cover', 'cut', 'fix', 'bench']) {
    await page.goto(`/piece/${id}?stage=${stage}`);
    // Strip has no sizes of its own: there they are a drawer, opened and looked at like the rest.
    // Pressed before the page is awake it is not heard: it is pressed until the drawer is open.
    const sizes = page.getByRole('heading', { name: 'Sizes' });
    await expect(async () => {
      if (stage === 'strip' && !(await sizes.isVisible()))
        await page
          .getByRole('button', { name: /^Sizes/ })
          .first()
          .click({ timeout: 2000 });
      await expect(sizes).toBeVisible({ timeout: 3000 });
    }).toPass({ timeout: 60_000 });
    if (stage === 'build') await unfold(page, 'Cover');
    if (stage === 'build') await page.getByRole('button', { name: /Wrap at the front/ }).click();
    if (stage === 'sit') await expect(page.getByRole('list', { name: 'Verdict' })).toBeVisible({ timeout: 60_000 });
    await noSeriousViolation(page, `${stage} ${theme}`);
  }
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  for (const look of ['Flat pieces', 'Strain', 'Corners']) {
    await page.getByRole('button', { name: look, exact: true }).click();
    await noSeriousViolation(page, `${look} ${theme}`);
  }
  await page.getByRole('button', { name: 'In the round' }).click();
  await expect(page.locator('[data-drawn="yes"]')).toBeVisible({ timeout: 60_000 });
  await noSeriousViolation(page, `in the round ${theme}`);
  for (const tab of ['cut', 'buy']) {
    await page.goto(`/job/p-${id}?tab=${tab}`);
    await expect(page.locator(tab === 'cut' ? '[data-lay]' : '[data-buy]').first()).toBeVisible({ timeout: 60_000 });
    await noSeriousViolation(page, `${tab} of a job ${theme}`);
  }
  await page.goto(`/piece/${id}?stage=build`);
  for (const box of ['Crown by wish…', 'Foam store…']) {
    await page.getByRole('button', { name: box }).click();
    await noSeriousViolation(page, `${box} ${theme}`);
    await page.keyboard.press('Escape');
  }
  await page.keyboard.press('?');
  await noSeriousViolation(page, `keys ${theme}`);
  await page.keyboard.press('Escape');
}

test('no screen has a serious accessibility fault, by day or in the evening', async ({ page, browser }) => {
  test.setTimeout(900_000);
  // Both rounds at once: each spends most of its time in its own page.
  const evening = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  try {
    await Promise.all([everyScreen(page, 'day'), everyScreen(await evening.newPage(), 'evening')]);
  } finally {
    await evening.close();
  }
});

test('the theme is switched for the whole workshop, and back', async ({ page }) => {
  await page.goto('/');
  for (const [to, from] of [
    ['evening', 'day'],
    ['day', 'evening'],
  ] as const) {
    // Pressed before the page is awake it is not heard: it is pressed until it is, and has another name then.
    await expect(async () => {
      await page.getByRole('button', { name: `Switch to the ${to} theme` }).click({ timeout: 2000 });
      await expect(page.locator('html')).toHaveAttribute('data-theme', to, { timeout: 2000 });
    }).toPass();
    // Kept by the workshop, not only shown.
    await page.waitForLoadState('networkidle');
    await expect(page.getByRole('button', { name: `Switch to the ${from} theme` })).toBeVisible();
    await page.reload();
    await expect(page.locator('html')).toHaveAttribute('data-theme', to);
  }
});

test('the keyboard alone moves handles, overrides a rule and turns stages', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
  const id = await place(page);
  await page.goto(`/piece/${id}?stage=build`);
  await settled(page);
  const crown = page.getByRole('slider', { name: 'Crown height' });
  await crown.focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(crown).toHaveAttribute('aria-valuenow', '31');
  const turn = page.getByRole('slider', { name: 'Chalk line, turn', exact: true });
  await turn.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(turn).toHaveAttribute('aria-valuenow', '10');
  const overhang = page.getByRole('slider', { name: 'Overhang of the main pad' });
  await overhang.focus();
  await page.keyboard.press('ArrowRight');
  await expect(overhang).toHaveAttribute('aria-valuenow', '7');
  await settled(page);
  await page.keyboard.press('Control+z');
  await expect(overhang).toHaveAttribute('aria-valuenow', '6');
  await page.keyboard.press('Alt+5');
  await expect(page.getByRole('button', { name: '5. Cover' })).toHaveAttribute('aria-current', 'step');
  await unfold(page, 'Cover');
  const wrap = page.getByRole('button', { name: /Wrap at the front/ });
  await wrap.focus();
  await page.keyboard.press('Enter');
  const grip = page.getByLabel(/cloth beyond the staple line, for this piece/);
  await grip.focus();
  await page.keyboard.press('ArrowUp');
  await expect(grip).toHaveValue('36 mm');
  const back = page.getByRole('button', { name: 'Take back to the house rule' });
  await back.focus();
  await page.keyboard.press('Enter');
  await expect(grip).toHaveValue('35 mm');
});

for (const [width, height] of [
  [768, 1024],
  [1024, 768],
] as const)
  test(`on a tablet of ${width} × ${height} nothing is cut off, nothing scrolls sideways, the sizes are a drawer`, async ({ page }) => {
    await page.goto('/');
    const id = await place(page);
    await page.setViewportSize({ width, height });
    for (const path of [
      '/',
      '/new',
      '/house',
      '/log',
      '/workshop',
      '/store',
      '/jobs',
      '/diary',
      `/bench/${id}`,
      `/job/p-${id}?tab=cut`,
      `/job/p-${id}?tab=buy`,
      `/piece/${id}?stage=build`,
      `/piece/${id}?stage=cover`,
      `/piece/${id}?stage=bench`,
    ]) {
      await page.goto(path);
      await page.waitForLoadState('networkidle');
      expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), path).toBeLessThanOrEqual(0);
      // What is typed or pressed lies whole within its part of the page.
      const cut = await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('main input:not([type=radio]), main select, main button')]
          .filter((own) => own.checkVisibility())
          .filter((own) => {
            const { left, right } = own.getBoundingClientRect();
            const around = own.closest('section')?.getBoundingClientRect() ?? { left: 0, right: window.innerWidth };
            return right > left && (left < Math.max(0, around.left) - 1 || right > Math.min(window.innerWidth, around.right) + 1);
          })
          .map((own) => own.getAttribute('aria-label') ?? own.textContent ?? own.id),
      );
      expect(cut, path).toEqual([]);
    }
    await page.goto(`/piece/${id}?stage=build`);
    await settled(page);
    const sizes = page.getByRole('region', { name: 'Sizes' });
    await expect(sizes).toBeHidden();
    await page.getByRole('button', { name: /^Sizes/ }).click();
    await expect(sizes).toBeVisible();
    await page.getByRole('button', { name: /^Sizes/ }).click();
    await expect(sizes).toBeHidden();
    const seen = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze();
    expect(seen.violations.map(({ id: own, nodes }) => `${own}: ${nodes[0]!.html}`)).toEqual([]);
  });
