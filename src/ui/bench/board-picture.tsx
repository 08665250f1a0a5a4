import type { ReactNode } from 'react';
import { bounds, type Point } from '@/core/outline';
import { CourseLines } from '@/ui/drawing/courses';
import { Dimension } from '@/ui/drawing/dimension';
import { Fittings } from '@/ui/drawing/fittings';
import { Haloed } from '@/ui/drawing/haloed';
import { closedPath, openPath } from '@/ui/drawing/path';
import { useLength } from '@/ui/kit/settings';
import type { BenchView } from './use-bench';

type Board = BenchView['board'];

/** Battens under the board: dashed from above, where the board hides them, and whole from behind. */
function FrameLines({ frame, size, back }: { frame: NonNullable<Board['frame']>; size: number; back: boolean }) {
  return (
    <g
      fill="none"
      stroke="var(--ink)"
      strokeWidth={size * 0.07}
      strokeDasharray={back ? undefined : `${size * 0.35} ${size * 0.25}`}
      data-frame
    >
      {frame.ribs.map((rib) => (
        <path
          key={rib.flat().join(' ')}
          d={openPath(rib)}
          stroke="var(--color-base-300)"
          strokeWidth={frame.width}
          strokeDasharray="none"
        />
      ))}
      {frame.lines.map((line) => (
        <path key={line[0]!.join(' ')} d={closedPath(line)} />
      ))}
    </g>
  );
}

/** What each batten is called, inside of it. */
function BattenNames({ frame, size }: { frame: NonNullable<Board['frame']>; size: number }) {
  return (
    <g>
      {frame.battens.map(({ name, rib, line: [a, b] }) => {
        const far = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
        // The outline runs with its inside to the left; beside an upright one a name needs half its length.
        const beside = size * (0.5 + (0.75 * Math.abs(b[1] - a[1])) / far);
        const inward = beside + (rib ? frame.width / 2 : frame.width);
        const x = (a[0] + b[0]) / 2 - ((b[1] - a[1]) / far) * inward;
        const y = (a[1] + b[1]) / 2 + ((b[0] - a[0]) / far) * inward;
        return (
          <g key={name} data-batten={name}>
            <Haloed says={name} x={x} y={-y} size={size * 0.7} turned />
          </g>
        );
      })}
    </g>
  );
}

/** What lies behind alone: cleats, stand-offs, the label's place, the rows that things are stapled in. */
function Behind({ behind, rows, size }: Pick<Board, 'behind' | 'rows'> & { size: number }) {
  return (
    <g fill="var(--color-base-300)" stroke="var(--ink)" strokeWidth={size * 0.07}>
      {rows.map(({ id, line }) => (
        <path
          key={id}
          d={closedPath(line)}
          fill="none"
          stroke={id === 'cover' ? 'var(--cover-line)' : 'var(--ink)'}
          strokeDasharray={`${size * 0.25} ${size * 0.2}`}
          data-row={id}
        />
      ))}
      {behind.map(({ name, x, y, width, height }) => (
        <g key={`${name} ${x} ${y}`} data-behind={name}>
          <rect x={x - width / 2} y={-y - height / 2} width={width} height={height} />
          <Haloed says={name} x={x} y={-y + height / 2 + size * 0.6} size={size * 0.7} turned />
        </g>
      ))}
    </g>
  );
}

/** One strap, or a part of one. */
function Strap({ ends, width, size }: Board['straps'][number] & { size: number }) {
  const wide = Math.max(width, size * 0.2);
  return (
    <>
      <path d={openPath(ends)} stroke="var(--ink)" strokeWidth={wide} />
      <path d={openPath(ends)} stroke="var(--color-base-200)" strokeWidth={wide - size * 0.12} />
    </>
  );
}

