import { describe, expect, it } from 'vitest';
import { inspectPlan } from '../inspection';
import { newPiece, type Piece } from '../piece';
import { mendOf, planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const covered = (kind: Piece['kind'], covering: Partial<Piece['covering']>, cloth: Partial<Piece['cloth']> = {}): Piece => {
  const start = newPiece(kind);
  return { ...start, covering: { ...start.covering, ...covering }, cloth: { ...start.cloth, ...cloth } };
};
const notes = (piece: Piece): Map<string, string> => new Map(sizesOf(planned(piece), piece, {}).map(({ key, note = '' }) => [key, note]));
const codes = (piece: Piece): string[] => planned(piece).warnings.map(({ code }) => code);

describe('a piece that lives outdoors', () => {
  const bench = covered('bench', { outdoors: true }, { fibre: 'synthetic' });

  it('has stainless staples, whatever lies under its cover; one indoors has not, a waterproof layer or none', () => {
    expect(planned(bench).fixing.fastener.stainless).toBe(true);
    expect(planned(covered('bench', { waterproof: true })).fixing.fastener.stainless).toBe(false);
    expect(planned(newPiece('bench')).fixing.fastener.stainless).toBe(false);
    // A vehicle's pan gets wet unless somebody says that it does not.
    expect(planned(newPiece('saddle')).fixing.fastener.stainless).toBe(true);
    expect(planned(covered('saddle', { outdoors: false })).fixing.fastener.stainless).toBe(false);
    expect(notes(bench).get('staple.count')).toContain('stainless');
  });

  it('names what lasts of everything that would rust or rot', () => {
    const nailed = covered('headboard-nailed', { outdoors: true }, { fibre: 'synthetic' });
    const lines = sizesOf(planned(nailed), nailed, {}).filter(({ ware }) => ware && ware !== 'laid' && ware.kind === 'fastener');
    expect(lines.length).toBeGreaterThan(0);
    for (const { key, note } of lines) expect(note, key).toContain('stainless');
    expect(notes(covered('round-seat', { outdoors: true })).get('thread')).toContain('polyester');
    expect(notes(newPiece('round-seat')).get('thread')).not.toContain('polyester');
  });

  it('gets a film, fixed underneath on a row of its own, with its staples and minutes', () => {
    const plan = planned(bench);
    const step = plan.steps.find(({ key }) => key === 'lay-film')!;
    expect(step.detail).toMatch(/never pierced on top\. Its staples \d+ mm in from the board’s edge; trim it beside them\./);
    expect(step.uses).toContain('staple');
    expect(plan.cut.film!.laid).toHaveLength(bench.count);
    const dry = planned(covered('bench', { slipFilm: true }));
    // Twice as far apart as the cover's, 3,200 round at 44: seventy-odd.
    const more =
      plan.fixing.fasteners.find(({ id }) => id === 'staples')!.count - dry.fixing.fasteners.find(({ id }) => id === 'staples')!.count;
    expect(more).toBeGreaterThan(65);
    expect(more).toBeLessThan(80);
    expect(step.minutes).toBeGreaterThan(dry.steps.find(({ key }) => key === 'lay-film')!.minutes);
    expect(inspectPlan({ plan, sizes: sizesOf(plan, bench, {}) })).toEqual([]);
    // What keeps the water out already needs no film.
    expect(planned(covered('bench', { outdoors: true, waterproof: true })).cut.film).toBeNull();
  });

  it('asks for a cloth that lasts, and offers to stay indoors', () => {
    const wool = covered('bench', { outdoors: true }, { fibre: 'wool' });
    const warning = planned(wool).warnings.find(({ code }) => code === 'rots-outdoors')!;
    expect(mendOf(wool, warning)).toMatchObject({ path: 'covering.outdoors', value: false });
    expect(codes(bench)).not.toContain('rots-outdoors');
    expect(codes(covered('bench', {}, { fibre: 'wool' }))).not.toContain('rots-outdoors');
  });
});

describe('a layer round a loose pad', () => {
  it.each(['liner', 'slipFilm', 'waterproof'] as const)('%s is one sheet that wraps it, lapped and folded', (layer) => {
    const plan = planned(covered('seat-cushion', { [layer]: true }));
    const [sheet] = plan.cover.linings;
    // 500 × 480 × 100: twice 480 and 100 round with a lap of 60; 500 and two half ends of 50, folded, with as much.
    expect(sheet!.height).toBeGreaterThan(2 * (480 + 100));
    expect(sheet!.height).toBeLessThan(2 * (480 + 110) + 100);
    expect(sheet!.width).toBeGreaterThan(500 + 100);
    expect(sheet!.width).toBeLessThan(500 + 110 + 100);
    const step = plan.steps.find(({ key }) => key.startsWith('lay-'))!;
    expect(step.name).toMatch(/^Wrap the pad in the/);
    expect(step.detail).not.toMatch(/staple|board/);
    const keys = plan.steps.map(({ key }) => key);
    expect(keys.indexOf(step.key)).toBeGreaterThan(keys.indexOf('wadding'));
    expect(keys.indexOf(step.key)).toBeLessThan(keys.indexOf('stuff'));
  });
});
