import { describe, expect, it } from 'vitest';
import { sectionsStep } from '../../padding';
import { giveOf } from '../../cloth';
import { bounds, edgeNamed, offsetPolygon, polygonArea, polygonPerimeter, samePart, type Point, type Polygon } from '../../outline';
import { newPiece, type Correction, type Covering, type Piece, type PieceKind } from '../../piece';
import type { SewnCover } from '../sew';
import { choicesOf } from '../choices';
import { sewnCheck, type SewnCheck } from '../judge/sewn-check';
import { withAllowances, type CoverPiece } from '../laying/cloth-piece';
import { wrapAt } from '../pulled/wrap';
import { WAYS } from '.';
import { built, KINDS, pieceOf } from '../../../testing/sewn';
import { thisWeek } from '../../../testing/runs';
import { weekly } from '../../../testing/weekly';

const border = (kind: PieceKind): number => (kind === 'arm-pad' || kind === 'saddle' ? 40 : 70);

describe.each(thisWeek(KINDS, 4))('%s, sewn back together', (kind) => {
  it.each(WAYS.filter(({ pulled }) => !pulled).map(({ id }) => id))(
    '%s: every seam closes, and every edge is as long as its seam on the surface',
    (way) => {
      const { cover } = built(kind).sew({ way, made: 'sewn', border: border(kind), lip: 12 });
      expect(cover.check).toMatchObject({ closes: true, mirrored: [], settled: true });
      for (const seam of cover.seams) {
        if (seam.partners.length < 2) continue;
        // Partners are alike within half a millimetre, or how much is eased in is said.
        const stated = seam.ease <= 0.5 || seam.ease < seam.length * 0.002;
        expect(stated, `${seam.id} ${seam.ease}`).toBe(true);
      }
      for (const piece of cover.pieces) {
        expect(piece.area).toBeGreaterThan(0);
        // What was cut holds what was sewn, and the allowance runs once round it.
        const added = Math.abs(polygonArea(piece.outline)) - Math.abs(polygonArea(piece.sewn));
        const wanted = piece.edges.reduce((sum, edge) => sum + edge.flat * edge.allowance, 0);
        if (piece.surface > 0 && wanted > 0)
          expect(Math.abs(added / wanted - 1), `${piece.id} allowance`).toBeLessThan(way === 'bordered' ? 0.35 : 0.3);
      }
    },
  );

  it('pulled over: the blank is the surface and what is folded or worked in', () => {
    const { cover } = built(kind).sew({ way: 'pull-over' });
    expect(cover.check).toMatchObject({ closes: true, mirrored: [] });
    // A crown leaves cloth to work in at its edge; a pan's hollow takes some up.
    expect(cover.fullness > 0).toBe(kind !== 'saddle');
  });
});

