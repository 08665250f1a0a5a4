'use client';

import { measuredOutline, notchGrip } from '@/core/outline';
import type { Base } from '@/core/piece';
import { Handle } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';
import type { LayerProps } from '@/ui/sheet/stage';
import { useSheet } from '@/ui/sheet/store';

/** Handles on notches, holes and hardware: dragged, or moved with the arrow keys. */
export function FittingHandles({ piece, size }: LayerProps) {
  const say = useLength();
  const follow = useSheet((state) => state.follow);
  const { base } = piece;
  const { holes = [], hardware = [], notches = [] } = base;
  const change = (next: Partial<Base>, live: boolean) => follow({ ...piece, base: { ...base, ...next } }, live);
  const put = (list: 'holes' | 'hardware', index: number, x: number, y: number, live: boolean) => {
    const at = { x: Math.round(x), y: Math.round(y) };
    if (list === 'holes') change({ holes: holes.map((item, i) => (i === index ? { ...item, ...at } : item)) }, live);
    else change({ hardware: hardware.map((item, i) => (i === index ? { ...item, ...at } : item)) }, live);
  };
  const all = [
    ...holes.map((item, index) => ({ list: 'holes' as const, index, item, label: `Hole ${index + 1}` })),
    ...hardware.map((item, index) => ({ list: 'hardware' as const, index, item, label: `Hardware ${index + 1}, ${item.kind}` })),
  ];
  const { outline } = measuredOutline(base.shape);
  return (
    <>
      {notches.map((notch, index) => {
        const grip = notchGrip(outline, notch);
        if (!grip) return null;
        const move = (to: readonly [number, number], live: boolean) =>
          change({ notches: notches.map((item, i) => (i === index ? grip.moved(to) : item)) }, live);
        return (
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
        );
      })}
      {all.map(({ list, index, item, label }) => (
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
      ))}
    </>
  );
}
