'use client';

import { saidEdge } from '@/core/piece';
import { Handle } from '@/ui/drawing/handle';
import { closedPath, openPath } from '@/ui/drawing/path';
import { useLength } from '@/ui/kit/settings';
import type { LayerProps } from '@/ui/sheet/stage';
import { useSheet } from '@/ui/sheet/store';

/** The cloth on the plan: the blank of a pulled cover with its lines and cuts. */
export function ClothOnPlan({ view, size }: LayerProps) {
  const { cover } = view.plan;
  const blank = cover?.pieces[0];
  if (!cover?.pulled || !blank) return null;
  return (
    <>
      <path d={closedPath(blank.outline)} fill="var(--color-base-200)" stroke="var(--cover-line)" strokeWidth={size * 0.16} />
      <g fill="none" stroke="var(--ink)">
        <path d={closedPath(blank.trimLine)} strokeWidth={size * 0.05} strokeDasharray={`${size * 0.3} ${size * 0.3}`} />
        {blank.lines.map(({ kind, points, closed }, i) =>
          kind === 'cut' ? (
            <path
              key={i}
              d={closed ? closedPath(points) : openPath(points)}
              strokeWidth={size * 0.12}
              stroke="var(--cover-line)"
              data-relief={closed ? 'away' : points.length > 2 ? 'pie' : 'cut'}
            />
          ) : null,
        )}
      </g>
    </>
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
export function SeamHandles({ piece, view, size }: LayerProps) {
  const say = useLength();
  const follow = useSheet((state) => state.follow);
  const { covering } = piece;
  const { cover } = view.plan;
  const line = cover?.lines[0];
  if (!cover || !line || cover.pulled) return null;
  const { places } = cover.reach;
  const total = places.at(-1)!.at + (places[1]?.at ?? 0);
  const moves = HOLDS.map(({ at }) => covering.seamMoves?.find((move) => Math.abs(move.at - at) < 1e-6) ?? { at, by: 0 });
  const movedSeam = (k: number, by: number, live: boolean) =>
    follow(
      {
        ...piece,
        covering: { ...covering, seamMoves: moves.map((move, i) => (i === k ? { ...move, by: Math.round(by * 10) / 10 } : move)) },
      },
      live,
    );
  return (
    <>
      {HOLDS.map(({ at, name }, k) => {
        const nearest = places.reduce(
          (best, place, i) => (Math.abs(place.at - at * total) < Math.abs(places[best]!.at - at * total) ? i : best),
          0,
        );
        const place = places[nearest]!;
        const item = line.points[(nearest - line.from + places.length) % places.length];
        // Where there is no seam there is nothing to take hold of.
        if (!item) return null;
        const [x, y] = item;
        const by = moves[k]!.by;
        return (
          <Handle
            key={name}
            x={x}
            y={y}
            size={size * 0.42}
            label={`Seam at the ${saidEdge(piece.kind, name)}, move`}
            value={by}
            says={`${say(Math.abs(by))} ${by < 0 ? 'inwards' : 'outwards'}`}
            onDrag={(to, done) => movedSeam(k, to.start + to.dx * place.nx + to.dy * place.ny, !done)}
            onNudge={(step) => movedSeam(k, by + step, false)}
          />
        );
      })}
    </>
  );
}
