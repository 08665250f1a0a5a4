import type { Static } from '@sinclair/typebox';
import { PHOTO } from '../piece';
import { day, list, record, words } from '../fields';

/** Pieces of one customer or room: cut, bought, scheduled and priced together. */
export const JOB = record({
  name: words('Job', 80, { default: '' }),
  customer: words('For', 80, { default: '' }),
  due: { ...day('Due'), default: '' },
  notes: words('Notes', 4000, { default: '' }),
  photos: list('Photos', PHOTO, [0, 40]),
});
export type Job = Static<typeof JOB>;
