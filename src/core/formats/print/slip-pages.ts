import { printFigure, SIZE_GROUPS, sizesOf, type SizeLine } from '../../sizes';
import { addPage, FAINT, rule, widthOf, wrapText, write, type Pen, type PrintJob } from './pen';

/** What a slip is printed on, mm: a strip of labels as long as it needs to be, or a sheet of A6. */
export const SLIPS = { slip: { width: 62, height: null }, 'slip-a6': { width: 105, height: 148 } } as const;

/** Free at the edge of a slip, mm, and how high a line is. */
const EDGE = 4;
const LINE = 5.6;
/** Figures are read at arm's length, with glue on the thumbs: points. */
const FIGURE = 12;
const LABEL = 8;

/** What the bench needs: what is cut and how it is fastened; what is bought is not on it. */
const ON_IT = ['Board', 'Padding', 'Cover', 'Fastening'] as const;

/** The sizes of a slip. */
export function slipRows({ plan, piece, house }: PrintJob): SizeLine[] {
  const rows = sizesOf(plan, piece, house);
  return SIZE_GROUPS.filter(({ id }) => (ON_IT as readonly string[]).includes(id)).flatMap(({ id }) =>
    rows.filter(({ group }) => group === id),
  );
}

/**
 * The slip that one would write on masking tape: a size to a line, in figures that are read from the bench.
 *
 * @param pen where it goes
 * @param job the piece
 * @param kind on a strip of labels, or on A6
 */
export function slipPages(pen: Pen, job: PrintJob, kind: keyof typeof SLIPS): void {
  const { width, height } = SLIPS[kind];
  const rows = slipRows(job).map((row) => ({
    label: row.label,
    says: printFigure(row.value, row.unit, job.unit) + (row.by === undefined ? '' : ` × ${printFigure(row.by, row.unit, job.unit)}`),
  }));
  const [title] = wrapText(`${job.piece.name}${job.piece.count > 1 ? `, ${job.piece.count}` : ''}`, pen.bold, 10, width - 2 * EDGE, true);
  // A figure that is too wide to stand beside its label stands under it.
  const twoLines = ({ label, says }: (typeof rows)[number]): boolean =>
    widthOf(label, pen.regular, LABEL) + widthOf(says, pen.bold, FIGURE) + 3 > width - 2 * EDGE;
  const high = (row: (typeof rows)[number]): number => (twoLines(row) ? 2 : 1) * LINE + 1;
  const whole = EDGE * 2 + 10 + rows.reduce((sum, row) => sum + high(row), 0);
  let y = 0;
  const begin = (): void => {
    const tall = height ?? whole;
    addPage(pen, { width, height: tall });
    y = tall - EDGE - 3.5;
    write(pen, title ?? '', [EDGE, y], { size: 10, font: pen.bold, typed: true });
    y -= 6;
  };
  begin();
  for (const row of rows) {
    // A strip is as long as it needs to be.
    if (height !== null && y - high(row) < EDGE - 1.5) begin();
    write(pen, row.label, [EDGE, y], { size: LABEL });
    if (twoLines(row)) y -= LINE;
    write(pen, row.says, [width - EDGE - widthOf(row.says, pen.bold, FIGURE), y], { size: FIGURE, font: pen.bold });
    rule(pen, [EDGE, y - 1.6], [width - EDGE, y - 1.6], { thickness: 0.2, color: FAINT });
    y -= LINE + 1;
  }
}
