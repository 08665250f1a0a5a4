import { describe, expect, it } from 'vitest';
import { checkPiece, letInDepth, letInMeet, letInto, letInVolume, newPiece, nextLetIn, type Pad, type Piece, type Pocket } from '.';

const pocket: Pocket = { x: 20, y: -30, width: 200, length: 140, deep: 24, blend: 30, material: 'seat-soft' };
const chair = newPiece('chair-seat');
const withPads = (change: Partial<Pad>): Piece => ({
  ...chair,
  pads: chair.pads.map((pad) => (pad.role === 'main' ? { ...pad, ...change } : pad)),
});
const problems = (change: Partial<Pad>): string[] =>
  checkPiece(withPads(change)).map(({ path, message }) => `${path.split('.').slice(2).join('.')}: ${message}`);

describe('what is let into a pad', () => {
  it('is as deep as it says on its floor, nothing at its rim, and slopes evenly between', () => {
    const depth = (dx: number, dy: number): number => letInDepth(pocket, [pocket.x + dx, pocket.y + dy]);
    expect(depth(0, 0)).toBe(24);
    expect(depth(69, 0)).toBe(24);
    expect(depth(85, 0)).toBeCloseTo(12, 6);
    expect(depth(100.5, 0)).toBe(0);
    expect(depth(0, 55)).toBeCloseTo(12, 6);
    expect(depth(0, -70.5)).toBe(0);
    // Without a blend the wall is upright.
    expect(letInDepth({ ...pocket, blend: 0 }, [pocket.x + 99, pocket.y])).toBe(24);
  });

  it.each([0, 12, 30, 70])('has the volume that counting finds, blended over %s', (blend) => {
    const item = { ...pocket, blend };
    let counted = 0;
    for (let x = -100; x < 100; x += 1) for (let y = -70; y < 70; y += 1) counted += letInDepth(item, [item.x + x + 0.5, item.y + y + 0.5]);
    expect(Math.abs(letInVolume(item) / counted - 1)).toBeLessThan(0.005);
  });

  it('comes in order, the pocket first', () => {
    expect(letInto({ pocket, patches: [{ ...pocket, x: 300 }] }).map(({ x }) => x)).toEqual([20, 300]);
    expect(letInto({ pocket: null })).toEqual([]);
  });

  it('meets another where their ovals do, not where only their boxes do', () => {
    const round = { ...pocket, width: 100, length: 100, x: 0, y: 0 };
    expect(letInMeet(round, { ...round, x: 99 })).toBe(true);
    expect(letInMeet(round, { ...round, x: 101 })).toBe(false);
    expect(letInMeet(round, { ...round, x: 75, y: 75 })).toBe(false);
    expect(letInMeet(round, { ...round, x: 101 }, 3)).toBe(true);
    expect(letInMeet({ ...round, width: 20, length: 20 }, { ...round, width: 400, length: 400 })).toBe(true);
  });

  it('is refused over another, through the pad, or with a blend that leaves no floor, each beside its figure', () => {
    expect(problems({ pocket, patches: [{ ...pocket, x: 60 }] })).toEqual([expect.stringMatching(/^patches\.0\.x: .*lies over another/)]);
    expect(problems({ pocket: { ...pocket, blend: 71 } })).toEqual([expect.stringMatching(/^pocket\.blend: .*70 mm maximum/)]);
    expect(problems({ pocket: null, patches: [{ ...pocket, deep: 60 }] })).toEqual([
      expect.stringMatching(/^patches\.0\.deep: .*50 mm maximum/),
    ]);
    expect(problems({ pocket, patches: [{ ...pocket, x: -120, width: 60, length: 60 }] })).toEqual([]);
  });

  it('one more never begins with a problem, up to as many as there may be', () => {
    const box = { minX: -225, maxX: 225, minY: -210, maxY: 210 };
    for (const retained of [null, 'cleaned'] as const) {
      let pad: Pad = { ...chair.pads.find(({ role }) => role === 'main')!, kept: retained };
      for (let n = 0; n < 9; n++) {
        const next = nextLetIn(pad, box);
        pad = n === 0 ? { ...pad, pocket: next } : { ...pad, patches: [...(pad.patches ?? []), next] };
        expect(problems({ pocket: pad.pocket!, patches: pad.patches ?? [], kept: retained })).toEqual([]);
      }
    }
  });
});
