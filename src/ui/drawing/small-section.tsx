import { cutBoard } from '@/core/base';
import { foamsOf, type Piece } from '@/core/piece';
import type { SmallSection as Drawn } from '@/server/floor';
import { MaterialPatterns } from './materials';
import { openPath } from './path';

type SmallSectionProps = {
  section: Drawn;
  piece: Piece;
  /** its own on the page, for its patterns */
  id: string;
  /** millimetres that the drawing spans */
  width: number;
  /** the pad that is worked on: the others are faint */
  pad?: string;
};

/** A small true section of a piece, its foams by their hatches. */
export function SmallSection({ section, piece, id, width, pad }: SmallSectionProps) {
  const high = Math.max(30, ...section.cover.map(([, z]) => z));
  const middle = (section.board.left + section.board.right) / 2;
  const low = section.board.edge + 8 - Math.min(0, ...section.base.map(([, z]) => z));
  return (
    <svg
      viewBox={`${middle - width / 2} ${-high - 6} ${width} ${high + low + 6}`}
      className="w-full"
      role="img"
      aria-label={`Section of ${piece.name}`}
    >
      <MaterialPatterns
        id={`f${id}`}
        scale={1.4}
        foams={foamsOf(piece).filter((foam) => piece.pads.some(({ material }) => material === foam.id))}
      />
      {section.wadding.length > 0 && (
        <path d={`${openPath([...section.bare, ...[...section.wadding].reverse()])}Z`} fill={`url(#f${id}-wadding)`} />
      )}
      {section.covered.map((cut) => (
        <path
          key={cut.id}
          d={`${openPath(cut.outline)}Z`}
          fill={`url(#f${id}-${piece.pads.find((p) => p.id === cut.id)?.material})`}
          stroke="var(--ink)"
          strokeWidth={cut.id === pad ? 2.4 : 0.7}
          opacity={pad === undefined || cut.id === pad ? 1 : 0.35}
          data-pad={cut.id}
        />
      ))}
      <path
        d={cutBoard(section, piece.base)
          .map((part) => `${openPath(part)}Z`)
          .join('')}
        fill={`url(#f${id}-board)`}
        stroke="var(--ink)"
        strokeWidth={1.2}
      />
      {section.padded && <path d={openPath(section.cover)} fill="none" stroke="var(--cover-line)" strokeWidth={2} />}
    </svg>
  );
}
