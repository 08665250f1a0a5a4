import fc from 'fast-check';
import { Delaunay } from 'd3';
import { describe, expect, it } from 'vitest';
import { edgeFullness, EASED, flattenSurface, sectionLength, shareOf, strainOf, strainSummary, type SurfaceMesh } from '.';

type Place = readonly [number, number, number];

/** A grid of n × m cells: where each lies on the surface, and on a first flat picture. */
function sheet(n: number, m: number, at: (u: number, v: number) => Place, flat: (u: number, v: number) => readonly [number, number]) {
  const points: number[] = [];
  const start: number[] = [];
  const triangles: number[] = [];
  for (let j = 0; j <= m; j++)
    for (let i = 0; i <= n; i++) {
      points.push(...at(i / n, j / m));
      start.push(...flat(i / n, j / m));
    }
  for (let j = 0; j < m; j++)
    for (let i = 0; i < n; i++) {
      const a = j * (n + 1) + i;
      triangles.push(a, a + 1, a + n + 2, a, a + n + 2, a + n + 1);
    }
  const mesh: SurfaceMesh = { points: Float64Array.from(points), triangles: Uint32Array.from(triangles) };
  return { mesh, start: Float64Array.from(start), node: (i: number, j: number): number => j * (n + 1) + i };
}

/** A disc of rings about its middle, lifted by a height over the plan. */
function disc(radius: number, height: (x: number, y: number) => number, rings = 24) {
  const nodes: [number, number][] = [[0, 0]];
  for (let r = 1; r <= rings; r++) {
    const count = r === rings ? 120 : Math.max(6, Math.round((120 * r) / rings));
    for (let k = 0; k < count; k++) {
      const angle = (2 * Math.PI * (k + (r % 2 === 0 || r === rings ? 0 : 0.5))) / count;
      nodes.push([((radius * r) / rings) * Math.cos(angle), ((radius * r) / rings) * Math.sin(angle)]);
    }
  }
  const found = Delaunay.from(nodes).triangles;
  const triangles: number[] = [];
  for (let t = 0; t < found.length; t += 3) {
    const [a, b, c] = [found[t]!, found[t + 1]!, found[t + 2]!];
    const area =
      (nodes[b]![0] - nodes[a]![0]) * (nodes[c]![1] - nodes[a]![1]) - (nodes[b]![1] - nodes[a]![1]) * (nodes[c]![0] - nodes[a]![0]);
    if (Math.abs(area) > 1e-6) triangles.push(a, area > 0 ? b : c, area > 0 ? c : b);
  }
  const mesh: SurfaceMesh = {
    points: Float64Array.from(nodes.flatMap(([x, y]) => [x, y, height(x, y)])),
    triangles: Uint32Array.from(triangles),
  };
  const rim = Array.from({ length: 120 }, (_, k) => nodes.length - 120 + k);
  return { mesh, plan: Float64Array.from(nodes.flat()), rim };
}

const distanceBetween = (flat: Float64Array, a: number, b: number): number =>
  Math.hypot(flat[2 * b]! - flat[2 * a]!, flat[2 * b + 1]! - flat[2 * a + 1]!);
const round = (flat: Float64Array, rim: readonly number[]): number =>
  rim.reduce((sum, node, i) => sum + distanceBetween(flat, node, rim[(i + 1) % rim.length]!), 0);
const area = (flat: Float64Array, rim: readonly number[]): number =>
  rim.reduce((sum, a, i) => {
    const b = rim[(i + 1) % rim.length]!;
    return sum + (flat[2 * a]! * flat[2 * b + 1]! - flat[2 * b]! * flat[2 * a + 1]!) / 2;
  }, 0);
const WOVEN = { warp: 0.02, weft: 0.03, bias: 0.09 };