/** Webbing or springs as they run: what crosses is woven over and under. */
function Straps({ straps, size }: Pick<Board, 'straps'> & { size: number }) {
  const across = straps.filter(({ ends: [a, b] }) => a[1] === b[1]);
  const along = straps.filter(({ ends: [a, b] }) => a[1] !== b[1]);
  const over = along.flatMap(({ ends, width }, i) =>
    across
      .filter((_, k) => (i + k) % 2 === 0)
      .map((item) => {
        const [x, y, half] = [ends[0][0], item.ends[0][1], item.width / 2 + size * 0.1];
        return {
          ends: [
            [x, y - half],
            [x, y + half],
          ] as Board['straps'][number]['ends'],
          width,
        };
      }),
  );
  return (
    <g data-straps={straps.length}>
      {[...along, ...across, ...over].map((item) => (
        <Strap key={item.ends.flat().join(' ')} {...item} size={size} />
      ))}
    </g>
  );
}

/** Turned over from left to right, as it lies face down. */
const Turned = ({ back, children }: { back: boolean; children: ReactNode }) => (
  <g transform={back ? 'scale(-1 1)' : undefined}>{children}</g>
);

type BoardPictureProps = {
  board: Board;
  /** what its near and far edges are called */
  words: readonly [string, string];
  of: 'board' | 'frame' | 'back' | 'nails';
};

/** The bare board or frame with its size and all that is in it; from behind also what is screwed on there, and of a nailed one its nails. */
export function BoardPicture({ board, words, of }: BoardPictureProps) {
  const say = useLength();
  const back = of === 'back' || of === 'frame';
  const { minX, maxX, minY, maxY } = bounds(back ? board.outline.map(([x, y]): Point => [-x, y]) : board.outline);
  const size = Math.max(maxX - minX, maxY - minY) / 20;
  return (
    <svg
      role="img"
      aria-label={back ? 'The back, as it lies face down' : `The board from above, ${words[0].toLowerCase()} at the bottom`}
      viewBox={`${minX - 2.4 * size} ${-maxY - 2.4 * size} ${maxX - minX + 3 * size} ${maxY - minY + 3.8 * size}`}
      className="size-full"
      preserveAspectRatio="xMidYMin meet"
      data-board={of}
    >
      <Turned back={back}>
        <path d={closedPath(board.outline)} fill="var(--color-base-100)" stroke="var(--ink)" strokeWidth={size * 0.16} />
        {board.courses.length > 0 && (
          <CourseLines courses={board.courses.map((outline, k) => ({ layer: 0, course: k + 1, outline }))} size={size} />
        )}
        {board.frame && <FrameLines frame={board.frame} size={size} back={back} />}
        {!back && <Straps straps={board.straps} size={size} />}
        <Fittings base={of === 'frame' ? { ...board, hardware: [] } : board} size={size} />
        {(of === 'board' || of === 'back') &&
          board.buttons.map(({ x, y }) => (
            <circle
              key={`${x} ${y}`}
              cx={x}
              cy={-y}
              r={size * 0.25}
              fill="var(--color-base-100)"
              stroke="var(--ink)"
              strokeWidth={size * 0.1}
              data-button-hole
            />
          ))}
        {of === 'nails' &&
          board.nails.map(({ x, y, head }) => (
            <circle key={`${x} ${y}`} cx={x} cy={-y} r={head / 2} fill="var(--cover-line)" data-nail={head} />
          ))}
        {of === 'back' && <Behind behind={board.behind} rows={board.rows} size={size} />}
        {of === 'frame' && board.frame && <BattenNames frame={board.frame} size={size} />}
      </Turned>
      <Dimension from={[minX, maxY + size]} to={[maxX, maxY + size]} says={say(maxX - minX)} size={size} side={-1} />
      <Dimension from={[minX - size, minY]} to={[minX - size, maxY]} says={say(maxY - minY)} size={size} side={-1} />
      <text x={(minX + maxX) / 2} y={-minY + size * 1.1} fontSize={size * 0.9} textAnchor="middle" fill="var(--ink)">
        {words[0]}
        {back && ', face down'}
      </text>
    </svg>
  );
}
