'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { toDrawing } from './path';

/** A drag in the drawing's mm, y up, measured in the drawing as it stood when the drag began. */
export type Drag = { x: number; y: number; dx: number; dy: number; start: number };

type HandleProps = {
  x: number;
  y: number;
  size: number;
  label: string;
  value: number;
  says: string;
  shape?: 'round' | 'square';
  /** where the pointer is, how far it has come and the value it set out from; `done` ends the drag */
  onDrag: (to: Drag, done: boolean) => void;
  /** arrow keys, in steps of 1 (10 with Shift) */
  onNudge: (steps: number, key: 'horizontal' | 'vertical') => void;
};

/** Something in a drawing that the user can move: by drag, or with the arrow keys. */
export function Handle({ x, y, size, label, value, says, shape = 'round', onDrag, onNudge }: HandleProps) {
  const start = useRef<{ x: number; y: number; value: number; inverse: DOMMatrix } | null>(null);
  const dragged = useRef(false);
  const drag = (event: PointerEvent<SVGGElement>, done: boolean) => {
    const from = start.current;
    if (!from) return;
    if (!done) dragged.current = true;
    if (done && !dragged.current) return;
    // The drawing may rescale as its subject grows; the drag keeps to the scale it began with.
    const to = toDrawing(from.inverse, event);
    onDrag({ ...to, dx: to.x - from.x, dy: to.y - from.y, start: from.value }, done);
  };
  const keys = (event: KeyboardEvent) => {
    const steps = event.shiftKey ? 10 : 1;
    const by: Record<string, [number, 'horizontal' | 'vertical']> = {
      ArrowUp: [steps, 'vertical'],
      ArrowDown: [-steps, 'vertical'],
      ArrowRight: [steps, 'horizontal'],
      ArrowLeft: [-steps, 'horizontal'],
    };
    const found = by[event.key];
    if (!found) return;
    event.preventDefault();
    onNudge(...found);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Math.round(value * 10) / 10}
      aria-valuetext={says}
      className="cursor-grab touch-none"
      transform={`translate(${x} ${-y})`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const inverse = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
        start.current = inverse ? { ...toDrawing(inverse, event), value, inverse } : null;
        dragged.current = false;
      }}
      onPointerMove={(event) => drag(event, false)}
      onPointerUp={(event) => {
        drag(event, true);
        start.current = null;
      }}
      onPointerCancel={() => {
        start.current = null;
      }}
      onKeyDown={keys}
    >
      <title>{`${label}: ${says}`}</title>
      <circle r={size * 2} fill="transparent" data-hit />
      {shape === 'round' ? (
        <circle r={size} fill="var(--color-base-100)" stroke="var(--chalk)" strokeWidth={size * 0.45} />
      ) : (
        <rect
          x={-size}
          y={-size}
          width={2 * size}
          height={2 * size}
          fill="var(--color-base-100)"
          stroke="var(--chalk)"
          strokeWidth={size * 0.45}
        />
      )}
    </g>
  );
}
