import { polygonArea, polygonContains } from 'd3';
import { describe, expect, it } from 'vitest';
import { edgeNamed } from '../../outline';
import { defaultsOf, EDGE_FACT, newPiece, STARTING_SHAPES, type BaseShape, type EdgeFact, type Piece, type PieceKind } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { QUICK } from '../../../testing/quick';
import { thisWeek } from '../../../testing/runs';

type Points = readonly (readonly [number, number])[];

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const ring = (points: Points): [number, number][] => points.map(([x, y]) => [x, y]);
const area = (points: Points): number => Math.abs(polygonArea(ring(points)));
const blankOf = (plan: Plan) => plan.cover.pieces[0]!;

/** Distance from a place to a closed line, by brute force over its sides. */
function distance([x, y]: readonly [number, number], line: Points): number {
  return Math.min(
    ...line.map((a, i) => {
      const b = line[(i + 1) % line.length]!;
      const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      const t = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(a[0] + dx * t - x, a[1] + dy * t - y);
    }),
  );
}

const notched = (kind: PieceKind, at: object, width: number, depth: number, mirrored?: object): Piece => {
  const piece = newPiece(kind);
  const notches = [{ id: 'n-1', at, width, depth }, ...(mirrored ? [{ id: 'n-2', at: mirrored, width, depth }] : [])];
  return { ...piece, base: { ...piece.base, notches: notches as Piece['base']['notches'] & object } };
};

/** An L-shaped seat, its inside corner in the middle. */
const L_SHAPE: BaseShape = {
  type: 'drawn',
  mirrored: false,
  nodes: (
    [
      [-700, -300],
      [700, -300],
      [700, 100],
      [-100, 100],
      [-100, 900],
      [-700, 900],
    ] as const
  ).map(([x, y]) => ({ x, y, radius: 0, to: { kind: 'line' as const } })),
};

describe('a seat with both back posts notched out', () => {
  it.each(
    thisWeek(
      [20, 40, 55, 70].flatMap((width) => [20, 45, 70].map((depth) => [width, depth] as const)),
      4,
    ),
  )('is planned without a word at %i × %i: the commonest chair there is', (width, depth) => {
    const corner = (name: string): object => ({ kind: 'corner', name });
    const plan = planned(notched('chair-seat', corner('back left'), width, depth, corner('back right')));
    expect(plan.warnings.map(({ code }) => code)).toEqual([]);
    expect(plan.cover.check.closes).toBe(true);
    expect(plan.cover.check.allowanceError).toBeLessThan(0.6);
  });
});

describe('a notch in the middle of an edge', () => {
  it.each([
    ['chair-seat', 'front', [0, -1]],
    ['chair-seat', 'back', [0, 1]],
    ['chair-seat', 'left', [-1, 0]],
    ['tight-seat', 'front', [0, -1]],
    ['tight-seat', 'back', [0, 1]],
  ] as const)('%s, %s: its cut runs in from that edge', (kind, edge, [ox, oy]) => {
    const plan = planned(notched(kind, { kind: 'edge', name: edge, along: 0 }, 50, 40));
    const { stem, arms } = plan.cover.yCuts[0]!;
    const out = ([x, y]: readonly [number, number]): number => x * ox + y * oy;
    const half = Math.max(...plan.outline.points.map(out));
    // Notch, fork and cloth's edge lie one beyond the other on that side of the seat, and no cut crosses the middle of it.
    for (const point of [...stem, ...arms.flat()]) expect(out(point)).toBeGreaterThan(half - 60);
    expect(out(stem[0])).toBeGreaterThan(out(stem[1]));
    expect(out(stem[0])).toBeGreaterThan(half);
  });
});

describe('an edge cut short beside an inside corner', () => {
  const shapes: [string, BaseShape][] = [
    ['an L', L_SHAPE],
    ['stepped', STARTING_SHAPES.stepped],
    ['crowned', STARTING_SHAPES.crowned],
    ['kidney', STARTING_SHAPES.kidney],
  ];
  it.each(thisWeek(shapes, 2))('%s: gives up ten millimetres along that edge, and nothing elsewhere', (_name, shape) => {
    const base = { ...newPiece('chair-seat', shape), covering: { way: 'pull-over' } } as Piece;
    // A roll so wide that nothing is joined: the blank is one part.
    const piece: Piece = { ...base, cloth: { ...base.cloth, rollWidth: 3000 } };
    const plain = planned(piece);
    const edges = new Set(plain.stations.map(({ part }) => part).flatMap((part) => (part.kind === 'edge' ? [part.name] : [])));
    expect(edges.size).toBeGreaterThan(2);
    for (const name of edges) {
      const fact: EdgeFact = { ...defaultsOf<EdgeFact>(EDGE_FACT), edge: edgeNamed(name), short: 10 };
      const short = planned({ ...piece, base: { ...piece.base, edges: [...(piece.base.edges ?? []), fact] } });
      const [before, after] = [blankOf(plain), blankOf(short)];
      const areaLost = area(before.outline) - area(after.outline);
      // Ten times the edge, and its corners' cloth; a bean's ends go on for half its way round.
      expect(areaLost, name).toBeGreaterThanOrEqual(0);
      expect(areaLost, name).toBeLessThan(10 * (plain.outline.perimeter / 2 + 400));
      expect(before.width - after.width, name).toBeLessThan(21);
      expect(before.height - after.height, name).toBeLessThan(21);
      // Every staple still has its cloth: the staple line lies on the cloth but where it was cut nearer than the line itself.
      const cloth = ring(after.outline);
      for (const station of short.stations) {
        const at = (beyond: number): [number, number] => {
          const out = station.top - station.planDistance + station.side + beyond;
          return [station.x + station.normalX * out, station.y + station.normalY * out];
        };
        if (station.turn === 0) expect(polygonContains(cloth, at(station.return)), `${name}, station ${station.id}`).toBe(true);
      }
    }
  });
});

