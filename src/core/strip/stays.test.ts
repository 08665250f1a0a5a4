import { describe, expect, it } from 'vitest';
import { problemsOf } from '../document';
import { newPiece, type Pad, type Piece, type StripItem } from '../piece';
import { mendOf, planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { NO_STRIP, pressTest, withOldFoam } from '.';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const keysOf = (plan: Plan): string[] => plan.steps.map(({ key }) => key);
const bench = newPiece('bench');
const layer: Pad = { id: 'plumping', role: 'topper', material: 'seat-medium-soft', thickness: 20, offset: null, edge: { kind: 'square' } };
const withPads = (...pads: Pad[]): Piece => ({ ...bench, pads });
const { trim: _trim, blocks: _blocks, ...main } = bench.pads[0]!;
void [_trim, _blocks];
const old: Pad = { ...main, thickness: 68, kept: 'stays' };
const pad = (change: Partial<StripItem>): StripItem => ({
  ...{ id: 's-1', what: 'pad', name: 'Seat foam', where: '', count: 1, crown: 0, leg: 0, thickness: 68, again: 'stays', photos: [] },
  ...change,
});
const size = (piece: Piece, key: string): number => sizesOf(planned(piece), piece, {}).find((line) => line.key === key)?.value ?? 0;

describe('a pad that stays on its base', () => {
  it('is neither cut, bought, sprayed, laid nor trimmed; what lies on it is', () => {
    const plan = planned(withPads(old, layer));
    const keys = keysOf(plan);
    expect(keys).toContain('kept-main');
    for (const key of ['spray-main', 'glue-main', 'trim-main']) expect(keys, key).not.toContain(key);
    expect(keys).toContain('spray-plumping');
    expect(plan.cut.foam.layouts.flatMap(({ sheets }) => sheets.flat()).map(({ label }) => label)).toEqual(['plumping']);
    // One joint of glue where a pad that was taken off has two.
    const taken = withPads({ ...old, kept: 'cleaned' }, layer);
    const joint = 2 * plan.foam[0]!.area;
    expect(size(taken, 'glue') - size(withPads(old, layer), 'glue')).toBeGreaterThan(0.9 * joint);
    expect(planned(taken).minutes).toBeGreaterThan(plan.minutes);
  });

  it('ends where it does: not moved out over the board, unless that was measured', () => {
    const width = (piece: Piece): number => planned(piece).foam[0]!.finished.width;
    expect(width(withPads(old, layer))).toBeCloseTo(1200, 6);
    expect(width(withPads({ ...old, kept: 'cleaned' }, layer))).toBeCloseTo(1212, 6);
    expect(width(withPads({ ...old, offset: -3 }, layer))).toBeCloseTo(1194, 6);
  });

  it('lies lowest: nothing new comes under it', () => {
    expect(problemsOf(withPads(old, layer))).toEqual([]);
    expect(problemsOf(withPads(layer, { ...old, id: 'other' })).map(({ path }) => path)).toContain('pads.1.kept');
  });

  it('is asked about where Strip says that it stays and the padding is all new; one press builds on it', () => {
    const piece: Piece = { ...bench, strip: { ...NO_STRIP, items: [pad({})] } };
    const warning = planned(piece).warnings.find(({ code }) => code === 'foam-stays')!;
    const mend = mendOf(piece, warning)!;
    const mended = { ...piece, pads: mend.value as Pad[] };
    expect(problemsOf(mended)).toEqual([]);
    expect(mended.pads[0]).toMatchObject({ kept: 'stays', thickness: 68 });
    expect(planned(mended).warnings.map(({ code }) => code)).not.toContain('foam-stays');
    expect(
      planned({ ...piece, strip: { ...NO_STRIP, items: [pad({ again: 'replace' })] } }).warnings.map(({ code }) => code),
    ).not.toContain('foam-stays');
    // A crown that was planned under it cannot be laid there any more.
    const chair: Piece = { ...newPiece('chair-seat'), strip: piece.strip! };
    const crowned = mendOf(
      chair,
      planned(chair).warnings.find(({ code }) => code === 'foam-stays')!,
    )!.value as Pad[];
    expect(crowned.map(({ role, kept }) => [role, kept])).toEqual([['main', 'stays']]);
    // Foam that the press test keeps stays where Strip says that it was not taken off.
    const readings = { asNew: 70, now: 68, seconds: 1, crumbs: false, mould: false, marks: false };
    expect(withOldFoam(piece, readings)![0]!.kept).toBe('stays');
    expect(withOldFoam({ ...piece, strip: NO_STRIP }, readings)![0]!.kept).toBe('cleaned');
  });
});

describe('webbing that stays in', () => {
  it('is looked over, and nothing of it is cut, bought or put in', () => {
    const seat = newPiece('tight-seat');
    const deck = { kind: 'elastic', give: 30, rail: 40, made: 'stays' } as const;
    const piece: Piece = { ...seat, base: { ...seat.base, deck } };
    const [fresh, stays] = [planned(seat), planned(piece)];
    expect(keysOf(stays)).toContain('deck-check');
    for (const key of ['deck', 'hessian']) {
      expect(keysOf(fresh), key).toContain(key);
      expect(keysOf(stays), key).not.toContain(key);
    }
    const deckLines = (of: Piece): string[] => sizesOf(planned(of), of, {}).flatMap(({ key }) => (key.startsWith('deck.') ? [key] : []));
    expect(deckLines(seat).length).toBeGreaterThan(3);
    expect(deckLines(piece)).toEqual([]);
    expect(stays.minutes).toBeLessThan(fresh.minutes - 30);
    // It carries as it did: the seat is the same.
    expect(stays.surface.height).toBeCloseTo(fresh.surface.height, 6);
  });
});

describe('the press test', () => {
  const thick = { asNew: 50, now: 50, seconds: 1, crumbs: false, mould: false, marks: false };
  it('asks for hardness too: thick but dead foam goes, softer foam is plumped', () => {
    expect(pressTest({ ...thick, hardness: 'dead' })).toMatchObject({
      verdict: 'replace',
      decided: 'It gives way at once under the hand: thick, but dead.',
    });
    expect(pressTest({ ...thick, hardness: 'softer' })).toMatchObject({ verdict: 'plump', plump: 5 });
    expect(pressTest({ ...thick, hardness: 'as-new' }).verdict).toBe('keep');
    expect(pressTest(thick).verdict).toBe('keep');
  });
});
