import type { Mark, PrintedPage } from '@/core/formats/pdf';
import { POINTS_PER_MM } from '@/core/formats/tiles';

function MarkPicture({ mark, height }: { mark: Mark; height: number }) {
  if (mark.kind === 'line')
    return (
      <path
        d={`M${mark.from[0]} ${height - mark.from[1]}L${mark.to[0]} ${height - mark.to[1]}`}
        stroke={mark.colour}
        strokeWidth={mark.thickness / POINTS_PER_MM}
        strokeDasharray={mark.dash?.map((part) => part / POINTS_PER_MM).join(' ')}
        fill="none"
      />
    );
  if (mark.kind === 'area') return <path d={`M${mark.points.map(([x, y]) => `${x} ${height - y}`).join('L')}Z`} fill={mark.colour} />;
  const [x, y] = [mark.at[0], height - mark.at[1]];
  return (
    <text
      x={x}
      y={y}
      fontSize={mark.size / POINTS_PER_MM}
      fontWeight={mark.bold ? 600 : 400}
      fill={mark.colour}
      transform={mark.turned ? `rotate(-90 ${x} ${y})` : undefined}
    >
      {mark.words}
    </text>
  );
}

/** A page as it comes out of the printer. */
export function PagePicture({ page, number }: { page: PrintedPage; number: number }) {
  const { width, height, marks } = page;
  return (
    <figure className="mb-3">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full bg-white border border-base-content/40 tabular-nums"
        role="img"
        aria-label={`Page ${number}`}
        data-page={number}
      >
        {marks.map((mark, i) => (
          <MarkPicture key={i} mark={mark} height={height} />
        ))}
      </svg>
      <figcaption className="text-xs text-center">{number}</figcaption>
    </figure>
  );
}