describe('surfaces that unroll', () => {
  it('a cylinder gives a rectangle of arc length × width within 0.1 %', () => {
    const [radius, turn, high] = [120, 1.9, 260];
    const { mesh, start, node } = sheet(
      48,
      24,
      (u, v) => [radius * Math.sin(u * turn), v * high, radius * Math.cos(u * turn)],
      (u, v) => [u * 150, v * 200],
    );
    const { flat, settled } = flattenSurface(mesh, start);
    expect(settled).toBe(true);
    const across = distanceBetween(flat, node(0, 0), node(48, 0));
    expect(Math.abs(across / (radius * turn) - 1)).toBeLessThan(0.001);
    expect(Math.abs(distanceBetween(flat, node(0, 0), node(0, 24)) / high - 1)).toBeLessThan(0.001);
    // Both diagonals alike: it is square.
    expect(Math.abs(distanceBetween(flat, node(0, 0), node(48, 24)) / distanceBetween(flat, node(48, 0), node(0, 24)) - 1)).toBeLessThan(
      0.001,
    );
    const summary = strainSummary(strainOf(mesh, flat), WOVEN);
    expect(Math.max(summary.warp, summary.weft, summary.leftOver)).toBeLessThan(0.001);
  });

  it('a cone gives its sector', () => {
    const [from, to, turn] = [140, 320, 1.5 * Math.PI];
    const slope = Math.hypot(1, 0.8);
    const { mesh, start, node } = sheet(
      72,
      20,
      (u, v) => {
        const r = from + v * (to - from);
        return [r * Math.cos(u * turn), r * Math.sin(u * turn), r * 0.8];
      },
      (u, v) => {
        const r = (from + v * (to - from)) * 1.1;
        return [r * Math.cos(u * 4.2), r * Math.sin(u * 4.2)];
      },
    );
    const { flat, settled } = flattenSurface(mesh, start, { tolerance: 0.002 });
    expect(settled).toBe(true);
    expect(distanceBetween(flat, node(0, 0), node(0, 20))).toBeCloseTo((to - from) * slope, 0);
    // The sector opens by turn ÷ slope; its chord tells.
    const chord = 2 * to * slope * Math.abs(Math.sin(turn / slope / 2));
    expect(Math.abs(distanceBetween(flat, node(0, 20), node(72, 20)) / chord - 1)).toBeLessThan(0.005);
  });
});

describe('surfaces that do not', () => {
  it.each([0.2, 0.35, 0.5, 0.8])('a spherical cap of half-angle %d leaves 2πR(α − sin α) at its edge, within 2 %%', (alpha) => {
    const radius = 300;
    const { mesh, plan, rim } = disc(radius * Math.sin(alpha), (x, y) => Math.sqrt(radius * radius - x * x - y * y), 36);
    const wanted = 2 * Math.PI * radius * (alpha - Math.sin(alpha));
    expect(Math.abs(edgeFullness(mesh, plan, rim, [0, 0]) / wanted - 1)).toBeLessThan(0.02);
    // Along the tape it is as long as its arc.
    expect(Math.abs(sectionLength(mesh, plan, [0, 0], [radius * Math.sin(alpha), 0]) / (radius * alpha) - 1)).toBeLessThan(0.002);
  });

  it('a cap is stretched in its middle when its seam must keep its length, less when it need not', () => {
    const { mesh, plan, rim } = disc(150, (x, y) => Math.sqrt(400 ** 2 - x * x - y * y));
    const hold = Uint32Array.from(rim.flatMap((node, i) => [node, rim[(i + 1) % rim.length]!]));
    const flattened = flattenSurface(mesh, plan, { hold });
    const free = flattenSurface(mesh, plan);
    const seam = 2 * Math.PI * 150;
    expect(Math.abs(round(flattened.flat, rim) / seam - 1)).toBeLessThan(0.0015);
    expect(round(free.flat, rim)).toBeGreaterThan(round(flattened.flat, rim) + 2);
    const [a, b] = [flattened, free].map(({ flat }) => strainSummary(strainOf(mesh, flat), WOVEN));
    expect(a!.warp).toBeGreaterThan(b!.warp);
    expect(a!.leftOver).toBeLessThan(b!.leftOver);
  });

  it('a saddle is the other way about: its edge wants more cloth than a flat piece has', () => {
    const { mesh, plan, rim } = disc(150, (x, y) => (x * x - y * y) / 900);
    expect(edgeFullness(mesh, plan, rim, [0, 0])).toBeLessThan(-2);
    const { flat, settled } = flattenSurface(mesh, plan);
    expect(settled).toBe(true);
    const summary = strainSummary(strainOf(mesh, flat), WOVEN);
    expect(summary.warp).toBeGreaterThan(0.001);
    // Its two halves are alike: what is warp on the one axis is weft on the other.
    expect(Math.abs(summary.warp - summary.weft)).toBeLessThan(0.004);
  });

  it('a domed, rounded seat keeps its area within 0.5 % and comes to rest', () => {
    const dome = (x: number, y: number): number => 28 * (1 - (x / 210) ** 4) * (1 - (y / 210) ** 2);
    const { mesh, plan, rim } = disc(205, dome, 30);
    const { flat, settled, rounds } = flattenSurface(mesh, plan);
    expect(settled).toBe(true);
    expect(rounds).toBeLessThan(40);
    const strain = strainOf(mesh, flat);
    const surface = strain.area.reduce((sum, value, t) => sum + value * (1 + strain.warp[t]!) * (1 + strain.weft[t]!), 0);
    expect(Math.abs(area(flat, rim) / surface - 1)).toBeLessThan(0.005);
  });

  it('any low dome: the flat edge is never shorter than the seam, and turning the picture turns the answer', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 40, noNaN: true }), fc.double({ min: 0, max: 6, noNaN: true }), (rise, turn) => {
        const { mesh, plan, rim } = disc(160, (x, y) => rise * (1 - (x * x + y * y) / 160 ** 2), 12);
        expect(edgeFullness(mesh, plan, rim, [0, 0])).toBeGreaterThan(-0.05);
        const turned = plan.map((_, i) => {
          const [x, y] = [plan[i - (i % 2)]!, plan[i - (i % 2) + 1]!];
          return i % 2 === 0 ? x * Math.cos(turn) - y * Math.sin(turn) : x * Math.sin(turn) + y * Math.cos(turn);
        });
        const [a, b] = [flattenSurface(mesh, plan), flattenSurface(mesh, turned)];
        expect(Math.abs(round(a.flat, rim) - round(b.flat, rim))).toBeLessThan(0.2);
      }),
      { numRuns: 12 },
    );
  });
});

