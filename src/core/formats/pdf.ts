import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib';
import type { HouseRules } from '../house';
import { formatLength, inUnit, type Unit } from '../length';
import { bounds, type Point, type Polygon } from '../outline';
import type { Laid } from '../cut';
import type { Piece } from '../piece';
import type { Plan } from '../plan';
import { printFigure, slipOf } from '../slip';
import { templatesOf, type Template } from './templates';
import { clip, MARGIN, OVERLAP, PAPERS, tiles, type Paper, type Tile } from './tiles';

/** PDF points in a millimetre. */
export const POINTS_PER_MM = 72 / 25.4;
const INK = rgb(0.13, 0.12, 0.11);
const FAINT = rgb(0.45, 0.43, 0.4);
const MADDER = rgb(0.6, 0.13, 0.16);
/** Side of the square one measures to see that the printer did not scale, mm. */
const CHECK = 100;

/** What the printed pages need. Fonts are the bytes of font files (regular, bold). */
export type PrintJob = {
  plan: Plan;
  piece: Piece;
  house: HouseRules;
  unit: Unit;
  paper: Paper;
  fonts: { regular: Uint8Array; bold: Uint8Array };
};

type Pen = { doc: PDFDocument; regular: PDFFont; bold: PDFFont; paper: Paper; page: PDFPage; y: number; title: string };

function newPage(pen: Pen): void {
  const { width, height } = PAPERS[pen.paper];
  pen.page = pen.doc.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
  pen.y = height - MARGIN;
  text(pen, pen.title, MARGIN, pen.y - 4, 9, pen.regular, FAINT);
  text(pen, String(pen.doc.getPageCount()), width - MARGIN - 6, pen.y - 4, 9, pen.regular, FAINT);
  pen.y -= 12;
}

/** Characters the shipped face lacks are printed as their nearest plain sign rather than as a box. */
function plain(words: string): string {
  return words
    .replace(/≤/g, '<=')
    .replace(/[⌈⌉]/g, '')
    .replace(/[^\u0020-\u00ff–—‘’“”•…−×″′]/g, '?');
}

function text(pen: Pen, words: string, x: number, y: number, size: number, font: PDFFont, color = INK): void {
  pen.page.drawText(plain(words), { x: x * POINTS_PER_MM, y: y * POINTS_PER_MM, size, font, color });
}

function line(page: PDFPage, a: Point, b: Point, thickness: number, color = INK, dash?: number[]): void {
  page.drawLine({
    start: { x: a[0] * POINTS_PER_MM, y: a[1] * POINTS_PER_MM },
    end: { x: b[0] * POINTS_PER_MM, y: b[1] * POINTS_PER_MM },
    thickness,
    color,
    ...(dash ? { dashArray: dash } : {}),
  });
}

/** Breaks words to a width, mm. */
function wrapText(words: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  let current = '';
  for (const word of plain(words).split(/\s+/)) {
    const longer = current ? `${current} ${word}` : word;
    if (current && font.widthOfTextAtSize(longer, size) > width * POINTS_PER_MM) {
      lines.push(current);
      current = word;
    } else current = longer;
  }
  return current ? [...lines, current] : lines;
}

function room(pen: Pen, height: number): void {
  if (pen.y - height < MARGIN) newPage(pen);
}

function heading(pen: Pen, words: string): void {
  room(pen, 24);
  pen.y -= 7;
  text(pen, words, MARGIN, pen.y, 15, pen.bold);
  pen.y -= 6;
}

