import { sheetsAlike, type Laid } from '../../foam-cutting';
import { foamThickness, rollLength, saidLength, type Unit } from '../../length';
import type { CutPlan, RollLayout } from '../../foam-cutting';
import type { Point, Polygon } from '../../outline';
import { CHOSEN } from '../../sizes';
import { MARGIN } from '../tiles';
import { across, FAINT, heading, MADDER, newPage, paragraph, ring, room, widthOf, write, type Pen, type PrintJob } from './pen';

/** A sheet or roll with its pieces. */
type Sheet = {
  says: string;
  size: { width: number; height: number };
  laid: readonly Laid[];
  shapes?: readonly { points: Polygon }[];
  scale: number;
};

/** A piece's name along its longer side, and its size under it, where there is room; a number where there is not. */
function label(pen: Pen, piece: Laid, number: number, size: string, box: { x: number; y: number; width: number; height: number }): void {
  const name = `${number}. ${piece.label}${piece.turned ? ', turned' : ''}`;
  const upright = box.height > box.width * 1.3;
  const [along, across] = upright ? [box.height, box.width] : [box.width, box.height];
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const put = (words: string, letters: number, down: number): void => {
    const half = widthOf(words, pen.regular, letters) / 2;
    write(pen, words, upright ? [x + down, y - half] : [x - half, y - down], { size: letters, turned: upright });
  };
  const fits = (words: string, letters: number): boolean => widthOf(words, pen.regular, letters) < along - 1.5;
  if (across > 7 && fits(name, 7) && fits(size, 6)) {
    put(name, 7, -0.4);
    put(size, 6, 2.8);
  } else if (across > 3 && fits(name, 6.5)) put(name, 6.5, 0.8);
  else if (across > 2) put(String(number), 5.5, 0.7);
}

/** A sheet or roll under a line of words, scaled to the page: the pieces as they are cut, with their names. */
function layout(pen: Pen, { says, size, laid, shapes = [], scale }: Sheet, unit: Unit): void {
  room(pen, size.width * scale + 16);
  pen.y -= 3;
  paragraph(pen, says, { font: pen.bold, lead: 3.6 });
  const top = pen.y;
  const at = (x: number, y: number): Point => [MARGIN + y * scale, top - x * scale];
  const box = (x: number, y: number, w: number, h: number): Point[] => [at(x, y), at(x + w, y), at(x + w, y + h), at(x, y + h)];
  ring(pen, box(0, 0, size.width, size.height), { thickness: 1 });
  laid.forEach((piece, i) => {
    const corners = box(piece.x, piece.y, piece.width, piece.height);
    ring(pen, corners, shapes.length > 0 ? { thickness: 0.3, color: FAINT } : { thickness: 0.6 });
    const [x, y] = corners[1]!;
    label(pen, piece, i + 1, `${saidLength(piece.width, unit)} × ${saidLength(piece.height, unit)}`, {
      x,
      y,
      width: piece.height * scale,
      height: piece.width * scale,
    });
  });
  for (const { points } of shapes)
    ring(
      pen,
      points.map(([x, y]) => at(x, y)),
      { thickness: 0.7, color: MADDER },
    );
  pen.y -= size.width * scale + 6;
}

/** Every sheet and roll with what is laid on it. */
export function cutPages(pen: Pen, { plan, piece, unit, chosen = {} }: PrintJob): void {
  newPage(pen);
  heading(pen, 'Cut sheet');
  const { cut } = plan;
  const say = (mm: number): string => saidLength(mm, unit);
  for (const foamSheets of cut.foam.layouts) {
    const size = { width: foamSheets.width, height: foamSheets.length };
    for (const { laid, says } of sheetsAlike(foamSheets))
      layout(
        pen,
        {
          says: `${foamSheets.materialName} ${foamThickness(foamSheets.thickness, unit)}, ${says}: ${say(size.width)} × ${say(size.height)}`,
          size,
          laid,
          scale: Math.min(across(pen) / size.height, 0.09),
        },
        unit,
      );
  }
  const { board } = cut;
  board?.sheets.forEach((laid, k, all) => {
    const size = { width: board.width, height: board.length };
    const says = `${board.materialName} ${say(board.thickness)}, sheet ${k + 1} of ${all.length}: ${say(size.width)} × ${say(size.height)}`;
    layout(pen, { says, size, laid, scale: Math.min(across(pen) / size.height, 0.09) }, unit);
  });
  const rolls: { name: string; line: string; roll: RollLayout | null; shapes?: CutPlan['shapes'] | undefined }[] = [
    { name: piece.cloth.name || 'Cloth', line: 'cloth.length', roll: cut.cloth, shapes: cut.shapes },
    { name: piece.second?.name || 'Second cloth', line: 'second.length', roll: cut.second, shapes: cut.second?.shapes },
    { name: 'Lining cloth', line: 'lining.length', roll: cut.lining },
    { name: plan.wadding?.name ?? '', line: 'wadding.length', roll: cut.wadding },
    { name: 'Dust cloth', line: 'dustCover.length', roll: cut.dustCover },
    { name: 'Slip film', line: 'film.length', roll: cut.film },
    { name: 'Waterproof cloth', line: 'waterproof.length', roll: cut.waterproof },
    { name: 'Backed foam', line: 'backedFoam.length', roll: cut.backedFoam },
  ];
  for (const { name, line, roll, shapes } of rolls) {
    if (!roll || roll.laid.length === 0) continue;
    const says = `${name}: ${rollLength(roll.length, unit)} of a roll ${say(roll.width)} wide, ${Math.round(roll.utilisation * 100)} % used${chosen[line] === undefined ? '' : `; ${rollLength(chosen[line], unit)} ${CHOSEN}`}`;
    layout(
      pen,
      {
        says,
        size: { width: roll.width, height: roll.length },
        laid: roll.laid,
        scale: Math.min(across(pen) / roll.length, 60 / roll.width),
        ...(shapes ? { shapes } : {}),
      },
      unit,
    );
  }
}
