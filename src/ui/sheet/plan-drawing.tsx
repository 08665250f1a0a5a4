'use client';

import { contours, geoPath, geoTransform } from 'd3';
import { useMemo, type PointerEvent } from 'react';
import type { HeightGrid } from '@/core/build';
import { bounds } from '@/core/outline';
import { pulledOver } from '@/core/cover';
import type { Base, ChalkLine, Covering, Pad, Piece } from '@/core/piece';
import type { SheetView, SitView } from '@/core/view';
import { FittingHandles, Fittings } from '@/ui/base/fittings';
import { DrawnPadHandles } from '@/ui/build/drawn-pads';
import { ClothOnPlan, nearestReach, ReachMark, SeamHandles, SeamsOnPlan } from '@/ui/cover/plan-cover';
import { Dimension } from '@/ui/drawing/dimension';
import { Handle } from '@/ui/drawing/handle';
import { closedPath, openPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';
import { PressureKey, PressureMap } from '@/ui/sit/pressure-map';
import type { Stage } from './stages';

/** Height steps between contour lines, mm: the smallest that gives no more than a dozen. */
function levels(grid: HeightGrid, rim: number): number[] {
  const top = grid.heights.reduce((best, z) => (z > best ? z : best), 0);
  const rise = top - rim;
  if (rise < 0.5) return [];
  const step = [0.5, 1, 2, 5, 10, 20].find((s) => rise / s <= 12) ?? 50;
  const found: number[] = [];
  for (let z = Math.ceil((rim + step * 0.25) / step) * step; z < top; z += step) found.push(z);
  return found;
}

function Contours({ grid, rim, size, within }: { grid: HeightGrid; rim: number; size: number; within: string }) {
  const paths = useMemo(() => {
    const project = geoPath(
      geoTransform({
        point(x, y) {
          this.stream.point(grid.x0 + (x - 0.5) * grid.step, -(grid.y0 + (y - 0.5) * grid.step));
        },
      }),
    );
    const shapes = contours().size([grid.columns, grid.rows]).thresholds(levels(grid, rim))(Array.from(grid.heights));
    return shapes.map((shape) => ({ z: shape.value, d: project(shape) ?? '' }));
  }, [grid, rim]);
  return (
    <g fill="none" stroke="var(--cover-line)" strokeWidth={size * 0.08} clipPath="url(#on-the-board)" aria-hidden>
      <clipPath id="on-the-board">
        <path d={within} />
      </clipPath>
      {paths.map(({ z, d }) => (
        <path key={z} d={d} strokeOpacity={0.75} data-contour={z} />
      ))}
    </g>
  );
}

/** The relief cuts as they lie once the cloth is folded under the board: from short of its edge to the trim. */
function foldedCuts({ plan }: SheetView): [number, number][][] {
  const places = [
    ...plan.corners.map(({ cut, x, y }) => ({ cut, x, y })),
    ...(plan.cover.relief?.cuts ?? []).map((cut) => ({ cut, x: cut.x, y: cut.y })),
  ];
  const flat = plan.stations[0]!;
  const growth = flat.top - flat.planDistance + flat.side;
  return places.map(({ cut, x, y }) => {
    const length = Math.hypot(cut.from[0] - cut.to[0], cut.from[1] - cut.to[1]) || 1;
    const [dx, dy] = [(cut.from[0] - cut.to[0]) / length, (cut.from[1] - cut.to[1]) / length];
    const stop = Math.max(0, Math.hypot(cut.to[0] - x, cut.to[1] - y) - growth);
    return [stop, flat.return].map((inward): [number, number] => [x - dx * inward, y - dy * inward]);
  });
}

type Props = {
  piece: Piece;
  view: SheetView;
  stage: Stage;
  /** who sits on it, where that is looked at */
  sit: SitView | null;
  /** the sitter moved in the plan */
  onSit: (at: { x: number; y: number }, live: boolean) => void;
  /** a drawn pad's corner moved in the plan */
  onPads: (pads: Pad[], live: boolean) => void;
  onChalk: (chalk: ChalkLine, live: boolean) => void;
  /** notches, holes and hardware moved in the plan */
  onBase: (change: Partial<Base>, live: boolean) => void;
  /** a seam moved in the plan */
  onCovering: (covering: Covering, live: boolean) => void;
  /** the place of the edge that is pointed at */
  pointed: number;
  onPointed: (index: number) => void;
};

/** The base from above: outlines, contour lines of the covered crown, stations, staples and the chalk line. */
export function PlanDrawing({ piece, view, stage, sit, onSit, onPads, onChalk, onBase, onCovering, pointed, onPointed }: Props) {
  const say = useLength();
  const { plan } = view;
  const blank = plan.cover.pieces[0]!;
  const board = bounds(plan.outline.points);
  // Fixing is done under the board: there the drawing comes closer and leaves the cloth out.
  const pulled = pulledOver(plan.cover.method);
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const matrix = event.currentTarget.getScreenCTM();
    if (stage !== 'cover' || !matrix || event.buttons > 0) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    onPointed(nearestReach(plan.cover.reach.places, at.x, -at.y));
  };
  const box = stage === 'fix' || stage === 'sit' || !pulled ? board : bounds(blank.outline);
  const margin = Math.max(box.width, box.height) * (stage === 'fix' ? 0.09 : stage === 'sit' || !pulled ? 0.16 : 0.05);
  const span = Math.max(box.width, box.height) + 2 * margin;
  const size = span / 40;
  const reach = Math.min(Math.hypot(board.width, board.height) / 2 + size * 3, Math.min(box.width, box.height) / 2 + margin * 0.6);
  const { x, y, angle } = piece.chalk;
  const along = [Math.cos(angle), Math.sin(angle)] as const;
  // On a moulded base the rim rises and falls: its contours begin at the lowest place that is covered.
  const rim = view.moulded
    ? view.grid.heights.reduce((low, z) => (z < low ? z : low), Infinity)
    : Math.min(...plan.stations.map((s) => s.edgeHeight)) + (plan.wadding?.thickness ?? 0) * 0.3;
  const shape = piece.base.shape;
  // As it was measured: corner to corner, as if the corners were not rounded.
  const front = shape.type === 'trapezoid' || shape.type === 'bowed' ? shape.frontWidth : plan.outline.width;
  const degrees = Math.round((angle * 180) / Math.PI);

  // Two stations nearly in one place would print their numbers over each other: the first is numbered.
  const numbered = new Set<string>();
  plan.stations.forEach((s, i) => {
    const near = plan.stations
      .slice(0, i)
      .some((other) => numbered.has(other.id) && Math.hypot(other.x - s.x, other.y - s.y) < size * 0.75);
    if (!near) numbered.add(s.id);
  });

  const turnTo = (to: { x: number; y: number }, done: boolean, end: 1 | -1) => {
    let bearing = Math.atan2((to.y - y) * end, (to.x - x) * end);
    // Near the square bearings the line clicks in.
    const square = (Math.round(bearing / (Math.PI / 2)) * Math.PI) / 2;
    if (Math.abs(bearing - square) < 0.035) bearing = square;
    onChalk({ x, y, angle: bearing }, !done);
  };
  const inside = (px: number, py: number): [number, number] => [
    Math.min(Math.max(px, board.minX * 0.9), board.maxX * 0.9),
    Math.min(Math.max(py, board.minY * 0.9), board.maxY * 0.9),
  ];

  return (
    <svg
      onPointerMove={point}
      viewBox={`${box.minX - margin} ${-box.maxY - margin} ${box.width + 2 * margin} ${box.height + 2 * margin}`}
      className="w-full h-full"
      role="group"
      aria-label={`Plan from above, ${plan.base.words[0]} at the bottom`}
    >
      {stage !== 'fix' && stage !== 'sit' && pulled && (
        <path
          d={closedPath(blank.outline)}
          fill={stage === 'cover' ? 'var(--color-base-200)' : 'none'}
          stroke="var(--cover-line)"
          strokeWidth={size * (stage === 'cover' ? 0.16 : 0.07)}
          strokeOpacity={stage === 'cover' ? 1 : 0.55}
        />
      )}
      {stage === 'cover' && <ClothOnPlan view={view} size={size} />}
      <path d={closedPath(plan.outline.points)} fill="var(--color-base-100)" stroke="var(--ink)" strokeWidth={size * 0.16} />
      <Fittings plan={plan} size={size} />
      {view.padOutlines.map((pad) => (
        <path
          key={pad.id}
          d={closedPath(pad.points)}
          fill="none"
          stroke="var(--ink)"
          strokeOpacity={0.65}
          strokeWidth={size * 0.06}
          strokeDasharray={pad.role === 'crown' ? `${size * 0.15} ${size * 0.3}` : `${size * 0.6} ${size * 0.3}`}
        />
      ))}
      <g
        stroke="var(--ink)"
        strokeOpacity={0.35}
        strokeWidth={size * 0.04}
        strokeDasharray={`${size} ${size * 0.3} ${size * 0.2} ${size * 0.3}`}
      >
        <path d={`M${box.minX} 0 H${box.maxX} M0 ${-box.maxY} V${-box.minY}`} fill="none" />
      </g>
      {sit && <PressureMap grid={sit.pressure} size={size} />}
      {stage !== 'fix' && !sit && <Contours grid={view.grid} rim={rim} size={size} within={closedPath(plan.outline.points)} />}
      {stage === 'fix' && (
        <g>
          {foldedCuts(view).map((cut, i) => (
            <path key={i} d={openPath(cut)} strokeWidth={size * 0.14} stroke="var(--cover-line)" data-relief />
          ))}
          {plan.fixing.order.map((staple) => {
            const corner = staple.kind === 'corner';
            return (
              <g key={staple.n} data-staple={staple.n}>
                <circle
                  cx={staple.x}
                  cy={-staple.y}
                  r={size * (corner ? 0.2 : 0.44)}
                  fill={staple.kind === 'centre' ? 'var(--cover-line)' : 'var(--color-base-100)'}
                  stroke={corner ? 'var(--chalk)' : 'var(--ink)'}
                  strokeWidth={size * 0.07}
                />
                {!corner && (
                  <text
                    x={staple.x}
                    y={-staple.y}
                    fontSize={size * 0.48}
                    textAnchor="middle"
                    dominantBaseline="central"
                    fill={staple.kind === 'centre' ? 'var(--color-primary-content)' : 'var(--ink)'}
                  >
                    {staple.n}
                  </text>
                )}
              </g>
            );
          })}
          {plan.corners.map((corner) => {
            const own = plan.fixing.order
              .filter((staple) => staple.kind === 'corner' && staple.edge === corner.edge)
              .map((staple) => staple.n);
            return (
              <text
                key={corner.station}
                x={corner.x * 0.6}
                y={-corner.y * 0.62}
                fontSize={size * 0.62}
                textAnchor="middle"
                fill="var(--chalk)"
              >
                {own.length > 1 ? `${own[0]}–${own.at(-1)}` : own[0]},{' '}
                {corner.inside ? 'cut in' : `${corner.pleats} ${corner.pleats === 1 ? 'pleat' : 'pleats'}`}
              </text>
            );
          })}
        </g>
      )}
      {(stage === 'cover' || stage === 'fix') && <SeamsOnPlan view={view} size={size} />}
      {plan.stations.map((s) => (
        <g key={s.id} data-station={s.id}>
          <circle cx={s.x} cy={-s.y} r={size * 0.18} fill="var(--ink)" />
          {numbered.has(s.id) && (
            <text
              x={s.x + s.normalX * size * 0.85}
              y={-(s.y + s.normalY * size * 0.95)}
              fontSize={size * 0.7}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--ink)"
            >
              {s.id}
            </text>
          )}
          {/* Round a notch the places lie so near each other that their figures would cover one another. */}
          {stage === 'cover' && pulled && numbered.has(s.id) && !s.edge.startsWith('notch ') && (
            <text
              x={s.x + s.normalX * (s.wrap * 0.55)}
              y={-(s.y + s.normalY * (s.wrap * 0.55))}
              fontSize={size * 0.6}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--cover-line)"
            >
              <Figure says={say(s.wrap)} svg />
            </text>
          )}
        </g>
      ))}
      {(stage === 'base' || stage === 'build') && (
        <>
          <Dimension
            from={[-front / 2, board.minY - size * 2.6]}
            to={[front / 2, board.minY - size * 2.6]}
            says={say(front)}
            size={size * 0.8}
          />
          {(shape.type === 'trapezoid' || shape.type === 'bowed') && (
            <Dimension
              from={[-shape.backWidth / 2, board.maxY + size * 2.6]}
              to={[shape.backWidth / 2, board.maxY + size * 2.6]}
              says={say(shape.backWidth)}
              size={size * 0.8}
              side={-1}
            />
          )}
          <Dimension
            from={[board.minX - size * 2.6, board.minY]}
            to={[board.minX - size * 2.6, board.maxY]}
            says={say(plan.outline.depth)}
            size={size * 0.8}
            side={-1}
          />
        </>
      )}
      {sit && <PressureKey x={box.minX - margin + size * 0.4} y={-box.minY + margin - size * 2.4} size={size} />}
      <text x={0} y={-board.minY - size * 0.5} fontSize={size * 0.65} textAnchor="middle" fill="var(--ink)">
        {plan.base.words[0]}
      </text>
      <path
        d={openPath([
          [x - along[0] * reach, y - along[1] * reach],
          [x + along[0] * reach, y + along[1] * reach],
        ])}
        stroke="var(--chalk)"
        strokeWidth={size * 0.14}
        strokeDasharray={`${size * 0.9} ${size * 0.35}`}
      />
      <Handle
        x={x}
        y={y}
        size={size * 0.45}
        shape="square"
        label="Chalk line, move"
        value={Math.hypot(x, y)}
        says={`${say(x)} right, ${say(y)} back of the middle`}
        onDrag={(to, done) => {
          const [px, py] = inside(to.x, to.y);
          onChalk({ x: Math.round(px), y: Math.round(py), angle }, !done);
        }}
        onNudge={(by, way) => {
          const [px, py] = inside(x + (way === 'horizontal' ? by : 0), y + (way === 'vertical' ? by : 0));
          onChalk({ x: px, y: py, angle }, false);
        }}
      />
      {([1, -1] as const).map((end) => (
        <Handle
          key={end}
          x={x + along[0] * reach * end}
          y={y + along[1] * reach * end}
          size={size * 0.45}
          label={end === 1 ? 'Chalk line, turn' : 'Chalk line, turn from the other end'}
          value={degrees}
          says={`${degrees}°`}
          onDrag={(to, done) => turnTo(to, done, end)}
          onNudge={(by) => onChalk({ x, y, angle: ((degrees + by) * Math.PI) / 180 }, false)}
        />
      ))}
      {stage === 'sit' && (
        <Handle
          x={piece.sit?.x ?? 0}
          y={piece.sit?.y ?? 0}
          size={size * 0.6}
          label="Sitter, move"
          value={Math.hypot(piece.sit?.x ?? 0, piece.sit?.y ?? 0)}
          says={`${say(piece.sit?.x ?? 0)} right, ${say(piece.sit?.y ?? 0)} back of the middle`}
          onDrag={(to, done) => {
            const [px, py] = inside(to.x, to.y);
            onSit({ x: Math.round(px), y: Math.round(py) }, !done);
          }}
          onNudge={(by, way) =>
            onSit(
              { x: (piece.sit?.x ?? 0) + (way === 'horizontal' ? by : 0), y: (piece.sit?.y ?? 0) + (way === 'vertical' ? by : 0) },
              false,
            )
          }
        />
      )}
      {stage === 'cover' && <SeamHandles piece={piece} view={view} size={size} onCovering={onCovering} />}
      {stage === 'cover' && <ReachMark view={view} size={size} index={pointed} onMove={onPointed} />}
      {stage === 'build' && <DrawnPadHandles piece={piece} size={size} onPads={onPads} />}
      {stage === 'base' && <FittingHandles piece={piece} size={size} onBase={onBase} />}
    </svg>
  );
}
