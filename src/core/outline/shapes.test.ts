import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KINDS, newPiece, SHAPES, STARTING_SHAPES, type BaseShape } from '../piece';
import { checkShape } from '../piece';
import { planPiece } from '../plan';
import { closeBevel } from './survey/bevel';
import { closeQuad, expectedDiagonal } from './survey/quad';
import {
  baseOutline,
  bounds,
  closingOf,
  crossesItself,
  drawNodes,
  fitNodes,
  flatten,
  fold,
  measuredOutline,
  offsetRounded,
  outlineArea,
  outlineSize,
  perimeter,
  polygonArea,
  polygonPerimeter,
  tangentAt,
  type OutlineNode,
  type Polygon,
} from '.';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';
import { weekly } from '../../testing/weekly';

/** No sitting and larger triangles: these tests ask for neither. */

const DEGREE = Math.PI / 180;
const box = (shape: BaseShape) => bounds(flatten(baseOutline(shape)));
const node = (x: number, y: number, to: OutlineNode['to'] = { kind: 'line' }, radius = 0): OutlineNode => ({ x, y, radius, to });

describe('shapes as they are measured', () => {
  it.each(thisWeek(SHAPES, 3).map((shape) => shape.type))('%s: drawn, closed, counter-clockwise, about the middle, planned', (type) => {
    const shape = STARTING_SHAPES[type];
    expect(checkShape(shape)).toEqual([]);
    const outline = baseOutline(shape);
    const polygon = flatten(outline);
    expect(crossesItself(polygon)).toBeNull();
    expect(polygonArea(polygon)).toBeGreaterThan(0);
    expect(outlineArea(outline) / polygonArea(polygon)).toBeCloseTo(1, 3);
    expect(perimeter(outline) / polygonPerimeter(polygon)).toBeCloseTo(1, 3);
    const b = bounds(polygon);
    expect(b.minX + b.maxX).toBeCloseTo(0, 1);
    expect(b.minY + b.maxY).toBeCloseTo(0, 1);
    const plan = planPiece(newPiece('chair-seat', shape), {}, QUICK);
    for (const s of plan.stations) {
      expect(s.wrap).toBeGreaterThan(50);
      expect(s.fromCentre).toBeGreaterThan(s.wrap);
      expect(Math.hypot(s.normalX, s.normalY)).toBeCloseTo(1, 2);
    }
    expect(plan.fixing.order.length).toBeGreaterThan(8);
    expect(JSON.stringify(plan)).not.toContain('null,null');
  });

  it.each(thisWeek(KINDS, 3).map((kind) => kind.id))('a new %s can be planned as every shape it is offered', (kind) => {
    for (const type of KINDS.find((k) => k.id === kind)!.shapes) {
      const plan = planPiece(newPiece(kind, STARTING_SHAPES[type]), {}, QUICK);
      expect(plan.surface.height).toBeGreaterThan(10);
      expect(plan.piece.kind).toBe(kind);
    }
  });

  it('keeps its sizes: width and depth of each are what was measured', () => {
    expect(box({ type: 'oval', width: 460, depth: 360 })).toMatchObject({ width: expect.closeTo(460, 2), height: expect.closeTo(360, 2) });
    expect(box({ type: 'kidney', width: 900, depth: 420, hollow: 60 })).toMatchObject({
      width: expect.closeTo(900, 1),
      height: expect.closeTo(420, 1),
    });
    expect(box({ type: 'd', width: 420, depth: 400, straight: 200 })).toMatchObject({
      width: expect.closeTo(420, 2),
      height: expect.closeTo(400, 2),
    });
    expect(box(STARTING_SHAPES.bowed)).toMatchObject({ height: expect.closeTo(430, 2) });
    for (const type of ['arched', 'stepped', 'crowned'] as const) {
      const shape = STARTING_SHAPES[type];
      expect(box(shape)).toMatchObject({ width: expect.closeTo(shape.width, 2), height: expect.closeTo(shape.height, 2) });
    }
  });

  it('has the closed forms of areas: oval, D, arch', () => {
    expect(outlineArea(baseOutline({ type: 'oval', width: 460, depth: 360 })) / (Math.PI * 230 * 180)).toBeCloseTo(1, 5);
    const d = outlineArea(baseOutline({ type: 'd', width: 400, depth: 400, straight: 200 }));
    expect(d).toBeCloseTo(400 * 200 + (Math.PI * 200 ** 2) / 2, 3);
    const [w, rise] = [1400, 160];
    const r = (w * w) / (8 * rise) + rise / 2;
    const theta = 2 * Math.asin(w / 2 / r);
    const arch = outlineArea(baseOutline({ ...STARTING_SHAPES.arched, sideHeight: 560, height: 720 }));
    expect(arch).toBeCloseTo(w * 560 + (r * r * (theta - Math.sin(theta))) / 2, 2);
  });

  it('a corner seat has the angles and sides that were taken', () => {
    const shape = {
      ...STARTING_SHAPES.alcove,
      backWidth: 900,
      leftAngle: 87 * DEGREE,
      leftDepth: 480,
      rightAngle: 96 * DEGREE,
      rightDepth: 470,
    };
    const points = flatten(baseOutline(shape));
    expect(points).toHaveLength(4);
    const inside = (i: number): number => {
      const [a, b, c] = [points[(i + 3) % 4]!, points[i]!, points[(i + 1) % 4]!];
      const turn = Math.atan2(c[1] - b[1], c[0] - b[0]) - Math.atan2(b[1] - a[1], b[0] - a[0]);
      return ((Math.PI - turn) / DEGREE + 720) % 360;
    };
    const [fl, fr, br, bl] = points as [Polygon[number], Polygon[number], Polygon[number], Polygon[number]];
    expect(inside(3)).toBeCloseTo(87, 6);
    expect(inside(2)).toBeCloseTo(96, 6);
    expect(Math.hypot(fl[0] - bl[0], fl[1] - bl[1])).toBeCloseTo(480, 6);
    expect(Math.hypot(fr[0] - br[0], fr[1] - br[1])).toBeCloseTo(470, 6);
    expect(br[0] - bl[0]).toBeCloseTo(900, 6);
  });

  it('an L round a corner has the area of its two runs at right angles', () => {
    const area = outlineArea(baseOutline({ ...STARTING_SHAPES.corner, insideRadius: 0 }));
    expect(area).toBeCloseTo(1200 * 460 + (1400 - 460) * 460, 3);
  });

  it('a saddle is as wide at each section as was measured, and the same on both sides', () => {
    const shape = STARTING_SHAPES.saddle;
    const { outline, moved } = measuredOutline(shape);
    const polygon = flatten(outline);
    for (const row of shape.rows) {
      const y = row.at + moved[1];
      const xs = polygon.flatMap((a, i) => {
        const b = polygon[(i + 1) % polygon.length]!;
        return a[1] <= y === b[1] <= y ? [] : [a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])];
      });
      expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(row.width, 1);
      expect(Math.max(...xs) + Math.min(...xs)).toBeCloseTo(0, 6);
    }
  });

  it.each([
    [{ ...STARTING_SHAPES.arched, height: 500 }, 'higher than the sides'],
    [{ ...STARTING_SHAPES.d, straight: 100 }, 'more than half a circle'],
    [{ ...STARTING_SHAPES.kidney, hollow: 400 }, 'cuts it in two'],
    [{ ...STARTING_SHAPES.stepped, shoulder: 700 }, 'leave no middle'],
    [
      {
        ...STARTING_SHAPES['two-tapes'],
        rows: [
          { a: 100, b: 100 },
          { a: 300, b: 300 },
          { a: 400, b: 0 },
        ],
      },
      'do not reach each other',
    ],
    [{ ...STARTING_SHAPES.saddle, rows: [...STARTING_SHAPES.saddle.rows].reverse() }, 'from the front backwards'],
    [{ ...STARTING_SHAPES.quad, diagonalA: 2000 }, 'cannot meet'],
    [{ ...STARTING_SHAPES.bevel, rows: STARTING_SHAPES.bevel.rows.slice(0, 2) }, 'at least 3'],
  ] as [BaseShape, string][])('says what cannot be: %#', (shape, words) => {
    expect(
      checkShape(shape)
        .map((p) => p.message)
        .join(),
    ).toContain(words);
  });

  it('an outline that crosses itself is named with its place', () => {
    const nodes = [node(-200, -200), node(200, 200), node(200, -200), node(-200, 200)];
    expect(checkShape({ type: 'drawn', mirrored: false, nodes })[0]!.message).toContain('crosses itself 0 mm right and 0 mm back');
  });
});

