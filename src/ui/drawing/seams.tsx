'use client';

import type { LayerProps } from '@/ui/sheet/stage';
import { closedPath, openPath } from './path';

/** What lies on top of the board in the plan: seam lines, stitch lines as sewn, nails and buttons. */
export function SeamsOnPlan({ view, size }: LayerProps) {
  const { cover } = view.plan;
  if (!cover) return null;
  return (
    <g fill="none" stroke="var(--cover-line)">
      {cover.lines.map((line) => (
        <path
          key={line.id}
          d={line.closed ? closedPath(line.points) : openPath(line.points)}
          strokeWidth={size * 0.16}
          strokeDasharray={`${size * 0.5} ${size * 0.18}`}
          data-seam={line.id}
        />
      ))}
      {cover.nails?.places.map((nail, i) => (
        <circle
          key={i}
          cx={nail.x}
          cy={-nail.y}
          r={Math.max(nail.head / 2, size * 0.1)}
          fill="var(--color-base-100)"
          stroke="var(--ink)"
          strokeWidth={size * 0.06}
          data-nail
        />
      ))}
      {cover.buttons?.places.map((button, i) => (
        <g key={i} data-button>
          <circle cx={button.x} cy={-button.y} r={size * 0.35} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={size * 0.08} />
          <circle cx={button.x} cy={-button.y} r={size * 0.08} fill="var(--ink)" stroke="none" />
        </g>
      ))}
    </g>
  );
}
