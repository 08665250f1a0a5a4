'use client';

import { contours, geoPath, geoTransform } from 'd3';
import { useMemo, type PointerEvent } from 'react';
import type { HeightGrid } from '@/core/padding';
import { bounds } from '@/core/outline';
import { CourseLines } from '@/ui/drawing/courses';
import { Fittings } from '@/ui/drawing/fittings';
import { HiddenLine } from '@/ui/drawing/hidden-line';
import { MeetingMarks } from '@/ui/drawing/meeting-marks';
import { Paper } from '@/ui/drawing/paper';
import { closedPath } from '@/ui/drawing/path';
import { ChalkHandles } from './chalk-handles';
import type { Drawing, LayerProps } from '../stage';
import { usePiece, useSheet } from '../store';

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

/** Contours of the covered surface: on a moulded base they begin at the lowest place that is covered. */
function CoveredContours({ view, size }: LayerProps) {
  const { plan } = view;
  const rim = view.moulded
    ? view.grid.heights.reduce((low, z) => (z < low ? z : low), Infinity)
    : Math.min(...plan.stations.map((s) => s.edgeHeight)) + plan.settledWadding * 0.3;
  return <Contours grid={view.grid} rim={rim} size={size} within={closedPath(plan.outline.points)} />;
}

/** The pads as they were cut, and the centre lines. */
function Beneath({ view, size, box }: LayerProps) {
  return (
    <>
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
    </>
  );
}

/** The measured places round the edge, numbered where there is room. */
function Stations({ layer: { view, size }, Station }: { layer: LayerProps; Station: Drawing['station'] }) {
  const { stations } = view.plan;
  // Two stations nearly in one place would print their numbers over each other: the first is numbered.
  const numbered = new Set<string>();
  stations.forEach((s, i) => {
    const near = stations.slice(0, i).some((other) => numbered.has(other.id) && Math.hypot(other.x - s.x, other.y - s.y) < size * 0.75);
    if (!near) numbered.add(s.id);
  });
  return (
    <>
      {stations.map((s) => (
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
          {Station && numbered.has(s.id) && <Station station={s} size={size} />}
        </g>
      ))}
    </>
  );
}

/** What of the piece the drawing holds, mm, and the room that is left round it. */
function framed(drawing: Drawing, view: LayerProps['view']): Pick<LayerProps, 'box' | 'margin'> & { measured: boolean } {
  const { cloth, room } = drawing.frame(view);
  const blank = cloth ? view.plan.cover?.pieces[0] : undefined;
  const box = bounds(blank ? blank.outline : view.plan.outline.points);
  return { box, margin: Math.max(box.width, box.height) * room, measured: room > LEFT_FREE };
}

/** Room round a drawing in figures' heights: for the board's own measurements, and where there are none. */
const MEASURED = { left: 3.7, right: 3.7, top: 3.7, bottom: 3.7 };
const PLAIN = { left: 0.6, right: 0.6, top: 0.6, bottom: 0.6 };
/** A drawing that leaves more than this free has measurements round it, as a share. */
const LEFT_FREE = 0.1;

/** The base from above: outlines, contour lines of the covered crown, stations and the chalk line, and what the stage lays on it. */
export function PlanDrawing({ drawing, sits }: { drawing: Drawing; sits: boolean }) {
  const piece = usePiece();
  const view = useSheet((state) => state.view)!;
  const sit = useSheet((state) => state.sit.view);
  const show = useSheet((state) => state.show);
  const { plan } = view;
  const { measured, ...frame } = framed(drawing, view);
  const { box, margin } = frame;
  const free = measured ? 0 : margin;
  const board = bounds(plan.outline.points);
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!drawing.onPoint || !matrix || event.buttons > 0) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    drawing.onPoint(view, { x: at.x, y: -at.y }, show);
  };
  const { cloth: Cloth, on: On, over: Over, handles: Handles } = drawing;
  return (
    <Paper
      onPointerMove={point}
      extent={{ x: box.minX - free, y: -box.maxY - free, width: box.width + 2 * free, height: box.height + 2 * free }}
      room={measured ? MEASURED : PLAIN}
      buttons
      label={`Plan from above, ${plan.base.words[0]} at the bottom`}
    >
      {(size) => {
        const layer: LayerProps = { piece, view, sit: sits ? sit : null, size, ...frame };
        return (
          <>
            {Cloth && <Cloth {...layer} />}
            <path d={closedPath(plan.outline.points)} fill="var(--color-base-100)" stroke="var(--ink)" strokeWidth={size * 0.16} />
            {plan.base.courses.length > 0 && <CourseLines courses={plan.base.courses} size={size} />}
            <Fittings base={plan.base} size={size} />
            <MeetingMarks piece={piece} size={size} />
            <HiddenLine piece={piece} board={board} size={size} />
            <Beneath {...layer} />
            {drawing.contours && !layer.sit && <CoveredContours {...layer} />}
            {On && <On {...layer} />}
            <Stations layer={layer} Station={drawing.station} />
            {Over && <Over {...layer} />}
            <text x={0} y={-board.minY + size * 2} fontSize={size * 0.65} textAnchor="middle" fill="var(--ink)">
              {plan.base.words[0]}
            </text>
            <ChalkHandles
              size={size}
              board={board}
              reach={Math.min(Math.hypot(board.width, board.height) / 2 + size * 3, Math.min(box.width, box.height) / 2 + margin * 0.6)}
            />
            {Handles && <Handles {...layer} />}
          </>
        );
      }}
    </Paper>
  );
}
