import { describe, expect, it } from 'vitest';
import { newPiece, type Pad, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sharedPlanner } from '../../../testing/quick';

/** Where the seam of a band lies, whatever the pads do at the edge. */

const planned = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, planner: sharedPlanner });
const part = (plan: Plan, role: string) => plan.cover.pieces.find((piece) => piece.role === role)!;
/** The kind with all its pads so far beyond the board, and others on top. */
function withPads(kind: Parameters<typeof newPiece>[0], offset: number | null, on: Partial<Pad>[] = []): Piece {
  const piece = newPiece(kind);
  const pads = offset === null ? piece.pads : piece.pads.map((pad) => ({ ...pad, offset }));
  return { ...piece, pads: [...pads, ...on.map((pad, i) => ({ ...piece.pads[0]!, id: `on-${i}`, ...pad }))] };
}

describe('a block whose pads all stand 40 beyond the entered size', () => {
  const plan = planned(withPads('block-seat', 40));

  it('is covered by its pads: two allowances, and 12 of the foam taken in all round', () => {
    // 800 × 670 of board, 880 × 750 of foam.
    for (const panel of ['top', 'bottom']) {
      expect(part(plan, panel).width).toBeCloseTo(880 - 24 + 24, -1);
      expect(part(plan, panel).height).toBeCloseTo(750 - 24 + 24, -1);
    }
    // Four slabs of 100 and wadding, no longer than where the pads are flush.
    expect(part(plan, 'band').height).toBeCloseTo(part(planned(withPads('block-seat', 0)), 'band').height, 0);
    expect(plan.warnings).toEqual([]);
  });
});

describe('a boxed stool', () => {
  const plain = planned(newPiece('round-seat'));

  it.each([0, -3, -6])('has one straight band over a topper that ends %d mm from the board’s edge', (offset) => {
    const plan = planned(withPads('round-seat', null, [{ role: 'topper', thickness: 20, offset }]));
    expect(plan.warnings).toEqual([]);
    expect(part(plan, 'band').height).toBeCloseTo(part(plain, 'band').height + 20, 0);
    expect(part(plan, 'top').width).toBeCloseTo(part(plain, 'top').width, 0);
  });

  it('has a band as high as its main pad under a crown that ends well inside', () => {
    const plan = planned(withPads('round-seat', null, [{ role: 'crown', thickness: 20, offset: -40 }]));
    expect(part(plan, 'band').height).toBeCloseTo(part(plain, 'band').height, 0);
    // The seam is held all round: what the crown raises is more cloth in the top.
    expect(part(plan, 'top').width).toBeGreaterThan(part(plain, 'top').width);
    expect(plan.warnings.map(({ code }) => code)).not.toContain('not-flat');
  });
});
