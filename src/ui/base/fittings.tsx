'use client';

import { measuredOutline, notchGrip } from '@/core/outline';
import type { Base, Piece } from '@/core/piece';
import type { SheetView } from '@/core/view';
import { Handle } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';

type Moves = {
  piece: Piece;
  /** width of a figure in the drawing, mm */
  size: number;
  onBase: (change: Partial<Base>, live: boolean) => void;
};

/** Holes and hardware, where the board has them. */
export function Fittings({ plan, size }: { plan: SheetView['plan']; size: number }) {
  return (
    <g fill="var(--color-base-100)" stroke="var(--ink)" strokeWidth={size * 0.08}>
      {plan.base.holes.map((hole) =>
        hole.kind === 'round' ? (
          <circle key={hole.id} cx={hole.x} cy={-hole.y} r={hole.diameter / 2} data-hole />
        ) : (
          <rect key={hole.id} x={hole.x - hole.width / 2} y={-hole.y - hole.height / 2} width={hole.width} height={hole.height} data-hole />
        ),
      )}
      {plan.base.hardware.map((item) => (
        <g key={item.id} data-hardware={item.kind}>
          <title>{item.kind}</title>
          {item.kind === 'cleat' ? (
            <rect
              x={item.x - item.diameter / 2}
              y={-item.y - item.diameter / 4}
              width={item.diameter}
              height={item.diameter / 2}
              fill="var(--color-base-300)"
            />
          ) : (
            <circle cx={item.x} cy={-item.y} r={item.diameter / 2} fill="var(--color-base-300)" />
          )}
          <path
            d={`M${item.x - item.diameter * 0.7} ${-item.y} h${item.diameter * 1.4} M${item.x} ${-item.y - item.diameter * 0.7} v${item.diameter * 1.4}`}
            strokeWidth={size * 0.05}
          />
        </g>
      ))}
    </g>
  );
}

/** Handles on notches, holes and hardware: dragged, or moved with the arrow keys. */
export function FittingHandles({ piece, size, onBase }: Moves) {
  const say = useLength();
  const { holes = [], hardware = [] } = piece.base;
  const put = (list: 'holes' | 'hardware', index: number, x: number, y: number, live: boolean) => {
    const at = { x: Math.round(x), y: Math.round(y) };
    if (list === 'holes') onBase({ holes: holes.map((item, i) => (i === index ? { ...item, ...at } : item)) }, live);
    else onBase({ hardware: hardware.map((item, i) => (i === index ? { ...item, ...at } : item)) }, live);
  };
  const all = [
    ...holes.map((item, index) => ({ list: 'holes' as const, index, item, label: `Hole ${index + 1}` })),
    ...hardware.map((item, index) => ({ list: 'hardware' as const, index, item, label: `Hardware ${index + 1}, ${item.kind}` })),
  ];
  const { outline } = measuredOutline(piece.base.shape);
  const notches = (piece.base.notches ?? []).map((notch, index) => {
    const grip = notchGrip(outline, notch);
    const move = (to: readonly [number, number], live: boolean) =>
      onBase({ notches: piece.base.notches!.map((own, i) => (i === index ? grip!.moved(to) : own)) }, live);
    return (
      grip && (
        <Handle
          key={notch.id}
          x={grip.at[0]}
          y={grip.at[1]}
          size={size * 0.3}
          shape="square"
          label={`Notch ${index + 1}`}
          value={notch.depth}
          says={`${say(notch.width)} wide, ${say(notch.depth)} deep`}
          onDrag={(to, done) => move([to.x, to.y], !done)}
          onNudge={(by, way) => move([grip.at[0] + (way === 'horizontal' ? by : 0), grip.at[1] + (way === 'vertical' ? by : 0)], false)}
        />
      )
    );
  });
  const fittings = all.map(({ list, index, item, label }) => (
    <Handle
      key={item.id}
      x={item.x}
      y={item.y}
      size={size * 0.3}
      shape="square"
      label={label}
      value={Math.hypot(item.x, item.y)}
      says={`${say(item.x)} right, ${say(item.y)} back of the middle`}
      onDrag={(to, done) => put(list, index, to.x, to.y, !done)}
      onNudge={(by, way) => put(list, index, item.x + (way === 'horizontal' ? by : 0), item.y + (way === 'vertical' ? by : 0), false)}
    />
  ));
  return (
    <>
      {notches}
      {fittings}
    </>
  );
}
