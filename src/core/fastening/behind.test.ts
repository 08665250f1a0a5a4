import { areaD, FillRule, intersectD, PointInPolygonResult, pointInPolygonD, type PathD } from 'clipper2-ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { modelOf } from '../padding';
import { needsOf, waresFor } from '../buying';
import type { Point } from '../outline';
import { HARDWARE_KINDS, KINDS, newPiece, type Hardware, type Piece } from '../piece';
import { planPiece } from '../plan';
import { shelf } from '../store';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';
import { weekly } from '../../testing/weekly';

const behind = (piece: Piece) => planPiece(piece, {}, QUICK).fixing.behind;

type Box = { x: number; y: number; width: number; height: number };
const path = (points: readonly Point[]): PathD => points.map(([x, y]) => ({ x, y }));
const boxPath = ({ x, y, width, height }: Box): PathD =>
  path([
    [x - width / 2, y - height / 2],
    [x + width / 2, y - height / 2],
    [x + width / 2, y + height / 2],
    [x - width / 2, y + height / 2],
  ]);
const inside = (line: PathD, box: Box): boolean =>
  boxPath(box).every((corner) => pointInPolygonD(corner, line) !== PointInPolygonResult.IsOutside);
const shared = (a: PathD, b: PathD): number => Math.abs(intersectD([a], [b], FillRule.NonZero).reduce((sum, ring) => sum + areaD(ring), 0));

