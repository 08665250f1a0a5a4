'use client';

import { line, scaleLinear, scaleLog } from 'd3';
import { useEffect, useState } from 'react';
import { foamOf } from '@/core/piece';
import type { ChartCell } from '@/core/seat-check';
import { Dialog } from '@/ui/kit/dialog';
import { useLength } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/worker/use-job';
import { usePiece, useRule, useSheet } from '@/ui/sheet/store';

const MASSES = [50, 65, 80, 95, 110, 130];
const THICKNESSES = [25, 40, 50, 60, 75, 100, 125];

/** Body mass × thickness → hardness, a line for each mass, the piece's own foam marked. */
function Chart({
  cells,
  current: item,
  says,
}: {
  cells: readonly ChartCell[];
  current: { thickness: number; ifd25: number; mass: number };
  says: (mm: number) => string;
}) {
  const [w, h] = [470, 270];
  const x = scaleLinear()
    .domain([20, 130])
    .range([44, w - 66]);
  const y = scaleLog()
    .domain([35, 950])
    .range([h - 34, 10]);
  return (
    <svg viewBox={`0 0 ${w} ${h}`} className="w-full" role="img" aria-label="Foam chart: least hardness for a thickness, by body mass">
      {THICKNESSES.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} 10 V${h - 34}`} stroke="var(--ink)" strokeOpacity={0.15} />
          <text x={x(t)} y={h - 20} fontSize={10} textAnchor="middle" fill="var(--ink)">
            {says(t)}
          </text>
        </g>
      ))}
      {[50, 100, 200, 400, 800].map((n) => (
        <g key={n}>
          <path d={`M44 ${y(n)} H${w - 66}`} stroke="var(--ink)" strokeOpacity={0.15} />
          <text x={40} y={y(n) + 3} fontSize={10} textAnchor="end" fill="var(--ink)">
            {n} N
          </text>
        </g>
      ))}
      <text x={44} y={h - 5} fontSize={10} fill="var(--ink)">
        thickness of the pad, against the softest hardness that carries
      </text>
      {MASSES.map((mass, i) => {
        const points = cells.filter((cell) => cell.mass === mass && cell.hardness !== null);
        const last = points.at(-1);
        return (
          <g key={mass} data-mass={mass}>
            <path
              d={
                line<ChartCell>()
                  .x((cell) => x(cell.thickness))
                  .y((cell) => y(cell.hardness!))(points) ?? ''
              }
              fill="none"
              stroke="var(--ink)"
              strokeWidth={mass === item.mass ? 2.4 : 1.1}
              strokeDasharray={['1 3', '3 3', '6 2', '', '8 2 2 2', '2 2'][i]}
            />
            {points.map((cell) => (
              <circle key={cell.thickness} cx={x(cell.thickness)} cy={y(cell.hardness!)} r={2.2} fill="var(--ink)" />
            ))}
            {last && (
              <text x={x(last.thickness) + 6} y={y(last.hardness!) + 3} fontSize={10} fill="var(--ink)">
                {mass} kg
              </text>
            )}
          </g>
        );
      })}
      <g data-own>
        <path
          d={`M${x(item.thickness) - 6} ${y(item.ifd25)} h12 M${x(item.thickness)} ${y(item.ifd25) - 6} v12`}
          stroke="var(--cover-line)"
          strokeWidth={2.4}
        />
        <text x={x(item.thickness) + 8} y={y(item.ifd25) - 6} fontSize={11} fill="var(--cover-line)">
          this piece
        </text>
      </g>
    </svg>
  );
}

function ChartDialog({ onClose }: { onClose: () => void }) {
  const say = useLength();
  const piece = usePiece();
  const rule = useRule();
  const sat = useSheet((state) => state.sit.view?.sit.mass);
  const { start, stop, ...job } = useJob('chart');
  const main = piece.pads.find((pad) => pad.role === 'main')!;
  const foam = foamOf(piece, main.material)!;
  const [limits] = useState(() => ({
    share: rule('sitShare'),
    leastLeft: rule('leastLeft'),
    mostStrain: rule('mostStrain') / 100,
    pull: rule('pullFirm') / 100,
  }));
  const [asked] = useState(() => ({ piece, material: main.material, masses: MASSES, thicknesses: THICKNESSES, limits }));
  useEffect(() => start(asked), [start, asked]);
  const cells = job.best ?? job.answer ?? [];
  const close = () => {
    stop();
    onClose();
  };
  return (
    <Dialog title="Foam chart" onClose={close}>
      <p className="text-sm">
        The softest {foam.type} foam (support {foam.supportFactor}) that neither bottoms out nor is pressed past its limit on a flat seat.
      </p>
      <Chart
        cells={cells}
        current={{ thickness: main.thickness, ifd25: foam.ifd25, mass: sat ?? piece.sit?.mass ?? rule('sitMass') }}
        says={say}
      />
      <div className="flex items-center gap-3 min-h-8">
        {job.running && (
          <>
            <progress className="progress w-40" value={job.done} aria-label="Places worked out" />
            <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={stop}>
              Stop
            </button>
          </>
        )}
        {!job.running && cells.length > 0 && (
          <p className="text-xs" role="status" data-chart="done">
            {cells.length === MASSES.length * THICKNESSES.length
              ? `All ${cells.length} places solved.`
              : `Stopped at ${cells.length} places.`}
          </p>
        )}
        <button type="button" className="btn btn-sm btn-ghost font-normal ml-auto" onClick={close}>
          Close
        </button>
      </div>
    </Dialog>
  );
}

/** The foam chart, worked out in the background; it can be stopped. */
export function FoamChartBox() {
  const { pads } = usePiece();
  const [open, setOpen] = useState(false);
  if (!pads.some((pad) => pad.role === 'main')) return null;
  return (
    <div className="border-t border-base-content/25 py-2">
      <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => setOpen(true)}>
        Foam chart…
      </button>
      {open && <ChartDialog onClose={() => setOpen(false)} />}
    </div>
  );
}
