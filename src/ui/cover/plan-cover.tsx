'use client';

import { coveringOf, pulledOver, type ReachPlace } from '@/core/cover';
import type { Covering, Piece } from '@/core/piece';
import type { SheetView } from '@/core/view';
import { Handle } from '@/ui/drawing/handle';
import { closedPath, openPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';

/** The cloth on the plan: the blank of a pulled cover with its lines and cuts, seams, nails, buttons. */
export function ClothOnPlan({ view, size }: { view: SheetView; size: number }) {
  const { cover, corners } = view.plan;
  const blank = cover.pieces[0]!;
  const pulled = pulledOver(cover.method);
  return (
    <g fill="none">
      {pulled && (
        <g stroke="var(--ink)">
          <path d={closedPath(blank.trimLine)} strokeWidth={size * 0.05} strokeDasharray={`${size * 0.3} ${size * 0.3}`} />
          {[...corners.map((c) => ({ ...c.cut, wedge: 0 })), ...(cover.relief?.cuts ?? [])].map((cut, i) => (
            <path
              key={i}
              d={openPath([cut.from, cut.to])}
              strokeWidth={size * 0.12}
              stroke="var(--cover-line)"
              data-relief={cut.wedge > 0 ? 'pie' : 'cut'}
            />
          ))}
          {cover.yCuts.map((cut) => (
            <g key={cut.name} stroke="var(--cover-line)" strokeWidth={size * 0.12} data-y-cut={cut.name}>
              <path d={openPath(cut.stem)} />
              {cut.arms.map((arm, i) => (
                <path key={i} d={openPath(arm)} />
              ))}
            </g>
          ))}
        </g>
      )}
    </g>
  );
}

/** What lies on top of the board in the plan: seam lines, stitch lines as sewn, nails and buttons. */
export function SeamsOnPlan({ view, size }: { view: SheetView; size: number }) {
  const { cover } = view.plan;
  return (
    <g fill="none" stroke="var(--cover-line)">
      {cover.lines.map((line) => (
        <path
          key={line.id}
          d={closedPath(line.points)}
          strokeWidth={size * 0.16}
          strokeDasharray={`${size * 0.5} ${size * 0.18}`}
          data-seam={line.id}
        />
      ))}
      {cover.nails?.places.map((nail, i) => (
        <circle
          key={i}
          cx={nail.x}
          cy={-nail.y}
          r={Math.max(nail.head / 2, size * 0.1)}
          fill="var(--color-base-100)"
          stroke="var(--ink)"
          strokeWidth={size * 0.06}
          data-nail
        />
      ))}
      {cover.buttons?.places.map((button, i) => (
        <g key={i} data-button>
          <circle cx={button.x} cy={-button.y} r={size * 0.35} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={size * 0.08} />
          <circle cx={button.x} cy={-button.y} r={size * 0.08} fill="var(--ink)" stroke="none" />
        </g>
      ))}
    </g>
  );
}

/** Where the seam can be taken hold of: the middles of the four sides. */
const HOLDS = [
  { at: 0, name: 'front' },
  { at: 0.25, name: 'right' },
  { at: 0.5, name: 'back' },
  { at: 0.75, name: 'left' },
] as const;

/** Handles that move the seam by eye, and the pieces follow. */
export function SeamHandles({
  piece,
  view,
  size,
  onCovering,
}: {
  piece: Piece;
  view: SheetView;
  size: number;
  onCovering: (covering: Covering, live: boolean) => void;
}) {
  const say = useLength();
  const covering = coveringOf(piece);
  const line = view.plan.cover.lines[0];
  if (!line || pulledOver(covering.way)) return null;
  const { places } = view.plan.cover.reach;
  const total = places.at(-1)!.at + (places[1]?.at ?? 0);
  const moves = HOLDS.map(({ at }) => covering.seamMoves?.find((move) => Math.abs(move.at - at) < 1e-6) ?? { at, by: 0 });
  const moved = (k: number, by: number, live: boolean) =>
    onCovering({ ...covering, seamMoves: moves.map((move, i) => (i === k ? { ...move, by: Math.round(by * 10) / 10 } : move)) }, live);
  return (
    <>
      {HOLDS.map(({ at, name }, k) => {
        const nearest = places.reduce(
          (best, place, i) => (Math.abs(place.at - at * total) < Math.abs(places[best]!.at - at * total) ? i : best),
          0,
        );
        const place = places[nearest]!;
        const [x, y] = line.points[nearest]!;
        const by = moves[k]!.by;
        return (
          <Handle
            key={name}
            x={x}
            y={y}
            size={size * 0.42}
            label={`Seam at the ${name}, move`}
            value={by}
            says={`${say(Math.abs(by))} ${by < 0 ? 'inwards' : 'outwards'}`}
            onDrag={(to, done) => moved(k, to.start + to.dx * place.nx + to.dy * place.ny, !done)}
            onNudge={(step) => moved(k, by + step, false)}
          />
        );
      })}
    </>
  );
}

/** The place round the edge nearest a point of the plan. */
export function nearestReach(places: readonly ReachPlace[], x: number, y: number): number {
  let best = 0;
  places.forEach((place, i) => {
    const away = Math.hypot(place.x - x, place.y - y);
    if (away < Math.hypot(places[best]!.x - x, places[best]!.y - y)) best = i;
  });
  return best;
}

/** How much wider than the board to cut at the place pointed at, and why: a mark on the edge that arrow keys move too. */
export function ReachMark({
  view,
  size,
  index,
  onMove,
}: {
  view: SheetView;
  size: number;
  index: number;
  onMove: (index: number) => void;
}) {
  const say = useLength();
  const { places } = view.plan.cover.reach;
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
        says={`${say(place.total)} beyond the board, ${place.edge}`}
        onDrag={(to) => onMove(nearestReach(places, to.x, to.y))}
        onNudge={(by) => onMove((index + Math.sign(by) * Math.max(1, Math.round(Math.abs(by) / 5)) + places.length) % places.length)}
      />
    </g>
  );
}

/** The answer in words beside the plan. */
export function ReachAnswer({ view, index }: { view: SheetView; index: number }) {
  const say = useLength();
  const { parts, places } = view.plan.cover.reach;
  const place = places[index % places.length]!;
  return (
    <section
      aria-label="How much wider than the board to cut here, and why"
      aria-live="polite"
      className="shrink-0 w-64 overflow-y-auto border-r border-base-content/25 pr-2 mr-1 text-xs leading-[1.15]"
      data-reach
    >
      <p className="font-semibold">
        At the {place.edge}: cut <Figure says={say(place.total)} /> beyond the board
      </p>
      <dl>
        {parts.map((part, k) => (
          <div key={part.label} className="flex justify-between gap-2">
            <dt>{part.label}</dt>
            <dd className="whitespace-nowrap">
              <Figure says={`${place.values[k]! < 0 ? '−' : '+'} ${say(Math.abs(place.values[k]!))}`} />
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-base-content/70">Point at any place of the edge.</p>
    </section>
  );
}
