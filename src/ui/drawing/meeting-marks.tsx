import { baseOutline } from '@/core/outline';
import type { Piece } from '@/core/piece';
import { meetings } from '@/core/strip';

/** Marks that were made across cover and base before they parted, by their letters. */
export function MeetingMarks({ piece, size }: { piece: Piece; size: number }) {
  if (!piece.strip?.meet?.length) return null;
  return (
    <g>
      {meetings(piece.strip, baseOutline(piece.base.shape, piece.base.notches)).map(({ id, letter, at: [x, y], words }) => (
        <g key={id} data-meet={letter}>
          <title>{`${letter}: ${words}`}</title>
          <circle cx={x} cy={-y} r={size * 0.55} fill="var(--color-base-100)" stroke="var(--ink)" strokeWidth={size * 0.1} />
          <text x={x} y={-y + size * 0.28} fontSize={size * 0.75} textAnchor="middle" fill="var(--ink)">
            {letter}
          </text>
        </g>
      ))}
    </g>
  );
}
