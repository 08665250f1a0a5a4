import { describe, expect, it } from 'vitest';
import { coveredSurface, modelOf, type Model } from '../build';
import { bounds, polygonArea, polygonPerimeter, type Polygon } from '../outline';
import { newPiece, type Correction, type Covering, type Piece, type PieceKind, type Way } from '../piece';
import type { CoverPiece } from './cloth-piece';
import { pulledOver, WAYS } from './covering';
import { sewCover, type SewnCover } from './sew';
import { stationSections, wrapAt } from './wrap';

type Built = { model: Model; sew: (covering: Covering, change?: Partial<Piece>) => SewnCover };

const BUILT = new Map<string, Built>();

/** A piece built once and covered in many ways. */
function built(kind: PieceKind, change: Partial<Piece> = {}): Built {
  const key = kind + JSON.stringify(change);
  const known = BUILT.get(key);
  if (known) return known;
  const piece: Piece = { ...newPiece(kind), ...change, panels: null };
  const model = modelOf(piece, {});
  const sections = stationSections(model);
  const stations = sections.map((section) => wrapAt(model, section));
  const covered = coveredSurface(model, sections);
  const made: Built = {
    model,
    sew: (covering, own = {}) => sewCover({ ...model, piece: { ...piece, ...own, covering } }, sections, stations, covered),
  };
  BUILT.set(key, made);
  return made;
}

const piece = (cover: SewnCover, id: string): CoverPiece => cover.cover.pieces.find((own) => own.id === id)!;

/** Kinds whose padding reaches the board's edge: the others are nailed, not sewn. */
const KINDS: PieceKind[] = [
  'chair-seat',
  'round-seat',
  'bench',
  'corner-seat',
  'headboard',
  'headboard-bordered',
  'saddle',
  'arm-pad',
  'block-seat',
  'tight-seat',
];

const border = (kind: PieceKind): number => (kind === 'arm-pad' || kind === 'saddle' ? 40 : 70);

describe.each(KINDS)('%s, sewn back together', (kind) => {
  it.each(WAYS.map(({ id }) => id).filter((way) => !pulledOver(way)))(
    '%s: every seam closes, and the areas give the surface within 0.5 %%',
    (way: Way) => {
      const { cover } = built(kind).sew({ way, border: border(kind), lip: 12 });
      expect(Math.abs(cover.check.areaError)).toBeLessThan(0.005);
      for (const seam of cover.seams) {
        if (seam.partners.length < 2) continue;
        // Partners are alike within half a millimetre, or how much is eased in is said.
        const stated = seam.ease <= 0.5 || seam.ease < seam.length * 0.002;
        expect(stated, `${seam.id} ${seam.ease}`).toBe(true);
      }
      for (const own of cover.pieces) {
        expect(own.area).toBeGreaterThan(0);
        // What was cut holds what was sewn, and the allowance runs once round it.
        const added = Math.abs(polygonArea(own.outline)) - Math.abs(polygonArea(own.sewn));
        const wanted = own.edges.reduce((sum, edge) => sum + edge.flat * edge.allowance, 0);
        if (own.surface > 0 && wanted > 0)
          expect(Math.abs(added / wanted - 1), `${own.id} allowance`).toBeLessThan(way === 'bordered' ? 0.35 : 0.3);
      }
    },
  );

  it('pulled over: the blank is the surface and what is folded or worked in', () => {
    const { cover } = built(kind).sew({ way: 'pull-over' });
    // Fullness is summed from lengths alone; a moulded pan's middle is least well known to it.
    expect(Math.abs(cover.check.areaError)).toBeLessThan(kind === 'saddle' ? 0.03 : 0.02);
    expect(cover.check.eased).toBeGreaterThan(0);
  });
});

