import { polygonArea as d3Area, polygonContains } from 'd3';
import { describe, expect, it } from 'vitest';
import { KINDS, newPiece, type Cloth, type Covering, type Piece, type PieceKind } from '../piece';
import { planPiece, type Plan } from '../plan';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

/**
 * What goes to the roll, looked at by itself: not the rectangles that the packer laid but the outlines that are drawn and cut,
 * by d3's polygons and by counting, with nothing of the layout's own code.
 */
const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);

type Ring = [number, number][];
const ring = (points: readonly (readonly [number, number])[]): Ring => points.map(([x, y]) => [x, y]);

/** Places inside an outline, on a grid over its box. */
function inside(outline: Ring, step: number): Ring {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const found: Ring = [];
  for (let x = Math.min(...xs) + step / 3; x < Math.max(...xs); x += step)
    for (let y = Math.min(...ys) + step / 3; y < Math.max(...ys); y += step) if (polygonContains(outline, [x, y])) found.push([x, y]);
  return found;
}

const CLOTHS: [string, Partial<Cloth>][] = [
  ['plain, up the roll', {}],
  ['plain, turned sideways', { direction: 'across' }],
  ['plain, either way', { direction: 'any' }],
  ['striped', { repeatAcross: 84, repeatAlong: 0, pull: 'smooth' }],
  ['checked', { repeatAcross: 60, repeatAlong: 75, pull: 'smooth' }],
  ['a narrow roll', { rollWidth: 1100 }],
];

const CASES = KINDS.flatMap(({ id }) => CLOTHS.map(([name, cloth]) => [id, name, cloth] as const));

function set(kind: PieceKind, cloth: Partial<Cloth>, count = 3): Piece {
  const plain = newPiece(kind);
  const patterned = (cloth.repeatAcross ?? 0) > 0;
  const covering: Covering = patterned ? { ...plain.covering, motif: { x: 0, y: 0, on: 'stripe' } } : plain.covering;
  return { ...plain, count: plain.panels ? plain.count : count, cloth: { ...plain.cloth, ...cloth }, covering };
}

