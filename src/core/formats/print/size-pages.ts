import { inUnit, saidLength } from '../../length';
import { printFigure, sizesOf } from '../../sizes';
import { MARGIN } from '../tiles';
import { across, FAINT, heading, MADDER, paragraph, room, rule, wrapText, write, type Pen, type PrintJob } from './pen';

function sizes(pen: Pen, { plan, piece, house, unit }: PrintJob): void {
  let group = '';
  for (const row of sizesOf(plan, piece, house)) {
    room(pen, 12);
    if (row.group !== group) {
      pen.y -= 3;
      write(pen, row.group, [MARGIN, pen.y], { size: 10, font: pen.bold, color: MADDER });
      pen.y -= 5.5;
      group = row.group;
    }
    const figure = printFigure(row.value, row.unit, unit) + (row.by === undefined ? '' : ` × ${printFigure(row.by, row.unit, unit)}`);
    write(pen, row.label, [MARGIN, pen.y], { size: 10 });
    write(pen, figure, [MARGIN + 62, pen.y], { size: 10, font: pen.bold });
    const [note] = wrapText(row.note ? inUnit(row.note, unit) : '', pen.regular, 8.5, across(pen) - 112);
    if (note) write(pen, note, [MARGIN + 112, pen.y], { size: 8.5, color: FAINT });
    rule(pen, [MARGIN, pen.y - 1.6], [MARGIN + across(pen), pen.y - 1.6], { thickness: 0.3, color: FAINT });
    pen.y -= 6;
  }
}

function wraps(pen: Pen, { plan, unit }: PrintJob): void {
  heading(pen, 'Wrap round the edge');
  const columns = [0, 16, 62, 90, 118, 146].map((x) => MARGIN + x);
  const row = (cells: readonly string[], font = pen.regular): void =>
    cells.forEach((words, i) => write(pen, words, [columns[i]!, pen.y], { font }));
  row(['No.', 'Where', 'Side', 'Wrap', 'From centre', 'Rim height'], pen.bold);
  pen.y -= 5;
  for (const s of plan.stations) {
    room(pen, 6);
    row([s.id, s.edge, ...[s.side, s.wrap, s.fromCentre, s.edgeHeight].map((mm) => saidLength(mm, unit))]);
    pen.y -= 4.6;
  }
}

/** Every size, the wrap at every station, and what is worth a note. */
export function sizePages(pen: Pen, job: PrintJob): void {
  heading(pen, `Sizes: ${job.piece.name}${job.piece.count > 1 ? `, set of ${job.piece.count}` : ''}`);
  sizes(pen, job);
  wraps(pen, job);
  for (const warning of job.plan.warnings) {
    room(pen, 10);
    pen.y -= 3;
    paragraph(pen, inUnit(`Note: ${warning.message}`, job.unit), { color: MADDER });
  }
}
