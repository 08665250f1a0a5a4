import { writeFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { deep, test, weekly } from './workshop';
import { newPiece } from '../src/core/piece';
import { fovea, openPads, place, saved, settled, slip, toPads, toSitting, toStage, unfold } from './help';

/** A figure in words, mm. */
const mm = (words: string | null): number => Number(/(-|−)?[\d.]+/.exec(words ?? '')![0].replace('−', '-'));

deep('webbing is as tight as the hand found it: straps to cut, how far it goes down, springs instead', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('tight-seat'), name: 'Settle deck' });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await expect(page.locator('[data-board="stretched"]')).toContainText('goes down 30 mm; 25 to 40 mm is tight enough');
  await expect(slip(page, 'deck.along')).toContainText('470 mm');
  await expect(page.locator('[data-sizes="Board"]')).toContainText('6 to cut, stretched by 12 %');
  // In the cut: two rails and what is stretched between them.
  await expect(page.locator('[data-board-cut]')).toHaveAttribute('d', /Z.*Z.*Z/);

  await toSitting(page);
  await settled(page);
  const deck = page.locator('dt', { hasText: 'Of which webbing or springs' }).locator('xpath=following-sibling::dd[1]');
  const tight = mm(await deck.textContent());
  expect(tight).toBeGreaterThan(15);
  expect(tight).toBeLessThan(45);
  await expect(page.getByLabel('Verdict')).toContainText('15 to 45 is usual');

  // Slack, it is said beside what is wrong with it, and one press mends it.
  await toStage(page, 'Board');
  await page.getByLabel('A hand leant on it goes down').fill('55');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.locator('[data-board="slack"]')).toContainText('too slack');
  await expect(page.locator('[data-warning="deck-slack"]')).toBeVisible();
  await page.getByRole('button', { name: 'Stretch it to 30 mm' }).click();
  await settled(page);
  await expect(page.locator('[data-warning="deck-slack"]')).toHaveCount(0);
  expect((await saved(page, id)).base.deck).toEqual({ kind: 'elastic', give: 30, rail: 40 });

  // Springs run one way, hook into clips; undone, it is webbing again.
  await page.getByLabel('Stretched in it').selectOption('springs');
  await settled(page);
  await expect(slip(page, 'deck.across')).toHaveCount(0);
  await unfold(page, 'Buy');
  await expect(slip(page, 'deck.clips')).toContainText('8');
  await toStage(page, 'Bench');
  await expect(page.getByRole('heading', { name: /Hook in the springs/ })).toBeVisible();
  await expect(page.getByText(/under tension: eye protection/).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: /Stretch the webbing/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /Hessian over it/ })).toBeVisible();

  // The command line says the same of the same document.
  const file = test.info().outputPath('deck.json');
  writeFileSync(file, JSON.stringify(await saved(page, id)));
  const plan = JSON.parse(fovea('plan', file)) as { base: { deck: { straps: unknown[] } }; sit: { deck: number } };
  expect(plan.base.deck.straps).toHaveLength(11);
  expect(plan.sit.deck).toBeCloseTo(tight, 0);
});

deep('what a seat goes between is told before it is cut: covered it is larger than its board', async ({ page }) => {
  await page.goto('/');
  const shape = { type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 20, back: 20 } } as const;
  const id = await place(page, { ...newPiece('chair-seat', shape), name: 'Dropped in' });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await page.getByText('Goes between').click();
  await page.getByRole('button', { name: 'Frame or walls' }).click();
  await settled(page);
  // Begun with room: nothing to say.
  await expect(page.locator('[data-room="true"]')).toBeVisible();
  await page.getByLabel('Between left and right').fill('456');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.locator('[data-room="false"]')).toBeVisible();
  const warning = page.locator('[data-warning="too-large-between"]');
  await expect(warning).toContainText('too wide for its opening');
  await warning.getByRole('button', { name: /^Make the board \d+ mm narrower$/ }).click();
  await settled(page);
  await expect(warning).toHaveCount(0);
  await expect(page.locator('[data-room="true"]')).toBeVisible();
  const { base } = await saved(page, id);
  if (base.shape.type !== 'rectangle') throw new Error(base.shape.type);
  expect(base.shape.width).toBeLessThan(446);
  expect(base.shape.width).toBeGreaterThan(430);
  expect(base.shape.depth).toBe(420);
  // In inches the same place is said in inches.
  const sizes = page.locator('[data-sizes="Padding"]');
  await expect(sizes).toContainText(/free beside it: [\d.]+ mm left and right/);
  await page.getByRole('radio', { name: 'Inches' }).check({ force: true });
  await expect(sizes).toContainText(/free beside it: [\d/]+" left and right/);
  await page.getByRole('radio', { name: 'Millimetres' }).check({ force: true });
});

