'use client';

import { ViewSwitch } from '@/ui/sheet/view-switch';

const VIEWS = { plan: 'Run sheet', order: 'Fastening', behind: 'From behind' } as const;

/** The run sheet, the order of fastening, or the back of the piece. */
export function BenchViews() {
  return <ViewSwitch label="Bench, what is shown" views={VIEWS} />;
}
