/**
 * A smooth curve through readings that never swings past them (Fritsch and Carlson's monotone cubic).
 *
 * @param xs where the readings were taken, rising
 * @param ys the readings
 */
export function monotoneThrough(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length;
  const slope = xs.slice(1).map((x, i) => (ys[i + 1]! - ys[i]!) / (x - xs[i]!));
  const tangent = ys.map((_, i) => {
    if (i === 0) return slope[0]!;
    if (i === n - 1) return slope[n - 2]!;
    const [a, b] = [slope[i - 1]!, slope[i]!];
    if (a * b <= 0) return 0;
    const [h, k] = [xs[i]! - xs[i - 1]!, xs[i + 1]! - xs[i]!];
    return (3 * (h + k)) / ((2 * k + h) / a + (k + 2 * h) / b);
  });
  return (x) => {
    if (x <= xs[0]!) return ys[0]!;
    if (x >= xs[n - 1]!) return ys[n - 1]!;
    let i = 0;
    while (x > xs[i + 1]!) i += 1;
    const h = xs[i + 1]! - xs[i]!;
    const t = (x - xs[i]!) / h;
    const [t2, t3] = [t * t, t * t * t];
    return (
      (2 * t3 - 3 * t2 + 1) * ys[i]! +
      (t3 - 2 * t2 + t) * h * tangent[i]! +
      (3 * t2 - 2 * t3) * ys[i + 1]! +
      (t3 - t2) * h * tangent[i + 1]!
    );
  };
}
