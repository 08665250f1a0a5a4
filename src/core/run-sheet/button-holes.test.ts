import { describe, expect, it } from 'vitest';
import { defaultsOf, FRAME, newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { STARTING } from '../cover';
import { QUICK } from '../../testing/quick';

const start = newPiece('headboard-nailed');
const frame = { ...defaultsOf<NonNullable<Piece['base']['frame']>>(FRAME), width: 45, inset: 0, ribs: 1 };
const buttoned = (columns: number, spacing: number, base: Partial<Piece['base']> = {}): Piece => ({
  ...start,
  base: { ...start.base, ...base },
  covering: { way: 'buttoned', buttons: { ...STARTING.buttons, columns, rows: 1, spacing } },
});
const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const drilled = (plan: Plan): string => plan.steps.find(({ key }) => key === 'button-holes')!.detail;

describe('holes for buttons against what is behind the board', () => {
  it('a batten is drilled through with the board: the middle of three on a rib of 45', () => {
    expect(drilled(planned(buttoned(3, 200)))).not.toMatch(/batten/);
    const plan = planned(buttoned(3, 200, { frame }));
    expect(drilled(plan)).toMatch(/1 of them comes on a batten: drill through board and batten together, once the frame is on\./);
    // Beside a rib 45 wide, by more than half of it and half a hole of 8.
    expect(drilled(planned(buttoned(2, 60, { frame })))).not.toMatch(/batten/);
    expect(drilled(planned(buttoned(2, 50, { frame })))).toMatch(/All of them come on a batten/);
    const keys = plan.steps.map(({ key }) => key);
    expect(keys.indexOf('button-holes')).toBeGreaterThan(keys.indexOf('frame'));
  });

  it('a side’s batten lies inside its outer edge, wherever that is', () => {
    // A board 1400 wide: the outer two of a row 1340 long come 30 mm from its ends.
    expect(drilled(planned(buttoned(2, 1340, { frame })))).toMatch(/All of them come on a batten/);
    expect(drilled(planned(buttoned(2, 1340, { frame: { ...frame, inset: 45 } })))).not.toMatch(/batten/);
  });

  it('hardware cannot be drilled: one of the two is moved', () => {
    const hardware = [{ kind: 'tee-nut' as const, x: 203, y: 0, diameter: 12, length: 12 }] as unknown as Piece['base']['hardware'];
    const codes = (piece: Piece): string[] =>
      planned(piece)
        .warnings.filter(({ code }) => code === 'hardware-on-button')
        .map(({ message }) => message);
    const middle = planned(buttoned(3, 200)).cover.buttons!.places[2]!;
    const at = (dx: number) => [{ ...hardware![0]!, x: middle.x + dx, y: middle.y }];
    expect(codes(buttoned(3, 200, { hardware: at(9) }))).toEqual([
      expect.stringMatching(/is in the way of the hole for button 3: move one/),
    ]);
    expect(codes(buttoned(3, 200, { hardware: at(11) }))).toEqual([]);
  });
});
