'use client';

import type { StationWrap } from '@/core/cover';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';
import { usePlan } from '@/ui/sheet/store';

/** How much cloth goes over the edge at a station of a pulled cover. */
export function WrapAtStation({ station, size }: { station: StationWrap; size: number }) {
  const say = useLength();
  const pulled = usePlan()?.cover?.pulled;
  // Round a notch the places lie so near each other that their figures would cover one another.
  if (!pulled || station.part.kind === 'notch') return null;
  return (
    <text
      x={station.x + station.normalX * (station.wrap * 0.55)}
      y={-(station.y + station.normalY * (station.wrap * 0.55))}
      fontSize={size * 0.6}
      textAnchor="middle"
      dominantBaseline="central"
      fill="var(--cover-line)"
    >
      <Figure says={say(station.wrap)} svg />
    </text>
  );
}
