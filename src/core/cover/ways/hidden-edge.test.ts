import { describe, expect, it } from 'vitest';
import { newPiece } from '../../piece';
import { planPiece } from '../../plan';
import { QUICK } from '../../../testing/quick';

/** A pad 520 wide at one end and 320 at the other, 420 deep. */
const tapered = (kind: 'seat-cushion' | 'back-cushion', near: number, far: number) =>
  planPiece(
    newPiece(kind, { type: 'trapezoid', frontWidth: near, backWidth: far, depth: 420, cornerRadius: { front: 15, back: 15 } } as never),
    {},
    QUICK,
  );

describe('joins and zips go where nobody looks', () => {
  it('a seat cushion opens along its back, a back cushion along its bottom', () => {
    // The zip runs across the end and round both corners: which end it is shows in its length.
    const across = (end: number): [number, number] => [end + 60, end + 180];
    const seat = tapered('seat-cushion', 520, 320).cover.zip!;
    expect(seat.place).toBe('back');
    expect(seat.length).toBeGreaterThan(across(320)[0]);
    expect(seat.length).toBeLessThan(across(320)[1]);
    const back = tapered('back-cushion', 520, 320).cover.zip!;
    expect(back.place).toBe('bottom');
    expect(back.length).toBeGreaterThan(across(520)[0]);
    expect(back.length).toBeLessThan(across(520)[1]);
  });

  it('and their run sheets, sizes and piping say so', () => {
    const { steps, cover } = tapered('back-cushion', 520, 480);
    const sew = steps.find(({ key }) => key === 'sew')!.detail;
    expect(sew).toContain('front seam, back seam: from the centre of the top both ways');
    expect(sew).toContain('until the band’s ends meet at the bottom');
    expect(steps.find(({ key }) => key === 'zip')!.detail).toContain('along the bottom');
    expect(cover.welts.map(({ join }) => join)).toEqual(['bottom middle', 'bottom middle']);
    expect(cover.pieces.map(({ name }) => name)).toEqual(expect.arrayContaining(['Front panel', 'Back panel', 'Band, top and sides']));
  });
});
