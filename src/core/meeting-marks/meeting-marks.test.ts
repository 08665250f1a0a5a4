import { describe, expect, it } from 'vitest';
import { templatesOf } from '../formats/templates';
import { baseOutline, distanceTo, edgeNamed, flatten, pointOnEdge } from '../outline';
import { newPiece, STARTING_SHAPES, type Meet, type Piece } from '../piece';
import { createPlanner, planPiece, type Plan } from '../plan';
import { NO_STRIP } from '../strip/no-strip';
import { letterOf, meetings } from './meeting-marks';
import { QUICK } from '../../testing/quick';

const mark = (id: string, edge: string, along: number, name = ''): Meet => ({ id, name, edge: edgeNamed(edge), along });
const marked = (piece: Piece, ...meet: Meet[]): Piece => ({ ...piece, strip: { ...NO_STRIP, meet } });
const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const chair = newPiece('chair-seat', { type: 'rectangle', width: 460, depth: 420, cornerRadius: { front: 0, back: 0 } });
const SIDES = [
  ['front', 60],
  ['right', -40],
  ['back', 60],
  ['left', 100],
] as const;

describe('a place on an edge', () => {
  it('lies on the board, so far from the edge’s middle, to the right or to the back', () => {
    const outline = baseOutline(chair.base.shape);
    expect(pointOnEdge(outline, edgeNamed('front'), 60)).toEqual([60, -210]);
    expect(pointOnEdge(outline, edgeNamed('back'), 60)!.map(Math.round)).toEqual([60, 210]);
    expect(pointOnEdge(outline, edgeNamed('right'), -40)!.map(Math.round)).toEqual([230, -40]);
    expect(pointOnEdge(outline, edgeNamed('left'), 100)!.map(Math.round)).toEqual([-230, 100]);
    expect(pointOnEdge(outline, edgeNamed('nowhere'), 0)).toBeNull();
    // Beyond its end it is its end, and on every starting shape it is on the board.
    expect(pointOnEdge(outline, edgeNamed('front'), 900)!.map(Math.round)).toEqual([230, -210]);
    for (const shape of Object.values(STARTING_SHAPES)) {
      const item = baseOutline(shape);
      const parts = [...new Set(item.segments.filter(({ edge }) => edge.kind === 'edge').map(({ edge }) => edge.name))];
      for (const part of parts)
        for (const along of [-70, 0, 35]) expect(distanceTo(flatten(item), pointOnEdge(item, edgeNamed(part), along)!)).toBeLessThan(0.1);
    }
  });

  it('has a letter that is not taken for a figure', () => {
    const letters = Array.from({ length: 24 }, (_, k) => letterOf(k));
    expect(new Set(letters).size).toBe(24);
    expect(letters.join('')).not.toMatch(/[IO]/);
    expect(letterOf(24)).toBe('A2');
  });
});

describe('marks that must meet again', () => {
  it('lie on a pulled blank straight out from where they are on the board, as far as the cloth goes to the staples', () => {
    const piece = marked(chair, ...SIDES.map(([edge, along], k) => mark(`m-${k}`, edge, along)));
    const plan = planned(piece);
    const found = plan.cover.pieces[0]!.marks.filter(({ kind }) => kind === 'match');
    expect(found.map(({ label }) => label)).toEqual(['A', 'B', 'C', 'D']);
    const outline = baseOutline(piece.base.shape);
    for (const [k, [edge, along]] of SIDES.entries()) {
      const [x, y] = pointOnEdge(outline, edgeNamed(edge), along)!;
      const { x: mx, y: my } = found[k]!;
      // Square to its edge: the coordinate along it is the board's own.
      if (edge === 'front' || edge === 'back') expect(mx).toBeCloseTo(x, 1);
      else expect(my).toBeCloseTo(y, 1);
      expect(distanceTo(plan.cover.pieces[0]!.stapleLine, [mx, my])).toBeLessThan(0.6);
    }
    const template = templatesOf(plan).find(({ title }) => title.startsWith('Cover'))!;
    expect(template.labels!.map(({ says }) => says)).toEqual(expect.arrayContaining(['A', 'B', 'C', 'D']));
  });

  it('are notched by their letter on every sewn piece that comes there, and partners agree', () => {
    const round = newPiece('round-seat');
    const edge = baseOutline(round.base.shape).segments.find((segment) => segment.edge.kind === 'edge')!.edge.name;
    const plan = planned(marked(round, mark('m-1', edge, 30)));
    const with_ = plan.cover.pieces.filter(({ notches }) => notches.some(({ label }) => /\bA$/.test(label)));
    expect(with_.map(({ role }) => role)).toEqual(expect.arrayContaining(['top', 'band']));
    expect(plan.cover.check.mirrored).toEqual([]);
  });

  it('are said when they are made and when they meet; a planner that knew the piece without them sees them', () => {
    const planner = createPlanner();
    planPiece(chair, {}, { sits: false, coarse: true, planner });
    const piece = marked(chair, mark('m-1', 'front', 60, 'Dark stripe'), mark('m-2', 'left', 0));
    const plan = planPiece(piece, {}, { sits: false, coarse: true, planner });
    const detail = (key: string): string => plan.steps.find((step) => step.key === key)!.detail;
    expect(detail('strip')).toContain('A (Dark stripe, front, 60 mm right of the middle); B (left, in the middle)');
    expect(detail('tack')).toContain('A on A, Dark stripe, front');
    expect(plan.cover.pieces[0]!.marks.some(({ label }) => label === 'A')).toBe(true);
    const saddle = planned(marked(newPiece('saddle'), mark('m-1', 'front', 0)));
    if (meetings(marked(newPiece('saddle'), mark('m-1', 'front', 0)).strip, baseOutline(newPiece('saddle').base.shape)).length > 0)
      expect(saddle.steps.find(({ key }) => key === 'tack')!.detail).toContain('A on A');
  });

  it('on an edge that the base has no more are left out, not lost', () => {
    const piece = marked(chair, mark('m-1', 'gone', 0), mark('m-2', 'front', 0));
    expect(meetings(piece.strip, baseOutline(chair.base.shape)).map(({ letter }) => letter)).toEqual(['B']);
    expect(piece.strip!.meet).toHaveLength(2);
  });
});
