import { inUnit } from '../../length';
import { MARGIN } from '../tiles';
import { across, heading, MADDER, newPage, ring, room, wrapText, write, type Pen, type PrintJob } from './pen';

/** Boxes to tick for one step are drawn for at most so many pieces, so many in a row. */
const BOXES = { most: 12, row: 10 };
/** The boxes stand so far in from the right margin, a step's words so far in from the left, and so far from each other, mm. */
const BOXES_AT = 45;
const INDENT = 6;
const APART = 3;

/** The run sheet with boxes to tick. */
export function runPages(pen: Pen, { plan, piece, unit }: PrintJob): void {
  newPage(pen);
  heading(pen, 'Run sheet');
  const right = MARGIN + across(pen) - BOXES_AT;
  const width = across(pen) - BOXES_AT - INDENT - APART;
  plan.steps.forEach((step, i) => {
    const detail = inUnit(step.detail, unit)
      .split('\n')
      .flatMap((line) => wrapText(line, pen.regular, 9, width));
    const caution = step.caution ? wrapText(step.caution, pen.regular, 8, width) : [];
    room(pen, 8 + 4.4 * (detail.length + caution.length));
    write(pen, `${i + 1}  ${step.name}`, [MARGIN, pen.y - 3], { size: 10.5, font: pen.bold });
    write(pen, `${step.minutes} min${step.wait ? `, then wait ${step.wait}` : ''}`, [right, pen.y - 3]);
    for (let k = 0; k < Math.min(piece.count, BOXES.most); k++) {
      const x = right + (k % BOXES.row) * 4.5;
      const y = pen.y - 9 - Math.floor(k / BOXES.row) * 4.5;
      ring(pen, [
        [x, y],
        [x + 3.2, y],
        [x + 3.2, y + 3.2],
        [x, y + 3.2],
      ]);
    }
    pen.y -= 8;
    for (const words of detail) {
      write(pen, words, [MARGIN + INDENT, pen.y]);
      pen.y -= 4.4;
    }
    for (const words of caution) {
      write(pen, words, [MARGIN + INDENT, pen.y], { size: 8, color: MADDER });
      pen.y -= 4.2;
    }
    pen.y -= 2;
  });
}
