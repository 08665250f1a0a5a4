import { length, record, tag } from '@/core/fields';
import { padForm } from '@/core/pad-forms/form';

/** A form of a pad's top that nobody cuts: its far half a step lower. */
export const terraced = padForm({
  id: 'terraced',
  name: 'In two terraces',
  noun: 'Terrace',
  schema: record({ kind: tag('terraced'), by: length('Lower terrace', [1, 100], { default: 10 }) }),
  fields: ['by'],
  up: false,
  first: () => ({ kind: 'terraced' as const, by: 10 }),
  thickest: (_, { high }) => high,
  thinnest: ({ by }, { low }) => low - by,
  thickness:
    ({ by }, _, __, level) =>
    (at) =>
      level(at) - (at[1] > 0 ? by : 0),
  bends: () => [],
  side: () => null,
  words: ({ by }) => `Saw the far half ${by} mm lower.`,
  size: ({ by }) => ({ value: by, note: 'the far half', formula: 'as it was given', terms: [{ key: 'by', name: 'Lower by', value: by }] }),
  handles: () => [],
});
