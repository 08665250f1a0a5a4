'use client';

import { bounds } from '@/core/outline';
import { usualSitting } from '@/core/seat-check';
import { Handle } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';
import type { LayerProps } from '@/ui/sheet/stage';
import { useRule, useSheet } from '@/ui/sheet/store';
import { PressureKey, PressureMap } from './pressure-map';

/** The pressure under the sitter. */
export function SitterOnPlan({ sit, size }: LayerProps) {
  return sit ? <PressureMap grid={sit.pressure} size={size} /> : null;
}

/** What its tints mean. */
export function SitterKey({ sit, box, margin, size }: LayerProps) {
  return sit ? <PressureKey x={box.minX - margin + size * 0.4} y={-box.minY + margin - size * 2.4} size={size} /> : null;
}

/** The sitter, to be moved over the plan. */
export function SitterHandle({ piece, view, size }: LayerProps) {
  const say = useLength();
  const rule = useRule();
  const follow = useSheet((state) => state.follow);
  const sitting = piece.sit ?? usualSitting(piece, rule('sitMass'));
  const { x, y } = sitting;
  const board = bounds(view.plan.outline.points);
  const inside = (value: number, low: number, high: number): number => Math.min(Math.max(value, low * 0.9), high * 0.9);
  const move = (px: number, py: number, live: boolean) =>
    follow({ ...piece, sit: { ...sitting, x: inside(px, board.minX, board.maxX), y: inside(py, board.minY, board.maxY) } }, live);
  return (
    <Handle
      x={x}
      y={y}
      size={size * 0.6}
      label="Sitter, move"
      value={Math.hypot(x, y)}
      says={`${say(x)} right, ${say(y)} back of the middle`}
      onDrag={(to, done) => move(Math.round(to.x), Math.round(to.y), !done)}
      onNudge={(by, way) => move(x + (way === 'horizontal' ? by : 0), y + (way === 'vertical' ? by : 0), false)}
    />
  );
}
