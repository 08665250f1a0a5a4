import { rgb, type Color, type PDFDocument, type PDFFont, type PDFPage } from '@cantoo/pdf-lib';
import type { HouseRules } from '../../house';
import type { Unit } from '../../length';
import type { Point } from '../../outline';
import type { Piece } from '../../piece';
import type { Plan } from '../../plan';
import { MARGIN, PAPERS, type Paper } from '../tiles';

/** PDF points in a millimetre. */
export const POINTS_PER_MM = 72 / 25.4;
export const INK = rgb(0.13, 0.12, 0.11);
export const FAINT = rgb(0.45, 0.43, 0.4);
export const MADDER = rgb(0.6, 0.13, 0.16);

/** What the printed pages need. Fonts are the bytes of whole font files (regular, bold). */
export type PrintJob = {
  plan: Plan;
  piece: Piece;
  house: HouseRules;
  unit: Unit;
  paper: Paper;
  fonts: { regular: Uint8Array; bold: Uint8Array };
};

/** Where the next line goes, and with what it is written; lengths mm, y from the foot of the page. */
export type Pen = { doc: PDFDocument; regular: PDFFont; bold: PDFFont; paper: Paper; page: PDFPage; y: number; title: string };

/** How words are written: size in points. */
export type Hand = { size?: number; font?: PDFFont; color?: Color };

/** Begins a page with the title and its number. */
export function newPage(pen: Pen): void {
  const { width, height } = PAPERS[pen.paper];
  pen.page = pen.doc.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
  pen.y = height - MARGIN;
  const [title] = wrapText(pen.title, pen.regular, 9, width - 2 * MARGIN - 12);
  write(pen, title ?? '', [MARGIN, pen.y - 4], { color: FAINT });
  write(pen, String(pen.doc.getPageCount()), [width - MARGIN - 6, pen.y - 4], { color: FAINT });
  pen.y -= 12;
}

/** Writes words at a place. */
export function write(pen: Pen, words: string, [x, y]: Point, { size = 9, font = pen.regular, color = INK }: Hand = {}): void {
  pen.page.drawText(words, { x: x * POINTS_PER_MM, y: y * POINTS_PER_MM, size, font, color });
}

/** How a line is drawn: thickness in points. */
export type Stroke = { thickness?: number; color?: Color; dash?: number[] };

/** Draws a straight line. */
export function rule({ page }: Pen, a: Point, b: Point, { thickness = 0.5, color = INK, dash }: Stroke = {}): void {
  page.drawLine({
    start: { x: a[0] * POINTS_PER_MM, y: a[1] * POINTS_PER_MM },
    end: { x: b[0] * POINTS_PER_MM, y: b[1] * POINTS_PER_MM },
    thickness,
    color,
    ...(dash ? { dashArray: dash } : {}),
  });
}

/** Draws a closed line. */
export function ring(pen: Pen, corners: readonly Point[], stroke?: Stroke): void {
  corners.forEach((corner, i) => rule(pen, corner, corners[(i + 1) % corners.length]!, stroke));
}

/** Breaks words to a width, mm. */
export function wrapText(words: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  let current = '';
  for (const word of words.split(/\s+/)) {
    const longer = current ? `${current} ${word}` : word;
    if (current && font.widthOfTextAtSize(longer, size) > width * POINTS_PER_MM) {
      lines.push(current);
      current = word;
    } else current = longer;
  }
  return current ? [...lines, current] : lines;
}

/** Width between the margins, mm. */
export const across = ({ paper }: Pen): number => PAPERS[paper].width - 2 * MARGIN;

/** Writes words over as many lines as they need, from the pen's place down. */
export function paragraph(pen: Pen, words: string, hand: Hand & { lead?: number; inset?: number } = {}): void {
  const { size = 9, font = pen.regular, lead = 4.6, inset = 0 } = hand;
  for (const own of wrapText(words, font, size, across(pen) - inset)) {
    write(pen, own, [MARGIN + inset, pen.y], hand);
    pen.y -= lead;
  }
}

/** Begins a new page where less than so much is left on this one, mm. */
export function room(pen: Pen, height: number): void {
  if (pen.y - height < MARGIN) newPage(pen);
}

export function heading(pen: Pen, words: string): void {
  room(pen, 24);
  pen.y -= 7;
  paragraph(pen, words, { size: 15, font: pen.bold, lead: 6 });
}
