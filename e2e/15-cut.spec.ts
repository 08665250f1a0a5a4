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
