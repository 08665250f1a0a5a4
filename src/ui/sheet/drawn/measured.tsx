'use client';

import { bounds } from '@/core/outline';
import { Dimension } from '@/ui/drawing/dimension';
import { useLength } from '@/ui/kit/settings';
import type { LayerProps } from '../stage';

/** The board's own measurements round the plan. */
export function Measured({ piece, view, size }: LayerProps) {
  const say = useLength();
  const { outline } = view.plan;
  const board = bounds(outline.points);
  const { shape } = piece.base;
  // As it was measured: corner to corner, as if the corners were not rounded.
  const front = 'frontWidth' in shape ? shape.frontWidth : outline.width;
  const off = size * 2.6;
  return (
    <>
      <Dimension from={[-front / 2, board.minY - off]} to={[front / 2, board.minY - off]} says={say(front)} size={size * 0.8} />
      {'frontWidth' in shape && (
        <Dimension
          from={[-shape.backWidth / 2, board.maxY + off]}
          to={[shape.backWidth / 2, board.maxY + off]}
          says={say(shape.backWidth)}
          size={size * 0.8}
          side={-1}
        />
      )}
      <Dimension
        from={[board.minX - off, board.minY]}
        to={[board.minX - off, board.maxY]}
        says={say(outline.depth)}
        size={size * 0.8}
        side={-1}
      />
    </>
  );
}
