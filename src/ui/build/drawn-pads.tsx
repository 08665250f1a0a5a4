'use client';

import type { Pad, Piece } from '@/core/piece';
import { Handle } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';

/** A pad with more corners than this came from a level line: it is shown, not moved corner by corner. */
const BY_HAND = 24;

/** Corners to begin a drawn pad with. */
const CORNERS = 12;

/** Places at even steps round a closed line, mm to a tenth. */
export function evenCorners(line: readonly (readonly [number, number])[], count = CORNERS): [number, number][] {
  const lengths = [0];
  line.forEach((p, i) => {
    const q = line[(i + 1) % line.length]!;
    lengths.push(lengths[i]! + Math.hypot(q[0] - p[0], q[1] - p[1]));
  });
  const round = lengths.at(-1)!;
  let i = 0;
  return Array.from({ length: count }, (_, k): [number, number] => {
    const s = (round * k) / count;
    while (i + 1 < line.length && lengths[i + 1]! < s) i++;
    const [p, q] = [line[i]!, line[(i + 1) % line.length]!];
    const t = (s - lengths[i]!) / (lengths[i + 1]! - lengths[i]! || 1);
    return [Math.round((p[0] + (q[0] - p[0]) * t) * 10) / 10, Math.round((p[1] + (q[1] - p[1]) * t) * 10) / 10];
  });
}

/** The corners of every pad drawn by hand, to be moved in the plan by drag or by arrow keys. */
export function DrawnPadHandles({ piece, size, onPads }: { piece: Piece; size: number; onPads: (pads: Pad[], live: boolean) => void }) {
  const say = useLength();
  const moved = (pad: Pad, at: number, to: [number, number]): Pad[] =>
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
              onDrag={(to, done) => onPads(moved(pad, i, [Math.round(to.x), Math.round(to.y)]), !done)}
              onNudge={(by, way) => onPads(moved(pad, i, [x + (way === 'horizontal' ? by : 0), y + (way === 'vertical' ? by : 0)]), false)}
            />
          )),
        )}
    </>
  );
}
