'use client';

import { cornerWords, foldedCuts } from '@/core/cover';
import type { Fixing } from '@/core/fastening';
import { closedPath, openPath } from '@/ui/drawing/path';
import type { LayerProps } from '@/ui/sheet/stage';
import { useSheet } from '@/ui/sheet/store';
import { numbered } from '@/ui/drawing/numbered';

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

/** What comes out again: a cross. */
function TemporaryMark({ n, x, y, size }: Staple & { size: number }) {
  const r = size * 0.22;
  return (
    <path
      d={`M${x - r} ${-y - r}l${2 * r} ${2 * r}m0 ${-2 * r}l${-2 * r} ${2 * r}`}
      stroke="var(--ink)"
      strokeWidth={size * 0.08}
      data-temporary={n}
    >
      <title>{`Temporary ${n}`}</title>
    </path>
  );
}

/** Fasteners in the order they are put in, and the cuts as they lie under the board. */
export function FastenersOnPlan({ view, size }: LayerProps) {
  const { fixing, cover, corners, stations } = view.plan;
  const wave = useSheet((state) => state.wave);
  if (!fixing || !cover) return null;
  const now = wave === null ? null : (fixing.waves[wave] ?? null);
  const temporary = fixing.fasteners.find(({ id }) => id === fixing.fastener.id)?.temporary ?? [];
  // What comes later is not there yet; what is done is a dot. Temporary ones stand until the others hold.
  const shown = now ? (now.temporary ? [] : fixing.order.filter(({ n }) => n <= now.to)) : fixing.order;
  const current = now && !now.temporary ? shown.filter(({ n }) => n >= now.from) : shown;
  const listed = numbered(current, size);
  const at = now?.temporary ? temporary : current;
  const last = wave === fixing.waves.length - 1;
  return (
    <g>
      {foldedCuts(corners, cover.relief?.cuts ?? [], stations[0]!).map((cut, i) => (
        <path key={i} d={openPath(cut)} fill="none" strokeWidth={size * 0.14} stroke="var(--cover-line)" data-relief />
      ))}
      {fixing.rows
        .filter(({ id }) => id !== 'cover')
        .map(({ id, line }) => (
          <path
            key={id}
            d={closedPath(line)}
            fill="none"
            strokeWidth={size * 0.05}
            stroke="var(--ink)"
            strokeDasharray={`${size * 0.25} ${size * 0.2}`}
            opacity={0.5}
            data-row-line={id}
          />
        ))}
      {now === null &&
        fixing.tacked.flatMap(({ name, places }) =>
          places.map(({ x, y }, i) => (
            <circle key={`${name} ${i}`} cx={x} cy={-y} r={size * 0.1} fill="var(--chalk)" data-tacked={name}>
              <title>{name}</title>
            </circle>
          )),
        )}
      {now &&
        at.map(({ n, x, y, pull }) =>
          pull ? (
            <path
              key={n}
              d={`M${x} ${-y}l${pull[0] * size * 0.9} ${-pull[1] * size * 0.9}`}
              stroke="var(--cover-line)"
              strokeWidth={size * 0.09}
              data-pull={n}
            />
          ) : null,
        )}
      {now && !last && temporary.map((staple) => <TemporaryMark key={staple.n} {...staple} size={size} />)}
      {/* Dots first: a number is never under one. */}
      {[...shown]
        .sort((a, b) => Number(listed.has(a.n)) - Number(listed.has(b.n)))
        .map((staple) => (
          <StapleMark key={staple.n} staple={staple} size={size} dot={!listed.has(staple.n)} />
        ))}
      {(now === null || at.some(({ kind }) => kind === 'corner')) &&
        corners.map((corner) => {
          const values = fixing.order.filter(({ kind, edge }) => kind === 'corner' && edge === corner.edge).map(({ n }) => n);
          return (
            <text
              key={corner.station}
              x={corner.x * 0.6}
              y={-corner.y * 0.62}
              fontSize={size * 0.62}
              textAnchor="middle"
              fill="var(--chalk)"
              stroke="var(--color-base-100)"
              strokeWidth={size * 0.22}
              strokeLinejoin="round"
              paintOrder="stroke"
            >
              {values.length > 1 ? `${values[0]}–${values.at(-1)}` : values[0]}, {cornerWords(corner)}
            </text>
          );
        })}
    </g>
  );
}
