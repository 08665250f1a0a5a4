import { readFileSync, writeFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { test, weekly } from './workshop';
import { csvParse } from 'd3';
import DxfParser from 'dxf-parser';
import { newPiece, type Piece } from '../src/core/piece';
import { fovea, place, slip, unfold } from './help';

weekly(2)('patterns at full size and the cut list leave as files that other programs read', async ({ page }) => {
  const id = await place(page, { ...newPiece('round-seat'), name: 'Kitchen stool' });
  await page.goto(`/piece/${id}?stage=cut`);
  const section = page.getByRole('region', { name: 'Patterns and cut list' });
  const saved = async (name: string): Promise<string> => {
    const [download] = await Promise.all([page.waitForEvent('download'), section.getByRole('link', { name, exact: true }).click()]);
    return readFileSync(await download.path(), 'utf8');
  };
  const dxf = new DxfParser().parseSync(await saved('DXF'))!;
  expect(Object.keys(dxf.tables.layer.layers)).toEqual(expect.arrayContaining(['CUT', 'SEAM', 'NOTCH', 'MARK', 'TEXT']));
  const rows = csvParse(await saved('Cut list, CSV'));
  await expect(page.locator('[data-sizes="Cover"]')).toBeVisible({ timeout: 60_000 });
  await unfold(page, 'Cover');
  const top = rows.find(({ what }) => what === 'Top panel')!;
  await expect(slip(page, 'piece.top')).toHaveText(`${Math.round(Number(top.width_mm))} mm × ${Math.round(Number(top.length_mm))} mm`);
  expect(await saved('SVG')).toContain('<g id="cut"');
  // The command line gives the same file for the same piece.
  const { piece } = (await (await page.request.get(`/api/pieces/${id}`)).json()) as { piece: Piece };
  const file = test.info().outputPath('stool.json');
  writeFileSync(file, JSON.stringify(piece));
  expect(fovea('pattern', file, 'csv')).toBe(await saved('Cut list, CSV'));
  expect(() => fovea('pattern', file, 'pdf')).toThrow(/pattern FILE svg\|dxf\|csv/);
});

test('cloth you have, a board sawn new and fire papers: typed, answered, bought', async ({ page }) => {
  const start = newPiece('chair-seat');
  const board = { ...start.base.board, made: 'sawn' as const };
  const id = await place(page, { ...start, name: 'Ladder room chair', count: 6, base: { ...start.base, board } });
  await page.goto(`/piece/${id}?stage=cut`);
  await expect(page.getByRole('img', { name: /Plywood, 12 mm, sheet 1 of 1/ })).toBeVisible({ timeout: 60_000 });
  const within = page.locator('[data-within]');
  await page.getByText('Only so much cloth').click();
  const have = page.getByLabel('Cloth you have');
  await have.fill('9 m');
  await have.press('Enter');
  await expect(within).toContainText('It is enough', { timeout: 60_000 });
  await have.fill('0.5 m');
  await have.press('Enter');
  await expect(within).toContainText(/short, even with every allowance at its least\. As planned, none of the 6 can be cut from it/, {
    timeout: 60_000,
  });
  await page.goto(`/job/p-${id}?tab=buy`);
  await expect(page.locator('[data-buy="Plywood, 12 mm"]')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('region', { name: 'Fire papers' })).toContainText('No certificate on file for');
});
