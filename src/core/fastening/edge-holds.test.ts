import { describe, expect, it } from 'vitest';
import { needsOf, waresFor } from '../buying';
import { problemsOf } from '../document';
import { defaultsOf, EDGE_FACT, KINDS, newChairSeat, newPiece, type EdgeFact, type Piece } from '../piece';
import { planPiece } from '../plan';
import { shelf } from '../store';
import { edgeHolds, FASTENERS } from './fasteners';
import { rivetFor } from './fasteners/rivets';
import { QUICK } from '../../testing/quick';

const plan = (piece: Piece) => planPiece(piece, {}, QUICK);
const heldWith = (id: string, piece: Piece = newChairSeat()): Piece => ({ ...piece, covering: { ...piece.covering, held: id } });
/** The widest gap between neighbours on their way round, mm. */
function widest(places: readonly { x: number; y: number }[]): number {
  const round = [...places].sort((a, b) => Math.atan2(a.y, a.x) - Math.atan2(b.y, b.x));
  return Math.max(
    ...round.map((item, k) => Math.hypot(item.x - round[(k + 1) % round.length]!.x, item.y - round[(k + 1) % round.length]!.y)),
  );
}

describe('what holds a cover', () => {
  it('every fastener that can hold an edge is taken by the document, for the whole and for one edge, and no other word is', () => {
    const edge = { ...(defaultsOf(EDGE_FACT) as Partial<EdgeFact>), edge: { kind: 'edge' as const, name: 'front' } } as EdgeFact;
    for (const { id, holdsEdge } of [...FASTENERS, { id: 'string', holdsEdge: false }]) {
      expect(problemsOf(heldWith(id)).length === 0, id).toBe(Boolean(holdsEdge));
      const chair = newChairSeat();
      const along = { ...chair, base: { ...chair.base, edges: [{ ...edge, held: id }] } };
      expect(problemsOf(along).length === 0, `${id} along the front`).toBe(Boolean(holdsEdge));
    }
  });

  // What is usual: tacks as close as staples, screws a hand's width, clips no farther than the cloth stays flat between them.
  it.each([
    ['staples', 15, 60],
    ['tacks', 15, 60],
    ['screws', 60, 130],
    ['clips', 40, 100],
    ['cord', 100, 260],
    ['glue', 60, 160],
    ['hook-loop', 100, 260],
  ] as const)('%s on a chair seat: no warning, its own steps, no other kind’s, bought from the shelf', (id, least, most) => {
    const item = plan(heldWith(id));
    expect(item.warnings.map(({ code }) => code)).toEqual(plan(newChairSeat()).warnings.map(({ code }) => code));
    expect(item.fixing.fastener.id).toBe(id);
    expect(item.fixing.order.length).toBeGreaterThan(3);
    const gap = widest(item.fixing.order);
    expect(gap).toBeGreaterThanOrEqual(least);
    expect(gap).toBeLessThanOrEqual(most);
    expect(item.fixing.order.map(({ n }) => n)).toEqual(item.fixing.order.map((_, k) => k + 1));
    expect(item.fixing.order.slice(0, 4).every(({ kind }) => kind === 'centre')).toBe(true);
    const keys = item.steps.map(({ key }) => key);
    const its = id === 'staples' ? 'staple' : id;
    expect(keys.filter((key) => ['staple', ...edgeHolds().map((one) => one.id as string)].includes(key))).toEqual([its]);
    expect(keys.indexOf('tack')).toBeLessThan(keys.indexOf(its));
    // What is sewn to the edge is trimmed before it is sewn; the rest once it holds.
    const sewn = ['clips', 'cord', 'hook-loop'].includes(id);
    expect(keys.includes('trim')).toBe(!sewn);
    expect(keys.includes('edge-sewn')).toBe(sewn);
    if (sewn) expect(keys.indexOf('edge-sewn')).toBeLessThan(keys.indexOf('tack'));
    else expect(keys.indexOf(its)).toBeLessThan(keys.indexOf('trim'));
    expect(item.steps.find(({ key }) => key === its)!.caution).toBeTruthy();
    // The dust cover is stapled whatever holds the cover.
    const needs = needsOf([{ id: 'p', piece: heldWith(id), plan: item }], [], {});
    expect(needs.some(({ kind }) => kind === 'staple')).toBe(true);
    for (const one of needs) expect(waresFor(one, shelf()).length, `${id} ${one.key} ${one.thickness} ${one.length}`).toBeGreaterThan(0);
  });

  it('a length bites and does not come through: tacks and screws by what lies behind the cloth', () => {
    const size = (piece: Piece) => plan(piece).fixing.fasteners.find(({ id }) => id !== 'staples')!.size;
    const board = (thickness: number, cloth = 1): Piece => {
      const seat = newChairSeat();
      return {
        ...seat,
        base: { ...seat.base, frame: null, board: { material: 'plywood', thickness } },
        cloth: { ...seat.cloth, thickness: cloth },
      };
    };
    expect(size(heldWith('tacks', board(12)))).toBe('8 mm');
    // 2 × 3 of cloth and 6 of bite want 12, so 13; from a board of 9 it comes 2 short of the far face.
    expect(size(heldWith('tacks', board(9, 3)))).toBe('13 mm');
    expect(size(heldWith('screws', board(12)))).toBe('3.5 × 10 mm, each with its cup washer');
    // 4 mm of board hold no tack; the next best is said, and one press takes it.
    const thin = plan(heldWith('tacks', board(4)));
    const warning = thin.warnings.find(({ code }) => code === 'hold-too-shallow')!;
    expect(warning.message).toMatch(/Tacks do not hold here.*Next best: a batten behind the edge/);
    expect(warning.mend).toMatchObject({ path: 'covering.held', value: 'glue' });
    expect(plan(heldWith('glue', board(4))).warnings.map(({ code }) => code)).not.toContain('hold-too-shallow');
  });

  it('never “none fits” without the next best, which then fits', () => {
    const seat = newChairSeat();
    const thin: Piece = { ...seat, base: { ...seat.base, frame: null, board: { material: 'plywood', thickness: 5 } } };
    const warning = plan(thin).warnings.find(({ code }) => code === 'staple-leg')!;
    expect(warning.message).toContain('Next best: a batten behind the edge to staple into, or glue');
    const pan = { ...newPiece('saddle'), base: { ...newPiece('saddle').base, board: { material: 'plywood', thickness: 6.5 } } };
    const tight = plan({ ...pan, covering: { ...pan.covering, held: 'staples' } }).warnings.find(({ code }) => code === 'staple-leg');
    expect(tight?.message).toContain('rivets with washers');
    const wall = newPiece('headboard-panelled');
    const foam = { ...wall, base: { ...wall.base, board: { material: 'foam-board', thickness: 19 } } };
    // By itself it is glued; staples that somebody chose are refused in words.
    expect(plan(foam).warnings.map(({ code }) => code)).not.toContain('board-holds-no-staple');
    expect(plan(heldWith('staples', foam)).warnings.find(({ code }) => code === 'board-holds-no-staple')!.message).toContain(
      'glue, a draw-cord in a hem, or clips',
    );
    for (const id of ['glue', 'cord', 'clips'] as const)
      expect(plan(heldWith(id, foam)).warnings.map(({ code }) => code)).not.toContain('board-holds-no-staple');
  });

  it('every kind is held at its start, by what its board asks for, and a loose one by nothing', () => {
    for (const { id, traits, start } of KINDS) {
      const { fixing, warnings } = plan(newPiece(id));
      expect(
        warnings.map(({ code }) => code).filter((code) => /staple|hold|gun/.test(code)),
        id,
      ).toEqual([]);
      expect(fixing.fastener.id, id).toBe(start.way === 'block' ? null : traits.pan ? 'rivets' : 'staples');
    }
  });

  it('a rivet is a length on sale that closes over its grip and is not far longer', () => {
    for (let grip = 2; grip <= 20; grip += 0.5) {
      const length = rivetFor(grip);
      // A washer of 1 and the shank's own diameter of 4 go into the head; lengths on sale lie 5 apart at the most.
      expect(length - grip).toBeGreaterThanOrEqual(5);
      expect(length - grip).toBeLessThan(10);
    }
    // A pan of 4 and leathercloth of 1.2 twice: 6.4 to hold, 11.4 wanted, 12 on sale.
    expect(rivetFor(6.4)).toBe(12);
  });

  it('what is bought by length or area: a cord once round and enough to draw, glue on both faces', () => {
    const cord = plan(heldWith('cord')).fixing.fasteners.find(({ id }) => id === 'cord')!;
    // 450 in front, 390 behind, 420 deep, 18 in: some 1.55 m, and 400 to draw.
    expect(cord.bulk!.amount).toBeGreaterThan(1800);
    expect(cord.bulk!.amount).toBeLessThan(2100);
    const glue = plan(heldWith('glue')).fixing.fasteners.find(({ id }) => id === 'glue')!;
    expect(glue.bulk!.amount / 1e6).toBeGreaterThan(0.05);
    expect(glue.bulk!.amount / 1e6).toBeLessThan(0.12);
  });
});