describe('seams', () => {
  it('partners carry the same notches, in the same order, at the same distances along the seam', () => {
    const sewn = built('chair-seat').sew({ way: 'boxed', bandCut: 'shaped' });
    const top = pieceOf(sewn, 'top');
    const bands = sewn.cover.pieces.filter((piece) => piece.role === 'band');
    const labels = (coverPiece: CoverPiece, edge: string): string[] =>
      coverPiece.notches.filter((notch) => notch.edge === edge).map((notch) => notch.label);
    expect(new Set(bands.flatMap((band) => labels(band, 'top')))).toEqual(new Set(labels(top, 'top')));
    expect(new Set(labels(top, 'top')).size).toBe(labels(top, 'top').length);
    const along = (coverPiece: CoverPiece): Map<string, number> => {
      const edge = coverPiece.edges.find((one) => one.id === 'top')!;
      const found = new Map<string, number>();
      let s = 0;
      for (let k = 0; k <= edge.sides; k++) {
        const [x, y] = coverPiece.sewn[(edge.from + k) % coverPiece.sewn.length]!;
        for (const notch of coverPiece.notches)
          if (notch.edge === 'top' && Math.hypot(notch.x - x, notch.y - y) < 1e-6) found.set(notch.label, found.get(notch.label) ?? s);
        const [u, v] = coverPiece.sewn[(edge.from + k + 1) % coverPiece.sewn.length]!;
        if (k < edge.sides) s += Math.hypot(u - x, v - y);
      }
      return found;
    };
    const onTop = along(top);
    for (const band of bands) {
      const entries = [...along(band)];
      for (let i = 1; i < entries.length; i++) {
        const [a, b] = [entries[i - 1]!, entries[i]!];
        const length = polygonPerimeter(top.sewn);
        const there = Math.abs(onTop.get(a[0])! - onTop.get(b[0])!);
        // The band is walked the other way about.
        expect(Math.abs(Math.min(there, length - there) - Math.abs(b[1] - a[1]))).toBeLessThan(1.2);
      }
    }
  });

  it('a straight band is exactly as long as the seam of the panel it is sewn to', () => {
    const sewn = built('chair-seat').sew({ way: 'boxed', bandCut: 'straight' });
    const top = pieceOf(sewn, 'top').edges[0]!.flat;
    const bands = sewn.cover.pieces
      .filter((piece) => piece.role === 'band')
      .reduce((sum, coverPiece) => sum + coverPiece.edges.find((edge) => edge.id === 'top')!.flat, 0);
    expect(bands).toBeCloseTo(top, 3);
    expect(sewn.cover.pieces.filter((piece) => piece.role === 'band').length).toBe(2);
  });

  it('a band is joined at the back, at the corners, or as often as the roll asks', () => {
    const { sew } = built('chair-seat');
    const bands = (covering: Covering, change: Partial<Piece> = {}): number =>
      sew(covering, change).cover.pieces.filter((piece) => piece.role === 'band').length;
    expect(bands({ way: 'boxed', joins: 'corners' })).toBe(4);
    const cloth = newPiece('chair-seat').cloth;
    // At the four corners: three even parts would be joined beside the front ones, where it is seen.
    expect(bands({ way: 'boxed' }, { cloth: { ...cloth, rollWidth: 600 } })).toBe(4);
    // Along the roll it could be one strip of 1650: joined at the sides it takes half of that.
    expect(bands({ way: 'boxed' }, { cloth: { ...cloth, direction: 'across' } })).toBe(2);
    expect(bands({ way: 'boxed', joins: 'one' }, { cloth: { ...cloth, direction: 'across' } })).toBe(1);
  });

  weekly(3)('mitres meet: both borders at a corner have the same mitre, and the outer band is joined in line with it', () => {
    const sewn = built('headboard-bordered').sew({ way: 'bordered', border: 80 });
    const borders = sewn.cover.pieces.filter((piece) => piece.role === 'border');
    expect(borders).toHaveLength(4);
    for (let k = 1; k <= 4; k++) {
      const ends = borders.flatMap((coverPiece) => coverPiece.edges.filter((edge) => edge.id === `mitre ${k}`));
      expect(ends).toHaveLength(2);
      expect(Math.abs(ends[0]!.flat - ends[1]!.flat)).toBeLessThan(0.5);
      expect(sewn.cover.pieces.flatMap((piece) => piece.edges.filter((edge) => edge.id === `band mitre ${k}`))).toHaveLength(2);
    }
    expect(sewn.cover.tackStrips).toHaveLength(8);
    // Left and right are alike to a tenth of a millimetre, and the panel keeps its corners where the mitres meet.
    const [right, left] = ['right', 'left'].map((side) => borders.find((coverPiece) => coverPiece.name.endsWith(side))!);
    expect(Math.abs(right!.width - left!.width)).toBeLessThan(0.1);
    expect(Math.abs(right!.net - left!.net)).toBeLessThan(10);
    // A wider border is a smaller panel.
    const wider = built('headboard-bordered').sew({ way: 'bordered', border: 120 });
    expect(pieceOf(sewn, 'top').width - pieceOf(wider, 'top').width).toBeCloseTo(80, -1);
  });

  weekly(0)('an arched board’s borders are each other’s mirror too, with a sharp corner below and a round one above', () => {
    const arched = built('headboard-bordered', {
      base: {
        ...newPiece('headboard-bordered').base,
        shape: { type: 'arched', width: 1380, sideHeight: 540, height: 700, cornerRadius: { front: 0, back: 30 } },
      },
    });
    const sewn = arched.sew({ way: 'bordered', border: 110 });
    const [right, left] = ['right', 'left'].map((side) => sewn.cover.pieces.find((piece) => piece.name === `Border, ${side}`)!);
    expect(Math.abs(right!.width - left!.width)).toBeLessThan(0.3);
    expect(Math.abs(right!.net - left!.net) / left!.net).toBeLessThan(0.0005);
    const inner = sewn.cover.lines.find((line) => line.id === 'inner')!.points;
    // The seam’s lower corners lie a border’s width inside both edges.
    for (const sign of [1, -1]) expect(Math.min(...inner.map(([x, y]) => Math.hypot(x - sign * 580, y + 240)))).toBeLessThan(0.5);
  });

  it('a saddle’s sides are each other’s mirror, and named left and right', () => {
    const sewn = built('saddle').sew({ way: 'saddle-set' });
    const [left, right] = [pieceOf(sewn, 'left'), pieceOf(sewn, 'right')];
    expect([left.hand, right.hand]).toEqual(['left', 'right']);
    expect(Math.abs(left.width - right.width)).toBeLessThan(2);
    expect(Math.abs(left.net / right.net - 1)).toBeLessThan(0.01);
    expect(sewn.cover.pieces.map((piece) => piece.role).sort()).toEqual(['nose', 'side', 'side', 'tail', 'top']);
    const none = built('saddle').sew({ way: 'saddle-set', panelAllowance: 'none' });
    expect(pieceOf(none, 'top').area).toBeCloseTo(Math.abs(polygonArea(pieceOf(none, 'top').sewn)), 3);
    expect(pieceOf(none, 'top').note).toContain('pull makes it tight');
  });

  weekly(1)('the seam lies where it is wanted: farther in on top, below the edge; and where it is moved by eye', () => {
    const { sew, model } = built('chair-seat');
    const at = (covering: Partial<Covering>): Polygon =>
      sew({ way: 'boxed', ...covering }).cover.lines.find((line) => line.id === 'top')!.points;
    const size = (line: Polygon): number => Math.abs(polygonArea(line));
    expect(size(at({ seamAt: 'on-top' }))).toBeLessThan(size(at({})));
    const low = (line: Polygon): number => bounds(line).minY;
    const plain = low(at({}));
    const movedPlace = at({
      seamMoves: [
        { at: 0, by: -15 },
        { at: 0.25, by: 0 },
        { at: 0.5, by: 0 },
        { at: 0.75, by: 0 },
      ],
    });
    expect(low(movedPlace) - plain).toBeGreaterThan(4);
    expect(bounds(movedPlace).maxY).toBeCloseTo(bounds(at({})).maxY, 3);
    // The panel gets shorter where the band gets higher.
    const [a, b] = [
      sew({ way: 'boxed' }),
      sew({
        way: 'boxed',
        seamMoves: [
          { at: 0, by: -15 },
          { at: 0.5, by: 0 },
        ],
      }),
    ];
    expect(pieceOf(b, 'top').height).toBeLessThan(pieceOf(a, 'top').height - 4);
    expect(model.places.length).toBeGreaterThan(4);
  });
});