deep('old foam goes back in from its press test, is patched, and the old holes hold the new cover', async ({ page }) => {
  await page.goto('/');
  const saddle = newPiece('saddle');
  const id = await place(page, {
    ...saddle,
    name: 'Patched saddle',
    base: { ...saddle.base, board: { material: 'moulded-plastic', thickness: 4 } },
  });
  await page.goto(`/piece/${id}?stage=strip`);
  await page.getByRole('button', { name: 'Fasteners', exact: true }).click();
  await page.getByLabel('How many').fill('9');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Carry the holes of item 1 to the base' }).click();
  await expect(page.getByText('9 on the base now')).toBeVisible();
  await page.getByText('Press test of the old foam').click();
  await page.getByRole('button', { name: 'Press test' }).click();
  await page.getByRole('button', { name: 'Put the old foam into the new build' }).click();
  await expect(page.getByRole('button', { name: 'Put the old foam into the new build' })).toHaveCount(0);
  expect((await saved(page, id)).pads.some(({ kept }) => kept === 'cleaned')).toBe(true);

  await toPads(page);
  await settled(page);
  const patch = page.getByLabel('A patch of fresh foam');
  await expect(patch).toBeVisible();
  await patch.check();
  await settled(page);
  await expect(slip(page, 'foam.main insert')).toHaveText('180 mm × 160 mm');
  await expect(page.locator('[data-sizes="Padding"]')).toContainText('Patch in the main pad');

  await toStage(page, 'Bench');
  await expect(page.getByRole('heading', { name: /The old main pad/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /Patch the old main pad/ })).toBeVisible();
  await expect(page.getByText(/9 of them through the old holes/).first()).toBeVisible();

  // One step back each: the patch, the old foam.
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: /Patch the old main pad/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: /The old main pad/ })).toHaveCount(0);
});

weekly(1)('the form of a pad’s top is chosen, taken hold of in the section, and drawn on its side at full size', async ({ page }) => {
  await page.goto('/');
  const seat = newPiece('bench');
  const id = await place(page, { ...seat, name: 'Dipped bench', chalk: { x: 0, y: 0, angle: Math.PI / 2 } });
  await page.goto(`/piece/${id}?stage=padding`);
  await openPads(page);
  await settled(page);
  const before = await slip(page, 'height').textContent();
  await page.getByLabel('Top shape').selectOption({ label: 'A saddle’s dip across' });
  await settled(page);
  await expect(page.locator('[data-sizes="Padding"]')).toContainText('Dip of the main pad');
  await expect(page.locator('[data-sizes="Padding"]')).toContainText('the cover bridges it; glue wadding and cover into it');
  // Its handle: up is shallower, along moves its place.
  const handle = page.getByRole('slider', { name: 'Dip, how deep' });
  await handle.focus();
  for (let k = 0; k < 5; k++) await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByLabel('Dips by')).toHaveValue(/^10/);
  await expect(page.getByLabel('Its middle, behind the middle')).toHaveValue(/^10/);
  // Too deep is refused beside its cause, and what was typed stays.
  await page.getByLabel('Dips by').fill('90');
  await page.keyboard.press('Enter');
  await expect(page.getByText('72 mm maximum')).toBeVisible();
  await expect(page.getByLabel('Dips by')).toHaveValue('90');
  await page.getByLabel('Dips by').fill('10');
  await page.keyboard.press('Enter');

  // Cut to a line: a point dragged in the section is the point on the stencil.
  await page.getByLabel('Top shape').selectOption({ label: 'Cut to a line on its side' });
  await settled(page);
  const point = page.getByRole('slider', { name: 'Point 1 of the side' });
  const box = (await point.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + 12, { steps: 4 });
  await page.mouse.up();
  await settled(page);
  const { profile } = (await saved(page, id)).pads[0]!;
  if (profile?.kind !== 'side') throw new Error('no side');
  expect(profile.points[0]!.height).toBeLessThan(60);
  expect(await slip(page, 'height').textContent()).not.toBe('');
  await page.getByRole('button', { name: 'Print…' }).click();
  await expect(page.getByRole('dialog')).toContainText('Side of the main pad');
  await page.keyboard.press('Escape');
  await toStage(page, 'Bench');
  await expect(page.getByText('draw it, mirror it on to the other')).toBeVisible();
  // Level again: nothing of it is left.
  await toPads(page);
  await page.getByLabel('Top shape').selectOption({ label: 'Level' });
  await settled(page);
  expect(await slip(page, 'height').textContent()).toBe(before);
});

