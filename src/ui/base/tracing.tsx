'use client';

import { Camera } from 'lucide-react';
import { useRef, useState, type PointerEvent } from 'react';
import { photoScale, tracedNodes } from '@/core/trace';
import type { Piece, Trace } from '@/core/piece';
import { ChoiceField, LengthField } from '@/ui/kit/fields';
import { keepPhoto } from '@/ui/kit/photo';
import { Part, TakeOut } from './features';

type Props = {
  piece: Piece;
  name: string;
  apply: (next: Piece) => string | null;
  tracing: boolean;
  onTracing: (on: boolean) => void;
};

const withTrace = (piece: Piece, trace: Trace | null): Piece => ({ ...piece, base: { ...piece.base, trace } });

/** The photo, what is known on it, and the outline it gives. */
export function TraceFields({ piece, name, apply, tracing, onTracing }: Props) {
  const trace = piece.base.trace ?? null;
  const input = useRef<HTMLInputElement>(null);
  const [message, setMessage] = useState<string | null>(null);
  const put = (change: Partial<Trace>) => apply(withTrace(piece, { ...trace!, ...change }));
  const take = async (file: File) => {
    const kept = await keepPhoto(file);
    if ('message' in kept) return setMessage(kept.message);
    setMessage(apply(withTrace(piece, { photo: kept.name, scale: { kind: 'two', apart: 300 }, marks: [], points: [] })));
    onTracing(true);
  };
  const use = (join: 'line' | 'smooth') => {
    const nodes = tracedNodes(trace!, join);
    if (typeof nodes === 'string') return setMessage(nodes);
    const wrong = apply({ ...piece, base: { ...piece.base, notches: [], edges: [], shape: { type: 'drawn', mirrored: false, nodes } } });
    setMessage(wrong);
    if (!wrong) onTracing(false);
  };
  const lacking = trace ? photoScale(trace) : null;
  return (
    <Part title="Trace a photo" count={trace ? 1 : 0}>
      <input
        ref={input}
        type="file"
        accept="image/*"
        className="sr-only"
        tabIndex={-1}
        aria-label="Photo to trace"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void take(file);
        }}
      />
      <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => input.current?.click()}>
        <Camera size={14} aria-hidden /> {trace ? 'Another photo' : 'Photo'}
      </button>
      {trace && (
        <>
          <div className="flex items-center">
            <button type="button" className="text-sm underline cursor-pointer" onClick={() => onTracing(!tracing)}>
              {tracing ? 'Back to the plan' : 'Show the photo'}
            </button>
            <TakeOut
              what="the photo"
              onClick={() => {
                apply(withTrace(piece, null));
                onTracing(false);
              }}
            />
          </div>
          <ChoiceField
            label="Known are"
            value={trace.scale.kind}
            options={[
              { id: 'two', name: 'Two points' },
              { id: 'four', name: 'Four corners (squares it up)' },
            ]}
            onChange={(kind) => put({ marks: [], scale: kind === 'two' ? { kind, apart: 300 } : { kind, width: 297, height: 210 } })}
          />
          {trace.scale.kind === 'two' ? (
            <LengthField
              label="They are apart"
              name={`${name} apart`}
              value={trace.scale.apart}
              onCommit={(apart) => put({ scale: { kind: 'two', apart } })}
            />
          ) : (
            <>
              <LengthField
                label="Rectangle width"
                name={`${name} tw`}
                value={trace.scale.width}
                onCommit={(width) => put({ scale: { ...trace.scale, width } as Trace['scale'] })}
              />
              <LengthField
                label="Rectangle height"
                name={`${name} th`}
                value={trace.scale.height}
                onCommit={(height) => put({ scale: { ...trace.scale, height } as Trace['scale'] })}
              />
            </>
          )}
          <p className="text-xs">
            {typeof lacking === 'string' ? `${lacking}.` : `Click round the edge; ${trace.points.length} points so far.`}
          </p>
          <div className="flex flex-wrap gap-1 mt-1">
            <button
              type="button"
              className="btn btn-sm btn-outline font-normal"
              disabled={trace.points.length < 3}
              onClick={() => use('line')}
            >
              Take it, straight
            </button>
            <button
              type="button"
              className="btn btn-sm btn-outline font-normal"
              disabled={trace.points.length < 3}
              onClick={() => use('smooth')}
            >
              Take it, smooth
            </button>
            <button
              type="button"
              className="btn btn-sm btn-ghost font-normal"
              disabled={trace.points.length + trace.marks.length === 0}
              onClick={() =>
                trace.points.length > 0 ? put({ points: trace.points.slice(0, -1) }) : put({ marks: trace.marks.slice(0, -1) })
              }
            >
              Back one
            </button>
          </div>
        </>
      )}
      {message && (
        <p role="alert" className="text-xs text-error">
          {message}
        </p>
      )}
    </Part>
  );
}

/** The photo itself: clicks are first what is known, then the outline. Arrow keys move a cross; Enter marks. */
export function TracingBoard({ piece, onTrace }: { piece: Piece; onTrace: (trace: Trace) => void }) {
  const trace = piece.base.trace!;
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const [cross, setCross] = useState<[number, number] | null>(null);
  const needed = trace.scale.kind === 'two' ? 2 : 4;
  const mark = (at: [number, number]) => {
    if (trace.marks.length < needed) onTrace({ ...trace, marks: [...trace.marks, at] });
    else if (trace.points.length < 400) onTrace({ ...trace, points: [...trace.points, at] });
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
        {trace.points.length > 1 && (
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
