import { describe, expect, it } from 'vitest';
import { problemsOf } from '../../document';
import { bounds } from '../../outline';
import { newPiece, STARTING_SHAPES, type Covering, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { QUICK } from '../../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const board = newPiece('headboard-bordered');
const with_ = (covering: Partial<Covering>, piece = board): Piece => ({ ...piece, covering: { ...piece.covering, ...covering } });
const border = 100;
const three = planned(with_({ border, borders: 'three' }));
const all = planned(with_({ border }));
const names = (plan: Plan): string[] => plan.cover.pieces.map(({ name }) => name);

describe('a border on three sides', () => {
  const { width, depth } = three.outline;
  const line = three.cover.lines.find(({ id }) => id === 'inner')!;

  it('has none at the bottom: the panel goes to the edge there, and everything is covered once', () => {
    expect(names(three).filter((name) => name.startsWith('Border'))).toEqual(['Border, right', 'Border, top', 'Border, left']);
    const panel = three.cover.pieces[0]!;
    expect(panel.edges.map(({ id, kind }) => `${id} ${kind}`)).toEqual(['top seam', 'inner seam']);
    expect(three.cover.check).toMatchObject({ closes: true, mirrored: [], settled: true });
    expect(three.cover.check.areaError).toBeLessThan(0.01);
    expect(three.warnings).toEqual([]);
    // By a border and no more deeper than with one all round; as wide.
    const before = all.cover.pieces[0]!;
    expect(panel.height - before.height).toBeGreaterThan(0.8 * border);
    expect(panel.height - before.height).toBeLessThan(border + 5);
    expect(Math.abs(panel.width - before.width)).toBeLessThan(4);
  });

  it('runs straight down to the bottom edge, square to it, and stays open there', () => {
    expect(line.closed).toBe(false);
    const box = bounds(line.points);
    for (const sign of [-1, 1]) {
      const down = line.points.filter(([x, y]) => sign * x > 0 && y < 0);
      expect(down.length).toBeGreaterThan(3);
      const off = down.map(([x]) => Math.abs(Math.abs(x) - (width / 2 - border)));
      // By eye nobody sees two millimetres over half a headboard.
      expect(Math.max(...off)).toBeLessThan(2);
    }
    expect(box.minY).toBeLessThan(-depth / 2 + 20);
    expect(Math.abs(box.maxY - (depth / 2 - border))).toBeLessThan(3);
  });

  it('is as long as a tape finds it: across the top and down both sides', () => {
    const { length } = three.cover.seams.find(({ id }) => id === 'inner')!;
    const tape = width - 2 * border + 2 * (depth - border);
    expect(Math.abs(length / tape - 1)).toBeLessThan(0.015);
    const welt = three.cover.welts.find(({ seam }) => seam === 'inner')!;
    expect(welt.join).toBeNull();
    expect(welt.seamLength).toBeCloseTo(length, 6);
    expect(sizesOf(three, with_({ border, borders: 'three' }), {}).find(({ key }) => key === 'welt.inner')!.note).toContain(
      'its ends run out over the edge',
    );
    // The edge seam still goes all round.
    expect(three.cover.seams.find(({ id }) => id === 'top')!.length).toBeCloseTo(all.cover.seams.find(({ id }) => id === 'top')!.length, 3);
  });

  it('is tacked and stapled where it is, not where it is not', () => {
    expect(three.cover.tackStrips.filter(({ along }) => along === 'lip').map(({ edge }) => edge)).toEqual(['right', 'back', 'left']);
    expect(three.cover.tackStrips.filter(({ along }) => along === 'edge')).toHaveLength(4);
    const count = (plan: Plan, piece: Piece): number => sizesOf(plan, piece, {}).find(({ key }) => key === 'staple.count')!.value;
    const fewer = count(all, with_({ border })) - count(three, with_({ border, borders: 'three' }));
    // Two rows along the bottom's inner line are saved, less a border's width at either end: some 1,100 mm of two rows at 12.
    expect(fewer).toBeGreaterThan(100);
    expect(fewer).toBeLessThan(260);
    const step = (key: string): string => three.steps.find((candidate) => candidate.key === key)!.detail;
    expect(step('lip-strips')).toContain('on three sides, running straight down to the bottom edge');
    expect(step('border-pull')).toContain('Along the bottom the panel itself is pulled over');
    expect(step('inner-welt')).toContain('run out over the bottom edge');
  });

  it('asks nothing of the cloth for a border at the bottom', () => {
    const at = (plan: Plan, edge: string) =>
      plan.cover.reach.places.filter((place) => place.edge === edge && Math.abs(place.x) < 300 && Math.abs(place.y) < 600);
    const [low] = at(three, 'front');
    const [high] = at(three, 'back');
    expect(low!.values.slice(3, 5)).toEqual([0, 0]);
    expect(high!.values[3]).toBeGreaterThan(90);
  });

  it('sewn as one cover it closes as well, and on an arched board its border is one strip round the arch', () => {
    expect(planned(with_({ border, borders: 'three', made: 'sewn' })).cover.check.closes).toBe(true);
    const arched = planned(with_({ border: 70, borders: 'three' }, { ...board, base: { ...board.base, shape: STARTING_SHAPES.arched } }));
    expect(arched.cover.check.closes).toBe(true);
    const shut = planned(with_({ border: 70 }, { ...board, base: { ...board.base, shape: STARTING_SHAPES.arched } }));
    expect(
      names(shut).filter((name) => name.startsWith('Border')).length - names(arched).filter((name) => name.startsWith('Border')).length,
    ).toBe(1);
  });

  it('a round edge has no bottom to leave out, and says so', () => {
    const round: Piece = with_({ border: 50, borders: 'three' }, { ...board, base: { ...board.base, shape: STARTING_SHAPES.round } });
    expect(problemsOf(round).map(({ path }) => path)).toContain('covering.borders');
  });
});