function slipPages(pen: Pen, job: PrintJob): void {
  heading(pen, `Slip: ${job.piece.name}${job.piece.count > 1 ? `, set of ${job.piece.count}` : ''}`);
  const width = PAPERS[job.paper].width;
  let group = '';
  for (const row of slipOf(job.plan, job.piece, job.house)) {
    room(pen, 12);
    if (row.group !== group) {
      pen.y -= 3;
      text(pen, row.group, MARGIN, pen.y, 10, pen.bold, MADDER);
      pen.y -= 5.5;
      group = row.group;
    }
    const figure =
      printFigure(row.value, row.unit, job.unit) + (row.by === undefined ? '' : ` × ${printFigure(row.by, row.unit, job.unit)}`);
    text(pen, row.label, MARGIN, pen.y, 10, pen.regular);
    text(pen, figure, MARGIN + 62, pen.y, 10, pen.bold);
    if (row.note) text(pen, inUnit(row.note, job.unit), MARGIN + 112, pen.y, 8.5, pen.regular, FAINT);
    line(pen.page, [MARGIN, pen.y - 1.6], [width - MARGIN, pen.y - 1.6], 0.3, FAINT);
    pen.y -= 6;
  }
  heading(pen, 'Wrap round the edge');
  const columns = [0, 16, 62, 90, 118, 146].map((x) => MARGIN + x);
  ['No.', 'Where', 'Side', 'Wrap', 'From centre', 'Rim height'].forEach((words, i) => text(pen, words, columns[i]!, pen.y, 9, pen.bold));
  pen.y -= 5;
  for (const s of job.plan.stations) {
    room(pen, 6);
    const cells = [s.id, s.edge, ...[s.side, s.wrap, s.fromCentre, s.edgeHeight].map((mm) => formatLength(mm, job.unit))];
    cells.forEach((words, i) => text(pen, words, columns[i]!, pen.y, 9, pen.regular));
    pen.y -= 4.6;
  }
  for (const warning of job.plan.warnings) {
    room(pen, 10);
    for (const words of wrapText(inUnit(`Note: ${warning.message}`, job.unit), pen.regular, 9, width - 2 * MARGIN)) {
      text(pen, words, MARGIN, pen.y - 3, 9, pen.regular, MADDER);
      pen.y -= 4.6;
    }
  }
}

/** Draws a sheet or roll with its pieces, scaled to a box, and returns the height used, mm. */
function layoutDrawing(pen: Pen, size: { width: number; height: number }, laid: readonly Laid[], scale: number): void {
  const { width, height } = size;
  room(pen, width * scale + 8);
  const top = pen.y;
  const at = (x: number, y: number): Point => [MARGIN + y * scale, top - x * scale];
  const box = (x: number, y: number, w: number, h: number, thickness: number): void => {
    const corners = [at(x, y), at(x + w, y), at(x + w, y + h), at(x, y + h)];
    corners.forEach((corner, i) => line(pen.page, corner, corners[(i + 1) % 4]!, thickness));
  };
  box(0, 0, width, height, 1);
  laid.forEach((piece, i) => {
    box(piece.x, piece.y, piece.width, piece.height, 0.6);
    const [x, y] = at(piece.x, piece.y);
    text(pen, `${piece.label} ${i + 1}${piece.turned ? ', turned' : ''}`, x + 1, y - 3.6, 7, pen.regular);
  });
  pen.y -= width * scale + 6;
}

function cutPages(pen: Pen, job: PrintJob): void {
  newPage(pen);
  heading(pen, 'Cut sheet');
  const { cut } = job.plan;
  const across = PAPERS[job.paper].width - 2 * MARGIN;
  for (const layout of cut.foam.layouts) {
    layout.sheets.forEach((laid, i) => {
      const scale = Math.min(across / cut.foam.sheetLength, 0.09);
      room(pen, cut.foam.sheetWidth * scale + 16);
      text(
        pen,
        `${layout.materialName} ${formatLength(layout.thickness, job.unit)}, sheet ${i + 1} of ${layout.sheets.length}: ${formatLength(cut.foam.sheetWidth, job.unit)} × ${formatLength(cut.foam.sheetLength, job.unit)}`,
        MARGIN,
        pen.y - 3,
        9,
        pen.bold,
      );
      pen.y -= 6;
      layoutDrawing(pen, { width: cut.foam.sheetWidth, height: cut.foam.sheetLength }, laid, scale);
    });
  }
  const rolls = [
    { name: job.piece.cloth.name || 'Cloth', roll: cut.cloth },
    { name: 'Lining cloth', roll: cut.lining },
    { name: 'Wadding', roll: cut.wadding },
    { name: 'Dust cloth', roll: cut.dustCover },
  ];
  for (const { name, roll } of rolls) {
    if (!roll || roll.laid.length === 0) continue;
    const scale = Math.min(across / roll.length, 60 / roll.width);
    room(pen, roll.width * scale + 16);
    text(
      pen,
      `${name}: ${formatLength(roll.length, job.unit)} of a roll ${formatLength(roll.width, job.unit)} wide, ${Math.round(roll.utilisation * 100)} % used`,
      MARGIN,
      pen.y - 3,
      9,
      pen.bold,
    );
    pen.y -= 6;
    layoutDrawing(pen, { width: roll.width, height: roll.length }, roll.laid, scale);
  }
}

