'use client';

import { contours, geoPath, geoTransform } from 'd3';
import { useMemo } from 'react';
import type { HeightGrid } from '@/core/padding';
import { PRESSURE_FULL, pressureColour } from '@/ui/drawing/pressure';

/** Steps of the pressure map, N/mm²; each has its own tint and its line, so that colour is not alone. */
const PRESSURES = [0.0005, 0.002, 0.004, 0.006, 0.008, 0.01, 0.013, 0.016];

/** Pressure on the plan, tint by tint. */
export function PressureMap({ grid, size }: { grid: HeightGrid; size: number }) {
  const paths = useMemo(() => {
    const project = geoPath(
      geoTransform({
        point(x, y) {
          this.stream.point(grid.x0 + (x - 0.5) * grid.step, -(grid.y0 + (y - 0.5) * grid.step));
        },
      }),
    );
    const values = Array.from(grid.heights, (p) => (Number.isNaN(p) ? 0 : p));
    return contours()
      .size([grid.columns, grid.rows])
      .thresholds(PRESSURES)(values)
      .map((shape) => ({ p: shape.value, d: project(shape) ?? '' }));
  }, [grid]);
  return (
    <g data-pressure-map>
      {paths.map(({ p, d }) => (
        <path key={p} d={d} fill={pressureColour(p / PRESSURE_FULL)} stroke="var(--ink)" strokeOpacity={0.35} strokeWidth={size * 0.04} />
      ))}
    </g>
  );
}

/** The pressure map's tints with their figures. */
export function PressureKey({ x, y, size }: { x: number; y: number; size: number }) {
  return (
    <g aria-hidden>
      {PRESSURES.map((p, i) => (
        <g key={p}>
          <rect
            x={x}
            y={y - i * size * 0.9}
            width={size * 0.9}
            height={size * 0.9}
            fill={pressureColour(p / PRESSURE_FULL)}
            stroke="var(--ink)"
            strokeWidth={size * 0.03}
          />
          <text x={x + size * 1.2} y={y + size * 0.65 - i * size * 0.9} fontSize={size * 0.6} fill="var(--ink)">
            {p * 1000}
          </text>
        </g>
      ))}
      <text x={x} y={y + size * 1.7} fontSize={size * 0.6} fill="var(--ink)">
        kPa
      </text>
    </g>
  );
}
