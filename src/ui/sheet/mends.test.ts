import { describe, expect, it } from 'vitest';
import { problemsOf } from '@/core/document';
import { newChairSeat, newPiece, type Piece } from '@/core/piece';
import { withAt } from './drawn/path';
import { mendOf, planPiece, type Plan } from '@/core/plan';
import { QUICK } from '../../testing/quick';

const plan = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const chair = newChairSeat();
const pads = (change: (pads: Piece['pads']) => Piece['pads']): Piece => ({ ...chair, pads: change(chair.pads) });

describe('what mends a warning', () => {
  it.each<[string, Piece]>([
    ['edge-not-buried', pads(([crown, main]) => [crown!, { ...main!, offset: 0 }])],
    ['thickness-not-sold', pads(([crown, main]) => [crown!, { ...main!, thickness: 5 }])],
    ['slow-main-pad', pads(([crown, main]) => [crown!, { ...main!, material: 'slow-soft' }])],
    ['crown-on-top', pads(([crown, main]) => [main!, crown!])],
    ['staple-leg', { ...chair, base: { ...chair.base, board: { material: 'plywood', thickness: 6 } } }],
    ['stripe-pulled', { ...chair, cloth: { ...chair.cloth, repeatAcross: 60 } }],
    ['motif-not-placed', { ...chair, count: 3, cloth: { ...chair.cloth, repeatAcross: 60, pull: 'smooth' } }],
    ['nap-turned', { ...chair, cloth: { ...chair.cloth, nap: 'pile', direction: 'any' } }],
    ['override-unusual', { ...chair, overrides: { grip: 90 } }],
    ['grip-short', { ...chair, overrides: { grip: 12 } }],
    [
      'welt-on-the-straight',
      {
        ...newPiece('arm-pad', { type: 'rectangle', width: 350, depth: 120, cornerRadius: { front: 50, back: 50 } }),
        covering: { way: 'boxed', welt: { cord: 5, cut: 'straight', upper: true, lower: true, double: false } },
      },
    ],
    ['not-pre-shrunk', { ...chair, cloth: { ...chair.cloth, fibre: 'linen' } }],
  ])('%s is gone once its button is pressed', (code, piece) => {
    const warning = plan(piece).warnings.find((candidate) => candidate.code === code)!;
    const mend = mendOf(piece, warning)!;
    expect(mend.says.length).toBeGreaterThan(3);
    const mended = withAt(piece, mend.path, mend.value);
    expect(problemsOf(mended)).toEqual([]);
    expect(plan(mended).warnings.map((item) => item.code)).not.toContain(code);
  });

  it.each<[string, Partial<Piece['pads'][number]>, string, number]>([
    ['a slab a little thin is the next sheet', { thickness: 47 }, 'thickness', 50],
    ['a wedge is made up at its thick end, the front', { thickness: 57, wedge: 40 }, 'thickness', 60],
    ['a wedge is made up at its thick end, the back', { thickness: 40, wedge: 57 }, 'wedge', 60],
    ['of two wedges out of one block the block', { thickness: 30, wedge: 17, pair: true }, 'thickness', 33],
  ])('%s', (_says, change, field, value) => {
    const piece = { ...pads(([crown, main]) => [crown!, { ...main!, ...change }]), count: 2 };
    const warning = plan(piece).warnings.find(({ code }) => code === 'thickness-not-sold')!;
    const mend = mendOf(piece, warning)!;
    expect(mend).toMatchObject({ path: `pads.1.${field}`, value });
    const mended = withAt(piece, mend.path, mend.value);
    expect(plan(mended).warnings.map(({ code }) => code)).not.toContain('thickness-not-sold');
  });

  it('a weak board knows its own mend, and the more harmful comes first', () => {
    const bench = newPiece('bench');
    const weak: Piece = {
      ...bench,
      base: { ...bench.base, board: { material: 'plywood', thickness: 6 } },
      cloth: { ...bench.cloth, repeatAcross: 60 },
    };
    const { warnings } = plan(weak);
    expect(warnings[0]!.code).toMatch(/^board-/);
    const mended = withAt(weak, mendOf(weak, warnings[0]!)!.path, mendOf(weak, warnings[0]!)!.value);
    expect(plan(mended).warnings.map(({ code }) => code)).not.toContain(warnings[0]!.code);
  });
});
