'use client';

import { letInto, type Pad, type Pocket } from '@/core/piece';
import { Handle } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';
import type { LayerProps } from '@/ui/sheet/stage';
import { useSheet } from '@/ui/sheet/store';

/** A pad with one of what is let into it moved. */
function withMoved(pad: Pad, value: number, to: Pick<Pocket, 'x' | 'y'>): Pad {
  if (pad.pocket && value === 0) return { ...pad, pocket: { ...pad.pocket, ...to } };
  const at = pad.pocket ? value - 1 : value;
  return { ...pad, patches: (pad.patches ?? []).map((patch, k) => (k === at ? { ...patch, ...to } : patch)) };
}

/** Pockets and patches where they lie on the plan: rim and floor, to be moved by drag or by arrow keys. */
export function LetInHandles({ piece, size }: LayerProps) {
  const say = useLength();
  const follow = useSheet((state) => state.follow);
  return (
    <>
      {piece.pads.flatMap((pad) =>
        letInto(pad).map((pocket, value, all) => {
          const { x, y, width, length, blend = 0 } = pocket;
          const name = `${pad.kept ? 'Patch' : 'Pocket'}${all.length > 1 ? ` ${value + 1}` : ''}`;
          const move = (to: Pick<Pocket, 'x' | 'y'>, live: boolean) =>
            follow({ ...piece, pads: piece.pads.map((other) => (other.id === pad.id ? withMoved(pad, value, to) : other)) }, live);
          return (
            <g key={`${pad.id} ${value}`} data-let-in-plan={name}>
              <ellipse
                cx={x}
                cy={-y}
                rx={width / 2}
                ry={length / 2}
                fill={`url(#cut-${pocket.material})`}
                fillOpacity={0.35}
                stroke="var(--ink)"
                strokeWidth={size * 0.08}
                strokeDasharray={`${size * 0.5} ${size * 0.3}`}
                pointerEvents="none"
              />
              {blend > 0 && blend < Math.min(width, length) / 2 && (
                <ellipse
                  cx={x}
                  cy={-y}
                  rx={width / 2 - blend}
                  ry={length / 2 - blend}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth={size * 0.05}
                  pointerEvents="none"
                />
              )}
              <Handle
                x={x}
                y={y}
                size={size * 0.32}
                shape="square"
                label={`${name}, where it lies`}
                value={Math.hypot(x, y)}
                says={`${say(x)} right, ${say(y)} back of the middle`}
                onDrag={(to, done) => move({ x: Math.round(to.x), y: Math.round(to.y) }, !done)}
                onNudge={(by, way) => move({ x: x + (way === 'horizontal' ? by : 0), y: y + (way === 'vertical' ? by : 0) }, false)}
              />
            </g>
          );
        }),
      )}
    </>
  );
}
