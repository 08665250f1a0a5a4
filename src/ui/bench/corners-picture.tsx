import { bounds } from '@/core/outline';
import { FoldDrawing } from '@/ui/drawing/fold-drawing';
import type { CornerPicture } from '@/server/planning';

/** A drawing is about so many px wide: its words are sized by it. */
const WIDE = 260;

/** Each sort of corner as its cloth is folded, to one scale. */
export function CornersPicture({ corners }: { corners: readonly CornerPicture[] }) {
  const widest = Math.max(1, ...corners.map(({ fold }) => bounds(fold.cloth).width));
  return (
    <div className="size-full flex flex-col gap-2 min-h-0" data-corners={corners.length}>
      {corners.map(({ says, held, fold }) => (
        <figure key={says} className="flex-1 min-h-0 flex flex-col">
          <figcaption className="text-xl">{says}</figcaption>
          <div className="flex-1 min-h-0">
            <FoldDrawing fold={fold} scale={widest / WIDE} says={`${says}: the cloth’s corner to scale`} held={held} fills />
          </div>
        </figure>
      ))}
      <p className="text-base">Dashes fold in, dash and dot folds out.</p>
    </div>
  );
}