describe('measurements with one to spare', () => {
  const square = {
    type: 'quad' as const,
    front: 450,
    right: 420,
    back: 430,
    left: 418,
    diagonalA: 605,
    diagonalB: 0,
    cornerRadius: { front: 0, back: 0 },
  };
  const exact = { ...square, diagonalB: expectedDiagonal(square)! };

  it('a true quadrilateral closes to nothing and comes back as measured', () => {
    const { closing } = closeQuad(exact)!;
    expect(closing.error).toBeCloseTo(0, 6);
    for (const share of closing.shares) expect(share.taken).toBeCloseTo(share.measured, 6);
  });

  it('an 8 mm error on a diagonal is shown as 8 mm, and all of it is accounted for', () => {
    const { closing, corners } = closeQuad({ ...exact, diagonalB: exact.diagonalB + 8 })!;
    expect(closing.error).toBeCloseTo(8, 6);
    expect(closing.words).toContain('8 mm longer');
    const shifts = closing.shares.map((share) => share.taken - share.measured);
    // Shared out: nothing keeps the whole error, and no other arrangement of the corners has smaller squares.
    expect(Math.max(...shifts.map(Math.abs))).toBeLessThan(8 * 0.6);
    const squares = (c: typeof corners): number => {
      const d = (i: number, j: number): number => Math.hypot(c[i]![0] - c[j]![0], c[i]![1] - c[j]![1]);
      const lengths = [d(0, 1), d(1, 2), d(2, 3), d(3, 0), d(0, 2), d(1, 3)];
      return closing.shares.reduce((sum, share, i) => sum + (lengths[i]! - share.measured) ** 2, 0);
    };
    const best = squares(corners);
    corners.forEach((_, i) => {
      for (const [dx, dy] of [
        [0.05, 0],
        [-0.05, 0],
        [0, 0.05],
        [0, -0.05],
      ] as const) {
        const nudged = corners.map((p, k) => (k === i ? [p[0] + dx, p[1] + dy] : p)) as unknown as typeof corners;
        expect(squares(nudged)).toBeGreaterThanOrEqual(best - 1e-9);
      }
    });
    expect(closingOf({ ...exact, diagonalB: exact.diagonalB + 8 })!.error).toBeCloseTo(8, 6);
  });

  it('comes to rest, or says that sides and diagonals cannot meet, whatever is typed', () => {
    const side = fc.integer({ min: 200, max: 900 });
    let closed = 0;
    fc.assert(
      fc.property(side, side, side, side, side, side, (front, right, back, left, diagonalA, diagonalB) => {
        const found = closeQuad({ ...square, front, right, back, left, diagonalA, diagonalB });
        if (!found) return;
        closed += 1;
        expect(found.closing.shares.every(({ taken }) => Number.isFinite(taken) && taken > 0)).toBe(true);
        // At rest no corner is pulled any way: the residuals balance at each of them.
        const pull = found.corners.map((): [number, number] => [0, 0]);
        [
          [0, 1],
          [1, 2],
          [2, 3],
          [3, 0],
          [0, 2],
          [1, 3],
        ].forEach(([i, j], m) => {
          const [a, b] = [found.corners[i!]!, found.corners[j!]!];
          const { measured, taken } = found.closing.shares[m]!;
          const share = (measured - taken) / taken;
          for (const axis of [0, 1] as const) {
            pull[i!]![axis] -= share * (b[axis] - a[axis]);
            pull[j!]![axis] += share * (b[axis] - a[axis]);
          }
        });
        for (const [x, y] of pull) expect(Math.hypot(x, y)).toBeLessThan(1e-3);
      }),
      { numRuns: 150 },
    );
    expect(closed).toBeGreaterThan(20);
  });

  it('a bevelled round closes: the error of a traverse is shown and walked out', () => {
    const rows = [
      { length: 900, angle: 90 * DEGREE },
      { length: 480, angle: 91 * DEGREE },
      { length: 905, angle: 90 * DEGREE },
      { length: 480, angle: 90 * DEGREE },
    ];
    const { corners, closing } = closeBevel(rows);
    expect(closing.words).toContain('1° over');
    expect(closing.error).toBeGreaterThan(1);
    const sum = closing.shares.filter((share) => share.unit === 'angle').reduce((total, share) => total + share.taken, 0);
    expect(sum).toBeCloseTo(2 * Math.PI, 9);
    expect(corners).toHaveLength(4);
  });

  it('two tapes and offsets draw the rectangle they were read from', () => {
    expect(outlineSize(baseOutline(STARTING_SHAPES['two-tapes']))).toMatchObject({
      width: expect.closeTo(400, 1),
      depth: expect.closeTo(400, 1),
    });
    const offsets = {
      type: 'offsets' as const,
      join: 'straight' as const,
      rows: [0, 100, 200].map((at) => ({ at, left: 150, right: 170 })),
    };
    expect(outlineArea(baseOutline(offsets))).toBeCloseTo(320 * 200, 6);
  });
});

