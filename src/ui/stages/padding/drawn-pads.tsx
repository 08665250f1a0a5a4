'use client';

import type { Pad } from '@/core/piece';
import { Handle } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';
import type { LayerProps } from '@/ui/sheet/stage';
import { useSheet } from '@/ui/sheet/store';

/** A pad with more corners than this came from a level line: it is shown, not moved corner by corner. */
const BY_HAND = 24;

/** The corners of every pad drawn by hand, to be moved in the plan by drag or by arrow keys. */
export function DrawnPadHandles({ piece, size }: LayerProps) {
  const say = useLength();
  const follow = useSheet((state) => state.follow);
  const onPads = (pads: Pad[], live: boolean) => follow({ ...piece, pads }, live);
  const padsMoved = (pad: Pad, at: number, to: [number, number]): Pad[] =>
    piece.pads.map((p) => (p.id === pad.id ? { ...p, outline: p.outline!.map((c, k): [number, number] => (k === at ? to : c)) } : p));
  return (
    <>
      {piece.pads
        .filter((pad) => pad.outline && pad.outline.length <= BY_HAND)
        .flatMap((pad) =>
          pad.outline!.map(([x, y], i) => (
            <Handle
              key={`${pad.id} ${i}`}
              x={x}
              y={y}
              size={size * 0.32}
              shape="square"
              label={`Corner ${i + 1} of the ${pad.role} pad`}
              value={Math.hypot(x, y)}
              says={`${say(x)} right, ${say(y)} back of the middle`}
              onDrag={(to, done) => onPads(padsMoved(pad, i, [Math.round(to.x), Math.round(to.y)]), !done)}
              onNudge={(by, way) =>
                onPads(padsMoved(pad, i, [x + (way === 'horizontal' ? by : 0), y + (way === 'vertical' ? by : 0)]), false)
              }
            />
          )),
        )}
    </>
  );
}
