import type { Job } from './job';

const cell = (text: string): string => text.replaceAll('|', '\\|');

/** The jobs as a page to be read: docs/jobs.md. */
export function jobsTable(jobs: readonly Job[]): string {
  const rows = jobs.flatMap((job, k) => [
    `## ${k + 1} ${job.title}`,
    '',
    job.inputs,
    '',
    '| Figure | At least | At most | Why |',
    '| --- | --- | --- | --- |',
    ...job.figures.map(({ what, least, most, why }) => `| ${cell(what)} | ${Math.round(least)} | ${Math.round(most)} | ${cell(why)} |`),
    '',
    `In this order: ${job.order.join(', ')}.${job.never ? ` Never: ${job.never.join(', ')}.` : ''} To buy: ${job.buys.join(', ')}.${job.browser ? ' Run through the browser.' : ''}`,
    '',
  ]);
  return [
    '# Jobs that are planned in every test',
    '',
    'Jobs of the observatory lodge, and what an upholsterer of thirty years would let pass: each is planned by',
    '`src/testing/jobs/jobs.test.ts`, its figures, the order of its run sheet and its shopping list looked at; some are run through',
    'the browser as well (`e2e/13-jobs.spec.ts`). Millimetres and minutes. This page is written from `src/testing/jobs`.',
    '',
    ...rows,
  ].join('\n');
}
