import { Figure } from '@/ui/kit/fields/figure';

/** A dimension line with its figure beside it; coordinates in the drawing's mm, y up. */
export function Dimension({
  from,
  to,
  says,
  size,
  side = 1,
}: {
  from: [number, number];
  to: [number, number];
  says: string;
  size: number;
  side?: 1 | -1;
}) {
  const [x0, y0] = [from[0], -from[1]];
  const [x1, y1] = [to[0], -to[1]];
  const length = Math.hypot(x1 - x0, y1 - y0) || 1;
  const normal = [(-(y1 - y0) / length) * side, ((x1 - x0) / length) * side] as const;
  const tick = size * 0.5;
  const middle = [(x0 + x1) / 2 + normal[0] * size * 0.95, (y0 + y1) / 2 + normal[1] * size * 0.95] as const;
  let angle = (Math.atan2(y1 - y0, x1 - x0) * 180) / Math.PI;
  if (angle > 90 || angle <= -90) angle += 180;
  return (
    <g stroke="var(--ink)" strokeWidth={size * 0.06}>
      <path d={`M${x0} ${y0} L${x1} ${y1}`} fill="none" />
      {[
        [x0, y0],
        [x1, y1],
      ].map(([x, y]) => (
        <path
          key={`${x} ${y}`}
          d={`M${x! - tick * 0.6} ${y! + tick * 0.6} L${x! + tick * 0.6} ${y! - tick * 0.6}`}
          strokeWidth={size * 0.12}
        />
      ))}
      <text
        x={middle[0]}
        y={middle[1]}
        transform={`rotate(${angle} ${middle[0]} ${middle[1]})`}
        fontSize={size}
        textAnchor="middle"
        dominantBaseline="central"
        fill="var(--ink)"
        stroke="none"
      >
        <Figure says={says} svg />
      </text>
    </g>
  );
}
