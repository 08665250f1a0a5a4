import { CAUTIONS } from '../../step/cautions';
import { step } from '../../step/step';
import { defaultsOf } from '../../piece';
import { COVERING } from '../../piece/schema/covering';
import { insetSeam } from '../surface/levels';
import { topPanel } from './parts';
import type { Way } from './way';

const LIP = defaultsOf(COVERING).lip!;
/** Turning under and laying the cord, minutes. */
const FINISHING = 6;

export const lipped: Way = {
  id: 'lipped',
  name: 'Panel to a wood edge',
  words: 'A panel turned under against a lip, a cord laid along it.',
  pulled: false,
  fields: ['lip'],
  welt: { start: { cord: 5, lower: false }, upper: null, lower: null },
  overNotches: false,
  endsInside: true,
  depths: (covering) => [{ depth: covering.lip ?? LIP, covering }],
  tooDeep: ['lip', 'lip'],
  problems: ({ covering: { lip } }, narrowest) =>
    lip !== undefined && lip > narrowest / 2 - 20
      ? [
          {
            path: 'covering.lip',
            message: `A lip ${Math.round(lip)} mm in leaves no panel; ${Math.floor(narrowest / 2 - 20)} mm maximum`,
          },
        ]
      : [],
  panels: (working) => {
    const { ring, covering, rule } = working;
    const lip = insetSeam(ring, covering.lip ?? LIP, covering);
    const outer = { id: 'edge', kind: 'turn' as const, seam: 'lip', allowance: rule('turnUnder') };
    return {
      panels: [{ ...topPanel(working, lip, outer, 'Panel'), note: 'Turned under against the lip; the cord is laid along it.' }],
      seams: [{ id: 'lip', name: 'Lip', level: lip, welted: true, laid: true }],
      zip: null,
    };
  },
  reach: ({ rule }, seams) => ({
    parts: [
      { label: 'Back to the lip', rule: null },
      { label: 'Turned under', rule: 'turnUnder' },
    ],
    at: (i) => [seams[0]!.level[i]!, rule('turnUnder')],
  }),
  suits: ({ bare, strip, traits }) => ({
    against: [
      [bare <= 0 && !strip, false, 'Needs a lip to finish against: a hard-edge strip, or padding held back.'],
      [traits.pan, true, 'A pan has no lip.'],
    ],
    good: 'There is a lip to finish against.',
  }),
  steps: ({ rule }) => ({
    after: [
      step(
        'lip',
        'Finish against the lip',
        `Turn ${rule('turnUnder')} mm under, fasten close to the lip, lay the cord along it.`,
        FINISHING,
        { uses: ['cord'], caution: CAUTIONS.staples },
      ),
    ],
  }),
};
