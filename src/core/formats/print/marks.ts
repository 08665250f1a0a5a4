import { degrees, rgb, type PDFDocument, type PDFFont, type PDFPage } from '@cantoo/pdf-lib';
import type { Point } from '../../outline';
import { POINTS_PER_MM } from '../tiles';

/** What is put on a page; places in mm from its lower left corner, thickness and letters in points, colours `#rrggbb`. */
export type Mark =
  | { kind: 'line'; from: Point; to: Point; thickness: number; colour: string; dash?: number[] }
  | { kind: 'area'; points: Point[]; colour: string }
  | { kind: 'words'; at: Point; words: string; size: number; bold: boolean; colour: string; turned: boolean };

/** A printed page: what a printer gets, and what is shown before it does. */
export type PrintedPage = { width: number; height: number; marks: Mark[] };

const colourOf = (hex: string) => rgb(...([1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16) / 255) as [number, number, number]));

type Fonts = { regular: PDFFont; bold: PDFFont };

function paint(page: PDFPage, mark: Mark, { regular, bold }: Fonts): void {
  const on = (value: number): number => value * POINTS_PER_MM;
  if (mark.kind === 'line') {
    page.drawLine({
      start: { x: on(mark.from[0]), y: on(mark.from[1]) },
      end: { x: on(mark.to[0]), y: on(mark.to[1]) },
      thickness: mark.thickness,
      color: colourOf(mark.colour),
      ...(mark.dash ? { dashArray: mark.dash } : {}),
    });
  } else if (mark.kind === 'area') {
    // The page's own y runs upwards, a path's downwards.
    const d = `M${mark.points.map(([x, y]) => `${on(x).toFixed(2)} ${(-on(y)).toFixed(2)}`).join('L')}Z`;
    page.drawSvgPath(d, { x: 0, y: 0, color: colourOf(mark.colour), borderWidth: 0 });
  } else {
    page.drawText(mark.words, {
      x: on(mark.at[0]),
      y: on(mark.at[1]),
      size: mark.size,
      font: mark.bold ? bold : regular,
      color: colourOf(mark.colour),
      ...(mark.turned ? { rotate: degrees(90) } : {}),
    });
  }
}

/** Puts pages into a PDF. */
export function paintPages(doc: PDFDocument, pages: readonly PrintedPage[], fonts: Fonts): void {
  for (const { width, height, marks } of pages) {
    const page = doc.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
    for (const mark of marks) paint(page, mark, fonts);
  }
}