deep('a second cloth: chosen part by part, on its own roll, in the list of what to buy', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('round-seat'), name: 'Two-cloth stool' });
  await page.goto(`/piece/${id}?stage=cover`);
  await settled(page);
  await page.getByLabel('A second cloth on some parts').check();
  await settled(page);
  await expect(page.getByLabel('Piping from it')).toBeChecked();
  await page.getByLabel('Band from it').check();
  await page.getByRole('button', { name: 'Cloth store, second cloth…' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Take / })
    .nth(3)
    .click();
  await expect(page.getByRole('dialog')).toContainText('This piece’s second cloth');
  await page.getByRole('button', { name: 'Done' }).click();
  await settled(page);
  const piece = await saved(page, id);
  expect(piece.covering.secondOn).toEqual(['welt', 'band']);
  expect(piece.second!.name).not.toBe(piece.cloth.name);
  await expect(page.getByText(/of the second cloth/).first()).toBeVisible();
  await unfold(page, 'Buy');
  await expect(slip(page, 'second.length')).toContainText(/m/);
  await toStage(page, 'Cut');
  await expect(page.getByLabel('Cut layouts')).toContainText(piece.second!.name);
  // One press takes it back, and nothing is left on its roll.
  await toStage(page, 'Cover');
  await page.getByLabel('A second cloth on some parts').uncheck();
  await settled(page);
  expect((await saved(page, id)).second).toBeNull();
  await expect(page.getByText(/of the second cloth/)).toHaveCount(0);
});

deep('what a mattress hides is plain cloth, joined below what is seen', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('headboard'), name: 'Night-shift headboard' });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await page.getByText('Hidden below', { exact: true }).click();
  await page.getByRole('button', { name: 'Mattress, skirting, frame' }).click();
  await settled(page);
  await expect(page.locator('[data-hidden="mattress"]')).toBeVisible();
  await expect(slip(page, 'hidden')).toBeVisible();
  await page.getByLabel('Hidden up to').fill('5000');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').first()).toBeVisible();
  await page.getByLabel('Hidden up to').fill('200');
  await page.keyboard.press('Enter');
  await toStage(page, 'Cover');
  await settled(page);
  await unfold(page, 'Cover');
  await expect(slip(page, 'piece.cover-below')).toBeVisible();
  await toStage(page, 'Bench');
  await expect(page.getByText(/hidden seam/).first()).toBeVisible();
  expect((await saved(page, id)).base.hidden).toMatchObject({ by: 'mattress', upTo: 200 });
});

deep('marks made before cover and base part are lettered, and met again', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('chair-seat'), name: 'Marked seat' });
  await page.goto(`/piece/${id}?stage=strip`);
  await page.getByText('Marks that must meet again').click();
  await page.getByRole('button', { name: 'Mark', exact: true }).click();
  await page.getByLabel('What meets there').fill('Dark stripe');
  await page.keyboard.press('Enter');
  await page.getByLabel('On which edge').selectOption('back');
  await page.getByLabel('From the edge’s middle').fill('45');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('From the edge’s middle')).toHaveValue(/^45/);
  expect((await saved(page, id)).strip!.meet).toMatchObject([{ name: 'Dark stripe', edge: { kind: 'edge', name: 'back' }, along: 45 }]);
  await toStage(page, 'Cover');
  await settled(page);
  await expect(page.locator('[data-meet="A"]')).toBeVisible();
  await toStage(page, 'Bench');
  await expect(page.getByText('A (Dark stripe, back, 45 mm right of the middle)')).toBeVisible();
});

deep('a bordered headboard goes on in stages, or sewn as one', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('headboard-bordered'), name: 'Staged headboard' });
  await page.goto(`/piece/${id}?stage=bench`);
  await expect(page.getByText('Back-tack the border')).toBeVisible();
  await toStage(page, 'Cover');
  await page.getByLabel('Made').selectOption({ label: 'Sewn as one cover' });
  await settled(page);
  await toStage(page, 'Bench');
  await expect(page.getByText('Sew the cover')).toBeVisible();
  await expect(page.getByText('Back-tack the border')).toHaveCount(0);
});

deep('a board put together from planks: its courses to saw, and battens where it is not glued', async ({ page }) => {
  await page.goto('/');
  const id = await place(page, { ...newPiece('headboard'), name: 'Plank headboard' });
  await page.goto(`/piece/${id}?stage=board`);
  await settled(page);
  await page.getByText('Made of pieces', { exact: true }).click();
  await page.getByRole('button', { name: 'Planks in courses' }).click();
  await settled(page);
  await expect(page.locator('[data-courses="4"]')).toBeVisible();
  await expect(slip(page, 'course.1.1')).toContainText('1500 mm × 200 mm');
  await page.getByLabel('Joints glued').uncheck();
  await settled(page);
  await expect(page.locator('[data-warning="courses-loose"]')).toBeVisible();
  await page.getByRole('button', { name: 'A frame with two ribs' }).click();
  await settled(page);
  await expect(page.locator('[data-warning="courses-loose"]')).toHaveCount(0);
  await toStage(page, 'Bench');
  await expect(page.getByText('Put the board together')).toBeVisible();
  expect((await saved(page, id)).base.frame!.ribs).toBe(2);
});
