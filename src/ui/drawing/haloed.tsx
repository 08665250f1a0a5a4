type HaloedProps = {
  says: string;
  x: number;
  y: number;
  size: number;
  /** read from behind, in a drawing that is turned over */
  turned?: boolean;
};

/** Words on a drawing, their middle at a place of the screen's own millimetres, clear of the lines under them. */
export function Haloed({ says, x, y, size, turned }: HaloedProps) {
  return (
    <text
      transform={`translate(${x} ${y})${turned ? ' scale(-1 1)' : ''}`}
      fontSize={size}
      textAnchor="middle"
      dominantBaseline="central"
      fill="var(--ink)"
      stroke="var(--color-base-100)"
      strokeWidth={size * 0.3}
      paintOrder="stroke"
    >
      {says}
    </text>
  );
}