function runPages(pen: Pen, job: PrintJob): void {
  newPage(pen);
  heading(pen, 'Run sheet');
  const across = PAPERS[job.paper].width - 2 * MARGIN;
  job.plan.steps.forEach((step, i) => {
    const detail = wrapText(inUnit(step.detail, job.unit), pen.regular, 9, across - 50);
    const caution = step.caution ? wrapText(step.caution, pen.regular, 8, across - 50) : [];
    room(pen, 8 + 4.4 * (detail.length + caution.length));
    text(pen, `${i + 1}  ${step.name}`, MARGIN, pen.y - 3, 10.5, pen.bold);
    text(pen, `${step.minutes} min${step.wait ? `, then wait ${step.wait}` : ''}`, MARGIN + across - 45, pen.y - 3, 9, pen.regular);
    for (let k = 0; k < Math.min(job.piece.count, 12); k++) {
      const x = MARGIN + across - 45 + (k % 10) * 4.5;
      const y = pen.y - 9 - Math.floor(k / 10) * 4.5;
      const corners: Point[] = [
        [x, y],
        [x + 3.2, y],
        [x + 3.2, y + 3.2],
        [x, y + 3.2],
      ];
      corners.forEach((corner, c) => line(pen.page, corner, corners[(c + 1) % 4]!, 0.5));
    }
    pen.y -= 8;
    for (const words of detail) {
      text(pen, words, MARGIN + 6, pen.y, 9, pen.regular);
      pen.y -= 4.4;
    }
    for (const words of caution) {
      text(pen, words, MARGIN + 6, pen.y, 8, pen.regular, MADDER);
      pen.y -= 4.2;
    }
    pen.y -= 2;
  });
}

function tileName(tile: Tile): string {
  return `${String.fromCharCode(65 + (tile.row % 26))}${tile.column + 1}`;
}

function templatePages(pen: Pen, template: Template, paper: Paper): void {
  const {
    columns,
    rows,
    tiles: sheets,
  } = tiles(
    template.lines.filter((l) => l.closed).map((l) => l.outline),
    paper,
  );
  pen.title = `${template.title}: ${sheets.length} sheets, print at 100 %, not “fit to page”`;
  newPage(pen);
  overview(pen, template, { columns, rows, sheets });
  for (const tile of sheets) {
    const { width, height } = PAPERS[paper];
    pen.page = pen.doc.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
    const place = (p: Point): Point => [p[0] - tile.x + MARGIN, p[1] - tile.y + MARGIN];
    for (const drawn of template.lines) {
      drawn.outline.forEach((a, i) => {
        if (!drawn.closed && i === drawn.outline.length - 1) return;
        const seen = clip(a, drawn.outline[(i + 1) % drawn.outline.length]!, tile);
        if (seen)
          line(
            pen.page,
            place(seen[0]),
            place(seen[1]),
            drawn.dashed ? 0.5 : 1.1,
            drawn.cloth ? MADDER : undefined,
            drawn.dashed ? [5, 4] : undefined,
          );
      });
    }
    for (const mark of template.marks) {
      for (const [a, b] of [
        [
          [mark[0] - 8, mark[1]],
          [mark[0] + 8, mark[1]],
        ],
        [
          [mark[0], mark[1] - 8],
          [mark[0], mark[1] + 8],
        ],
      ] as [Point, Point][]) {
        const seen = clip(a, b, tile);
        if (seen) line(pen.page, place(seen[0]), place(seen[1]), 0.6);
      }
    }
    for (const { at, says } of template.labels ?? []) {
      const [x, y] = place(at);
      const inside = x > MARGIN && y > MARGIN && x < MARGIN + tile.width - 12 && y < MARGIN + tile.height - 4;
      if (inside) text(pen, says, x + 2, y + 1.5, 8, pen.regular);
    }
    overlapMarks(pen, tile, columns, rows);
    text(pen, `${tileName(tile)}  ${template.title}`, MARGIN, 5, 8, pen.regular, FAINT);
  }
}

