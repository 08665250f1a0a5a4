import fontkit from '@pdf-lib/fontkit';
import { PDFDocument } from '@cantoo/pdf-lib';
import { cutPages } from './print/cut-pages';
import { newPage, type Pen, type PrintJob } from './print/pen';
import { runPages } from './print/run-pages';
import { sizePages } from './print/size-pages';
import { templatePages } from './print/template-pages';
import { templatesOf } from './templates';

export { POINTS_PER_MM, type PrintJob } from './print/pen';

/**
 * One PDF: sizes, cut sheet, run sheet, then the foam and cloth templates at full size, tiled.
 *
 * @param job plan, piece, house rules, unit, paper and the bytes of two whole fonts
 */
export async function printPdf(job: PrintJob): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.registerFontkit(fontkit);
  doc.setTitle(`${job.piece.name} – sizes, cut sheet, run sheet and templates`);
  doc.setCreator('Fovea');
  const features = { tnum: true, liga: false };
  const regular = await doc.embedFont(job.fonts.regular, { subset: false, features });
  const bold = await doc.embedFont(job.fonts.bold, { subset: false, features });
  const pen = { doc, regular, bold, paper: job.paper, y: 0, title: `${job.piece.name}  –  set of ${job.piece.count}` } as Pen;
  newPage(pen);
  sizePages(pen, job);
  cutPages(pen, job);
  runPages(pen, job);
  for (const template of templatesOf(job.plan)) templatePages(pen, template);
  return doc.save();
}
