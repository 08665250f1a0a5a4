import type { TemplateMode } from '../templates';

/** What is printed, in its order. */
export const PRINT_PARTS = [
  { id: 'job', name: 'Job sheet' },
  { id: 'cut', name: 'Cut sheet' },
  { id: 'run', name: 'Run sheet' },
  { id: 'labels', name: 'Labels, 62 × 29 mm' },
  { id: 'slip', name: 'Slip, 62 mm wide' },
  { id: 'slip-a6', name: 'Slip, A6' },
  { id: 'templates', name: 'Templates' },
] as const;
export type PrintPart = (typeof PRINT_PARTS)[number]['id'];

/** What of a piece is printed, and each template in which mode; nothing said is as usual. */
export type PrintChoice = { parts?: readonly PrintPart[]; modes?: Readonly<Record<string, TemplateMode>> };

/** What is printed unless somebody says otherwise. */
export const USUAL_PARTS: readonly PrintPart[] = ['job', 'cut', 'run', 'templates'];

/** A template as it can be chosen: its modes, each with the sheets that it takes. */
export type TemplateChoice = { id: string; title: string; mode: TemplateMode; modes: { id: TemplateMode; sheets: number }[] };