describe('seams', () => {
  it('partners carry the same notches, in the same order, at the same distances along the seam', () => {
    const sewn = built('chair-seat').sew({ way: 'boxed', bandCut: 'shaped' });
    const top = piece(sewn, 'top');
    const bands = sewn.cover.pieces.filter((own) => own.role === 'band');
    const labels = (own: CoverPiece, edge: string): string[] =>
      own.notches.filter((notch) => notch.edge === edge).map((notch) => notch.label);
    expect(new Set(bands.flatMap((band) => labels(band, 'top')))).toEqual(new Set(labels(top, 'top')));
    expect(new Set(labels(top, 'top')).size).toBe(labels(top, 'top').length);
    const along = (own: CoverPiece): Map<string, number> => {
      const edge = own.edges.find((one) => one.id === 'top')!;
      const found = new Map<string, number>();
      let s = 0;
      for (let k = 0; k <= edge.sides; k++) {
        const [x, y] = own.sewn[(edge.from + k) % own.sewn.length]!;
        for (const notch of own.notches)
          if (notch.edge === 'top' && Math.hypot(notch.x - x, notch.y - y) < 1e-6) found.set(notch.label, found.get(notch.label) ?? s);
        const [u, v] = own.sewn[(edge.from + k + 1) % own.sewn.length]!;
        if (k < edge.sides) s += Math.hypot(u - x, v - y);
      }
      return found;
    };
    const onTop = along(top);
    for (const band of bands) {
      const own = [...along(band)];
      for (let i = 1; i < own.length; i++) {
        const [a, b] = [own[i - 1]!, own[i]!];
        const length = polygonPerimeter(top.sewn);
        const there = Math.abs(onTop.get(a[0])! - onTop.get(b[0])!);
        // The band is walked the other way about.
        expect(Math.abs(Math.min(there, length - there) - Math.abs(b[1] - a[1]))).toBeLessThan(1.2);
      }
    }
  });

  it('a straight band is exactly as long as the seam of the panel it is sewn to', () => {
    const sewn = built('chair-seat').sew({ way: 'boxed', bandCut: 'straight' });
    const top = piece(sewn, 'top').edges[0]!.flat;
    const bands = sewn.cover.pieces
      .filter((own) => own.role === 'band')
      .reduce((sum, own) => sum + own.edges.find((edge) => edge.id === 'top')!.flat, 0);
    expect(bands).toBeCloseTo(top, 3);
    expect(sewn.cover.pieces.filter((own) => own.role === 'band').length).toBe(2);
  });

  it('a band is joined at the back, at the corners, or as often as the roll asks', () => {
    const { sew } = built('chair-seat');
    const bands = (covering: Covering, change: Partial<Piece> = {}): number =>
      sew(covering, change).cover.pieces.filter((own) => own.role === 'band').length;
    expect(bands({ way: 'boxed', joins: 'corners' })).toBe(4);
    const cloth = newPiece('chair-seat').cloth;
    expect(bands({ way: 'boxed' }, { cloth: { ...cloth, rollWidth: 600 } })).toBe(3);
    expect(bands({ way: 'boxed' }, { cloth: { ...cloth, direction: 'across' } })).toBe(1);
  });

  it('mitres meet: both borders at a corner have the same mitre, and the outer band is joined in line with it', () => {
    const sewn = built('headboard-bordered').sew({ way: 'bordered', border: 80 });
    const borders = sewn.cover.pieces.filter((own) => own.role === 'border');
    expect(borders).toHaveLength(4);
    for (let k = 1; k <= 4; k++) {
      const ends = borders.flatMap((own) => own.edges.filter((edge) => edge.id === `mitre ${k}`));
      expect(ends).toHaveLength(2);
      expect(Math.abs(ends[0]!.flat - ends[1]!.flat)).toBeLessThan(0.5);
      expect(sewn.cover.pieces.flatMap((own) => own.edges.filter((edge) => edge.id === `band mitre ${k}`))).toHaveLength(2);
    }
    expect(sewn.cover.tackStrips).toHaveLength(4);
    // Left and right are alike to a tenth of a millimetre, and the panel keeps its corners where the mitres meet.
    const [right, left] = ['right', 'left'].map((side) => borders.find((own) => own.name.endsWith(side))!);
    expect(Math.abs(right!.width - left!.width)).toBeLessThan(0.1);
    expect(Math.abs(right!.net - left!.net)).toBeLessThan(10);
    // A wider border is a smaller panel.
    const wider = built('headboard-bordered').sew({ way: 'bordered', border: 120 });
    expect(piece(sewn, 'top').width - piece(wider, 'top').width).toBeCloseTo(80, -1);
  });

  it('an arched board’s borders are each other’s mirror too, with a sharp corner below and a round one above', () => {
    const arched = built('headboard-bordered', {
      base: {
        ...newPiece('headboard-bordered').base,
        shape: { type: 'arched', width: 1380, sideHeight: 540, height: 700, cornerRadius: { front: 0, back: 30 } },
      },
    });
    const sewn = arched.sew({ way: 'bordered', border: 110 });
    const [right, left] = ['right', 'left'].map((side) => sewn.cover.pieces.find((own) => own.name === `Border, ${side}`)!);
    expect(Math.abs(right!.width - left!.width)).toBeLessThan(0.3);
    expect(Math.abs(right!.net - left!.net) / left!.net).toBeLessThan(0.0005);
    const inner = sewn.cover.lines.find((line) => line.id === 'inner')!.points;
    // The seam’s lower corners lie a border’s width inside both edges.
    for (const sign of [1, -1]) expect(Math.min(...inner.map(([x, y]) => Math.hypot(x - sign * 580, y + 240)))).toBeLessThan(0.5);
  });

  it('a saddle’s sides are each other’s mirror, and named left and right', () => {
    const sewn = built('saddle').sew({ way: 'saddle-set' });
    const [left, right] = [piece(sewn, 'left'), piece(sewn, 'right')];
    expect([left.hand, right.hand]).toEqual(['left', 'right']);
    expect(Math.abs(left.width - right.width)).toBeLessThan(2);
    expect(Math.abs(left.net / right.net - 1)).toBeLessThan(0.01);
    expect(sewn.cover.pieces.map((own) => own.role).sort()).toEqual(['nose', 'side', 'side', 'tail', 'top']);
    const none = built('saddle').sew({ way: 'saddle-set', panelAllowance: 'none' });
    expect(piece(none, 'top').area).toBeCloseTo(Math.abs(polygonArea(piece(none, 'top').sewn)), 3);
    expect(piece(none, 'top').note).toContain('pull makes it tight');
  });

  it('the seam lies where it is wanted: farther in on top, below the edge; and where it is moved by eye', () => {
    const { sew, model } = built('chair-seat');
    const at = (covering: Partial<Covering>): Polygon =>
      sew({ way: 'boxed', ...covering }).cover.lines.find((line) => line.id === 'top')!.points;
    const size = (line: Polygon): number => Math.abs(polygonArea(line));
    expect(size(at({ seamAt: 'on-top' }))).toBeLessThan(size(at({})));
    const low = (line: Polygon): number => bounds(line).minY;
    const plain = low(at({}));
    const moved = at({
      seamMoves: [
        { at: 0, by: -15 },
        { at: 0.25, by: 0 },
        { at: 0.5, by: 0 },
        { at: 0.75, by: 0 },
      ],
    });
    expect(low(moved) - plain).toBeGreaterThan(4);
    expect(bounds(moved).maxY).toBeCloseTo(bounds(at({})).maxY, 3);
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
    expect(piece(b, 'top').height).toBeLessThan(piece(a, 'top').height - 4);
    expect(model.places.length).toBeGreaterThan(4);
  });
});

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
    const halves = split.cover.pieces.filter((own) => own.role === 'top');
    expect(halves.map((own) => own.hand).sort()).toEqual(['left', 'right']);
    const seams = halves.map((own) => own.edges.find((edge) => edge.kind === 'join')!.flat);
    expect(Math.abs(seams[0]! - seams[1]!)).toBeLessThan(0.5);
    expect((halves[0]!.surface + halves[1]!.surface) / piece(whole, 'top').surface).toBeCloseTo(1, 2);
    const share = (sewn: SewnCover): number =>
      Math.max(...sewn.cover.pieces.filter((own) => own.role === 'top').map((own) => own.strain!.share));
    expect(share(split)).toBeLessThan(share(whole));
  });

  it('a dart opens: its two legs are alike, and the seam is as long as before', () => {
    const { sew } = built('chair-seat');
    const darted = piece(sew({ way: 'boxed', darts: [0.1, 0.6] }), 'top');
    const legs = darted.edges.filter((edge) => edge.kind === 'dart');
    expect(legs).toHaveLength(4);
    for (const id of new Set(legs.map((leg) => leg.id))) {
      const [a, b] = legs.filter((leg) => leg.id === id);
      expect(Math.abs(a!.sewn - b!.sewn)).toBeLessThan(0.01);
      expect(Math.abs(a!.flat - b!.flat)).toBeLessThan(0.5);
    }
    const plain = piece(sew({ way: 'boxed' }), 'top');
    const seam = (own: CoverPiece): number => own.edges.filter((edge) => edge.seam === 'top').reduce((sum, edge) => sum + edge.sewn, 0);
    expect(seam(darted)).toBeCloseTo(seam(plain), 1);
  });
});

