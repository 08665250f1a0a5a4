import { describe, expect, it } from 'vitest';
import { CORNER_BEND, polygonPerimeter } from '../../outline';
import { built, KINDS, pieceOf } from '../../../testing/sewn';
import type { SewnCover } from '../sew';
import type { CoverPiece } from '../laying/cloth-piece';
import { placeAt } from '../surface/levels';
import { thisWeek } from '../../../testing/runs';

describe('darts and splits', () => {
  it('a split gives two pieces whose seams fit, and asks less of the cloth', () => {
    const domed = built('round-seat', {
      pads: [
        { id: 'c', role: 'crown', material: 'seat-extra-firm', thickness: 45, offset: null, edge: { kind: 'domed' } },
        { id: 'm', role: 'main', material: 'seat-firm', thickness: 50, offset: null, edge: { kind: 'square' } },
      ],
    });
    const whole = domed.sew({ way: 'boxed' });
    const split = domed.sew({ way: 'boxed', split: 'depth' });
    const halves = split.cover.pieces.filter((piece) => piece.role === 'top');
    expect(halves.map((half) => half.hand).sort()).toEqual(['left', 'right']);
    const seams = halves.map((half) => half.edges.find((edge) => edge.kind === 'join')!.flat);
    expect(Math.abs(seams[0]! - seams[1]!)).toBeLessThan(0.5);
    expect((halves[0]!.surface + halves[1]!.surface) / pieceOf(whole, 'top').surface).toBeCloseTo(1, 2);
    const share = (sewn: SewnCover): number =>
      Math.max(...sewn.cover.pieces.filter((piece) => piece.role === 'top').map((piece) => piece.strain!.share));
    expect(share(split)).toBeLessThan(share(whole));
  });

  it('a dart opens: its two legs are alike, and the seam is as long as before', () => {
    const { sew } = built('chair-seat');
    const darted = pieceOf(sew({ way: 'boxed', darts: [0.1, 0.6] }), 'top');
    const legs = darted.edges.filter((edge) => edge.kind === 'dart');
    expect(legs).toHaveLength(4);
    for (const id of new Set(legs.map((leg) => leg.id))) {
      const [a, b] = legs.filter((leg) => leg.id === id);
      expect(Math.abs(a!.sewn - b!.sewn)).toBeLessThan(0.01);
      expect(Math.abs(a!.flat - b!.flat)).toBeLessThan(0.5);
    }
    const plain = pieceOf(sew({ way: 'boxed' }), 'top');
    const seam = (coverPiece: CoverPiece): number =>
      coverPiece.edges.filter((edge) => edge.seam === 'top').reduce((sum, edge) => sum + edge.sewn, 0);
    expect(seam(darted)).toBeCloseTo(seam(plain), 1);
  });
});

describe('a band in two', () => {
  it('of an arm pad is joined in the middle of either end, and both parts are of a length', () => {
    const { sew } = built('arm-pad');
    const { cover } = sew({ way: 'boxed', joins: 'two' });
    const bands = cover.pieces.filter((piece) => piece.role === 'band');
    expect(bands).toHaveLength(2);
    const [one, other] = bands.map((band) => band.edges.find((edge) => edge.kind === 'seam')!.flat);
    // Joined anywhere else one would be longer: the pad is the same left and right of its middle.
    expect(one! / other!).toBeCloseTo(1, 1);
  });
});

describe('darts at the corners', () => {
  it.each(thisWeek(KINDS, 3))('%s: each begins at its corner', (kind) => {
    const { model, sew } = built(kind);
    const corners = model.places.filter((place) => place.turn > CORNER_BEND);
    if (corners.length < 2) return;
    const { ring } = sew({ way: 'boxed', darts: corners.map((place) => place.at / model.perimeter) });
    for (const corner of corners) {
      const place = ring.places[placeAt(ring, corner.at / model.perimeter)]!;
      expect(Math.hypot(place.point[0] - corner.point[0], place.point[1] - corner.point[1]), corner.edge).toBeLessThan(0.5);
    }
    expect(ring.total).toBeCloseTo(polygonPerimeter(model.board), 6);
  });
});
