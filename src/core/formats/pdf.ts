import fontkit from '@cantoo/fontkit';
import { PDFDocument } from '@cantoo/pdf-lib';
import { cutPages } from './print/cut-pages';
import { jobPages } from './print/job-page';
import { labelPages } from './print/label-pages';
import { PRINT_PARTS, USUAL_PARTS, type PrintChoice, type PrintPart, type TemplateChoice } from './print/choice';
import { paintPages, type PrintedPage } from './print/marks';
import { newPage, shareWidths, writeIn, type Pen, type PrintJob } from './print/pen';
import { runPages } from './print/run-pages';
import { slipPages } from './print/slip-pages';
import { laidOut, templatePages } from './print/template-pages';
import { UNDER, USUAL_SHEETS, usualModes } from './print/usual-modes';
import { templatesOf } from './templates';

export { POINTS_PER_MM, type PrintJob } from './print/pen';
export type { Mark, PrintedPage } from './print/marks';
export type { PrintChoice } from './print/choice';

/** What was laid out: the pages, and what could be chosen of the templates. */
export type Printed = { pages: PrintedPage[]; templates: TemplateChoice[] };

async function fontsOf(doc: PDFDocument, { fonts, words = 'british' }: PrintJob): Promise<Pick<Pen, 'regular' | 'bold'>> {
  doc.registerFontkit(fontkit);
  // Only a subset carries width and Unicode of substituted glyphs: of a whole font the tabular digits have neither.
  const features = { tnum: true, liga: false };
  const regular = await doc.embedFont(fonts.regular, { subset: true, features });
  const bold = await doc.embedFont(fonts.bold, { subset: true, features });
  shareWidths(regular, fonts.regular);
  shareWidths(bold, fonts.bold);
  for (const font of [regular, bold]) writeIn(font, words);
  return { regular, bold };
}

type Given = ReturnType<typeof usualModes>;

/** The pages of some parts, with each template given in its mode. */
function pagesWith(job: PrintJob, parts: readonly PrintPart[], fonts: Pick<Pen, 'regular' | 'bold'>, given: Given): PrintedPage[] {
  const pen = {
    pages: [],
    ...fonts,
    paper: job.paper,
    y: 0,
    title: job.piece.count > 1 ? `${job.piece.name}  –  set of ${job.piece.count}` : job.piece.name,
  } as unknown as Pen;
  const does: Record<PrintPart, () => void> = {
    job: () => {
      newPage(pen);
      jobPages(pen, job);
    },
    cut: () => cutPages(pen, job),
    run: () => runPages(pen, job),
    labels: () => labelPages(pen, job),
    slip: () => slipPages(pen, job, 'slip'),
    'slip-a6': () => slipPages(pen, job, 'slip-a6'),
    templates: () =>
      templatePages(
        pen,
        given.map(({ template, mode }) => laidOut(template, mode, job.paper)),
        job.unit,
      ),
  };
  for (const { id } of PRINT_PARTS) if (parts.includes(id)) does[id]();
  return pen.pages;
}

/** The pages with as many full-size templates as keep the job under a dozen sheets. */
function pagesOf(job: PrintJob, { parts = USUAL_PARTS, modes = {} }: PrintChoice, fonts: Pick<Pen, 'regular' | 'bold'>): Printed {
  const templates = templatesOf(job.plan);
  const modesWith = (most: number): Given => usualModes(templates, job.paper, most, modes);
  // Of the usual parts, whatever is asked for: a label more changes no template. Each part begins a page of its own.
  const text = pagesWith(
    job,
    USUAL_PARTS.filter((part) => part !== 'templates'),
    fonts,
    [],
  ).length;
  const sheets = (most: number): number => text + pagesWith(job, ['templates'], fonts, modesWith(most)).length;
  const given = modesWith(USUAL_SHEETS.find((most) => sheets(most) < UNDER) ?? 0);
  return {
    pages: pagesWith(job, parts, fonts, given),
    templates: given.map(({ template, offered, mode }) => ({
      id: template.id,
      title: template.title,
      mode,
      modes: offered.map((id) => ({ id, sheets: laidOut(template, id, job.paper).sheets.length })),
    })),
  };
}

/**
 * The pages of a piece, as they are shown before they are printed.
 *
 * @param job plan, piece, house rules, unit, paper and the bytes of two whole fonts
 * @param [choice] which parts, and the templates' modes
 */
export async function printedPages(job: PrintJob, choice: PrintChoice = {}): Promise<Printed> {
  return pagesOf(job, choice, await fontsOf(await PDFDocument.create(), job));
}

/**
 * One PDF: job sheet, cut sheet, run sheet, labels where they are wanted, then the foam and cloth templates at full size, tiled.
 *
 * @param job plan, piece, house rules, unit, paper and the bytes of two whole fonts
 * @param [choice] which parts, and the templates' modes
 */
export async function printPdf(job: PrintJob, choice: PrintChoice = {}): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle(`${job.piece.name} – job sheet, cut sheet, run sheet and templates`);
  doc.setCreator('Fovea');
  const fonts = await fontsOf(doc, job);
  const { pages } = pagesOf(job, choice, fonts);
  paintPages(doc, pages, fonts);
  return doc.save();
}
