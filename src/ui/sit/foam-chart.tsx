'use client';

import { line, scaleLinear, scaleLog } from 'd3';
import { useMemo, useState } from 'react';
import { foamOf } from '@/core/piece';
import type { ChartCell } from '@/core/sit';
import { Dialog } from '@/ui/kit/dialog';
import { useLength } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/use-job';
import type { PanelProps } from '@/ui/sheet/panel-props';

const MASSES = [50, 65, 80, 95, 110, 130];
const THICKNESSES = [25, 40, 50, 60, 75, 100, 125];

/** What a finished chart was made from: it is kept until that changes. */
const KEPT = new Map<string, ChartCell[]>();

/** Body mass × thickness → hardness, a line for each mass, the piece's own foam marked. */
function Chart({
  cells,
  own,
  says,
}: {
  cells: readonly ChartCell[];
  own: { thickness: number; ifd25: number; mass: number };
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
              strokeWidth={mass === own.mass ? 2.4 : 1.1}
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
          d={`M${x(own.thickness) - 6} ${y(own.ifd25)} h12 M${x(own.thickness)} ${y(own.ifd25) - 6} v12`}
          stroke="var(--cover-line)"
          strokeWidth={2.4}
        />
        <text x={x(own.thickness) + 8} y={y(own.ifd25) - 6} fontSize={11} fill="var(--cover-line)">
          this piece
        </text>
      </g>
    </svg>
  );
}

/** The foam chart, worked out in the background; it can be stopped, and is kept until its inputs change. */
export function FoamChartBox({ props }: { props: PanelProps }) {
  const { piece, houseOf, sit } = props;
  const say = useLength();
  const job = useJob<'chart'>();
  const [open, setOpen] = useState(false);
  const main = piece.pads.find((pad) => pad.role === 'main');
  const foam = main && foamOf(piece, main.material);
  const limits = {
    share: houseOf('sitShare'),
    leastLeft: houseOf('leastLeft'),
    mostStrain: houseOf('mostStrain') / 100,
    pull: houseOf('pullFirm') / 100,
  };
  const key = foam ? JSON.stringify([foam.type, foam.supportFactor, foam.onset ?? null, limits]) : '';
  const kept = KEPT.get(key);
  const cells = useMemo(() => kept ?? job.best ?? job.answer ?? [], [kept, job.best, job.answer]);
  if (!main || !foam) return null;
  if (job.answer && !job.running && !kept && job.answer.length === MASSES.length * THICKNESSES.length && cells === job.answer)
    KEPT.set(key, job.answer);
  const show = () => {
    setOpen(true);
    if (!KEPT.has(key)) job.start({ kind: 'chart', piece, material: main.material, masses: MASSES, thicknesses: THICKNESSES, limits });
  };
  const mass = sit.view?.sit.mass ?? piece.sit?.mass ?? houseOf('sitMass');
  return (
    <div className="border-t border-base-content/25 py-2">
      <button type="button" className="btn btn-sm btn-outline font-normal" onClick={show}>
        Foam chart…
      </button>
      {open && (
        <Dialog
          title="Foam chart"
          onClose={() => {
            job.stop();
            setOpen(false);
          }}
        >
          <p className="text-sm">
            The softest {foam.type} foam (support {foam.supportFactor}) that neither bottoms out nor is pressed past its limit on a flat
            seat.
          </p>
          <Chart cells={cells} own={{ thickness: main.thickness, ifd25: foam.ifd25, mass }} says={say} />
          <div className="flex items-center gap-3 min-h-8">
            {job.running && (
              <>
                <progress className="progress w-40" value={job.done} aria-label="Places worked out" />
                <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={job.stop}>
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
            <button
              type="button"
              className="btn btn-sm btn-ghost font-normal ml-auto"
              onClick={() => {
                job.stop();
                setOpen(false);
              }}
            >
              Close
            </button>
          </div>
        </Dialog>
      )}
    </div>
  );
}
