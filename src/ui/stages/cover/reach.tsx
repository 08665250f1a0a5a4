'use client';

import { nearestReach, wayOf } from '@/core/cover';
import { formatLength } from '@/core/length';
import { saidCorner } from '@/core/piece';
import { Handle } from '@/ui/drawing/handle';
import { openPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/fields/figure';
import { useLength, useSettings } from '@/ui/kit/settings';
import type { LayerProps } from '@/ui/sheet/stage';
import { usePiece, usePlan, useSheet } from '@/ui/sheet/store';

/** How much wider than the board to cut at the place pointed at, and why: a mark on the edge that arrow keys move too. */
export function ReachMark({ piece, view, size }: LayerProps) {
  const say = useLength();
  const index = useSheet((state) => state.pointed);
  const show = useSheet((state) => state.show);
  const places = view.plan.cover?.reach.places;
  if (!places) return null;
  const onMove = (pointed: number) => show({ pointed });
  const place = places[index % places.length]!;
  const far = [place.x + place.nx * place.total, place.y + place.ny * place.total] as const;
  return (
    <g>
      <path d={openPath([[place.x, place.y], far])} stroke="var(--chalk)" strokeWidth={size * 0.16} />
      <Handle
        x={place.x}
        y={place.y}
        size={size * 0.42}
        shape="square"
        label="How much wider here, place round the edge"
        value={Math.round(place.at)}
        says={`${say(place.total)} beyond the ${wayOf(piece.covering.way).loose ? 'pad' : 'board'}, ${saidCorner(piece.kind, place.edge)}`}
        onDrag={(to) => onMove(nearestReach(places, to.x, to.y))}
        onNudge={(by) => onMove((index + Math.sign(by) * Math.max(1, Math.round(Math.abs(by) / 5)) + places.length) % places.length)}
      />
    </g>
  );
}

/** The answer in words beside the plan. */
export function ReachAnswer() {
  const { unit } = useSettings();
  const { kind, covering } = usePiece();
  const index = useSheet((state) => state.pointed);
  const reach = usePlan()?.cover?.reach;
  if (!reach) return null;
  const { parts, places } = reach;
  const place = places[index % places.length]!;
  return (
    <section
      aria-label="How much wider than the board to cut here, and why"
      aria-live="polite"
      className="shrink-0 w-64 overflow-y-auto border-r border-base-content/25 pr-2 mr-1 text-xs leading-[1.15]"
      data-reach
    >
      <p className="font-semibold">
        At the {saidCorner(kind, place.edge)}: cut <Figure says={formatLength(place.total, unit)} /> beyond the{' '}
        {wayOf(covering.way).loose ? 'pad' : 'board'}
      </p>
      <dl>
        {parts.map((part, k) => (
          <div key={part.label} className="flex justify-between gap-2">
            <dt>{part.label}</dt>
            <dd className="whitespace-nowrap">
              <Figure says={`${place.values[k]! < 0 ? '−' : '+'} ${formatLength(Math.abs(place.values[k]!), unit)}`} />
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-base-content/70">Tap anywhere on the edge.</p>
    </section>
  );
}
