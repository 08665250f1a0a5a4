import { describe, expect, it } from 'vitest';
import { defaultsOf, EDGE_FACT, newChairSeat, newPiece, type EdgeFact, type Piece } from '../piece';
import { modelOf } from '../padding';
import { distanceAlong, edgeNamed, edgeLength, offsetPolygon, polygonPerimeter } from '../outline';
import { planPiece } from '../plan';
import { needsOf, waresFor } from '../buying';
import { shelf } from '../store';
import { shareHeld } from './held';
import { edgeHolds } from './fasteners';
import { QUICK } from '../../testing/quick';

const plan = (piece: Piece) => planPiece(piece, {}, QUICK);
const along = (name: string, holdId: string, piece: Piece = newChairSeat()): Piece => {
  const item: EdgeFact = { ...defaultsOf<EdgeFact>(EDGE_FACT as { static: EdgeFact }), edge: edgeNamed(name), held: holdId };
  return { ...piece, base: { ...piece.base, edges: [...(piece.base.edges ?? []).filter(({ edge }) => edge.name !== name), item] } };
};
const keys = (piece: Piece): string[] => plan(piece).steps.map(({ key }) => key);

describe('several things that hold one cover', () => {
  it.each(
    edgeHolds()
      .map(({ id }) => id)
      .filter((id) => id !== 'staples'),
  )('%s along the back, staples along the rest: every place once, none twice, all in one order', (id) => {
    const piece = along('back', id);
    const { fixing } = plan(piece);
    const plain = plan(newChairSeat()).fixing;
    const of = (edge: string) => fixing.order.filter((place) => place.edge === edge && place.kind !== 'corner').length;
    const was = (edge: string) => plain.order.filter((place) => place.edge === edge && place.kind !== 'corner').length;
    for (const edge of ['front', 'left', 'right']) expect(of(edge), edge).toBe(was(edge));
    // Everything but staples stands farther apart than they do.
    expect(of('back')).toBeGreaterThan(0);
    expect(of('back')).toBeLessThanOrEqual(was('back'));
    expect(fixing.order.map(({ n }) => n)).toEqual(fixing.order.map((_, k) => k + 1));
    // Corners are still made by what holds most of it.
    expect(fixing.order.filter(({ kind }) => kind === 'corner')).toHaveLength(plain.order.filter(({ kind }) => kind === 'corner').length);
    expect(fixing.waves.at(-1)!.says).toMatch(/^back: /);
    expect(fixing.waves.reduce((sum, { from, to }) => sum + to - from + 1, 0)).toBe(fixing.order.length);
    expect(fixing.fasteners.map((fastener) => fastener.id)).toEqual(expect.arrayContaining(['staples', id]));
    expect(fixing.rows.find((row) => row.id === 'cover')!.name).toContain('staples and ');
  });

  it.each(['screws', 'clips', 'glue', 'rivets'] as const)(
    '%s: its step comes before the corners are made and what stands over is trimmed',
    (id) => {
      const names = keys(along('back', id));
      const its = id === 'rivets' ? 'rivet' : id;
      for (const later of ['corners', 'trim', 'dust']) expect(names.indexOf(its), later).toBeLessThan(names.indexOf(later));
      expect(names.indexOf('tack')).toBeLessThan(names.indexOf(its));
      expect(names.filter((key) => key === 'tack' || key === 'trim')).toEqual(['tack', 'trim']);
      expect(new Set(names).size).toBe(names.length);
      if (id === 'clips') expect(names.indexOf('edge-sewn-clips')).toBeLessThan(names.indexOf('tack'));
    },
  );

  it('the other way round: glued all round, stapled along the front alone', () => {
    const start = newChairSeat();
    const piece = along('front', 'staples', { ...start, covering: { ...start.covering, held: 'glue' } });
    const { fixing, steps } = plan(piece);
    expect(fixing.fastener.id).toBe('glue');
    expect(steps.find(({ key }) => key === 'staple')!.name).toBe('Staple the front');
    const staples = fixing.fasteners.find(({ id }) => id === 'staples')!;
    expect(new Set(staples.places.map(({ edge }) => edge))).toEqual(new Set(['front']));
  });

  it('what is bought by area or length is bought for its edges alone; the shares make a whole', () => {
    const amount = (piece: Piece): number => plan(piece).fixing.fasteners.find(({ id }) => id === 'glue')!.bulk!.amount;
    const seat = newChairSeat();
    const all = amount({ ...seat, covering: { ...seat.covering, held: 'glue' } });
    const model = modelOf(along('back', 'glue'), {});
    const back = edgeLength(model.outline, edgeNamed('back')) / polygonPerimeter(model.board);
    expect(amount(along('back', 'glue'))).toBeCloseTo(all * back, -2);
    expect(shareHeld(model, 'glue') + shareHeld(model, 'staples')).toBeCloseTo(1, 9);
    // The trapezoid is 390 behind, its corners of 20 rounded away, of some 1.65 m round.
    expect(back).toBeGreaterThan(0.19);
    expect(back).toBeLessThan(0.25);
  });

  it('an edge on which the cloth ends in sight is held by its fold, whatever was said before', () => {
    const piece = along('front', 'glue');
    const edges = piece.base.edges!.map((edge) => ({ ...edge, end: { up: 3, turn: 12, held: 'gimp-pins' as const } }));
    const ended = { ...piece, base: { ...piece.base, edges } };
    expect(keys(ended)).not.toContain('glue');
    expect(plan(ended).fixing.fasteners.map(({ id }) => id)).not.toContain('glue');
  });

  it('a board that is too thin along one edge is told there, and one press glues it', () => {
    const seat = newChairSeat();
    const thin: Piece = { ...seat, base: { ...seat.base, frame: null, board: { material: 'plywood', thickness: 5 } } };
    const piece = along('back', 'tacks', { ...thin, covering: { ...thin.covering, held: 'clips' } });
    const warning = plan(piece).warnings.find(({ code }) => code === 'hold-too-shallow')!;
    expect(warning.mend).toMatchObject({ path: 'base.edges.0.held', value: 'glue' });
    expect(plan(along('back', 'glue', piece)).warnings.map(({ code }) => code)).not.toContain('hold-too-shallow');
  });
});

