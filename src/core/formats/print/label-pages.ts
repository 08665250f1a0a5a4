import { saidLength } from '../../length';
import { MARGIN } from '../tiles';
import { code } from './code';
import { addPage, FAINT, ring, widthOf, wrapText, write, type Pen, type PrintJob } from './pen';
import { textPaper } from '../tiles';

/** A label, mm: what a sheet of them is cut into. */
const LABEL = { width: 62, height: 29 };
/** A code that a tablet reads at arm’s length, mm. */
const CODE = 20;

/** One label for every piece that is cut: what it is, which of how many, its size. */
export function labelPages(pen: Pen, { plan, piece, unit, address }: PrintJob): void {
  const say = (mm: number): string => saidLength(mm, unit);
  const cut = [
    ...plan.foam
      .filter(({ kept }) => !kept)
      .map((pad) => ({
        name: `${pad.pad}, ${pad.materialName}`,
        size: `${say(pad.width)} × ${say(pad.height)} × ${pad.layers.join(' + ')}`,
        count: pad.count,
      })),
    ...plan.cover.pieces.map((coverPiece) => ({
      name: coverPiece.template ? `${coverPiece.name}, rough` : coverPiece.name,
      size: `${say(coverPiece.width)} × ${say(coverPiece.height)}`,
      count: coverPiece.count,
    })),
    ...(plan.wadding
      ? [{ name: plan.wadding.name, size: `${say(plan.wadding.width)} × ${say(plan.wadding.height)}`, count: plan.wadding.count }]
      : []),
  ];
  const labels = cut.flatMap(({ name, size, count }) =>
    Array.from({ length: count }, (_, k) => ({ name, size, of: count > 1 ? `${k + 1} of ${count}` : '' })),
  );
  const paper = textPaper(pen.paper);
  const columns = Math.max(1, Math.floor((paper.width - 2 * MARGIN) / LABEL.width));
  const rows = Math.max(1, Math.floor((paper.height - 2 * MARGIN) / LABEL.height));
  labels.forEach((label, i) => {
    const place = i % (columns * rows);
    if (place === 0) addPage(pen, paper);
    const x = MARGIN + (place % columns) * LABEL.width;
    const y = paper.height - MARGIN - (Math.floor(place / columns) + 1) * LABEL.height;
    ring(
      pen,
      [
        [x, y],
        [x + LABEL.width, y],
        [x + LABEL.width, y + LABEL.height],
        [x, y + LABEL.height],
      ],
      { thickness: 0.2, color: FAINT },
    );
    // A code opens the run sheet; beside it the words have less room.
    const words = LABEL.width - 8 - (address ? CODE : 0);
    if (address) code(pen, address, [x + LABEL.width - CODE - 2, y + LABEL.height - CODE - 2], CODE);
    const [title] = wrapText(piece.name, pen.regular, 8, words, true);
    write(pen, title ?? '', [x + 4, y + 23], { size: 8, color: FAINT, typed: true });
    wrapText(label.name, pen.bold, 11, words)
      .slice(0, 2)
      .forEach((id, k) => write(pen, id, [x + 4, y + 17 - k * 4.6], { size: 11, font: pen.bold }));
    write(pen, label.size + (piece.unmeasured?.length ? ', not measured' : ''), [x + 4, y + 4], { size: 9 });
    write(pen, label.of, [x + LABEL.width - 4 - widthOf(label.of, pen.bold, 9), y + 4], { size: 9, font: pen.bold });
  });
}
