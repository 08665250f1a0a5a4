'use client';

import { cornerWords, type FoldPlan } from '@/core/cover';
import { bounds } from '@/core/outline';
import { FoldDrawing } from '@/ui/drawing/fold-drawing';
import { Figure } from '@/ui/kit/fields/figure';
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
  return (
    <figure className="flex gap-3 border-b border-base-content/25 py-2" data-fold={fold.station}>
      <FoldDrawing fold={fold} scale={scale} says={`${fold.edge}: the cloth’s corner to scale`} />
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