describe('a rounded inside corner', () => {
  it.each([50, 75, 90])('with %i of foam: the cut stops 12 short of what is seen', (thickness) => {
    const shape = { ...STARTING_SHAPES.stepped, cornerRadius: { front: 0, back: 20 } } as BaseShape;
    const piece = newPiece('headboard', shape);
    const padded: Piece = { ...piece, pads: piece.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness } : pad)) };
    const plan = planned({ ...padded, cloth: { ...padded.cloth, rollWidth: 3000 } });
    const inside = plan.corners.filter((corner) => corner.inside);
    expect(inside.length).toBeGreaterThanOrEqual(2);
    const seen = blankOf(plan).lines.find(({ kind, closed }) => kind === 'fold' && closed)!.points;
    for (const { cut } of inside) {
      expect(polygonContains(ring(seen), [cut!.to[0], cut!.to[1]])).toBe(false);
      expect(distance(cut!.to, seen)).toBeGreaterThan(11.4);
      expect(distance(cut!.to, seen)).toBeLessThan(13.5);
    }
  });
});

describe('layers under the cover', () => {
  it.each(['chair-seat', 'round-seat', 'arm-pad', 'bench', 'headboard'] as const)(
    '%s: waterproof cloth and liner reach their own row and something beyond it',
    (kind) => {
      const piece = newPiece(kind);
      for (const layer of ['liner', 'waterproof'] as const) {
        const plan = planned({ ...piece, covering: { ...piece.covering, [layer]: true } });
        const lining = plan.cover.linings.find(({ material }) => material === layer)!;
        const step = plan.steps.find(({ key }) => key === `lay-${layer}`)!;
        const inset = Number(/staples (\d+) mm in/.exec(step.detail)![1]);
        for (const { top, planDistance, side, x, y, normalX, normalY, turn } of plan.stations) {
          if (turn !== 0) continue;
          const out = top - planDistance + side + inset;
          const row: [number, number] = [x + normalX * out, y + normalY * out];
          expect(polygonContains(ring(lining.outline), row), `${layer} at its row, ${inset} in`).toBe(true);
          // Enough beyond the row to be held and trimmed beside it, by what the trade leaves there.
          expect(distance(row, lining.outline)).toBeGreaterThan(4);
        }
      }
    },
  );
});

describe('outlines that a blade follows', () => {
  /** Corners at which a line turns back on itself: the tip of a slit or a spike. */
  const tips = (outline: Points): string[] =>
    outline.flatMap((at, i) => {
      const [before, after] = [outline[(i + outline.length - 1) % outline.length]!, outline[(i + 1) % outline.length]!];
      const [ax, ay, bx, by] = [before[0] - at[0], before[1] - at[1], after[0] - at[0], after[1] - at[1]];
      const sizes = Math.hypot(ax, ay) * Math.hypot(bx, by);
      return sizes > 0 && (ax * bx + ay * by) / sizes > Math.cos(0.35) ? [`${at[0].toFixed(1)}, ${at[1].toFixed(1)}`] : [];
    });
  const corner = (name: string): object => ({ kind: 'corner', name });
  const pieces: [string, Piece][] = [
    ...[20, 42, 70].flatMap((width) =>
      [20, 47, 70].map((depth): [string, Piece] => [
        `posts of ${width} × ${depth}`,
        notched('chair-seat', corner('back left'), width, depth, corner('back right')),
      ]),
    ),
    ['a notch in front', notched('chair-seat', { kind: 'edge', name: 'front', along: 0 }, 60, 35)],
    ['an L', newPiece('chair-seat', L_SHAPE)],
    ['stepped', newPiece('headboard', STARTING_SHAPES.stepped)],
    ['kidney', newPiece('chair-seat', STARTING_SHAPES.kidney)],
    ['crowned', newPiece('headboard', STARTING_SHAPES.crowned)],
  ];
  it.each(thisWeek(pieces, 3))('%s: has no slit and no spike, in the cloth nor in what lies under it', (_name, piece) => {
    const wide = { ...piece, cloth: { ...piece.cloth, rollWidth: 3000 }, covering: { ...piece.covering, liner: true, waterproof: true } };
    const plan = planned(wide as Piece);
    const blank = blankOf(plan);
    for (const line of [
      blank.outline,
      blank.stapleLine,
      blank.trimLine,
      plan.wadding!.outline,
      ...plan.cover.linings.map(({ outline }) => outline),
    ])
      expect(tips(line!)).toEqual([]);
    expect(plan.cover.check.closes).toBe(true);
  });
});