describe('free outlines', () => {
  it('a flexible rule through twelve points of a circle leaves it by less than 0.05 mm', () => {
    const nodes = Array.from({ length: 12 }, (_, i) =>
      node(200 * Math.cos((i * Math.PI) / 6), 200 * Math.sin((i * Math.PI) / 6), { kind: 'smooth' }),
    );
    const { outline } = drawNodes({ nodes, mirrored: false });
    for (const [x, y] of flatten(outline)) expect(Math.abs(Math.hypot(x, y) - 200)).toBeLessThan(0.05);
  });

  it('gives the same outline whichever way round it is drawn, and wherever it starts', () => {
    const nodes = [node(-200, -150), node(200, -150, { kind: 'arc', rise: 30 }), node(180, 150), node(-180, 150)];
    const area = (ring: OutlineNode[]): number => outlineArea(drawNodes({ nodes: ring, mirrored: false }).outline);
    const start = area(nodes);
    for (let k = 1; k < 4; k++) expect(area([...nodes.slice(k), ...nodes.slice(0, k)])).toBeCloseTo(start, 6);
    const flipped = nodes.map((n): OutlineNode => ({ ...n, y: -n.y, to: n.to.kind === 'arc' ? { kind: 'arc', rise: -n.to.rise } : n.to }));
    expect(area(flipped)).toBeCloseTo(start, 6);
  });

  it('rounds corners between lines, arcs and curves; says which do not fit', () => {
    const nodes = [
      node(-200, -150, { kind: 'line' }, 30),
      node(200, -150, { kind: 'arc', rise: 40 }, 25),
      node(200, 150, { kind: 'line' }, 20),
      node(-200, 150, { kind: 'line' }, 400),
    ];
    const { outline, tooRound } = drawNodes({ nodes, mirrored: false });
    expect(tooRound).toEqual([3]);
    const arcs = outline.segments.filter((s) => s.kind === 'arc' && s.edge.kind === 'corner');
    expect(arcs.map((a) => (a.kind === 'arc' ? a.radius : 0)).sort((a, b) => a - b)).toEqual([20, 25, 30]);
    // Every joint of a rounded corner is tangent.
    outline.segments.forEach((segment, i) => {
      const next = outline.segments[(i + 1) % outline.segments.length]!;
      if (segment.edge.kind !== 'corner' && next.edge.kind !== 'corner') return;
      const [p, q] = [tangentAt(segment, 1), tangentAt(next, 0)];
      expect(p[0] * q[0] + p[1] * q[1]).toBeGreaterThan(1 - 1e-6);
    });
  });

  it('half drawn is mirrored: symmetric to rounding', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 300 }),
        fc.integer({ min: 100, max: 300 }),
        fc.integer({ min: -40, max: 60 }),
        (a, b, rise) => {
          const nodes = [
            node(0, -200, { kind: 'arc', rise }),
            node(a, -180, { kind: 'smooth' }),
            node(b + 20, 0, { kind: 'smooth' }),
            node(b, 200),
            node(0, 210),
          ];
          const polygon = flatten(drawNodes({ nodes, mirrored: true }).outline);
          for (const [x, y] of polygon) {
            const twin = Math.min(...polygon.map(([u, v]) => Math.hypot(u + x, v - y)));
            expect(twin).toBeLessThan(1e-6);
          }
        },
      ),
      { numRuns: 20 },
    );
  });

  weekly(3)('a fold shows the misfit of a skewed outline and averages it away', () => {
    const straight = flatten(baseOutline(STARTING_SHAPES.trapezoid));
    expect(fold(straight).misfit).toBeLessThan(0.05);
    const skewed = straight.map(([x, y]): Polygon[number] => [x > 0 ? x + 6 : x, y]);
    const folded = fold(skewed);
    expect(folded.centre).toBeCloseTo(3, 0);
    const dense = straight.flatMap((a, i): Polygon => {
      const b = straight[(i + 1) % straight.length]!;
      return Array.from({ length: 20 }, (_, k): Polygon[number] => [a[0] + ((b[0] - a[0]) * k) / 20, a[1] + ((b[1] - a[1]) * k) / 20]);
    });
    const bulged = dense.map(([x, y]): Polygon[number] => [x > 150 && Math.abs(y) < 150 ? x + 5 : x, y]);
    expect(fold(bulged).misfit).toBeGreaterThan(2);
    expect(fold(fold(bulged).averaged).misfit).toBeLessThan(0.05);
    const nodes = fitNodes(fold(bulged).averaged, 0.2);
    expect(nodes.length).toBeLessThan(60);
  });

  it('rolling a disc round the edge and back returns a smooth outline', () => {
    const oval = flatten(baseOutline({ type: 'oval', width: 460, depth: 360 }));
    const back = offsetRounded(offsetRounded(oval, -12)!, 12)!;
    expect(polygonArea(back) / polygonArea(oval)).toBeCloseTo(1, 3);
    const nodes = fitNodes(oval, 0.1);
    expect(nodes.length).toBeLessThan(26);
    expect(outlineArea(drawNodes({ nodes, mirrored: false }).outline) / polygonArea(oval)).toBeCloseTo(1, 3);
  });
});