describe('what the first piece showed', () => {
  const out = (change: Partial<Correction>): Correction => ({
    id: 'c-1',
    piece: 'band-1',
    what: 'height',
    where: null,
    by: 4,
    note: '',
    day: '2026-11-20',
    ...change,
  });

  it('a band 4 mm too high at the left is lower there by 4 mm and nowhere else', () => {
    const { sew } = built('round-seat');
    const plain = pieceOf(sew({ way: 'boxed', bandCut: 'straight' }), 'band');
    const all = pieceOf(sew({ way: 'boxed', bandCut: 'straight', corrections: [out({ piece: 'band' })] }), 'band');
    expect(plain.height - all.height).toBeCloseTo(4, 1);
    const chair = built('chair-seat');
    const bands = (corrections: Correction[]): CoverPiece[] =>
      chair.sew({ way: 'boxed', bandCut: 'straight', joins: 'corners', corrections }).cover.pieces.filter((piece) => piece.role === 'band');
    const before = bands([]);
    const left = before.findIndex((band) =>
      band.notches.some((notch) => chair.model.places.some((place) => place.id === notch.label && samePart(place.part, edgeNamed('left')))),
    );
    const after = bands([out({ piece: before[left]!.id, where: edgeNamed('left') })]);
    const middle = (coverPiece: CoverPiece): number => coverPiece.net / coverPiece.edges.find((edge) => edge.id === 'top')!.flat;
    expect(middle(before[left]!) - middle(after[left]!)).toBeGreaterThan(3);
    for (const k of [0, 1, 2, 3].filter((i) => i !== left)) expect(after[k]!.net).toBeCloseTo(before[k]!.net, 3);
  });

  it('a panel 6 mm slack is 6 mm narrower, and its band is shortened with it', () => {
    const { sew } = built('chair-seat');
    const covering: Covering = { way: 'boxed', bandCut: 'straight' };
    const [before, after] = [sew(covering), sew({ ...covering, corrections: [out({ piece: 'top', what: 'width', by: 6 })] })];
    expect(pieceOf(before, 'top').width - pieceOf(after, 'top').width).toBeCloseTo(6, 1);
    const bands = (sewn: SewnCover): number =>
      sewn.cover.pieces
        .filter((piece) => piece.role === 'band')
        .reduce((sum, coverPiece) => sum + coverPiece.edges.find((edge) => edge.id === 'top')!.flat, 0);
    expect(bands(before) - bands(after)).toBeGreaterThan(8);
    expect(after.cover.seams[0]!.ease).toBeLessThan(0.5);
    const pulled = sew({ way: 'pull-over', corrections: [out({ piece: 'cover', what: 'depth', by: -10 })] });
    expect(pulled.cover.pieces[0]!.height - sew({ way: 'pull-over' }).cover.pieces[0]!.height).toBeCloseTo(10, 3);
  });
});