describe('what staples are made like', () => {
  it('stainless on vehicles and where it is wet, a broad crown on coated cloth; bought as that', () => {
    const label = (piece: Piece): string => plan(piece).fixing.fasteners.find(({ id }) => id === 'staples')!.size;
    const seat = newChairSeat();
    expect(label(seat)).toMatch(/narrow crown$/);
    expect(label({ ...seat, covering: { ...seat.covering, outdoors: true } })).toMatch(/narrow crown, stainless$/);
    // A waterproof layer under an indoor cover says nothing of the weather.
    expect(label({ ...seat, covering: { ...seat.covering, waterproof: true } })).toMatch(/narrow crown$/);
    expect(label({ ...seat, cloth: { ...seat.cloth, coated: true } })).toMatch(/broad crown$/);
    const saddle = newPiece('saddle');
    const stapled: Piece = {
      ...saddle,
      base: { ...saddle.base, board: { ...saddle.base.board, thickness: 12 } },
      covering: { ...saddle.covering, held: 'staples' },
    };
    expect(label(stapled)).toMatch(/broad crown, stainless$/);
    const need = needsOf([{ id: 'p', piece: stapled, plan: plan(stapled) }], [], {}).find(({ kind }) => kind === 'staple')!;
    const names = waresFor(need, shelf()).map(({ name }) => name);
    expect(names).toHaveLength(1);
    expect(names[0]).toMatch(/^Staples, broad crown, stainless, \d+ mm$/);
  });
});

describe('edge tape over the staples', () => {
  it('a corner seat has it instead of a dust cover: after trimming, once round and a lap, from a roll', () => {
    const piece = newPiece('corner-seat');
    const item = plan(piece);
    const order = item.steps.map(({ key }) => key);
    expect(order).not.toContain('dust');
    expect(item.dustCover).toBeNull();
    expect(order.indexOf('trim')).toBeLessThan(order.indexOf('edge-tape'));
    const tape = item.fixing.fasteners.find(({ id }) => id === 'edge-tape')!;
    const { board } = modelOf(piece, {});
    const line = polygonPerimeter(offsetPolygon(board, -modelOf(piece, {}).rule('return'))!);
    // 1000 × 480 less 18 on every side: some 2.8 m and a lap; nobody laps more than two fingers.
    expect(tape.bulk!.amount).toBeGreaterThan(line + 15);
    expect(tape.bulk!.amount).toBeLessThan(line + 40);
    const need = needsOf([{ id: 'p', piece, plan: item }], [], {}).find(({ name }) => name === 'Edge tape')!;
    expect(waresFor(need, shelf()).map(({ name }) => name)).toEqual(['Edge tape']);
  });

  it('taken off, the dust cover is there again; a loose cover has neither', () => {
    const piece = newPiece('corner-seat');
    const without = plan({ ...piece, covering: { ...piece.covering, edgeTape: false } });
    expect(without.dustCover).not.toBeNull();
    expect(without.fixing.fasteners.map(({ id }) => id)).not.toContain('edge-tape');
    const loose = newPiece('block-seat');
    const taped = plan({ ...loose, covering: { ...loose.covering, edgeTape: true } });
    expect(taped.fixing.fasteners).toEqual([]);
  });
});

describe('a board too small for the house’s line', () => {
  const bench = (depth: number, overrides: Record<string, number> = {}): Piece => {
    const start = newPiece('arm-pad');
    return {
      ...start,
      overrides,
      base: { ...start.base, shape: { type: 'rectangle', width: 350, depth, cornerRadius: { front: 0, back: 0 } } },
    };
  };
  it('is fastened half-way to its middle, and everything is cut for that line', () => {
    for (const depth of [120, 90, 60, 46, 44, 40]) {
      const item = plan(bench(depth));
      const line = item.fixing.rows.find(({ id }) => id === 'cover')!;
      // 18 where it fits with 5 to spare on either side of the middle; otherwise half-way in, never on the board's rim.
      expect(line.inset, `${depth}`).toBe(depth / 2 > 23 ? 18 : Math.floor(depth / 4));
      expect(line.inset).toBeGreaterThanOrEqual(6);
      const { board } = modelOf(bench(depth), {});
      for (const { x, y } of item.fixing.order) {
        const beside = distanceAlong(board, [x, y]);
        expect(Number.isFinite(beside)).toBe(true);
        expect(Math.abs(y)).toBeLessThan(depth / 2 - 5);
      }
      expect(item.warnings.map(({ code }) => code).filter((code) => /staple|hold/.test(code))).toEqual([]);
    }
  });
  it('is refused where nothing fits, or where the line was said for it alone', () => {
    expect(() => plan(bench(60, { return: 28 }))).toThrow(/Staple how far in/);
    expect(plan(bench(60, { return: 22 })).fixing.rows.find(({ id }) => id === 'cover')!.inset).toBe(22);
  });
});
