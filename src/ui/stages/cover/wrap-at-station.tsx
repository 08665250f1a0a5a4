'use client';

import type { StationWrap } from '@/core/cover';
import { Figure } from '@/ui/kit/fields/figure';
import { useLength } from '@/ui/kit/settings';
import { usePlan } from '@/ui/sheet/store';

/** How much cloth goes over the edge at a station of a pulled cover. */
export function WrapAtStation({ station, size }: { station: StationWrap; size: number }) {
  const say = useLength();
  const pulled = usePlan()?.cover?.pulled;
  // Round a notch the places lie so near each other that their figures would cover one another.
  if (!pulled || station.part.kind === 'notch') return null;
  // Clear of the station's own number; a figure is wide, so that it goes farther out to the side.
  const out = Math.max(station.wrap * 0.55, size * (1.7 + 1.5 * Math.abs(station.normalX)));
  return (
    <text
      x={station.x + station.normalX * out}
      y={-(station.y + station.normalY * out)}
      fontSize={size * 0.6}
      textAnchor="middle"
      dominantBaseline="central"
      fill="var(--cover-line)"
    >
      <Figure says={say(station.wrap)} svg />
    </text>
  );
}
