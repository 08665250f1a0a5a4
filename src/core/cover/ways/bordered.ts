import { defaultsOf } from '../../piece';
import { COVERING } from '../../piece/schema/covering';
import { cornerPlaces, edgeName, insetSeam, lowerEdge, placeAt, stretches, topSeam } from '../surface/levels';
import type { PanelSpec } from '../laying/panel-spec';
import { bandedReach, bandPanel, joinEdge, mm, seamEdge, topPanel } from './parts';
import type { Way } from './way';

const BORDER = defaultsOf(COVERING).border!;
/** Borders that are tried where nobody chose one, widest first, mm. */
const BORDERS = [BORDER, 70, 50, 35, 25];
/** A border needs a panel left inside it, mm. */
const LEAST_PANEL = 160;

export const bordered: Way = {
  id: 'bordered',
  name: 'Bordered panel',
  words: 'An inner panel, a mitred border over the rolls, an outer band joined at the mitres.',
  pulled: false,
  fields: ['border', 'seamAt'],
  welt: { start: {}, upper: 'Welt round the inner panel', lower: 'Welt along the edge' },
  channels: 'offered',
  overNotches: true,
  depths: (covering) =>
    covering.border === undefined
      ? BORDERS.map((border) => ({ depth: border, covering: { ...covering, border } }))
      : [{ depth: covering.border, covering }],
  tooDeep: ['border', 'border'],
  problems: ({ covering: { border } }, narrowest) =>
    border !== undefined && border > narrowest / 2 - 20
      ? [
          {
            path: 'covering.border',
            message: `A border of ${Math.round(border)} mm leaves no panel inside it; ${Math.floor(narrowest / 2 - 20)} mm is the most`,
          },
        ]
      : [],
  panels: (working) => {
    const { ring, covering, welt, rule } = working;
    const allowance = rule('seamAllowance');
    const inset = insetSeam(ring, covering.border!, covering);
    const [top, lower] = [topSeam(ring, covering, rule), lowerEdge(ring)];
    const corners = cornerPlaces(ring);
    // Without corners the ring is cut in two, so that it can be laid flat.
    const parts = stretches(ring, corners.length > 1 ? corners : [placeAt(ring, 0), placeAt(ring, 0.5)]);
    const names = parts.map(([from, to]) => edgeName(ring, from, to));
    const mitre = (k: number): string => `mitre ${(k % parts.length) + 1}`;
    return {
      panels: [
        topPanel(working, inset, seamEdge('inner', allowance), 'Inner panel'),
        ...parts.map(([from, to], k): PanelSpec => ({
          id: `border-${k + 1}`,
          name: `Border, ${names[k]}`,
          role: 'border',
          region: { kind: 'strip', inner: inset, outer: top, from, to, lay: 'plan' },
          inner: seamEdge('inner', allowance),
          outer: seamEdge('top', allowance),
          first: joinEdge(mitre(k), allowance),
          last: joinEdge(mitre(k + 1), allowance),
        })),
        ...parts.map(([from, to], k) =>
          bandPanel(
            working,
            { inner: top, outer: lower, from, to },
            {
              id: `outer-${k + 1}`,
              name: `Outer band, ${names[k]}`,
              role: 'band',
              first: joinEdge(`band ${mitre(k)}`, allowance),
              last: joinEdge(`band ${mitre(k + 1)}`, allowance),
              note: 'Its joins lie in line with the mitres.',
            },
          ),
        ),
      ],
      seams: [
        { id: 'inner', name: 'Inner seam', level: inset, welted: Boolean(welt?.upper) },
        { id: 'top', name: 'Edge seam', level: top, welted: Boolean(welt?.lower) },
      ],
      zip: null,
    };
  },
  reach: (working, seams) => bandedReach(working, seams, { inner: seams[0]!.level }),
  tackAlong: (_working, { seams }) => seams[0]!.level,
  suits: ({ across, round, traits }) => ({
    against: [
      [across < LEAST_PANEL + 60, true, `Only ${mm(across)} across: no panel is left inside a border.`],
      [round, false, 'A round edge has no corners to mitre: the border is one ring, and flares.'],
      [!traits.wall, false, 'Usual on headboards: a border wears where people sit.'],
    ],
    good: 'A large flat panel: the border gives it a frame.',
  }),
};