describe('the cloth as it is laid', () => {
  it.each(thisWeek(CASES, 3))('%s, %s: on the roll, none over another, all of them', (kind, _name, cloth) => {
    void _name;
    const piece = set(kind, cloth);
    const { cut, cover } = planned(piece);
    const { width, length, laid } = cut.cloth;
    expect(width).toBe(piece.cloth.rollWidth);
    const outlines = cut.shapes.map(({ points }) => ring(points));

    // Everything that is cut of the cloth is there, as often as it is cut.
    for (const coverPiece of cover.pieces.filter((flat) => flat.cloth === 'cover'))
      expect(
        cut.shapes.filter(({ label }) => label === coverPiece.name).length +
          cut.cloth.tooLarge.filter((label) => label === coverPiece.name).length * coverPiece.count,
        coverPiece.name,
      ).toBe(coverPiece.count);

    for (const outline of outlines)
      for (const [x, y] of outline) {
        expect(x).toBeGreaterThanOrEqual(-0.02);
        expect(x).toBeLessThanOrEqual(width + 0.02);
        expect(y).toBeGreaterThanOrEqual(-0.02);
        expect(y).toBeLessThanOrEqual(length + 0.02);
      }

    // None lies over another: no place of one is in any other.
    const boxes = outlines.map((outline) => ({
      x: [Math.min(...outline.map(([x]) => x)), Math.max(...outline.map(([x]) => x))] as const,
      y: [Math.min(...outline.map(([, y]) => y)), Math.max(...outline.map(([, y]) => y))] as const,
    }));
    outlines.forEach((outline, i) => {
      const near = outlines.filter(
        (_, k) =>
          k !== i &&
          boxes[k]!.x[0] < boxes[i]!.x[1] &&
          boxes[i]!.x[0] < boxes[k]!.x[1] &&
          boxes[k]!.y[0] < boxes[i]!.y[1] &&
          boxes[i]!.y[0] < boxes[k]!.y[1],
      );
      if (near.length === 0) return;
      for (const place of inside(outline, 24)) for (const other of near) expect(polygonContains(other, place)).toBe(false);
    });

    // What is drawn is as large as what is cut: nothing was clipped or scaled on its way.
    for (const { label, points } of cut.shapes) {
      // What is longer than the roll is wide is cut in parts: all of them together are it.
      const whole = label.replace(/, part$/, '');
      if (whole !== label) {
        expect(cut.cloth.tooLarge).toContain(whole);
        continue;
      }
      const found = cover.pieces.find((flat) => flat.name === label)!;
      expect(Math.abs(d3Area(ring(points))) / found.area).toBeCloseTo(1, 3);
    }

    // No length is bought that nothing lies on.
    if (laid.length > 0) expect(length - Math.max(...laid.map(({ y, height }) => y + height))).toBeLessThan(1);
  });

  it.each(['striped', 'checked'] as const)('%s: the pattern comes in the same place on every one of a set', (name) => {
    const [, cloth] = CLOTHS.find(([text]) => text === name)!;
    for (const kind of ['chair-seat', 'headboard', 'round-seat', 'bench'] as const) {
      const piece = set(kind, cloth, 4);
      const { cut, cover } = planned(piece);
      for (const coverPiece of cover.pieces.filter((flat) => flat.cloth === 'cover')) {
        // From the outlines themselves: the lower left of each, counted from the pattern.
        const corners = cut.shapes
          .filter(({ label }) => label === coverPiece.name)
          .map(({ points }) => [Math.min(...points.map(([x]) => x)), Math.min(...points.map(([, y]) => y))]);
        for (const [axis, repeat] of [
          [0, piece.cloth.repeatAcross],
          [1, piece.cloth.repeatAlong],
        ] as const) {
          if (repeat <= 0) continue;
          for (const corner of corners) {
            const off = (((corner[axis]! - corners[0]![axis]!) % repeat) + repeat) % repeat;
            expect(Math.min(off, repeat - off), `${kind} ${coverPiece.name}`).toBeLessThan(0.5);
          }
        }
      }
    }
  });

  it('a motif on the middle lies on a stripe of the roll, not between two', () => {
    const piece = set('chair-seat', { repeatAcross: 84, repeatAlong: 0, pull: 'smooth' }, 4);
    const { cut } = planned(piece);
    const cover = cut.shapes.filter(({ label }) => label === 'Cover');
    expect(cover).toHaveLength(4);
    for (const { points } of cover) {
      // The board is alike left and right: its middle is the middle of its outline.
      const middle = (Math.min(...points.map(([x]) => x)) + Math.max(...points.map(([x]) => x))) / 2;
      const off = ((middle % 84) + 84) % 84;
      expect(Math.min(off, 84 - off)).toBeLessThan(0.5);
    }
  });

  it('up the roll nothing is turned; turned sideways the depth lies across', () => {
    for (const kind of ['headboard', 'chair-seat'] as const) {
      const up = planned(set(kind, {}));
      const flat = up.cover.pieces[0]!;
      const size = ({ points }: { points: readonly (readonly [number, number])[] }): [number, number] => [
        Math.max(...points.map(([x]) => x)) - Math.min(...points.map(([x]) => x)),
        Math.max(...points.map(([, y]) => y)) - Math.min(...points.map(([, y]) => y)),
      ];
      const first = up.cut.shapes.find(({ label }) => label === flat.name)!;
      const along = newPiece(kind).cloth.direction !== 'across';
      expect(size(first)[0]).toBeCloseTo(along ? flat.width : flat.height, 1);
      const piece = set(kind, { direction: 'across' });
      const across = planned(piece);
      const other = across.cover.pieces[0]!;
      expect(size(across.cut.shapes.find(({ label }) => label === other.name)!)[0]).toBeCloseTo(other.height, 1);
    }
  });
});

describe('the foam as it is laid', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s: on its sheets with the blade’s way between, every block of every layer', (kind) => {
    const piece = set(kind, {}, 2);
    const { foam, cut } = planned(piece);
    for (const { sheets, tooLarge, material, thickness } of cut.foam.layouts) {
      expect(tooLarge).toEqual([]);
      for (const sheet of sheets) {
        sheet.forEach((a, i) => {
          expect(a.x + a.width).toBeLessThanOrEqual(cut.foam.sheetWidth + 0.01);
          expect(a.y + a.height).toBeLessThanOrEqual(cut.foam.sheetLength + 0.01);
          for (const b of sheet.slice(i + 1)) {
            const gap = Math.max(b.x - a.x - a.width, a.x - b.x - b.width, b.y - a.y - a.height, a.y - b.y - b.height);
            // The house’s kerf.
            expect(gap).toBeGreaterThanOrEqual(4 - 0.01);
          }
        });
      }
      const wanted = foam
        .filter((foamPiece) => foamPiece.material === material && !foamPiece.kept && !foamPiece.scrap)
        .flatMap((foamPiece) => foamPiece.layers.filter((layer) => layer === thickness).flatMap(() => foamPiece.blocks)).length;
      expect(sheets.flat()).toHaveLength(wanted * piece.count);
    }
  });
});
