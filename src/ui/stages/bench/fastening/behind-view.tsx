'use client';

import type { Behind, BehindThing, Fixing } from '@/core/fastening';
import { bounds, type Point } from '@/core/outline';
import { closedPath, openPath } from '@/ui/drawing/path';
import { HiddenLine } from '@/ui/drawing/hidden-line';
import { Figure } from '@/ui/kit/fields/figure';
import { useLength } from '@/ui/kit/settings';
import { usePiece, usePlan } from '@/ui/sheet/store';

/** Beyond the board on every side, as a share of the larger side. */
const ROOM = 0.06;

/** Turned over from left to right, as one looks at the back. */
const turned = (points: readonly Point[]): Point[] => points.map(([x, y]) => [-x, y]);

function FrameBehind({ frame, size }: { frame: NonNullable<Behind['frame']>; size: number }) {
  return (
    <g fill="none" stroke="var(--ink)" strokeWidth={size * 0.06} data-frame>
      <path d={closedPath(turned(frame.line))} />
      {frame.inner && <path d={closedPath(turned(frame.inner))} />}
      {frame.ribs.map((rib) => (
        <path key={rib.flat().join(' ')} d={openPath(turned(rib))} stroke="var(--color-base-300)" strokeWidth={frame.width} />
      ))}
    </g>
  );
}

/** One thing with its number beside it, where it lies. */
function ThingMark({ thing, n, size }: { thing: BehindThing; n: number; size: number }) {
  const [x, y] = [-thing.x, -thing.y];
  const round = thing.kind === 'hardware' && thing.width === thing.height;
  return (
    <g data-behind={thing.id}>
      <title>{thing.name}</title>
      {round ? (
        <circle cx={x} cy={y} r={thing.width / 2} fill="var(--color-base-300)" stroke="var(--ink)" strokeWidth={size * 0.07} />
      ) : (
        <rect
          x={x - thing.width / 2}
          y={y - thing.height / 2}
          width={thing.width}
          height={thing.height}
          fill={thing.kind === 'label' ? 'var(--color-base-100)' : 'var(--color-base-300)'}
          stroke="var(--ink)"
          strokeWidth={size * 0.07}
          strokeDasharray={thing.kind === 'stand-off' ? `${size * 0.25} ${size * 0.15}` : undefined}
        />
      )}
      <text
        x={x}
        y={y}
        fontSize={size * 0.8}
        textAnchor="middle"
        dominantBaseline="central"
        fill="var(--ink)"
        stroke="var(--color-base-100)"
        strokeWidth={size * 0.2}
        paintOrder="stroke"
      >
        {n}
      </text>
    </g>
  );
}

/** What is behind, with where a tape finds it. */
function ThingTable({ behind }: { behind: Behind }) {
  const say = useLength();
  return (
    <table className="text-sm" aria-label="Behind the board">
      <thead>
        <tr className="text-left border-b border-base-content/40">
          <th className="py-1 pr-3">No.</th>
          <th className="pr-3">What</th>
          <th className="pr-3">From the left</th>
          <th className="pr-3">Up</th>
          <th>Goes in, and leaves</th>
        </tr>
      </thead>
      <tbody>
        {behind.things.map((thing, k) => (
          <tr key={thing.id} className="border-b border-base-content/15" data-thing={thing.kind}>
            <td className="py-1 pr-3">{k + 1}</td>
            <td className="pr-3">{thing.name}</td>
            <td className="pr-3">
              <Figure says={say(thing.fromLeft)} />
            </td>
            <td className="pr-3">
              <Figure says={say(thing.up)} />
            </td>
            <td>
              {thing.into !== null && (
                <>
                  <Figure says={say(thing.into)} />, {thing.left! < 0.5 ? 'through to the face' : <Figure says={say(thing.left!)} />}
                </>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The back of the board as it lies face down: battens, rows, what is fixed to it, where the maker’s label goes. */
export function BehindView() {
  const plan = usePlan();
  const piece = usePiece();
  if (!plan?.fixing) return null;
  const { behind, rows }: Fixing = plan.fixing;
  const { points } = plan.outline;
  const { minX, maxX, minY, maxY } = bounds(points);
  const room = ROOM * Math.max(behind.width, behind.height);
  const size = Math.max(behind.width, behind.height) / 26;
  return (
    <div className="flex-1 min-h-0 overflow-auto flex flex-col gap-2 px-3 pb-2" data-behind-view>
      <svg
        role="img"
        aria-label="The back, as it lies face down"
        viewBox={`${-maxX - room} ${-maxY - room} ${behind.width + 2 * room} ${behind.height + 2 * room}`}
        className="w-full min-h-64 flex-1"
      >
        <path d={closedPath(turned(points))} fill="var(--color-base-100)" stroke="var(--ink)" strokeWidth={size * 0.14} />
        {behind.frame && <FrameBehind frame={behind.frame} size={size} />}
        {rows.map(({ id, line }) => (
          <path
            key={id}
            d={closedPath(turned(line))}
            fill="none"
            stroke={id === 'cover' ? 'var(--cover-line)' : 'var(--ink)'}
            strokeWidth={size * 0.06}
            strokeDasharray={`${size * 0.25} ${size * 0.2}`}
          />
        ))}
        <HiddenLine piece={piece} board={{ minX: -maxX, maxX: -minX, minY }} size={size} />
        {behind.things.map((thing, k) => (
          <ThingMark key={thing.id} thing={thing} n={k + 1} size={size} />
        ))}
      </svg>
      <ThingTable behind={behind} />
      {behind.without.map((says) => (
        <p key={says} className="text-sm">
          {says}
        </p>
      ))}
    </div>
  );
}
