import { bounds } from '@/core/outline';
import { FoldDrawing } from '@/ui/drawing/fold-drawing';
import type { CornerPicture } from '@/server/planning';

/** A drawing has room for about so many px: its lines are sized by it. */
const ROOM = 190;

/** Each sort of corner as its cloth is folded. */
export function CornersPicture({ corners }: { corners: readonly CornerPicture[] }) {
  const scaleOf = ({ width, height }: { width: number; height: number }): number => Math.max(width, height) / ROOM;
  return (
    <div className="size-full flex flex-col gap-2 min-h-0" data-corners={corners.length}>
      {corners.map(({ says, fold }) => (
        <figure key={says} className="flex-1 min-h-0 flex flex-col">
          <figcaption className="text-xl">{says}</figcaption>
          <div className="flex-1 min-h-0">
            <FoldDrawing fold={fold} scale={scaleOf(bounds(fold.cloth))} says={`${says}: the cloth’s corner to scale`} fills />
          </div>
        </figure>
      ))}
      <p className="text-lg">
        Whole line: the board’s edge. Dots: {corners[0]?.held}. Dashes fold in, dash and dot folds out. Red inside: cut.
      </p>
    </div>
  );
}
