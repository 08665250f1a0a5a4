import { expect, it } from 'vitest';
import { newPiece, type Piece } from '../piece';
import { planPiece } from '.';
import { QUICK } from '../../testing/quick';

const chair = newPiece('chair-seat');
const tapered = (frontWidth: number, backWidth: number): Piece => ({
  ...chair,
  base: { ...chair.base, shape: { type: 'trapezoid', frontWidth, backWidth, depth: 420, cornerRadius: { front: 40, back: 20 } } },
});
const found = (piece: Piece, code: string) => planPiece(piece, {}, QUICK).warnings.find((warning) => warning.code === code);

it('a back much wider than the front is asked about, and swapped by one press', () => {
  const warning = found(tapered(390, 450), 'back-wider')!;
  expect(warning.message).toBe('The back, 450 mm, is wider than the front, 390 mm. If the two changed places, swap them.');
  expect(warning.mend!.value).toMatchObject({ frontWidth: 450, backWidth: 390 });
  expect(found(tapered(450, 390), 'back-wider')).toBeUndefined();
  // A seat that is cut straight is measured within a few millimetres.
  expect(found(tapered(430, 440), 'back-wider')).toBeUndefined();
});

it('somebody 900 mm behind a seat of 420 is asked about, and sits down on it by one press', () => {
  const sit = { loader: 'seated' as const, mass: 85, share: null, x: 0, y: 900 };
  const warning = found({ ...chair, sit }, 'sat-beside')!;
  expect(warning.message).toMatch(
    /^The sitter is 900 mm from the middle, beside the piece; it is checked with the sitter (19|20|21)\d mm from it\.$/,
  );
  expect(found({ ...chair, sit: warning.mend!.value as Piece['sit'] }, 'sat-beside')).toBeUndefined();
  expect(found({ ...chair, sit: { ...sit, y: 120 } }, 'sat-beside')).toBeUndefined();
});
