import { describe, expect, it } from 'vitest';
import { checkPiece, firstPocket, newPiece } from '../piece';
import { asMat, MAT_SIDE, type MatFrame } from './mat-frame';
import { modelOf } from '../padding';
import { fromAbove, pocketAt, satInPhoto, satOnMarks, satOnMat } from '.';
import { trySitting } from './solve';

/** Two seat bones on a mat: a hill each, `apart` from each other, their middle at a place of the mat, mm. */
function seatBones(apart: number, at: readonly [number, number], cell = 28): MatFrame {
  const hill = (x: number, y: number, cx: number): number => 18 * Math.exp(-((x - cx) ** 2 + (y - at[1]) ** 2) / (2 * 32 ** 2));
  return {
    cell,
    kPa: Array.from({ length: MAT_SIDE * MAT_SIDE }, (_, i) => {
      const [x, y] = [((i % MAT_SIDE) + 0.5 - MAT_SIDE / 2) * cell, (Math.floor(i / MAT_SIDE) + 0.5 - MAT_SIDE / 2) * cell];
      return hill(x, y, at[0] - apart / 2) + hill(x, y, at[0] + apart / 2);
    }),
  };
}

describe('a pocket where the sitter sits, by the mat', () => {
  it.each([
    [110, 0, 0],
    [125, 30, -42],
    [140, -28, 60],
  ])('lies over both seat bones, %s apart at %s, %s', (apart, x, y) => {
    const sat = satOnMat(seatBones(apart, [x, y]), [10, 20])!;
    // Half a cell is what a mat of 28 mm cells can tell.
    expect(Math.abs(sat.x - (10 + x))).toBeLessThanOrEqual(14);
    expect(Math.abs(sat.y - (20 + y))).toBeLessThanOrEqual(14);
    // A master's pocket for seat bones 110 to 140 apart: 200 to 300 wide, 100 to 180 long.
    expect(sat.width).toBeGreaterThanOrEqual(200);
    expect(sat.width).toBeLessThanOrEqual(300);
    expect(sat.length).toBeGreaterThanOrEqual(100);
    expect(sat.length).toBeLessThanOrEqual(180);
  });

  it('is found again from a sitting that was computed, read as the mat would', () => {
    const chair = newPiece('chair-seat');
    const { bed, result } = trySitting({ ...chair, sit: { loader: 'seated' as const, mass: 80, share: null, x: 15, y: -10 } }, {})!;
    const frame = asMat(
      { x0: bed.x0, y0: bed.y0, step: bed.step, columns: bed.columns, rows: bed.rows, heights: result.pressure },
      28,
      [15, -10],
    );
    const sat = satOnMat(frame, [15, -10])!;
    expect(Math.abs(sat.x - 15)).toBeLessThanOrEqual(16);
    // The thighs press before the seat bones: those lie behind the sitter's middle or on it.
    expect(sat.y).toBeGreaterThan(-70);
    expect(sat.y).toBeLessThan(120);
  });

  it('says nothing of an empty mat', () => {
    expect(satOnMat({ cell: 28, kPa: new Array<number>(256).fill(0.4) }, [0, 0])).toBeNull();
  });
});

describe('a pocket where the sitter sits, by a photo', () => {
  const outline = modelOf(newPiece('chair-seat'), {}).board;
  /** A camera straight above, turned by an angle, so many dots to a millimetre. */
  const camera =
    (turn: number, dots: number) =>
    ([x, y]: readonly [number, number]): [number, number] => [
      800 + dots * (x * Math.cos(turn) - y * Math.sin(turn)),
      600 - dots * (x * Math.sin(turn) + y * Math.cos(turn)),
    ];

  it.each([
    [0, 1.5],
    [0.6, 2],
    [Math.PI / 2, 3.1],
    [Math.PI, 0.8],
  ])('gives every place back, turned by %s at %s dots a millimetre', (turn, dots) => {
    const seen = camera(turn, dots);
    const map = fromAbove(
      [seen([0, -210]), seen([0, 210])],
      [
        [0, -210],
        [0, 210],
      ],
    )!;
    for (const place of [
      [0, 0],
      [-60, 40],
      [120, -77],
    ] as const) {
      const [x, y] = map(seen(place));
      expect(x).toBeCloseTo(place[0], 6);
      expect(y).toBeCloseTo(place[1], 6);
    }
  });

  it('asks for mark after mark, then lies over both seat bones', () => {
    const seen = camera(0.3, 2.2);
    const [marks, points] = [
      [seen([0, -210]), seen([0, 210])],
      [seen([-52, 30]), seen([68, 38])],
    ];
    expect(satInPhoto({ marks: [], points: [] }, outline)).toMatch(/front edge/);
    expect(satInPhoto({ marks: marks.slice(0, 1), points: [] }, outline)).toMatch(/back edge/);
    expect(satInPhoto({ marks, points: points.slice(0, 1) }, outline)).toMatch(/other seat bone/);
    expect(satInPhoto({ marks: [marks[0]!, marks[0]!], points }, outline)).toMatch(/one place/);
    const sat = satInPhoto({ marks, points }, outline);
    // 120 apart and 60 for each bone, with room.
    expect(sat).toEqual({ x: 8, y: 34, width: 230, length: 170 });
    expect(satOnMarks([-52, 30], [68, 38])).toEqual(sat);
  });

  it('moves the pocket and keeps what it is filled with; it can be built', () => {
    const chair = newPiece('chair-seat');
    const item = { ...firstPocket(50), blend: 60 };
    const pocket = pocketAt(item, { x: 8, y: 34, width: 900, length: 90 });
    expect(pocket).toMatchObject({ x: 8, y: 34, width: 600, length: 90, deep: item.deep, material: item.material, blend: 45 });
    const problems = checkPiece({
      ...chair,
      pads: chair.pads.map((pad) =>
        pad.role === 'main' ? { ...pad, pocket: pocketAt(item, { x: 8, y: 34, width: 230, length: 170 }) } : pad,
      ),
    });
    expect(problems).toEqual([]);
  });
});
