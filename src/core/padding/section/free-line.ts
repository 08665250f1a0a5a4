import type { Point } from '../../outline';
import type { StackCut } from '../../mechanics/section';

/** The stack's top before covering, with its rim. */
export function freeLine(stack: StackCut): Point[] {
  const points: Point[] = [];
  let last = -1;
  stack.x.forEach((u, i) => {
    const on = stack.layers.filter((layer) => i >= layer.from && i <= layer.to).at(-1);
    if (!on) return;
    points.push([u, on.upper[i]!]);
    last = i;
  });
  const lowest = stack.layers.find((layer) => last >= layer.from && last <= layer.to);
  if (lowest) points.push([stack.x[last]!, lowest.lower[last]!]);
  return points;
}