describe('what the first piece showed', () => {
  const out = (change: Partial<Correction>): Correction => ({
    id: 'c-1',
    piece: 'band-1',
    what: 'height',
    where: 'all',
    by: 4,
    note: '',
    day: '2026-11-20',
    ...change,
  });

  it('a band 4 mm too high at the left is lower there by 4 mm and nowhere else', () => {
    const { sew } = built('round-seat');
    const plain = piece(sew({ way: 'boxed', bandCut: 'straight' }), 'band');
    const all = piece(sew({ way: 'boxed', bandCut: 'straight', corrections: [out({ piece: 'band' })] }), 'band');
    expect(plain.height - all.height).toBeCloseTo(4, 1);
    const chair = built('chair-seat');
    const bands = (corrections: Correction[]): CoverPiece[] =>
      chair.sew({ way: 'boxed', bandCut: 'straight', joins: 'corners', corrections }).cover.pieces.filter((own) => own.role === 'band');
    const before = bands([]);
    const left = before.findIndex((band) =>
      band.notches.some((notch) => chair.model.places.find((place) => place.id === notch.label)?.edge === 'left'),
    );
    const after = bands([out({ piece: before[left]!.id, where: 'left' })]);
    const middle = (own: CoverPiece): number => own.net / own.edges.find((edge) => edge.id === 'top')!.flat;
    expect(middle(before[left]!) - middle(after[left]!)).toBeGreaterThan(3);
    for (const k of [0, 1, 2, 3].filter((i) => i !== left)) expect(after[k]!.net).toBeCloseTo(before[k]!.net, 3);
  });

  it('a panel 6 mm slack is 6 mm narrower, and its band is shortened with it', () => {
    const { sew } = built('chair-seat');
    const covering: Covering = { way: 'boxed', bandCut: 'straight' };
    const [before, after] = [sew(covering), sew({ ...covering, corrections: [out({ piece: 'top', what: 'width', by: 6 })] })];
    expect(piece(before, 'top').width - piece(after, 'top').width).toBeCloseTo(6, 1);
    const bands = (sewn: SewnCover): number =>
      sewn.cover.pieces
        .filter((own) => own.role === 'band')
        .reduce((sum, own) => sum + own.edges.find((edge) => edge.id === 'top')!.flat, 0);
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
    for (const own of plain.cover.pieces.filter((one) => one.surface > 0)) {
      const other = piece(grown, own.id);
      expect(Math.abs((bounds(other.sewn).width * 0.96) / bounds(own.sewn).width - 1)).toBeLessThan(1e-6);
    }
  });
});
