'use client';

import { cornerWords, foldedCuts } from '@/core/cover';
import { wavesOf, type Fixing } from '@/core/fix';
import { openPath } from '@/ui/drawing/path';
import type { LayerProps } from '@/ui/sheet/stage';
import { useSheet } from '@/ui/sheet/store';
import { numbered } from './numbered';

type Staple = Fixing['order'][number];

/** A staple: numbered where there is room, otherwise a dot that says its number when it is pointed at. */
function StapleMark({ staple, size, dot }: { staple: Staple; size: number; dot: boolean }) {
  const corner = staple.kind === 'corner';
  const centre = staple.kind === 'centre';
  return (
    <g data-staple={staple.n}>
      <title>{`Staple ${staple.n}`}</title>
      <circle
        cx={staple.x}
        cy={-staple.y}
        r={size * (corner || dot ? 0.18 : 0.44)}
        fill={centre ? 'var(--cover-line)' : dot && !corner ? 'var(--ink)' : 'var(--color-base-100)'}
        stroke={corner ? 'var(--chalk)' : 'var(--ink)'}
        strokeWidth={size * 0.07}
      />
      {!corner && !dot && (
        <text
          x={staple.x}
          y={-staple.y}
          fontSize={size * 0.52}
          textAnchor="middle"
          dominantBaseline="central"
          fill={centre ? 'var(--color-primary-content)' : 'var(--ink)'}
        >
          {staple.n}
        </text>
      )}
    </g>
  );
}

/** Fasteners in the order they are put in, and the cuts as they lie under the board. */
export function FastenersOnPlan({ view, size }: LayerProps) {
  const { fixing, cover, corners, stations } = view.plan;
  const wave = useSheet((state) => state.wave);
  if (!fixing || !cover) return null;
  const now = wave === null ? null : (wavesOf(fixing.order)[wave] ?? null);
  // What comes later is not there yet; what is done is a dot.
  const shown = now ? fixing.order.filter(({ n }) => n <= now.to) : fixing.order;
  const told = numbered(now ? shown.filter(({ n }) => n >= now.from) : shown, size);
  return (
    <g>
      {foldedCuts(corners, cover.relief?.cuts ?? [], stations[0]!).map((cut, i) => (
        <path key={i} d={openPath(cut)} strokeWidth={size * 0.14} stroke="var(--cover-line)" data-relief />
      ))}
      {shown.map((staple) => (
        <StapleMark key={staple.n} staple={staple} size={size} dot={!told.has(staple.n)} />
      ))}
      {corners.map((corner) => {
        const own = fixing.order.filter(({ kind, edge }) => kind === 'corner' && edge === corner.edge).map(({ n }) => n);
        return (
          <text key={corner.station} x={corner.x * 0.6} y={-corner.y * 0.62} fontSize={size * 0.62} textAnchor="middle" fill="var(--chalk)">
            {own.length > 1 ? `${own[0]}–${own.at(-1)}` : own[0]}, {cornerWords(corner)}
          </text>
        );
      })}
    </g>
  );
}
