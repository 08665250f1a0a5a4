import { describe, expect, it } from 'vitest';
import { CLOTHS } from '../../cloth';
import { problemsOf } from '../../document';
import { newPiece, type Cloth, type Piece, type PieceKind, type Welt } from '../../piece';
import { mendOf, planPiece, type Plan } from '../../plan';
import { withAt } from '@/ui/sheet/drawn/path';
import { layersAt } from './seam-plans';
import { QUICK } from '../../../testing/quick';
import { weekly } from '../../../testing/weekly';

const planned = (piece: Piece, house: Record<string, number> = {}): Plan => planPiece(piece, house, QUICK);
const welt: Welt = { cord: 5, cut: 'as-it-bends', upper: true, lower: true, double: false, held: 'stapled' };
const seat = (kind: PieceKind, cloth: Partial<Cloth>, change: Partial<Welt> | null = {}): Piece => {
  const plain = newPiece(kind);
  return {
    ...plain,
    cloth: { ...plain.cloth, ...cloth },
    covering: {
      ...plain.covering,
      // A border that is tacked on in stages has nothing under the foot but its joins.
      made: 'sewn',
      ...(change === null ? { welt: { ...welt, upper: false, lower: false } } : { welt: { ...welt, ...change } }),
    },
  };
};

describe('what lies under the machine’s foot', () => {
  it('two layers in a plain seam, four with a welt, two more where a join runs in', () => {
    expect(layersAt({ welted: false, double: false, crossed: false })).toBe(2);
    expect(layersAt({ welted: true, double: false, crossed: false })).toBe(4);
    expect(layersAt({ welted: true, double: true, crossed: true })).toBe(8);
    expect(layersAt({ welted: false, double: false, crossed: true })).toBe(4);
  });

  weekly(0)('is told by each seam: a boxed round seat with its band in one, a bordered headboard crossed at every mitre', () => {
    const layers = (piece: Piece): Record<string, number> =>
      Object.fromEntries(planned(piece).cover.seams.map((seam) => [seam.id, seam.layers]));
    expect(layers(seat('round-seat', {}))).toMatchObject({ top: 4, lower: 0 });
    expect(layers(seat('headboard-bordered', {})).inner).toBe(6);
    expect(layers(newPiece('headboard-bordered'))).toEqual({ inner: 0, top: 0 });
    // Usual cloths of about a millimetre go under any upholsterer’s machine, crossings too.
    for (const kind of ['round-seat', 'saddle', 'headboard-bordered', 'block-seat', 'arm-pad'] as const) {
      for (const thickness of [0.5, 1, 1.4])
        expect(
          planned(seat(kind, { thickness }, undefined)).warnings.map(({ code }) => code),
          `${kind} ${thickness}`,
        ).not.toContain('too-thick-to-sew');
    }
  });

  weekly(1)(
    'no cloth of the store is too thick for the usual bordered headboard with its welt, mitres and all: velvets are sewn so every week',
    () => {
      for (const { id: _id, ...item } of CLOTHS) {
        void _id;
        expect(
          planned(seat('headboard-bordered', item)).warnings.map(({ code }) => code),
          item.name,
        ).not.toContain('too-thick-to-sew');
      }
    },
  );

  it('a thick hide with a welt does not go through: without the welt it does, with one press', () => {
    const piece = seat('round-seat', { thickness: 2.6 });
    const plan = planned(piece);
    const warning = plan.warnings.find(({ code }) => code === 'too-thick-to-sew')!;
    expect(warning.message).toMatch(/^Top seam: 4 layers of this cloth are 10\.4 mm at its thickest; the machine takes 10 mm/);
    const mend = mendOf(piece, warning)!;
    expect(mend).toMatchObject({ says: 'Leave the piping out', value: { upper: false, lower: true } });
    const mended = withAt(piece, mend.path, mend.value);
    expect(problemsOf(mended)).toEqual([]);
    expect(planned(mended).warnings.map(({ code }) => code)).not.toContain('too-thick-to-sew');
  });

  it('a double welt is made single where that is enough', () => {
    const piece = seat('round-seat', { thickness: 1.8 }, { double: true });
    const warning = planned(piece).warnings.find(({ code }) => code === 'too-thick-to-sew')!;
    expect(mendOf(piece, warning)).toMatchObject({ says: 'A single row of piping', value: { double: false, upper: true } });
  });

  it('a stronger machine takes it; where nothing can be left out there is no button, only words', () => {
    const piece = seat('round-seat', { thickness: 2.6 });
    expect(planned(piece, { machineFoot: 11 }).warnings.map(({ code }) => code)).not.toContain('too-thick-to-sew');
    const felt = seat('round-seat', { thickness: 6 }, null);
    const warning = planned(felt).warnings.find(({ code }) => code === 'too-thick-to-sew')!;
    expect(warning.message).toContain('Cut the bulk out in steps');
    expect(mendOf(felt, warning)).toBeNull();
  });

  it('is in the step where it is sewn, and only where something is sewn', () => {
    const sew = planned(seat('round-seat', { thickness: 1.2 })).steps.find(({ key }) => key === 'sew')!;
    expect(sew.detail).toContain('At its thickest 4 layers, 4.8 mm');
    const thick: Piece = { ...newPiece('chair-seat'), cloth: { ...newPiece('chair-seat').cloth, thickness: 3.5 } };
    expect(planned(thick).warnings.map(({ code }) => code)).not.toContain('too-thick-to-sew');
  });
});
