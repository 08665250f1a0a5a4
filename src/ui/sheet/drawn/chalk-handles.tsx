'use client';

import type { bounds } from '@/core/outline';
import type { ChalkLine } from '@/core/piece';
import { Handle } from '@/ui/drawing/handle';
import { openPath } from '@/ui/drawing/path';
import { useLength } from '@/ui/kit/settings';
import { usePiece, useSheet } from '../store';

/** Near the square bearings the line clicks in, radians. */
const CLICKS = 0.035;

/** The chalk line over the plan, to be moved and turned: the section follows it. */
export function ChalkHandles({ size, board, reach }: { size: number; board: ReturnType<typeof bounds>; reach: number }) {
  const say = useLength();
  const piece = usePiece();
  const follow = useSheet((state) => state.follow);
  const { x, y, angle } = piece.chalk;
  const put = (chalk: ChalkLine, live: boolean) => follow({ ...piece, chalk }, live);
  const along = [Math.cos(angle), Math.sin(angle)] as const;
  const degrees = Math.round((angle * 180) / Math.PI);
  const inside = (px: number, py: number): [number, number] => [
    Math.min(Math.max(px, board.minX * 0.9), board.maxX * 0.9),
    Math.min(Math.max(py, board.minY * 0.9), board.maxY * 0.9),
  ];
  const move = (px: number, py: number, live: boolean) => {
    const [mx, my] = inside(px, py);
    put({ x: mx, y: my, angle }, live);
  };
  const turnTo = (to: { x: number; y: number }, end: 1 | -1, live: boolean) => {
    const bearing = Math.atan2((to.y - y) * end, (to.x - x) * end);
    const square = (Math.round(bearing / (Math.PI / 2)) * Math.PI) / 2;
    put({ x, y, angle: Math.abs(bearing - square) < CLICKS ? square : bearing }, live);
  };
  return (
    <>
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
        onDrag={(to, done) => move(Math.round(to.x), Math.round(to.y), !done)}
        onNudge={(by, way) => move(x + (way === 'horizontal' ? by : 0), y + (way === 'vertical' ? by : 0), false)}
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
          onDrag={(to, done) => turnTo(to, end, !done)}
          onNudge={(by) => put({ x, y, angle: ((degrees + by) * Math.PI) / 180 }, false)}
        />
      ))}
    </>
  );
}
