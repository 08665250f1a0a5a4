import { defaultsOf, saidEdge } from '../../piece';
import { COVERING } from '../../piece/schema/covering';
import { cornerPlaces, edgeName, insetSeam, lowerEdge, placeAt, placesOver, stretches, topSeam } from '../surface/levels';
import type { EdgeUse, PanelSpec } from '../laying/panel-spec';
import { runOut } from '../surface/run-out';
import { bandedReach, bandPanel, joinEdge, mm, seamEdge, topPanel } from './parts';
import { CAUTIONS } from '../../step/cautions';
import { step } from '../../step/step';
import type { Covering } from '../../piece';
import type { OwnSteps, SewnFacts, Way } from './way';

const BORDER = defaultsOf(COVERING).border!;
/** Borders that are tried where nobody chose one, widest first, mm. */
const BORDERS = [BORDER, 70, 50, 35, 25];
/** A border needs a panel left inside it, mm. */
const LEAST_PANEL = 160;

/** Shapes without a corner at which a border could end. */
const ROUND: readonly string[] = ['round', 'oval', 'kidney'];

/** Whether its parts are back-tacked on the board one after the other; sewn together otherwise. */
const isStaged = ({ made }: Pick<Covering, 'made'>): boolean => (made ?? defaultsOf(COVERING).made) === 'staged';

/** Whether it has none along the side that is nearest, which a mattress hides. */
const onThree = ({ borders }: Pick<Covering, 'borders'>): boolean => borders === 'three';

/** A border that runs out over the edge ends there in a tip, in line with its inner seam: nothing is joined. */
const runsOut = (allowance: number): EdgeUse => ({ id: 'run out', kind: 'turn', seam: null, allowance });
/** Which parts of what the cloth needs beyond the board are the border's. */
const BORDER_PARTS: readonly number[] = [2, 3];

/** Fixing the strips of the lip, a metre of back-tacking, laying the frame of foam in, minutes. */
const MINUTES = { lip: 15, tackMetre: 4, frame: 8, cordMetre: 2 };

/** Its parts go on one after the other, each pulled where it lies and stapled before the next hides its edge. */
function stagedSteps({ piece, rule, seams, welt }: SewnFacts): OwnSteps {
  const { covering } = piece;
  const border = Math.round(covering.border ?? BORDER);
  const three = onThree(covering);
  const where = three ? ' on three sides, running straight down to the bottom edge' : '';
  const length = (id: string): number => (seams.find((seam) => seam.id === id)?.length ?? 0) / 1000;
  const staples = (id: string): number => Math.ceil((length(id) * 1000) / rule('staplePitch'));
  const stapling = (id: string): number => (staples(id) * rule('timeStaple')) / 60;
  const local = (key: string, name: string, words: string, minutes: number) =>
    step(key, name, words, minutes, { uses: ['staple', 'card', 'cord'], caution: CAUTIONS.staples });
  return {
    first: [
      step(
        'lip-strips',
        'Fix the lip',
        `Thin hard strips on the line of the border, ${border} mm in from the edge${where}, mitred at the corners, glued and pinned: the inner panel is stapled to their outer side, the border is tacked against it.`,
        MINUTES.lip,
        { uses: ['card', 'glue'], caution: CAUTIONS.base },
      ),
    ],
    before: [
      local(
        'inner-panel',
        'Staple the inner panel to the lip',
        `Centres first, then outwards, ${staples('inner')} staples into the lip’s outer side; trim it close below them.`,
        stapling('inner'),
      ),
      ...(welt?.upper
        ? [
            local(
              'inner-welt',
              'Piping along the lip',
              `Staple the piping along the lip, cord on the line, its raw edge outwards; ${three ? 'its ends run out over the bottom edge' : 'ends in the middle of the bottom'}.`,
              stapling('inner'),
            ),
          ]
        : []),
      local(
        'border-tack',
        'Back-tack the border',
        `The strips, joined at the mitres, face down over the inner panel, mitres on the corners; tack strip tight against the ${welt?.upper ? 'cord' : 'line'}, ${staples('inner')} staples through it.`,
        length('inner') * MINUTES.tackMetre,
      ),
      step(
        'border-foam',
        'Fill the border',
        'Lay the frame of foam that was cut off into the border, a light coat of glue; its wadding over it.',
        MINUTES.frame,
        { uses: piece.wadding === null ? ['glue'] : ['wadding', 'glue'], caution: CAUTIONS.glue },
      ),
      local(
        'border-pull',
        'Pull the border over',
        `Turn it over the foam, pull from the middles of the sides, and staple it on the board’s edge, ${staples('top')} staples; the mitres run straight into the corners.${three ? ' Along the bottom the panel itself is pulled over and stapled with it.' : ''} Trim.`,
        stapling('top'),
      ),
      ...(welt?.lower
        ? [
            local(
              'edge-welt',
              'Piping along the edge',
              'Staple the piping along the edge, cord on the corner of it, its raw edge backwards.',
              stapling('top'),
            ),
          ]
        : []),
      local(
        'band-tack',
        'Back-tack the outer band',
        `Face down over the border, its joins in line with the mitres; tack strip tight against the ${welt?.lower ? 'cord' : 'edge'}, ${staples('top')} staples through it; turn it over and round to the back.`,
        length('top') * MINUTES.tackMetre,
      ),
    ],
  };
}

