import { bounds } from '@/core/outline';
import { Haloed } from '@/ui/drawing/haloed';
import { closedPath } from '@/ui/drawing/path';
import type { FlatPicture as Flat } from '@/server/planning';
import { useLength } from '@/ui/kit/settings';

/** Between two pieces, as a share of the widest. */
const APART = 0.06;
/** Pieces stand in rows no wider than so many times the widest. */
const ACROSS = 1.6;

/** So few pieces have room for larger words. */
const FEW = 4;

type Laid = Pick<Flat, 'name' | 'size'> & { d: string; x: number; y: number; width: number; height: number };

/** Pieces side by side, all at one scale, the largest first. */
export function laidOut(cloth: readonly Flat[]): { laid: Laid[]; width: number; height: number } {
  const sized = cloth
    .map((flatPicture) => ({ ...flatPicture, box: bounds(flatPicture.outline) }))
    .sort((a, b) => b.box.height - a.box.height || b.box.width - a.box.width);
  const widest = Math.max(1, ...sized.map(({ box }) => box.width));
  const gap = APART * widest;
  const limit = ACROSS * widest;
  const laid: Laid[] = [];
  let [x, y, row, width] = [0, 0, 0, 0];
  for (const { name, outline, size, box } of sized) {
    if (x > 0 && x + box.width > limit) [x, y, row] = [0, y + row + gap, 0];
    laid.push({
      name,
      ...(size ? { size } : {}),
      d: closedPath(outline.map(([px, py]) => [px - box.minX + x, py - box.maxY - y] as const)),
      x,
      y,
      width: box.width,
      height: box.height,
    });
    x += box.width + gap;
    row = Math.max(row, box.height);
    width = Math.max(width, x - gap);
  }
  return { laid, width, height: y + row };
}

/** What is cut or sewn at a step, flat: each with its name, and where it is known with the size that it is cut to. */
export function FlatPicture({ flat, label, line }: { flat: readonly Flat[]; label: string; line: string }) {
  const say = useLength();
  const { laid, width, height } = laidOut(flat);
  const size = Math.max(width, height) / (laid.length > FEW ? 32 : 20);
  return (
    <svg
      role="img"
      aria-label={`${label}: ${flat.map(({ name }) => name.toLowerCase()).join(', ')}`}
      viewBox={`${-size} ${-size} ${width + 2 * size} ${height + 2 * size}`}
      className="size-full"
      preserveAspectRatio="xMidYMin meet"
    >
      {laid.map(({ name, d, x, y, width: wide, height: high, size: cut }) => {
        const says = cut ? `${say(cut[0])} × ${say(cut[1])}` : '';
        const fits = (words: string, lines: number): boolean => high > size * 1.4 * lines && wide > words.length * size * 0.5;
        const both = says !== '' && fits(name, 2) && fits(says, 2);
        const middle = y + high / 2;
        return (
          <g key={`${name} ${x} ${y}`} data-piece={name}>
            <path d={d} fill="none" stroke={line} strokeWidth={size * 0.12} />
            {fits(name, 1) && <Haloed says={name} x={x + wide / 2} y={both ? middle - size * 0.6 : middle} size={size} />}
            {both && <Haloed says={says} x={x + wide / 2} y={middle + size * 0.6} size={size} />}
          </g>
        );
      })}
    </svg>
  );
}
