import { seededRandom } from './seeded-random';

/** What engines compute differently in the last bit; `sqrt` and the four operations are exact by the standard. */
const INEXACT = [
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'atan2',
  'sinh',
  'cosh',
  'tanh',
  'exp',
  'expm1',
  'log',
  'log1p',
  'log2',
  'log10',
  'pow',
  'cbrt',
  'hypot',
] as const;

const bits = new DataView(new ArrayBuffer(8));

/** The neighbouring double, `by` = ±1 unit in the last place away. */
export function nudged(value: number, by: 1 | -1): number {
  if (!Number.isFinite(value) || value === 0) return value;
  bits.setFloat64(0, value);
  bits.setBigInt64(0, bits.getBigInt64(0) + BigInt(by));
  return bits.getFloat64(0);
}

/**
 * Runs work as on another engine: every function of `Math` whose last bit the standard leaves open answers one unit in the last
 * place higher, lower or the same. An answer depends on the function and its arguments alone, as an engine's does.
 *
 * @param seed which engine
 * @param work what is run on it
 */
export function withNoisyMath<T>(seed: number, work: () => T): T {
  const real = Object.fromEntries(INEXACT.map((name) => [name, Math[name]])) as Record<string, (...values: number[]) => number>;
  INEXACT.forEach((name, k) => {
    const exact = real[name]!;
    const noisy = (...values: number[]): number => {
      const value = exact(...values);
      // Whole numbers and fixed points (exp 0, cos 0, pow of whole numbers) are exact on every engine.
      if (Number.isInteger(value)) return value;
      bits.setFloat64(0, value);
      const turn = Math.floor(seededRandom((bits.getInt32(4) ^ bits.getInt32(0)) + seed * 7919 + k)() * 3);
      return turn === 0 ? value : nudged(value, turn === 1 ? 1 : -1);
    };
    Object.defineProperty(Math, name, { value: noisy, configurable: true, writable: true });
  });
  try {
    return work();
  } finally {
    for (const name of INEXACT) Object.defineProperty(Math, name, { value: real[name], configurable: true, writable: true });
  }
}