/** Crosses on the lines along which the next sheet is laid: they must fall on each other. */
function overlapMarks(pen: Pen, tile: Tile, columns: number, rows: number): void {
  const xs = [tile.column > 0 ? OVERLAP : null, tile.column < columns - 1 ? tile.width - OVERLAP : null];
  const ys = [tile.row > 0 ? OVERLAP : null, tile.row < rows - 1 ? tile.height - OVERLAP : null];
  for (const x of xs) {
    if (x === null) continue;
    line(pen.page, [MARGIN + x, MARGIN], [MARGIN + x, MARGIN + tile.height], 0.25, FAINT, [1, 5]);
    for (const y of [tile.height * 0.25, tile.height * 0.75]) cross(pen, MARGIN + x, MARGIN + y);
  }
  for (const y of ys) {
    if (y === null) continue;
    line(pen.page, [MARGIN, MARGIN + y], [MARGIN + tile.width, MARGIN + y], 0.25, FAINT, [1, 5]);
    for (const x of [tile.width * 0.25, tile.width * 0.75]) cross(pen, MARGIN + x, MARGIN + y);
  }
}

function cross(pen: Pen, x: number, y: number): void {
  line(pen.page, [x - 3, y], [x + 3, y], 0.5);
  line(pen.page, [x, y - 3], [x, y + 3], 0.5);
}

/** The first page of a template: the check square and how the sheets go together. */
function overview(pen: Pen, template: Template, grid: { columns: number; rows: number; sheets: Tile[] }): void {
  const { width } = PAPERS[pen.paper];
  heading(pen, template.title);
  for (const words of wrapText(
    `Measure the square: it must be ${CHECK} mm each way. Lay each sheet over its neighbour so that the crosses meet; neighbours overlap by ${OVERLAP * 1} mm, from dotted line to paper edge of the drawing.`,
    pen.regular,
    9,
    width - 2 * MARGIN,
  )) {
    text(pen, words, MARGIN, pen.y - 2, 9, pen.regular);
    pen.y -= 4.6;
  }
  pen.y -= 4;
  const corners: Point[] = [
    [MARGIN, pen.y - CHECK],
    [MARGIN + CHECK, pen.y - CHECK],
    [MARGIN + CHECK, pen.y],
    [MARGIN, pen.y],
  ];
  corners.forEach((corner, i) => line(pen.page, corner, corners[(i + 1) % 4]!, 0.8));
  text(pen, `${CHECK} mm`, MARGIN + 40, pen.y - CHECK / 2, 12, pen.bold);
  pen.y -= CHECK + 10;
  const box = bounds(
    grid.sheets.flatMap((t): Polygon => [
      [t.x, t.y],
      [t.x + t.width, t.y + t.height],
    ]),
  );
  const scale = Math.min((width - 2 * MARGIN) / box.width, (pen.y - MARGIN - 4) / box.height);
  const at = ([x, y]: Point): Point => [MARGIN + (x - box.minX) * scale, MARGIN + (y - box.minY) * scale];
  for (const tile of grid.sheets) {
    const ring: Polygon = [
      [tile.x, tile.y],
      [tile.x + tile.width, tile.y],
      [tile.x + tile.width, tile.y + tile.height],
      [tile.x, tile.y + tile.height],
    ];
    ring.forEach((p, i) => line(pen.page, at(p), at(ring[(i + 1) % 4]!), 0.3, FAINT));
    const [x, y] = at([tile.x + tile.width / 2, tile.y + tile.height / 2]);
    text(pen, tileName(tile), x - 3, y, 9, pen.bold, FAINT);
  }
  for (const drawn of template.lines) {
    drawn.outline.forEach((p, i) => {
      if (drawn.closed || i < drawn.outline.length - 1)
        line(
          pen.page,
          at(p),
          at(drawn.outline[(i + 1) % drawn.outline.length]!),
          drawn.dashed ? 0.3 : 0.8,
          drawn.cloth ? MADDER : undefined,
        );
    });
  }
}

/**
 * One PDF: slip, cut sheet, run sheet, then the foam and cloth templates at full size, tiled.
 *
 * @param job plan, piece, house rules, unit, paper and the bytes of two fonts
 */
export async function printPdf(job: PrintJob): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.registerFontkit(fontkit);
  doc.setTitle(`${job.piece.name} – slip, cut sheet, run sheet and templates`);
  doc.setCreator('Fovea');
  const features = { tnum: true, liga: false };
  const regular = await doc.embedFont(job.fonts.regular, { subset: true, features });
  const bold = await doc.embedFont(job.fonts.bold, { subset: true, features });
  const pen = { doc, regular, bold, paper: job.paper, y: 0, title: `${job.piece.name}  –  set of ${job.piece.count}` } as Pen;
  newPage(pen);
  slipPages(pen, job);
  cutPages(pen, job);
  runPages(pen, job);
  for (const template of templatesOf(job.plan)) templatePages(pen, template, job.paper);
  return doc.save();
}