describe('flattening as a tool', () => {
  const bent = sheet(
    20,
    20,
    (u, v) => [100 * Math.sin(u), v * 80, 100 * Math.cos(u)],
    (u, v) => [u * 90, v * 80],
  );

  it('shows its first picture at once and stops when asked', () => {
    const seen: number[] = [];
    const stopped = flattenSurface(bent.mesh, bent.start, {
      tell: (_, number) => {
        seen.push(number);
        return false;
      },
    });
    expect(seen).toEqual([0]);
    expect(stopped.settled).toBe(false);
    expect(stopped.flat).toEqual(bent.start);
  });

  it('refuses a surface without area in words', () => {
    const mesh: SurfaceMesh = { points: new Float64Array(9).fill(NaN), triangles: Uint32Array.from([0, 1, 2]) };
    expect(() => flattenSurface(mesh, new Float64Array(6))).toThrow('without area');
  });

  it('lays two parts that hang together nowhere flat, each for itself', () => {
    const n = bent.mesh.points.length / 3;
    const mesh: SurfaceMesh = {
      points: Float64Array.from([...bent.mesh.points, ...bent.mesh.points.map((value, i) => (i % 3 === 0 ? value + 300 : value))]),
      triangles: Uint32Array.from([...bent.mesh.triangles, ...bent.mesh.triangles.map((node) => node + n)]),
    };
    const start = Float64Array.from([...bent.start, ...bent.start.map((value, i) => (i % 2 === 0 ? value + 300 : value))]);
    const { flat, settled } = flattenSurface(mesh, start);
    expect(settled).toBe(true);
    expect(distanceBetween(flat, bent.node(0, 0), bent.node(20, 0))).toBeCloseTo(100, 0);
    expect(distanceBetween(flat, n + bent.node(0, 0), n + bent.node(20, 0))).toBeCloseTo(100, 0);
  });

  it('strain is read along the threads: weft along x, warp along y, bias between', () => {
    const pulled = sheet(
      4,
      4,
      (u, v) => [u * 103, v * 101, 0],
      (u, v) => [u * 100, v * 100],
    );
    const strain = strainOf(pulled.mesh, pulled.start);
    expect(strain.weft[0]).toBeCloseTo(0.03, 9);
    expect(strain.warp[0]).toBeCloseTo(0.01, 9);
    expect(strain.bias[0]).toBeCloseTo(Math.sqrt((1.03 ** 2 + 1.01 ** 2) / 2) - 1, 9);
    expect(shareOf(0.01, 0.03, 0, WOVEN)).toBeCloseTo(1, 9);
    // Cloth left over counts too, past what can be eased.
    expect(shareOf(-0.02 - EASED, 0, 0, WOVEN)).toBeCloseTo(1, 9);
    const sheared = sheet(
      4,
      4,
      (u, v) => [u * 100 + v * 8, v * 100, 0],
      (u, v) => [u * 100, v * 100],
    );
    const slanted = strainOf(sheared.mesh, sheared.start);
    expect(slanted.bias[0]!).toBeGreaterThan(10 * Math.abs(slanted.warp[0]!));
  });

  it('a summary leaves out what is told to be a corner, and names the worst place all the same', () => {
    const strain = {
      warp: Float64Array.of(0, 0.01, 0.5),
      weft: new Float64Array(3),
      bias: new Float64Array(3),
      area: Float64Array.of(1, 1, 1),
    };
    const found = strainSummary(strain, WOVEN, (t) => t !== 2);
    expect(found.share).toBeCloseTo(0.5, 9);
    expect(found.worst).toBe(2);
    expect(found.peak).toBeCloseTo(25, 9);
  });
});
