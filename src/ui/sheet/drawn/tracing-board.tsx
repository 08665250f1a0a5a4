'use client';

import { useState, type PointerEvent } from 'react';
import type { Trace } from '@/core/piece';

/** What is marked on a photo: first the known places, then the others. */
export type Marked = Pick<Trace, 'photo' | 'marks' | 'points'>;

type Props<T extends Marked> = {
  trace: T;
  /** how many known places come first, and how many others at most */
  needed: number;
  most: number;
  onTrace: (next: T) => void;
  /** the others are places by themselves, not an outline */
  single?: boolean;
};

/** The photo itself: clicks are first what is known, then the rest. Arrow keys move a cross; Enter marks. */
export function TracingBoard<T extends Marked>({ trace, needed, most, onTrace, single }: Props<T>) {
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const [cross, setCross] = useState<[number, number] | null>(null);
  const mark = (at: [number, number]) => {
    if (trace.marks.length < needed) onTrace({ ...trace, marks: [...trace.marks, at] });
    else if (trace.points.length < most) onTrace({ ...trace, points: [...trace.points, at] });
  };
  const place = (event: PointerEvent<SVGSVGElement>) => {
    const inverse = event.currentTarget.getScreenCTM()?.inverse();
    if (!inverse) return;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse);
    mark([Math.round(p.x * 2) / 2, Math.round(p.y * 2) / 2]);
  };
  const width = size?.width ?? 1000;
  const height = size?.height ?? 700;
  const dot = Math.max(width, height) / 180;
  const moves: Record<string, [number, number]> = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] };
  const at = cross ?? [width / 2, height / 2];
  return (
    <div className="flex-1 min-h-0 relative bg-base-300">
      {/* The drawing lies on the photo; an <img> tells its size. */}
      <img
        src={`/api/photos/${trace.photo}`}
        alt=""
        className="hidden"
        onLoad={(event) => setSize({ width: event.currentTarget.naturalWidth, height: event.currentTarget.naturalHeight })}
      />
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full h-full cursor-crosshair touch-none"
        role="application"
        aria-label="Photo to trace: click, or move the cross with the arrow keys and press Enter"
        tabIndex={0}
        data-photo-ready={size !== null}
        onPointerDown={place}
        onKeyDown={(event) => {
          const move = moves[event.key];
          const by = event.shiftKey ? 20 : 2;
          if (move) {
            event.preventDefault();
            setCross([at[0] + move[0] * by, at[1] + move[1] * by]);
          } else if (event.key === 'Enter') mark(at);
        }}
      >
        <image href={`/api/photos/${trace.photo}`} width={width} height={height} />
        {trace.points.length > 1 && !single && (
          <polygon points={trace.points.map((p) => p.join(',')).join(' ')} fill="none" stroke="var(--cover-line)" strokeWidth={dot * 0.5} />
        )}
        {trace.points.map(([x, y], i) => (
          <circle
            key={i}
            cx={x}
            cy={y}
            r={dot * 0.7}
            fill="var(--color-base-100)"
            stroke="var(--cover-line)"
            strokeWidth={dot * 0.4}
            data-traced
          />
        ))}
        {trace.marks.map(([x, y], i) => (
          <g key={i} stroke="var(--chalk)" strokeWidth={dot * 0.6}>
            <path d={`M${x - dot * 2} ${y} h${dot * 4} M${x} ${y - dot * 2} v${dot * 4}`} />
          </g>
        ))}
        {cross && (
          <path
            d={`M${at[0] - dot * 3} ${at[1]} h${dot * 6} M${at[0]} ${at[1] - dot * 3} v${dot * 6}`}
            stroke="#fff"
            strokeWidth={dot * 0.4}
          />
        )}
      </svg>
    </div>
  );
}
