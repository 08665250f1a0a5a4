import { describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { QUICK } from '../../testing/quick';

const detail = (piece: Piece, key: string): string => planPiece(piece, {}, QUICK).steps.find((step) => step.key === key)!.detail;

describe('wood under the padding', () => {
  it('a frame is told batten by batten: how long, and at which angle its ends are sawn', () => {
    const piece = newPiece('corner-seat');
    const says = detail(piece, 'frame');
    // 1000 × 480 with square corners: every end at 45°, ribs square.
    expect(says).toMatch(
      /^Of 40 × 20 mm, side 1: 1000 mm, ends 45°; side 2: 480 mm, ends 45°; side 3: 1000 mm, ends 45°; side 4: 480 mm, ends 45°/,
    );
    expect(says).toMatch(/rib 1: 400 mm[;.]/);
    expect(says).not.toContain('as listed');
  });

  it('where an outline bends, both ends of a batten fit their neighbours: half of each turn', () => {
    const start = newPiece('headboard');
    const piece: Piece = { ...start, base: { ...start.base, frame: { ...newPiece('corner-seat').base.frame!, inset: 40 } } };
    const { base } = planPiece(piece, {}, QUICK);
    const listed = [...detail(piece, 'frame').matchAll(/side \d+: \d+ mm(?:, ends ([\d.]+)°(?: and ([\d.]+)°)?)?/g)].map(
      ([, one, other]) => [Number(one ?? 0), Number(other ?? one ?? 0)],
    );
    const sides = base.frame!.battens.filter(({ name }) => name.startsWith('side'));
    expect(listed).toHaveLength(sides.length);
    // By the battens' own lines: the angle between two that meet, halved.
    const bearing = sides.map(({ line: [a, b] }) => Math.atan2(b[1] - a[1], b[0] - a[0]));
    sides.forEach((_, k) => {
      const next = (k + 1) % sides.length;
      const turn = Math.abs(Math.atan2(Math.sin(bearing[next]! - bearing[k]!), Math.cos(bearing[next]! - bearing[k]!)));
      const half = (turn * 90) / Math.PI;
      expect(Math.abs(listed[k]![1]! - half)).toBeLessThanOrEqual(0.26);
      expect(Math.abs(listed[next]![0]! - half)).toBeLessThanOrEqual(0.26);
    });
    // Sawn so they close: the turns of a ring make a whole one.
    expect(listed.reduce((sum, [, end]) => sum + 2 * end!, 0)).toBeCloseTo(360, -1);
  });

  it('a strip along an edge is told with its ends', () => {
    const start = newPiece('chair-seat');
    const edge = { edge: { kind: 'edge' as const, name: 'front' }, against: false, strip: { width: 12, thickness: 5 } };
    const piece = { ...start, base: { ...start.base, edges: [edge as NonNullable<Piece['base']['edges']>[number]] } };
    expect(detail(piece, 'edge-strips')).toMatch(/front: \d+ mm of 12 × 5 mm/);
  });
});
