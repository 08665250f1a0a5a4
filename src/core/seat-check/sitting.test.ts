import { describe, expect, it } from 'vitest';
import { modelOf } from '../padding';
import { readerOf } from '../house';
import { KINDS, kindOf, newPiece, panelWidth, type Piece } from '../piece';
import { bodySize, LOADERS, loaderOf } from '../loaders';
import { formOf, loadOf, shareOf, sittingOf, usualShare, usualSitting } from './sitting';

const rule = readerOf<string>({ sitShare: 78, leanShare: 30 });
const wall = newPiece('headboard-panelled');

describe('who sits on a piece', () => {
  it.each(KINDS.map(({ id }) => id))('%s: whoever usually does, in the middle, with the house’s share', (id) => {
    const piece = newPiece(id);
    const usual = usualSitting(piece, 95);
    expect(usual).toMatchObject({ loader: kindOf(id).loader, mass: 95, share: null, x: 0, y: 0 });
    const model = modelOf(piece, {});
    expect(sittingOf(model)).toEqual(usualSitting(piece, model.rule('sitMass')));
    expect(loadOf(usual, shareOf(model, usual))).toBeCloseTo((95 * shareOf(model, usual) * 9.80665) / 100, 6);
  });

  it('a share that was said is the share; otherwise the house’s', () => {
    const model = modelOf(newPiece('chair-seat'), {});
    const usual = usualSitting(model.piece, 80);
    expect(shareOf(model, usual)).toBe(model.rule('sitShare'));
    expect(shareOf(model, { ...usual, share: 40 })).toBe(40);
    expect(usualShare(model.piece, 'elbow', rule)).toBe(6);
  });

  it('of a wall of panels one bears its part of a back 400 mm wide, and a wide one all of it', () => {
    const panels = wall.panels!;
    const of = (across: number): number => {
      const piece: Pick<Piece, 'panels'> = { panels: { ...panels, across } };
      return usualShare(piece, 'leaning', rule);
    };
    const narrow = of(panels.count * 150 + (panels.count - 1) * panels.gap);
    expect(narrow).toBeCloseTo((30 * (150 + panels.gap)) / 400, 6);
    expect(of(panels.count * 900)).toBe(30);
    expect(panelWidth({ ...panels, across: panels.count * 150 + (panels.count - 1) * panels.gap })).toBeCloseTo(150, 6);
    expect(usualShare({}, 'leaning', rule)).toBe(30);
  });

  it('nobody sits beside it: who was placed off the board comes down on its edge, in the same direction', () => {
    const piece: Piece = { ...newPiece('chair-seat'), sit: { loader: 'disc', mass: 20, share: 100, x: 900, y: 450 } };
    const at = sittingOf(modelOf(piece, {}));
    expect(at.y / at.x).toBeCloseTo(0.5, 6);
    expect(Math.hypot(at.x, at.y)).toBeLessThan(300);
    const on: Piece = { ...piece, sit: { ...piece.sit!, x: 40, y: -60 } };
    expect(sittingOf(modelOf(on, {}))).toEqual(on.sit);
  });
});

describe('the forms that press', () => {
  it.each(LOADERS.map(({ id }) => id))('%s: alike left and right, lowest at nothing, larger for a heavier body', (id) => {
    const { underside } = loaderOf(id);
    let lowest = Infinity;
    for (let x = -300; x <= 300; x += 5)
      for (let y = -300; y <= 300; y += 5) {
        const z = underside(x, y, 1);
        expect(underside(-x, y, 1)).toBe(z);
        lowest = Math.min(lowest, z);
      }
    expect(lowest).toBeGreaterThanOrEqual(0);
    expect(lowest).toBeLessThan(0.1);
    expect(bodySize(75)).toBe(1);
    expect(bodySize(150)).toBeCloseTo(Math.cbrt(2), 9);
  });

  it('on a seat that goes down the thighs turn about the knees: nothing at the hips, more the nearer to the knee', () => {
    const { underside } = loaderOf('seated');
    const rise = (y: number): number => underside(90, y, 1, 40) - underside(90, y, 1, 0);
    expect(underside(60, 55, 1, 40)).toBe(underside(60, 55, 1, 0));
    expect(rise(-100)).toBeGreaterThan(5);
    expect(rise(-250)).toBeGreaterThan(rise(-100));
    // At the front rail, 255 from the middle: some six tenths of what the hips went down.
    expect(rise(-255) / 40).toBeCloseTo(0.63, 1);
    for (const id of ['saddle', 'leaning', 'elbow'] as const)
      expect(loaderOf(id).underside(30, -80, 1, 40)).toBe(loaderOf(id).underside(30, -80, 1));
  });

  it('is set down where the sitter sits', () => {
    const piece: Piece = { ...newPiece('chair-seat'), sit: { loader: 'seated', mass: 75, share: null, x: 30, y: -20 } };
    const model = modelOf(piece, {});
    const form = formOf(model, sittingOf(model));
    expect(form(30 + model.middle[0] + 60, -20 + model.middle[1] + 55)).toBeCloseTo(0, 6);
  });
});
