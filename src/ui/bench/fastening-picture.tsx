'use client';

import { useState } from 'react';
import { bounds } from '@/core/outline';
import { closedPath } from '@/ui/drawing/path';
import { numbered } from '@/ui/drawing/numbered';
import type { BenchView } from './use-bench';

/** The order in which a cover is fastened, one wave at a time, seen as on the plan. */
export function FasteningPicture({ fastening }: { fastening: NonNullable<BenchView['fastening']> }) {
  const { board, waves, places, temporary } = fastening;
  const [wave, setWave] = useState(0);
  const now = waves[Math.min(wave, waves.length - 1)];
  if (!now) return null;
  const { minX, maxX, minY, maxY } = bounds(board);
  const size = Math.max(maxX - minX, maxY - minY) / 17;
  const current = now.temporary ? temporary : places.filter(({ n }) => n >= now.from && n <= now.to);
  const done = now.temporary ? [] : places.filter(({ n }) => n < now.from);
  const listed = numbered(current, size);
  return (
    <figure className="flex flex-col min-h-0 flex-1" data-bench-wave={wave}>
      <svg
        role="img"
        aria-label={`Wave ${wave + 1} of ${waves.length}: ${now.says}`}
        viewBox={`${minX - size} ${-maxY - size} ${maxX - minX + 2 * size} ${maxY - minY + 2 * size}`}
        className="w-full flex-1 min-h-48"
      >
        <path d={closedPath(board)} fill="none" stroke="var(--ink)" strokeWidth={size * 0.12} />
        {done.map(({ n, x, y }) => (
          <circle key={n} cx={x} cy={-y} r={size * 0.14} fill="var(--ink)" opacity={0.6} />
        ))}
        {current.map(({ n, x, y }) => (
          <g key={n} data-fastener={n}>
            <circle cx={x} cy={-y} r={size * (listed.has(n) ? 0.5 : 0.22)} fill="var(--cover-line)" />
            {listed.has(n) && (
              <text x={x} y={-y} fontSize={size * 0.6} textAnchor="middle" dominantBaseline="central" fill="var(--color-primary-content)">
                {n}
              </text>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="flex items-center gap-3">
        <button
          type="button"
          className="btn btn-outline h-16 min-w-16 text-xl font-normal"
          onClick={() => setWave((wave + waves.length - 1) % waves.length)}
          aria-label="Previous wave"
        >
          ‹
        </button>
        <span role="status" className="flex-1 text-xl">
          {wave + 1} of {waves.length}: <strong>{now.from === now.to ? now.from : `${now.from}–${now.to}`}</strong> {now.says}
        </span>
        <button
          type="button"
          className="btn btn-outline h-16 min-w-16 text-xl font-normal"
          onClick={() => setWave((wave + 1) % waves.length)}
          aria-label="Next wave"
        >
          ›
        </button>
      </figcaption>
    </figure>
  );
}
