'use client';

import { cornerWords, type FoldPlan } from '@/core/cover';
import { bounds, type Point } from '@/core/outline';
import { closedPath, openPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';
import { useSheet } from '@/ui/sheet/store';

const KIND: Record<FoldPlan['kind'], string> = {
  sharp: 'sharp corner',
  round: 'rounded corner',
  odd: 'odd-angled corner',
  inside: 'inside corner',
  notched: 'notch',
};

/** What is done at a corner, in words. */
function FoldWords({ fold }: { fold: FoldPlan }) {
  const say = useLength();
  return (
    <figcaption className="text-sm">
      <p>
        <b>{fold.edge}</b>, {KIND[fold.kind]} of {Math.round(Math.abs(fold.angle))}°: {fold.way}
      </p>
      {fold.fullness > 0 && (
        <p className="text-xs">
          Leaves <Figure says={say(fold.fullness)} /> over, of which <Figure says={say(fold.eased)} /> eases away
          {fold.pleats > 0 && (
            <>
              ; {cornerWords(fold)}, <Figure says={say(fold.depth)} /> deep
            </>
          )}
          .
        </p>
      )}
      <ol className="list-decimal pl-5 text-xs space-y-0.5">
        {fold.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
    </figcaption>
  );
}

function Fold({ fold, scale }: { fold: FoldPlan; scale: number }) {
  const box = bounds(fold.cloth);
  const pad = 12 * scale;
  const mid = ([a, b]: readonly Point[]): Point => [(a![0] + b![0]) / 2, (a![1] + b![1]) / 2];
  const label = (line: Point[], text: string) => {
    const [x, y] = mid([line[1]!, line[2]!]);
    return (
      <text
        x={x}
        y={-y - 3 * scale}
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
  };
  return (
    <figure className="flex gap-3 border-b border-base-content/25 py-2" data-fold={fold.station}>
      <svg
        viewBox={`${box.minX - pad} ${-box.maxY - pad} ${box.width + 2 * pad} ${box.height + 2 * pad}`}
        style={{ width: (box.width + 2 * pad) / scale, height: (box.height + 2 * pad) / scale }}
        className="shrink-0"
        role="img"
        aria-label={`${fold.edge}: the cloth’s corner to scale`}
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
            />
          ))}
          {fold.cut && <path d={openPath([fold.cut.from, fold.cut.to])} stroke="var(--cover-line)" strokeWidth={1.6 * scale} />}
        </g>
        {label(fold.lower, 'board’s edge')}
        {label(fold.staples, 'staples')}
      </svg>
      <FoldWords fold={fold} />
    </figure>
  );
}

/** Every corner of the cover to one scale: folds, cuts, and how it is folded. */
export function CornersView() {
  const say = useLength();
  const view = useSheet((state) => state.view)!;
  if (!view.plan.cover) return null;
  const widest = view.folds.reduce((most, fold) => Math.max(most, bounds(fold.cloth).width), 1);
  const { relief, yCuts } = view.plan.cover;
  return (
    // A region that scrolls must be reachable for those who scroll with keys.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <section aria-label="Corners" tabIndex={0} className="h-full overflow-y-auto px-3 pb-3 pt-9 relative">
      {view.folds.length === 0 && <p className="text-sm">This edge has no corners.</p>}
      {view.folds.map((fold) => (
        <Fold key={fold.station} fold={fold} scale={widest / 230} />
      ))}
      {relief && relief.gather > 0 && (
        <p className="text-sm pt-2">
          Round the curves the cloth is eased and gathered under the board, <Figure says={say(relief.gather)} /> to a staple at the most.
        </p>
      )}
      {relief && relief.cuts.length > 0 && (
        <p className="text-sm pt-2">
          {relief.cuts.length} {relief.cuts.some((cut) => cut.wedge > 0) ? 'pie cuts' : 'relief cuts'}, every{' '}
          <Figure says={say(relief.pitch)} /> along the curve.
        </p>
      )}
      {yCuts.map((cut) => (
        <p key={cut.name} className="text-sm">
          {cut.name}: a Y-cut; stop <Figure says={say(cut.stop)} /> short, arms <Figure says={say(cut.arm)} />.
        </p>
      ))}
    </section>
  );
}