export const bordered: Way = {
  id: 'bordered',
  name: 'Bordered panel',
  words: 'An inner panel, a mitred border round it, an outer band joined at the mitres.',
  pulled: false,
  fields: ['made', 'border', 'borders', 'seamAt'],
  welt: { start: {}, upper: 'Piping round the inner panel', lower: 'Piping along the edge' },
  channels: 'offered',
  overNotches: true,
  depths: (covering) =>
    covering.border === undefined
      ? BORDERS.map((border) => ({ depth: border, covering: { ...covering, border } }))
      : [{ depth: covering.border, covering }],
  tooDeep: ['border', 'border'],
  problems: ({ covering: { border, borders }, base: { shape } }, narrowest) => [
    ...(border !== undefined && border > narrowest / 2 - 20
      ? [
          {
            path: 'covering.border',
            message: `A border of ${Math.round(border)} mm leaves no panel inside it; ${Math.floor(narrowest / 2 - 20)} mm maximum`,
          },
        ]
      : []),
    ...(onThree({ borders }) && ROUND.includes(shape.type)
      ? [{ path: 'covering.borders', message: 'A round edge has no bottom that a border could leave out: it goes all round' }]
      : []),
  ],
  panels: (working) => {
    const { ring, covering, welt, rule } = working;
    const allowance = rule('seamAllowance');
    // In stages no part is sewn to the next: each is stapled and trimmed, and the next one tacked over its edge.
    const laid = isStaged(covering);
    const pulled = laid ? rule('grip') : allowance;
    const round = insetSeam(ring, covering.border!, covering);
    const [top, lower] = [topSeam(ring, covering, rule), lowerEdge(ring)];
    const out = onThree(covering) ? runOut(ring, round, top) : null;
    const inset = out?.level ?? round;
    const n = ring.places.length;
    const corners = cornerPlaces(ring);
    // Without corners the ring is cut in two, so that it can be laid flat.
    const parts = stretches(ring, corners.length > 1 ? corners : [placeAt(ring, 0), placeAt(ring, 0.5)]);
    const named = ([from, to]: [number, number]): string => saidEdge(working.model.piece.kind, edgeName(ring, from, to));
    const names = parts.map(named);
    const mitre = (k: number): string => `mitre ${(k % parts.length) + 1}`;
    const sides = out?.sides ?? parts;
    const sideNames = sides.map(named);
    const mitred = (k: number): EdgeUse => (out && (k === 0 || k === sides.length) ? runsOut(allowance) : joinEdge(mitre(k), allowance));
    return {
      panels: [
        {
          ...topPanel(working, inset, seamEdge('inner', pulled), 'Inner panel'),
          // Along the side without a border the panel itself goes to the edge.
          ...(out
            ? { rim: { use: seamEdge('top', pulled), from: out.over.to % n, to: (out.over.to % n) + n - (out.over.to - out.over.from) } }
            : {}),
        },
        ...sides.map(([from, to], k): PanelSpec => ({
          id: `border-${k + 1}`,
          name: `Border, ${sideNames[k]}`,
          role: 'border',
          region: { kind: 'strip', inner: inset, outer: top, from, to, lay: 'plan' },
          inner: seamEdge('inner', allowance),
          outer: seamEdge('top', pulled),
          first: mitred(k),
          last: mitred(k + 1),
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
        {
          id: 'inner',
          name: laid ? 'Lip' : 'Inner seam',
          level: inset,
          welted: Boolean(welt?.upper),
          laid,
          ...(out ? { over: out.over } : {}),
        },
        { id: 'top', name: laid ? 'Edge' : 'Edge seam', level: top, welted: Boolean(welt?.lower), laid },
      ],
      zip: null,
    };
  },
  reach: (working, seams) => {
    const { level, over } = seams[0]!;
    const row = bandedReach(working, seams, { inner: level, pulled: isStaged(working.covering) });
    if (!over) return row;
    const bordered = new Set(placesOver(working.ring, over));
    // Where there is no border nothing is cut for one.
    return { ...row, at: (i) => row.at(i).map((value, k) => (BORDER_PARTS.includes(k) && !bordered.has(i) ? 0 : value)) };
  },
  tackAlong: ({ covering }, { seams }) => (isStaged(covering) ? seams.map((seam) => ({ ...seam, name: seam.name.toLowerCase() })) : []),
  laidApart: (covering) =>
    isStaged(covering)
      ? {
          line: `the line of the border, ${Math.round(covering.border ?? BORDER)} mm in from the edge${onThree(covering) ? ' on three sides' : ''}`,
          toNear: onThree(covering),
        }
      : null,
  // Panel and border are stapled, border and band tacked, along either line.
  tackedRows: (covering) => {
    if (!isStaged(covering)) return [];
    const line = { inset: covering.border ?? BORDER, leavesNear: onThree(covering) };
    const edge = { inset: 0, leavesNear: false };
    return [
      { name: 'Inner panel', ...line },
      { name: 'Border, back-tacked', ...line },
      { name: 'Border, pulled to the edge', ...edge },
      { name: 'Band, back-tacked', ...edge },
    ];
  },
  steps: (facts) => (isStaged(facts.piece.covering) ? stagedSteps(facts) : {}),
  suits: ({ across, round, traits }) => ({
    against: [
      [across < LEAST_PANEL + 60, true, `Only ${mm(across)} across: no panel is left inside a border.`],
      [round, false, 'A round edge has no corners to mitre: the border is one ring, and flares.'],
      [!traits.wall, false, 'Usual on headboards: a border wears where people sit.'],
    ],
    good: 'A large flat panel: the border gives it a frame.',
  }),
};
