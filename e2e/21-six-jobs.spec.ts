import { expect, type Page } from '@playwright/test';
import { thisWeek } from '../src/testing/runs';
import { test } from './workshop';

/** A new user with a tape: what is chosen, typed and pressed until templates lie in the printer. */
class Tape {
  entries = 0;
  constructor(readonly page: Page) {}

  async choose(label: string, option: string): Promise<void> {
    this.entries += 1;
    await this.page.getByLabel(label, { exact: true }).selectOption({ label: option });
  }

  async type(label: string, figure: string): Promise<void> {
    this.entries += 1;
    const field = this.page.getByLabel(label, { exact: true });
    await field.fill(figure);
    await field.press('Enter');
  }

  async press(name: string): Promise<void> {
    this.entries += 1;
    await this.page.getByRole('button', { name, exact: true }).click();
  }

  async shape(name: string): Promise<void> {
    this.entries += 1;
    await this.page.getByRole('radio', { name, exact: true }).check({ force: true });
  }

  async stage(name: string): Promise<void> {
    this.entries += 1;
    await this.page
      .getByRole('navigation', { name: 'Stages' })
      .getByRole('button', { name: new RegExp(name) })
      .click();
  }
}

type Job = { title: string; most: number; measure: (tape: Tape) => Promise<void>; then?: (tape: Tape) => Promise<void> };

const JOBS: Job[] = [
  {
    title: 'six hall seats',
    most: 12,
    measure: async (tape) => {
      await tape.type('Name', 'Hall seats');
      await tape.type('Quantity', '6');
      await tape.type('Front width', '460');
      await tape.type('Back width', '400');
      await tape.type('Depth', '430');
    },
  },
  {
    title: 'a buttoned headboard',
    most: 12,
    measure: async (tape) => {
      await tape.choose('What are you covering?', 'Headboard, plain');
      await tape.shape('Rectangle');
      await tape.type('Width', '1500');
      await tape.type('Height', '650');
    },
    then: async (tape) => {
      await tape.stage('Cover');
      await tape.choose('Way of covering', 'Buttoned');
    },
  },
  {
    title: 'a boxed bench cushion',
    most: 12,
    measure: async (tape) => {
      await tape.choose('What are you covering?', 'Seat cushion, loose');
      await tape.type('Width', '1180');
      await tape.type('Depth', '350');
    },
  },
  {
    title: 'a saddle from three cross-sections',
    most: 20,
    measure: async (tape) => {
      await tape.choose('What are you covering?', 'Vehicle saddle');
      const rows = tape.page.getByRole('button', { name: /^Take row \d+ out$/ });
      while ((await rows.count()) > 3) {
        tape.entries += 1;
        await rows.last().click();
      }
      for (const [row, at, width, drop] of [
        [1, '0', '110', '8'],
        [2, '240', '190', '14'],
        [3, '480', '250', '20'],
      ] as const) {
        await tape.type(`From front, row ${row}`, at);
        await tape.type(`Width, row ${row}`, width);
        await tape.type(`Drop, row ${row}`, drop);
      }
    },
  },
  {
    title: 'a round stool',
    most: 12,
    measure: async (tape) => {
      await tape.choose('What are you covering?', 'Round seat, boxed');
      await tape.type('Diameter', '340');
    },
  },
  {
    title: 'four wall panels',
    most: 12,
    measure: async (tape) => {
      await tape.choose('What are you covering?', 'Headboard or wall, panelled');
      await tape.type('Width', '600');
      await tape.type('Height', '450');
    },
    then: async (tape) => {
      await tape.type('Panels', '4');
    },
  },
];

for (const job of thisWeek(JOBS, 6))
  test(`a new user with a tape: ${job.title}`, async ({ page }) => {
    page.setDefaultTimeout(15_000);
    const tape = new Tape(page);
    await page.goto('/new');
    await job.measure(tape);
    // Nothing that was typed needed explaining.
    await expect(page.locator('main [role="alert"]')).toHaveCount(0);
    await tape.press('Start this piece');
    const blank = page.getByRole('button', { name: 'Use standard sizes for blanks' });
    await expect(page.getByRole('navigation', { name: 'Stages' }).or(blank)).toBeVisible();
    if (await blank.isVisible()) await tape.press('Use standard sizes for blanks');
    await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
    await job.then?.(tape);
    await expect(page.locator('[data-save="saved"]')).toBeVisible();
    await expect(page.locator('[data-warning]')).toHaveCount(0);
    await tape.press('Print…');
    const pages = page.locator('[data-pages]');
    await expect(pages).not.toHaveAttribute('data-pages', '', { timeout: 90_000 });
    tape.entries += 1;
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Save as PDF' }).click()]);
    expect(await file.failure()).toBeNull();
    await file.saveAs(`test-results/papers/${job.title.replaceAll(' ', '-')}.pdf`);
    expect(Number(await pages.getAttribute('data-pages'))).toBeLessThanOrEqual(12);
    expect(tape.entries, 'entries to templates').toBeLessThanOrEqual(job.most);
    console.log(`${job.title}: ${tape.entries} entries, ${await pages.getAttribute('data-pages')} sheets`);
  });
