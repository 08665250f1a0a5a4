import type { FoldPlan } from '@/core/cover';
import { bounds, type Point } from '@/core/outline';
import { closedPath, openPath } from './path';

/** What of a fold is drawn. */
export type DrawnFold = Pick<FoldPlan, 'cloth' | 'lower' | 'staples' | 'folds' | 'cutAway' | 'cut'>;

type FoldDrawingProps = {
  fold: DrawnFold;
  /** mm of the cloth to one px */
  scale: number;
  says: string;
  /** as large as there is room and without words, instead of to one scale with others */
  fills?: boolean;
};

/** The cloth’s corner to scale: where it is folded, what is cut, the board’s edge and the line that it is held along. */
export function FoldDrawing({ fold, scale, says, fills = false }: FoldDrawingProps) {
  const box = bounds(fold.cloth);
  const pad = 12 * scale;
  const [width, height] = [box.width + 2 * pad, box.height + 2 * pad];
  const label = ([, a, b]: readonly Point[], text: string) => (
    <text
      x={(a![0] + b![0]) / 2}
      y={-(a![1] + b![1]) / 2 - 3 * scale}
      fontSize={9 * scale}
      fill="var(--ink)"
      textAnchor="middle"
      paintOrder="stroke"
      stroke="var(--color-base-200)"
      strokeWidth={3 * scale}
    >
      {text}
    </text>
  );
  return (
    <svg
      viewBox={`${box.minX - pad} ${-box.maxY - pad} ${width} ${height}`}
      {...(fills ? {} : { style: { width: width / scale, height: height / scale } })}
      className={fills ? 'size-full' : 'shrink-0'}
      preserveAspectRatio="xMidYMin meet"
      role="img"
      aria-label={says}
    >
      <path d={closedPath(fold.cloth)} fill="var(--color-base-200)" stroke="var(--cover-line)" strokeWidth={1.6 * scale} />
      {fold.cutAway && (
        <path
          d={closedPath(fold.cutAway)}
          fill="var(--color-base-100)"
          stroke="var(--cover-line)"
          strokeWidth={1.2 * scale}
          data-cut-away
        />
      )}
      <g fill="none" stroke="var(--ink)">
        <path d={openPath(fold.lower)} strokeWidth={1.2 * scale} />
        <path d={openPath(fold.staples)} strokeWidth={0.8 * scale} strokeDasharray={`${2 * scale} ${3 * scale}`} />
        {fold.folds.map((line, i) => (
          <path
            key={i}
            d={openPath([line.from, line.to])}
            strokeWidth={0.9 * scale}
            strokeDasharray={line.mountain ? `${7 * scale} ${2 * scale} ${1.5 * scale} ${2 * scale}` : `${4 * scale} ${3 * scale}`}
            data-fold-line={line.mountain ? 'mountain' : 'valley'}
          />
        ))}
        {fold.cut && <path d={openPath([fold.cut.from, fold.cut.to])} stroke="var(--cover-line)" strokeWidth={1.6 * scale} />}
      </g>
      {!fills && label(fold.lower, 'board’s edge')}
      {!fills && label(fold.staples, 'staples')}
    </svg>
  );
}
