import { describe, expect, it } from 'vitest';
import { photoScale, squareUp, tracedNodes } from '.';

/** A place on a photo or in the plan, as the document has it. */
type Point = [number, number];

/** A camera that looks at the bench askew: where a place of the plan (mm, y up) comes to lie on the photo (dots, y down). */
function camera(tilt: number, turn: number): (place: Point) => Point {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return ([x, y]) => {
    const [u, v] = [x * cos - y * sin, x * sin + y * cos];
    const w = 1 + tilt * v;
    return [900 + (1.7 * u) / w, 1400 - (1.5 * v) / w];
  };
}

const SHEET: Point[] = [
  [0, 0],
  [297, 0],
  [297, 210],
  [0, 210],
];

describe('a photo that is squared up', () => {
  it.each([
    [0, 0],
    [0.0004, 0.1],
    [-0.0003, -0.4],
    [0.0007, 1.2],
  ])('gives every place back, whatever it was taken from (tilt %s, turn %s)', (tilt, turn) => {
    const seen = camera(tilt, turn);
    const map = photoScale({ marks: SHEET.map(seen), scale: { kind: 'four', width: 297, height: 210 } });
    if (typeof map === 'string') throw new Error(map);
    for (let k = 0; k < 40; k++) {
      const place: Point = [-300 + ((k * 137) % 900), -250 + ((k * 71) % 700)];
      const [x, y] = map(seen(place));
      expect(Math.hypot(x - place[0], y - place[1])).toBeLessThan(1e-6 * 1000);
    }
  });

  it('keeps straight lines straight', () => {
    const map = squareUp(
      [
        [100, 900],
        [1100, 860],
        [980, 200],
        [180, 240],
      ],
      [
        [0, 0],
        [400, 0],
        [400, 300],
        [0, 300],
      ],
    )!;
    for (let k = 1; k < 9; k++) {
      const t = k / 9;
      const [a, m, b] = [map([200, 800]), map([200 + 700 * t, 800 - 400 * t]), map([900, 400])];
      const cross = (b[0] - a[0]) * (m[1] - a[1]) - (b[1] - a[1]) * (m[0] - a[0]);
      expect(Math.abs(cross) / Math.hypot(b[0] - a[0], b[1] - a[1])).toBeLessThan(1e-6);
    }
  });

  it('says what is missing instead of guessing', () => {
    const four = { kind: 'four' as const, width: 297, height: 210 };
    expect(photoScale({ marks: SHEET.slice(0, 3), scale: four })).toMatch(/four corners/);
    const line: Point[] = [
      [0, 0],
      [100, 0],
      [200, 0],
      [0, 210],
    ];
    expect(photoScale({ marks: line, scale: four })).toMatch(/on one line/);
    expect(photoScale({ marks: [[5, 5]], scale: { kind: 'two', apart: 300 } })).toMatch(/two points/);
    expect(
      photoScale({
        marks: [
          [5, 5],
          [6, 5],
        ],
        scale: { kind: 'two', apart: 300 },
      }),
    ).toMatch(/lie on each other/);
  });

  it('two known points say only how large it is: 300 mm over 600 dots is half a millimetre each, and up is up', () => {
    const map = photoScale({
      marks: [
        [100, 500],
        [700, 500],
      ],
      scale: { kind: 'two', apart: 300 },
    });
    if (typeof map === 'string') throw new Error(map);
    expect(map([200, 400])).toEqual([100, -200]);
    expect(map([200, 300])[1]).toBeGreaterThan(map([200, 400])[1]);
  });
});

describe('what was clicked round on a photo', () => {
  const scale = { kind: 'two' as const, apart: 300 };
  const marks: Point[] = [
    [0, 0],
    [600, 0],
  ];
  // A board of 450 × 420 mm at two dots to the millimetre, clicked the way the clock goes on the photo.
  const board: Point[] = [
    [100, 100],
    [1000, 100],
    [1000, 940],
    [100, 940],
  ];

  it.each(['line', 'smooth'] as const)('becomes an outline about its middle, counter-clockwise, joined by a %s', (join) => {
    for (const points of [board, [...board].reverse()]) {
      const nodes = tracedNodes({ marks, scale, points }, join);
      if (typeof nodes === 'string') throw new Error(nodes);
      expect(nodes.map(({ to }) => to.kind)).toEqual([join, join, join, join]);
      const xs = nodes.map(({ x }) => x);
      const ys = nodes.map(({ y }) => y);
      expect([Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]).toEqual([-225, 225, -210, 210]);
      const area = nodes.reduce((sum, { x, y }, i) => {
        const next = nodes[(i + 1) % nodes.length]!;
        return sum + x * next.y - next.x * y;
      }, 0);
      expect(area / 2).toBeCloseTo(450 * 420, 6);
    }
  });

  it('is asked for where there is too little of it, and refused beyond the horizon', () => {
    expect(tracedNodes({ marks, scale, points: board.slice(0, 2) })).toMatch(/at least three/);
    expect(tracedNodes({ marks: [], scale, points: board })).toMatch(/two points/);
    // Corners that run together far off: the horizon lies within the photo, and beyond it there is no bench.
    const four: Point[] = [
      [0, 1000],
      [1000, 1000],
      [600, 500],
      [400, 500],
    ];
    const squared = { marks: four, scale: { kind: 'four' as const, width: 300, height: 300 } };
    const near: Point[] = [
      [200, 900],
      [800, 900],
      [500, 600],
    ];
    expect(Array.isArray(tracedNodes({ ...squared, points: near }))).toBe(true);
    for (const beyond of [
      [500, 380],
      [500, 375],
      [500, 100],
    ] as Point[])
      expect(tracedNodes({ ...squared, points: [...near, beyond] })).toMatch(/beyond the horizon/);
  });
});