describe('shrinkage', () => {
  it('every piece is cut longer by what will be lost', () => {
    const { sew } = built('chair-seat');
    const cloth = { ...newPiece('chair-seat').cloth, shrinkage: 4 };
    const [plain, grown] = [sew({ way: 'boxed', bandCut: 'straight' }), sew({ way: 'boxed', bandCut: 'straight' }, { cloth })];
    for (const coverPiece of plain.cover.pieces.filter((one) => one.surface > 0)) {
      const other = pieceOf(grown, coverPiece.id);
      expect(Math.abs((bounds(other.sewn).width * 0.96) / bounds(coverPiece.sewn).width - 1)).toBeLessThan(1e-6);
    }
  });
});

describe('what the check of the sewn pieces catches', () => {
  const { model, sew } = built('chair-seat');
  const sections = sectionsStep(model);
  const covering: Covering = { way: 'boxed', bandCut: 'shaped' };
  const sewn = sew(covering);
  const { way, ...choices } = choicesOf(covering);
  /** The check with something changed about the pieces that were made. */
  const checked = (change: (piece: CoverPiece) => CoverPiece): SewnCheck => {
    const made = sewn.made.map((panel) => ({ ...panel, pieces: panel.pieces.map(change) }));
    const pieces = made.flatMap((panel) => panel.pieces);
    const working = { ...choices, model, ring: sewn.ring, rule: model.rule, give: giveOf(model.piece.cloth), longer: 1 };
    const stations = sections.map((section) => wrapAt(model, section));
    return sewnCheck({ way, working, made, seams: sewn.cover.seams, stations, pieces });
  };
  const scaled = (piece: CoverPiece, by: number): CoverPiece => {
    const at = ([x, y]: Point): Point => [x * by, y * by];
    return { ...piece, sewn: piece.sewn.map(at), outline: piece.outline.map(at), net: piece.net * by * by };
  };
  const only =
    (id: string, change: (piece: CoverPiece) => CoverPiece) =>
    (piece: CoverPiece): CoverPiece =>
      piece.id === id ? change(piece) : piece;

  it('nothing, where nothing is wrong', () => {
    expect(checked((piece) => piece)).toMatchObject({ closes: true, mirrored: [] });
  });

  it.each(['top', 'band-1'])('%s made a hundredth too large', (id) => {
    const found = checked(only(id, (piece) => scaled(piece, 1.01)));
    expect(found.closes).toBe(false);
    expect(found.edgeError).toBeGreaterThan(0.006);
  });

  it('all of them made a tenth too large: an identity would not see that', () => {
    const found = checked((piece) => scaled(piece, 1.1));
    expect(found.closes).toBe(false);
    expect(found.edgeError).toBeGreaterThan(0.08);
  });

  it('a seam allowance doubled', () => {
    const found = checked(
      only('top', (piece) => ({
        ...piece,
        outline: withAllowances(
          piece.sewn,
          piece.sewn.map(() => 2 * piece.edges[0]!.allowance),
        ),
      })),
    );
    expect(found.closes).toBe(false);
    expect(found.allowanceError).toBeCloseTo(sewn.cover.pieces[0]!.edges[0]!.allowance, 0);
  });

  it('a side that was turned over', () => {
    const mirrored = (piece: CoverPiece): CoverPiece => ({
      ...piece,
      sewn: piece.sewn.map(([x, y]): Point => [-x, y]),
      outline: piece.outline.map(([x, y]): Point => [-x, y]),
    });
    expect(checked(only('band-1', mirrored))).toMatchObject({ closes: false, mirrored: [expect.stringContaining('Band')] });
    // Turned over with its points counted the other way round, its notches give it away.
    const backwards = (piece: CoverPiece): CoverPiece => {
      const turned = mirrored(piece);
      return { ...turned, sewn: [...turned.sewn].reverse(), outline: [...turned.outline].reverse(), notches: [...piece.notches].reverse() };
    };
    expect(checked(only('top', backwards)).closes).toBe(false);
  });

  it('a pulled blank cut 5 mm too small', () => {
    const pulled = sew({ way: 'pull-over' });
    const { way: over, ...item } = choicesOf({ way: 'pull-over' });
    const stations = sections.map((section) => wrapAt(model, section));
    const working = { ...item, model, ring: pulled.ring, rule: model.rule, give: giveOf(model.piece.cloth), longer: 1 };
    const check = (by: number): SewnCheck => {
      const blank = pulled.cover.pieces[0]!;
      const smaller = (line: Polygon): Polygon => offsetPolygon(line, -by) ?? line;
      const piece = { ...blank, stapleLine: smaller(blank.stapleLine), outline: smaller(blank.outline) };
      return sewnCheck({ way: over, working, made: [], seams: [], stations, pieces: [piece] });
    };
    expect(check(0).closes).toBe(true);
    expect(check(5)).toMatchObject({ closes: false, edgeError: expect.closeTo(5, 0) });
  });
});
