import type { Plan } from '@/core/plan';

/** Holes and hardware, where the board has them. */
export function Fittings({ base, size }: { base: Readonly<Pick<Plan['base'], 'holes' | 'hardware'>>; size: number }) {
  return (
    <g fill="var(--color-base-100)" stroke="var(--ink)" strokeWidth={size * 0.08}>
      {base.holes.map((hole) =>
        hole.kind === 'round' ? (
          <circle key={hole.id} cx={hole.x} cy={-hole.y} r={hole.diameter / 2} data-hole />
        ) : (
          <rect key={hole.id} x={hole.x - hole.width / 2} y={-hole.y - hole.height / 2} width={hole.width} height={hole.height} data-hole />
        ),
      )}
      {base.hardware.map((item) => (
        <g key={item.id} data-hardware={item.kind}>
          <title>{item.kind}</title>
          {item.kind === 'cleat' ? (
            <rect
              x={item.x - item.diameter / 2}
              y={-item.y - item.diameter / 4}
              width={item.diameter}
              height={item.diameter / 2}
              fill="var(--color-base-300)"
            />
          ) : (
            <circle cx={item.x} cy={-item.y} r={item.diameter / 2} fill="var(--color-base-300)" />
          )}
          <path
            d={`M${item.x - item.diameter * 0.7} ${-item.y} h${item.diameter * 1.4} M${item.x} ${-item.y - item.diameter * 0.7} v${item.diameter * 1.4}`}
            strokeWidth={size * 0.05}
          />
        </g>
      ))}
    </g>
  );
}
