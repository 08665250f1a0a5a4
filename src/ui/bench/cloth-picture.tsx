import { bounds } from '@/core/outline';
import { closedPath } from '@/ui/drawing/path';
import type { BenchView } from './use-bench';

/** Between two pieces, as a share of the widest. */
const APART = 0.06;
/** Pieces stand in rows no wider than so many times the widest. */
const ACROSS = 1.6;

type Laid = { name: string; d: string; x: number; y: number; width: number; height: number };

/** The pieces of a cover side by side, all at one scale, the largest first. */
export function laidOut(cloth: BenchView['cloth']): { laid: Laid[]; width: number; height: number } {
  const sized = cloth
    .map(({ name, outline }) => ({ name, outline, box: bounds(outline) }))
    .sort((a, b) => b.box.height - a.box.height || b.box.width - a.box.width);
  const widest = Math.max(1, ...sized.map(({ box }) => box.width));
  const gap = APART * widest;
  const limit = ACROSS * widest;
  const laid: Laid[] = [];
  let [x, y, row, width] = [0, 0, 0, 0];
  for (const { name, outline, box } of sized) {
    if (x > 0 && x + box.width > limit) [x, y, row] = [0, y + row + gap, 0];
    laid.push({
      name,
      d: closedPath(outline.map(([px, py]) => [px - box.minX + x, py - box.maxY - y] as const)),
      x,
      y,
      width: box.width,
      height: box.height,
    });
    x += box.width + gap;
    row = Math.max(row, box.height);
    width = Math.max(width, x - gap);
  }
  return { laid, width, height: y + row };
}

/** What is cut and sewn at a step: every piece of the cover, flat. */
export function ClothPicture({ cloth }: { cloth: BenchView['cloth'] }) {
  const { laid, width, height } = laidOut(cloth);
  const size = Math.max(width, height) / 32;
  return (
    <svg
      role="img"
      aria-label={`The cover’s pieces: ${cloth.map(({ name }) => name.toLowerCase()).join(', ')}`}
      viewBox={`${-size} ${-size} ${width + 2 * size} ${height + 2 * size}`}
      className="w-full max-h-full"
    >
      {laid.map(({ name, d, x, y, width: wide, height: high }) => (
        <g key={`${name} ${x} ${y}`} data-piece={name}>
          <path d={d} fill="none" stroke="var(--cover-line)" strokeWidth={size * 0.12} />
          {high > size * 1.4 && wide > name.length * size * 0.5 && (
            <text
              x={x + wide / 2}
              y={y + high / 2}
              fontSize={size}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--ink)"
              stroke="var(--color-base-100)"
              strokeWidth={size * 0.3}
              paintOrder="stroke"
            >
              {name}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
