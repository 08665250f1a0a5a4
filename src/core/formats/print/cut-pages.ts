import type { Laid } from '../../cut';
import { saidLength } from '../../length';
import type { Point } from '../../outline';
import { MARGIN } from '../tiles';
import { across, heading, newPage, paragraph, ring, room, write, type Pen, type PrintJob } from './pen';

/** A sheet or roll with its pieces under a line of words, scaled to the page. */
function layout(pen: Pen, says: string, size: { width: number; height: number }, laid: readonly Laid[], scale: number): void {
  room(pen, size.width * scale + 16);
  pen.y -= 3;
  paragraph(pen, says, { font: pen.bold, lead: 3.6 });
  const top = pen.y;
  const at = (x: number, y: number): Point => [MARGIN + y * scale, top - x * scale];
  const box = (x: number, y: number, w: number, h: number): Point[] => [at(x, y), at(x + w, y), at(x + w, y + h), at(x, y + h)];
  ring(pen, box(0, 0, size.width, size.height), { thickness: 1 });
  laid.forEach((piece, i) => {
    ring(pen, box(piece.x, piece.y, piece.width, piece.height), { thickness: 0.6 });
    const [x, y] = at(piece.x, piece.y);
    write(pen, `${piece.label} ${i + 1}${piece.turned ? ', turned' : ''}`, [x + 1, y - 3.6], { size: 7 });
  });
  pen.y -= size.width * scale + 6;
}

/** Every sheet and roll with what is laid on it. */
export function cutPages(pen: Pen, { plan, piece, unit }: PrintJob): void {
  newPage(pen);
  heading(pen, 'Cut sheet');
  const { cut } = plan;
  const say = (mm: number): string => saidLength(mm, unit);
  const sheet = { width: cut.foam.sheetWidth, height: cut.foam.sheetLength };
  for (const { materialName, thickness, sheets } of cut.foam.layouts) {
    sheets.forEach((laid, i) => {
      const says = `${materialName} ${say(thickness)}, sheet ${i + 1} of ${sheets.length}: ${say(sheet.width)} × ${say(sheet.height)}`;
      layout(pen, says, sheet, laid, Math.min(across(pen) / sheet.height, 0.09));
    });
  }
  const rolls = [
    { name: piece.cloth.name || 'Cloth', roll: cut.cloth },
    { name: 'Lining cloth', roll: cut.lining },
    { name: 'Wadding', roll: cut.wadding },
    { name: 'Dust cloth', roll: cut.dustCover },
  ];
  for (const { name, roll } of rolls) {
    if (!roll || roll.laid.length === 0) continue;
    const says = `${name}: ${say(roll.length)} of a roll ${say(roll.width)} wide, ${Math.round(roll.utilisation * 100)} % used`;
    layout(pen, says, { width: roll.width, height: roll.length }, roll.laid, Math.min(across(pen) / roll.length, 60 / roll.width));
  }
}
