import { wayOf, type Way } from '@/core/cover';
import { step } from '@/core/step/step';

/** A way of covering that nobody uses: the proof that a new one is one file and one line. */
export const draped: Way = {
  ...wayOf('pull-over'),
  id: 'draped',
  name: 'Draped',
  words: 'A cloth laid over and left to hang.',
  fields: ['lip'],
  suits: () => ({ against: [], good: 'It hangs as it likes.' }),
  steps: () => ({ before: [step('drape', 'Drape the cloth', 'Lay it over and let it hang.', 3)] }),
};
