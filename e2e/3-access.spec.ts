import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { deep, test, weekly } from './workshop';
import { thisWeek, thorough } from '../src/testing/runs';
import { place, settled, unfold } from './help';

/** A laptop, a tablet lying, a tablet standing. */
const SIZES = [
  [1280, 800],
  [1024, 768],
  [768, 1024],
] as const;

const THEMES = ['day', 'evening'] as const;

/** What the law of many places asks. */
const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

const PAGES = ['/', '/new', '/jobs', '/store', '/diary', '/bench', '/log', '/house', '/workshop', '/enter', '/nowhere'];
const STAGES = ['strip', 'board', 'padding', 'cover', 'cut', 'bench'];
const LOOKS = ['Flat pieces', 'Strain', 'Corners'];
const BOXES = ['Set finished crown…', 'Foam store…'];
const SCREENS = [...PAGES, ...STAGES, ...LOOKS, '3D', 'cut of a job', 'buy of a job', ...BOXES, 'keys'];

/** Every screen at every size in both themes in `npm run thorough`; otherwise a fifth of them a week, each at one size in one theme. */
const LOOKED_AT = new Set(thisWeek(SCREENS, 5));
let looked = 0;

/** Looks at a screen as it stands: with every rule; a second theme for its contrast, all that depends on the theme. */
async function noSeriousViolation(page: Page, where: string): Promise<void> {
  const html = page.locator('html');
  // A colour on its way from one theme to the other is no colour of either.
  await page.addStyleTag({ content: '*, *::before, *::after { transition: none !important; }' });
  const turn = looked++;
  for (const [width, height] of thorough ? SIZES : [SIZES[turn % SIZES.length]!]) {
    await page.setViewportSize({ width, height });
    for (const theme of thorough ? THEMES : [THEMES[turn % 2]!]) {
      await html.evaluate((element, wanted) => void (element.dataset.theme = wanted), theme);
      const axe = new AxeBuilder({ page });
      if (theme === 'evening' && thorough) axe.withRules(['color-contrast']);
      else axe.withTags(WCAG);
      const { violations } = await axe.analyze();
      // A look by one theme that was made in the other would have looked at nothing.
      expect(await html.getAttribute('data-theme')).toBe(theme);
      const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
      const says = serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`);
      expect(says, `${where}, ${theme}, at ${width}`).toEqual([]);
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 });
}

/** Every screen of this week, one after the other. */
async function everyScreen(page: Page): Promise<void> {
  const wanted = (names: readonly string[]): string[] => names.filter((name) => LOOKED_AT.has(name));
  await page.goto('/');
  const id = await place(page, { name: 'Access seat', count: 2, overrides: { grip: 20 } });
  for (const path of wanted(PAGES)) {
    await page.goto(path === '/bench' ? `/bench/${id}` : path);
    if (path === '/diary') await expect(page.getByRole('region', { name: 'Pieces' })).toBeVisible({ timeout: 60_000 });
    if (path === '/bench') await expect(page.locator('main[data-bench]')).toBeVisible({ timeout: 60_000 });
    await noSeriousViolation(page, path);
  }
  for (const stage of wanted(STAGES)) {
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
    if (stage === 'padding') {
      await unfold(page, 'Cover');
      await page.getByRole('button', { name: /Wrap at the front/ }).click();
      await page.locator('[data-verdict]').click();
      await expect(page.getByRole('list', { name: 'Verdict' })).toBeVisible({ timeout: 60_000 });
    }
    await noSeriousViolation(page, stage);
  }
  for (const look of wanted([...LOOKS, '3D'])) {
    await page.goto(`/piece/${id}?stage=cover`);
    await settled(page);
    await page.getByRole('button', { name: look, exact: true }).click();
    if (look === '3D') await expect(page.locator('[data-drawn="yes"]')).toBeVisible({ timeout: 60_000 });
    await noSeriousViolation(page, look);
  }
  for (const name of wanted(['cut of a job', 'buy of a job'])) {
    const [tab] = name.split(' ');
    await page.goto(`/job/p-${id}?tab=${tab}`);
    await expect(page.locator(tab === 'cut' ? '[data-lay]' : '[data-buy]').first()).toBeVisible({ timeout: 60_000 });
    await noSeriousViolation(page, name);
  }
  for (const box of wanted([...BOXES, 'keys'])) {
    await page.goto(`/piece/${id}?stage=padding`);
    await settled(page);
    if (box === 'keys') await page.keyboard.press('?');
    else await page.getByRole('button', { name: box }).click();
    await noSeriousViolation(page, box);
  }
}

test('no screen has a serious accessibility fault, by day or in the evening', async ({ page }) => {
  test.setTimeout(900_000);
  await everyScreen(page);
});

weekly(3)('the theme is switched for the whole workshop, and back', async ({ page }) => {
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

weekly(0)('the keyboard alone moves handles, overrides a rule and turns stages', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
  const id = await place(page);
  await page.goto(`/piece/${id}?stage=padding`);
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
  await page.keyboard.press('Alt+3');
  await expect(page.getByRole('button', { name: '3. Cover' })).toHaveAttribute('aria-current', 'step');
  await unfold(page, 'Cover');
  const wrap = page.getByRole('button', { name: /Wrap at the front/ });
  await wrap.focus();
  await page.keyboard.press('Enter');
  const grip = page.getByLabel(/pull allowance beyond the staple line, for this piece/);
  await grip.focus();
  await page.keyboard.press('ArrowUp');
  await expect(grip).toHaveValue('36 mm');
  const back = page.getByRole('button', { name: 'Take back to the house rule' });
  await back.focus();
  await page.keyboard.press('Enter');
  await expect(grip).toHaveValue('35 mm');
});

const TABLETS = [
  [768, 1024],
  [1024, 768],
] as const;

/** What is typed or pressed and does not lie whole within its part of the page. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('main input:not([type=radio]), main select, main button')]
      .filter((control) => control.checkVisibility())
      .filter((control) => {
        const { left, right } = control.getBoundingClientRect();
        const around = control.closest('section')?.getBoundingClientRect() ?? { left: 0, right: window.innerWidth };
        return right > left && (left < Math.max(0, around.left) - 1 || right > Math.min(window.innerWidth, around.right) + 1);
      })
      .map((control) => control.getAttribute('aria-label') ?? control.textContent ?? control.id),
  );

deep('on a tablet, upright or lying, nothing is cut off, nothing scrolls sideways, the sizes are a drawer', async ({ page }) => {
  test.setTimeout(300_000);
  await page.goto('/');
  const id = await place(page);
  for (const [k, path] of [
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
    `/piece/${id}?stage=padding`,
    `/piece/${id}?stage=cover`,
    `/piece/${id}?stage=bench`,
  ].entries()) {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    for (const [width, height] of thorough ? TABLETS : [TABLETS[k % 2]!]) {
      await page.setViewportSize({ width, height });
      await expect
        .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), `${path} at ${width}`)
        .toBeLessThanOrEqual(0);
      await expect.poll(() => cutOff(page), `${path} at ${width}`).toEqual([]);
    }
  }
  for (const [width, height] of TABLETS) {
    await page.setViewportSize({ width, height });
    await page.goto(`/piece/${id}?stage=padding`);
    await settled(page);
    const sizes = page.getByRole('region', { name: 'Sizes' });
    await expect(sizes).toBeHidden();
    await page.getByRole('button', { name: /^Sizes/ }).click();
    await expect(sizes).toBeVisible();
    await page.getByRole('button', { name: /^Sizes/ }).click();
    await expect(sizes).toBeHidden();
    const seen = await new AxeBuilder({ page }).withTags(WCAG).analyze();
    expect(seen.violations.map(({ id: text, nodes }) => `${text}: ${nodes[0]!.html}`)).toEqual([]);
  }
});

test('on a phone the floor, the run sheet, the bench and the sizes work, and drawing says that it needs a larger screen', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  const id = await place(page, { name: 'Seat on the phone' });
  const fits = async (where: string): Promise<void> => {
    await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), where).toBeLessThanOrEqual(0);
  };
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Seat on the phone' })).toBeVisible();
  await fits('floor');
  await page.goto(`/piece/${id}?stage=bench`);
  await page.locator('[data-step]').first().getByRole('checkbox').first().locator('..').click();
  await expect(page.locator('[data-step]').first().getByRole('checkbox').first()).toBeChecked();
  await fits('run sheet');
  await page.getByRole('button', { name: /^Sizes/ }).click();
  await expect(page.getByRole('heading', { name: 'Sizes' })).toBeVisible();
  await fits('sizes');
  await page.goto(`/bench/${id}`);
  await expect(page.getByRole('button', { name: /^Done/ })).toBeVisible({ timeout: 60_000 });
  await fits('bench');
  await page.goto(`/piece/${id}?stage=board`);
  await expect(page.getByText('Drawing needs a larger screen.')).toBeVisible();
  await fits('board');
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByText('Drawing needs a larger screen.')).toBeHidden();
});
