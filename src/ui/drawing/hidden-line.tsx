import { HIDING, type Piece } from '@/core/piece';

type Box = { minX: number; maxX: number; minY: number };

/** Up to where a piece is hidden in its place, across the plan. */
export function HiddenLine({ piece, board, size }: { piece: Piece; board: Box; size: number }) {
  const { hidden } = piece.base;
  if (!hidden) return null;
  const y = -(board.minY + hidden.upTo);
  const name = HIDING.find(({ id }) => id === hidden.by)!.name.toLowerCase();
  return (
    <g data-hidden={hidden.by}>
      <path
        d={`M${board.minX} ${y} H${board.maxX}`}
        stroke="var(--ink)"
        strokeWidth={size * 0.08}
        strokeDasharray={`${size * 0.5} ${size * 0.3}`}
      />
      <text x={board.minX + size * 0.6} y={y + size * 0.9} fontSize={size * 0.65} fill="var(--ink)">
        below: {name}
      </text>
    </g>
  );
}
