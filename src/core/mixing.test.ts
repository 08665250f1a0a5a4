import { describe, expect, it } from 'vitest';
import { mixer } from './mixing';

/** A contraction towards a fixed point, slow in one direction: x ← A·x + b, A symmetric with the eigenvalues given. */
function contraction(values: readonly number[], fixed: readonly number[]): (x: Float64Array) => Float64Array {
  const n = values.length;
  // Turned so that no unknown has a direction of its own: reflected at a plane.
  const v = Array.from({ length: n }, (_, i) => 1 / Math.sqrt(n) + (i === 0 ? 0.3 : 0));
  const long = v.reduce((sum, value) => sum + value * value, 0);
  const reflect = (x: readonly number[]): number[] => {
    const along = x.reduce((sum, value, i) => sum + value * v[i]!, 0);
    return x.map((value, i) => value - (2 * along * v[i]!) / long);
  };
  return (x) => {
    const off = reflect([...x].map((value, i) => value - fixed[i]!));
    return Float64Array.from(reflect(off.map((value, i) => value * values[i]!)), (value, i) => value + fixed[i]!);
  };
}

const VALUES = [0.99, 0.9, 0.6, 0.3, -0.5, 0.05];
const FIXED = [3, -7, 11, 0.5, 2, -4];
const away = (x: Float64Array): number => Math.max(...[...x].map((value, i) => Math.abs(value - FIXED[i]!)));

/** Rounds until within a billionth, or so many. */
function rounds(window: number, most = 5000): number {
  const step = contraction(VALUES, FIXED);
  const mix = mixer(window);
  let at = new Float64Array(6);
  for (let round = 1; round <= most; round++) {
    const plain = step(at);
    if (away(plain) < 1e-9) return round;
    at = window > 0 ? Float64Array.from(mix.next(at, plain)) : Float64Array.from(plain);
  }
  return most;
}

describe('mixing the last rounds of a step', () => {
  it('comes to the same fixed point, in a fraction of the rounds', () => {
    expect(rounds(0)).toBeGreaterThan(1500);
    expect(rounds(6)).toBeLessThan(20);
    expect(rounds(2)).toBeLessThan(rounds(0) / 3);
  });

  it('before it has seen two rounds it goes where the step goes', () => {
    const step = contraction(VALUES, FIXED);
    const mix = mixer(4);
    expect(mix.last()).toBeNull();
    const plain = step(new Float64Array(6));
    expect([...mix.next(new Float64Array(6), plain)]).toEqual([...plain]);
    expect([...mix.last()!]).toEqual([...plain]);
  });

  it('forgets what it has seen: the next round is plain again', () => {
    const step = contraction(VALUES, FIXED);
    const mix = mixer(4);
    let at: Float64Array = new Float64Array(6);
    for (let k = 0; k < 4; k++) at = mix.next(at, step(at));
    mix.forget();
    expect(mix.last()).toBeNull();
    const plain = step(at);
    expect([...mix.next(at, plain)]).toEqual([...plain]);
  });

  it('stays where it has arrived, however often it is asked', () => {
    const step = contraction(VALUES, FIXED);
    const mix = mixer(4);
    let at: Float64Array = Float64Array.from(FIXED);
    for (let k = 0; k < 8; k++) at = mix.next(at, step(at));
    expect(away(at)).toBeLessThan(1e-9);
  });

  it('what it gives out is nobody else’s: a step may go on writing into its own array', () => {
    const mix = mixer(3);
    const plain = Float64Array.from([1, 2]);
    const next = mix.next(Float64Array.from([0, 0]), plain);
    plain[0] = 99;
    expect([...next]).toEqual([1, 2]);
    expect([...mix.last()!]).toEqual([1, 2]);
  });
});
