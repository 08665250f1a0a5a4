declare module 'fmin/src/conjugateGradient.js' {
  export function conjugateGradient(
    f: (x: number[], slope: number[]) => number,
    initial: number[],
    params?: { maxIterations?: number },
  ): { x: number[]; fx: number };
}
