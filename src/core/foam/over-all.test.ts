import { describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { overAll, stressAt, WADDING_CURVE } from '.';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */
const plan = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const bench = newPiece('bench');
const over = (wadding: string | null, more: Partial<Piece> = {}): Piece => ({ ...bench, ...more, wadding });

describe('thin backed foam stretched over all', () => {
  it('keeps its thickness, where loose wadding settles, and presses in less', () => {
    expect(overAll('wadding-200', 40).thickness).toBe(6);
    expect(overAll('backed-5', 40).thickness).toBe(5);
    expect(overAll(null, 40).thickness).toBe(0);
    expect(stressAt(overAll('backed-5', 40).curve, 0.25)).toBeGreaterThan(3 * stressAt(WADDING_CURVE, 0.25));
  });

  const bare = plan(over(null));
  const backed = plan(over('backed-5'));

  it('lies under the cover: the middle is by nearly its thickness higher', () => {
    const more = backed.surface.height - bare.surface.height;
    expect(more).toBeGreaterThan(3.5);
    expect(more).toBeLessThanOrEqual(5.01);
  });

  it('the side is longer by its quarter turn round the edge, no more', () => {
    const [a, b] = [bare, backed].map(({ stations }) => stations.find(({ part }) => part.kind === 'edge' && part.name === 'front')!);
    expect(b!.top + b!.side - a!.top - a!.side).toBeGreaterThan(2);
    expect(b!.top + b!.side - a!.top - a!.side).toBeLessThan((Math.PI / 2) * 5 + 5);
  });

  it('is cut so that it is held under the board, bought off its roll with its staples, and stretched before the cover', () => {
    const piece = over('backed-5');
    const wadding = plan(over('wadding-200')).wadding!;
    // Forty millimetres under on either side of the bench; a seat's loose wadding ends at the board's lower edge.
    expect(backed.wadding!.width - wadding.width).toBeGreaterThan(60);
    expect(backed.wadding!.name).toBe('Backed foam');
    const lines = sizesOf(backed, piece, {});
    expect(lines.find(({ key }) => key === 'wadding.length')!.label).toBe('Backed foam');
    const staples = lines.find(({ key }) => key === 'wadding.staples')!.value;
    // A bench a metre and a half long: a staple every 20 to 40 mm all round.
    const round = 2 * (backed.wadding!.width + backed.wadding!.height);
    expect(staples).toBeGreaterThan(round / 45);
    expect(staples).toBeLessThan(round / 15);
    const keys = backed.steps.map(({ key }) => key);
    const step = backed.steps.find(({ key }) => key === 'wadding')!;
    expect(step.name).toBe('Stretch the backed foam over all');
    expect(step.detail).not.toMatch(/glue/i);
    // Between the edge and the cover's own line, which is 18 in: two rows on each other split the board.
    expect(step.detail).toContain('8 mm in from the board’s edge');
    expect(keys.indexOf('wadding')).toBeLessThan(keys.findIndex((key) => key.startsWith('staple')));
    expect(backed.warnings.map(({ code }) => code)).toEqual(bare.warnings.map(({ code }) => code));
  });

  it('on a pan it is glued round the edge: nothing holds a staple there', () => {
    const saddle = plan({ ...newPiece('saddle'), wadding: 'backed-3' });
    expect(saddle.steps.find(({ key }) => key === 'wadding')!.detail).toContain('Glue it 40 mm round the pan’s edge');
  });
});

describe('along a zip nothing loose lies under the slider', () => {
  const loose: Piece = { ...newPiece('block-seat'), covering: { way: 'block' }, wadding: 'wadding-200' };
  const planned = plan(loose);

  it('a strip is trimmed out of the wadding, as long as the zip', () => {
    const strip = sizesOf(planned, loose, {}).find(({ key }) => key === 'zip.free')!;
    // Two fingers either side are too many, a slider's width too few.
    expect(strip.value).toBeGreaterThanOrEqual(25);
    expect(strip.value).toBeLessThanOrEqual(60);
    expect(strip.by).toBeCloseTo(planned.cover.zip!.length, 6);
    expect(planned.steps.find(({ key }) => key === 'wadding')!.detail).toContain('Along the zip at the back trim a strip away 40 mm wide');
    expect(planned.steps.find(({ key }) => key === 'zip')!.detail).toContain('within 20 mm of its teeth');
  });
});
