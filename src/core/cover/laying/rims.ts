/** The edges of a mesh as closed rows of nodes, counter-clockwise round its cloth. */
export function rimLoops(triangles: Uint32Array): number[][] {
  const next = new Map<number, number>();
  const seen = new Set<string>();
  for (let t = 0; t < triangles.length; t += 3) for (let k = 0; k < 3; k++) seen.add(`${triangles[t + k]} ${triangles[t + ((k + 1) % 3)]}`);
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
      if (!seen.has(`${b} ${a}`)) next.set(a, b);
    }
  const loops: number[][] = [];
  while (next.size > 0) {
    const first = next.keys().next().value!;
    const loop: number[] = [];
    for (let at: number | undefined = first; at !== undefined && next.has(at);) {
      loop.push(at);
      const to: number = next.get(at)!;
      next.delete(at);
      at = to;
    }
    loops.push(loop);
  }
  return loops;
}