describe('the plan of the back', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s: everything lies on the board, and the label on nothing', (id) => {
    const piece = newPiece(id);
    const { things, without, width, height } = behind(piece);
    const board = path(modelOf(piece, {}).board);
    for (const thing of things) {
      expect(inside(board, thing), `${id} ${thing.id}`).toBe(true);
      expect(thing.fromLeft).toBeGreaterThan(0);
      expect(thing.fromLeft).toBeLessThan(width);
      expect(thing.up).toBeGreaterThan(0);
      expect(thing.up).toBeLessThan(height);
      if (thing.left !== null) expect(thing.left, `${id} ${thing.id}`).toBeGreaterThanOrEqual(0);
    }
    const labels = things.filter(({ kind }) => kind === 'label');
    // A pad 120 wide has no room for a label of 90 between its rows; it is said, and where else it goes.
    if (labels.length === 0) expect(without.join(' '), id).toMatch(/label: tie it on/);
    else
      for (const thing of things) if (thing !== labels[0]) expect(shared(boxPath(thing), boxPath(labels[0]!)), `${id} ${thing.id}`).toBe(0);
    for (const row of planPiece(piece, {}, QUICK).fixing.rows)
      for (const label of labels) expect(inside(path(row.line), label), `${id} ${row.id}`).toBe(true);
  });

  it('left and right are those of one who looks at the back', () => {
    const bench = newPiece('bench');
    const right: Hardware = { id: 'f', kind: 'tee-nut', x: 120, y: 60, diameter: 22, length: 9 };
    const [behindThing] = behind({ ...bench, base: { ...bench.base, hardware: [right] } }).things;
    // 1200 × 400 about its middle, turned over: 600 − 120 from the left, 200 + 60 up.
    expect(behindThing).toMatchObject({ name: 'Tee nut', fromLeft: 480, up: 260, into: 9 });
  });

  it('how much wood is left over a point: board alone, or board and batten where one lies behind', () => {
    const bench = newPiece('bench');
    const at = (x: number, y: number) => {
      const hardware: Hardware[] = [{ id: 'f', kind: 'screw', x, y, diameter: 5, length: 10 }];
      const frame = { width: 40, thickness: 20, inset: 20, ribs: 1, stock: 2400, kerf: 3 };
      return behind({ ...bench, base: { ...bench.base, board: { material: 'plywood', thickness: 18 }, frame, hardware } }).things[0]!.left;
    };
    expect(at(300, 0)).toBe(8);
    // On the rib in the middle, and on the long rail 20 in and 40 wide.
    expect(at(0, 0)).toBe(28);
    expect(at(300, -160)).toBe(28);
  });

  it('cleats and stand-offs are clear of the edge, alike on both sides, and bought for every panel', () => {
    const piece = newPiece('headboard-panelled');
    const { things } = behind(piece);
    const of = (kind: string) => things.filter((thing) => thing.kind === kind);
    expect(of('cleat')).toHaveLength(2);
    expect(of('stand-off')).toHaveLength(2);
    for (const kind of ['cleat', 'stand-off']) {
      const [a, b] = of(kind);
      expect(a!.x).toBeCloseTo(-b!.x, 6);
      expect(a!.up).toBe(b!.up);
    }
    // Stand-offs low, cleats high: it leans on the one and hangs from the other.
    expect(of('stand-off')[0]!.up).toBeLessThan(100);
    expect(of('cleat')[0]!.up).toBeGreaterThan(700);
    const plan = planPiece(piece, {}, QUICK);
    const needs = needsOf([{ id: 'p', piece, plan }], [], {});
    const listed = needs.filter(({ name }) => /Cleats|Stand-offs/.test(name));
    expect(listed.map(({ name, amount }) => [name, amount])).toEqual([
      ['Cleats, in pairs', 8],
      ['Stand-offs', 8],
    ]);
    for (const need of listed) expect(waresFor(need, shelf()).map(({ name }) => name.slice(0, 6))).toEqual([need.name.slice(0, 6)]);
  });

  weekly(2)('wherever hardware sits, the label keeps off it, and off the battens’ steps', () => {
    const seat = newPiece('chair-seat');
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: fc.integer({ min: -130, max: 130 }), y: fc.integer({ min: -140, max: 140 }) }), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.integer({ min: 0, max: 2 }),
        (places, ribs) => {
          const hardware = places.map(({ x, y }, k): Hardware => ({ id: `f${k}`, kind: 'leg', x, y, diameter: 60, length: 10 }));
          const frame = { width: 40, thickness: 20, inset: 20, ribs, stock: 2400, kerf: 3 };
          const { things, frame: drawn } = behind({ ...seat, base: { ...seat.base, hardware, frame } });
          const label = things.find(({ kind }) => kind === 'label');
          if (!label) return;
          for (const thing of things) if (thing !== label) expect(shared(boxPath(thing), boxPath(label))).toBe(0);
          for (const [[ax, ay], [bx, by]] of drawn!.ribs) {
            const flat = Math.abs(ay - by) < 1e-6;
            const rib = boxPath({
              x: (ax + bx) / 2,
              y: (ay + by) / 2,
              width: flat ? Math.abs(bx - ax) : 40,
              height: flat ? 40 : Math.abs(by - ay),
            });
            const over = shared(rib, boxPath(label));
            expect(over < 1 || over > label.width * label.height - 1).toBe(true);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('no label lies where a button is tied', () => {
    const board = newPiece('headboard');
    const plain = behind(board).things.find(({ kind }) => kind === 'label')!;
    const hit: number[] = [];
    for (const [columns, spacing] of [
      [5, 180],
      [5, 240],
      [7, 150],
    ] as const) {
      const buttons = { columns, rows: 3, spacing, depth: 15, size: 22 };
      const plan = planPiece({ ...board, covering: { ...board.covering, way: 'buttoned', buttons } }, {}, QUICK);
      const label = plan.fixing.behind.things.find(({ kind }) => kind === 'label')!;
      const tie = ({ x, y }: { x: number; y: number }): Box => ({ x, y, width: 30, height: 30 });
      const met = (box: Box): number => plan.cover.buttons!.places.filter((at) => shared(boxPath(tie(at)), boxPath(box)) > 0).length;
      expect(met(label)).toBe(0);
      hit.push(met(plain));
    }
    // Where it lies without buttons it would have met one.
    expect(Math.max(...hit)).toBeGreaterThan(0);
  });

  it('every thing that can be fixed to a board has its name on the plan', () => {
    const bench = newPiece('bench');
    const hardware = HARDWARE_KINDS.map(({ id, diameter, length }, k): Hardware => ({
      id: `f${k}`,
      kind: id,
      x: -450 + 90 * k,
      y: 0,
      diameter,
      length: Math.min(length, 18),
    }));
    const { things } = behind({ ...bench, base: { ...bench.base, hardware } });
    expect(things.filter(({ kind }) => kind === 'hardware').map(({ name }) => name)).toEqual(HARDWARE_KINDS.map(({ name }) => name));
  });
});
