import { describe, expect, it } from 'vitest';
import { lineAs, middleAfter, nodesMoved, outlineArea, drawNodes, withNodeAfter, type OutlineNode } from '..';

const square: OutlineNode[] = [
  [-100, -100],
  [100, -100],
  [100, 100],
  [-100, 100],
].map(([x, y]) => ({ x: x!, y: y!, radius: 0, to: { kind: 'line' } }));
const area = (nodes: readonly OutlineNode[]): number => outlineArea(drawNodes({ nodes, mirrored: false }).outline);

describe('editing an outline', () => {
  it('a point put in half way changes nothing; moved out it makes the outline larger', () => {
    const more = withNodeAfter(square, false, 0);
    expect(more).toHaveLength(5);
    expect([more[1]!.x, more[1]!.y]).toEqual([0, -100]);
    expect(area(more)).toBeCloseTo(area(square), 6);
    const movedNodes = nodesMoved(more, { kind: 'node', index: 1 }, [0, -120]);
    expect(area(movedNodes)).toBeCloseTo(area(square) + (200 * 20) / 2, 6);
    expect(movedNodes[0]).toBe(more[0]);
  });

  it('another kind of line goes through about the same places, and stays what it is where it is that already', () => {
    const arc = lineAs('arc', square[0]!, square[1]!);
    expect(arc).toEqual({ kind: 'arc', rise: 20 });
    const curve = lineAs('curve', square[0]!, square[1]!);
    expect(curve).toMatchObject({ kind: 'curve', c1: [expect.closeTo(-100 / 3, 9), -100] });
    const nodes = square.map((node, i) => (i === 0 ? { ...node, to: curve } : node));
    expect(area(nodes)).toBeCloseTo(area(square), 6);
    expect(lineAs('curve', nodes[0]!, nodes[1]!)).toBe(curve);
  });

  it('a curve’s handles go with the points they hang on, and are moved by themselves', () => {
    const nodes = square.map((node, i) => (i === 0 ? { ...node, to: lineAs('curve', square[0]!, square[1]!) } : node));
    const shifted = nodesMoved(nodes, { kind: 'node', index: 1 }, [110, -90]);
    expect(shifted[0]!.to).toMatchObject({ c1: [expect.closeTo(-100 / 3, 9), -100], c2: [expect.closeTo(100 / 3 + 10, 9), -90] });
    const movedNodes = nodesMoved(nodes, { kind: 'c1', index: 0 }, [-20, -150]);
    expect(movedNodes[0]!.to).toMatchObject({ c1: [-20, -150] });
    expect(area(movedNodes)).toBeGreaterThan(area(square));
  });

  it('an arc’s rise follows the pointer, and its middle lies there', () => {
    const nodes = nodesMoved(
      square.map((node, i) => (i === 0 ? { ...node, to: { kind: 'arc', rise: 5 } } : node)),
      { kind: 'rise', index: 0 },
      [0, -130],
    );
    expect(nodes[0]!.to).toEqual({ kind: 'arc', rise: 30 });
    const [x, y] = middleAfter(nodes, false, 0);
    expect(Math.hypot(x, y + 130)).toBeLessThan(1e-6);
  });
});
