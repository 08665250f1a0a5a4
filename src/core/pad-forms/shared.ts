import type { Point } from '../outline';
import type { Range } from '../fields';
import type { Bend, Extent, FormCut, FormedPad, FormSize, Report } from './form';

/** How far a worked form reaches over the pad, mm. */
export const REACH: Range = [30, 2500];
/** How deep or high it is worked, mm. */
export const BY: Range = [1, 250];
/** How far from the near edge, and how high, mm. */
export const ALONG: Range = [0, 4000];
export const HIGH: Range = [0, 500];

/** Less than this under a hollow is no foam any more, mm. */
const LEAST_UNDER = 3;
/** A form is first worked over this share of a small pad at most. */
const MOST_OVER = 0.7;
/** And takes at most this share of its thickness away. */
const MOST_AWAY = 0.4;

/** To the millimetre. */
export const whole = (mm: number): number => Math.round(mm);

/** To a tenth of a millimetre. */
export const short = (mm: number): number => Math.round(mm * 10) / 10;

/** As long as it starts, or as the pad allows. */
export const within = (mm: number, extent: number): number => whole(Math.min(mm, MOST_OVER * extent));

/** As deep as it starts, or as the pad can lose. */
export const atMostAway = (mm: number, thickness: number): number => Math.max(1, whole(Math.min(mm, MOST_AWAY * thickness)));

/** The middle of a pad, near to far. */
export const middleOf = ({ minY, maxY }: Extent): number => whole((minY + maxY) / 2);

/** What a handle is dragged to: never to nothing. */
export const least = (mm: number): number => Math.max(1, Math.round(mm));

/** A raised cosine: whole in the middle, nothing and level from its rim on; `share` is how far out, 1 at the rim. */
export const bell = (share: number): number => (share >= 1 ? 0 : (1 + Math.cos(Math.PI * share)) / 2);

/** What all forms that take foam away have in common. */
export const takenOut = {
  up: false,
  check({ by }: { by: number }, { low }: FormedPad, report: Report): void {
    if (by <= low - LEAST_UNDER) return;
    const most = Math.max(1, low - LEAST_UNDER);
    report('by', `${short(by)} mm taken out of ${short(low)} mm of foam leaves next to nothing; ${short(most)} mm maximum`);
  },
  thickest: (_: unknown, { high }: FormedPad): number => high,
  thinnest: ({ by }: { by: number }, { low }: FormedPad): number => low - by,
  cure: 'the cover bridges it; glue wadding and cover into it, or hold it with a stitched line or buttons',
};

/** What all forms that run over the whole width of a pad, level at their ends, have in common. */
export const across = {
  fields: ['by', 'length', 'y'],
  bends: ({ y, length }: { y: number; length: number }, at: (u: number) => Point): Bend[] =>
    bendsAcross([y - length / 2, y, y + length / 2], at, false),
  side: () => ({ corners: [], curved: true, alone: false }),
};

/** What a dip or a rise is marked out by. */
export function acrossSize(
  { length, by }: { length: number; by: number },
  { reused, most }: { reused: boolean; most: number },
  words: { way: string; name: string },
): FormSize {
  return {
    value: length,
    note: `${by} mm ${words.way}, front to back; ${cutBy(reused)}`,
    formula: 'height = by × (1 + cos π·u) ÷ 2, u from its middle to its ends',
    terms: [
      { key: 'by', name: words.name, value: by },
      { key: 'most', name: 'Cut from', value: most },
    ],
  };
}

/** By what a form is cut that is the same over a pad's whole width; an old pad has it already. */
export const cutBy = (reused: boolean): string => (reused ? 'as it came' : 'stencil on the templates');

/** Where half a cut meets lines that run across the pad at lengths from the middle; none where it runs along them. */
export function bendsAcross(ys: readonly number[], at: (u: number) => Point, sharp: boolean): Bend[] {
  const [a, b] = [at(0)[1], at(1)[1]];
  return Math.abs(b - a) < 1e-6 ? [] : ys.map((y) => ({ x: (y - a) / (b - a), sharp }));
}

/** How far along a cut a place lies that is so far behind the middle; null where the cut does not run there. */
export function alongCut({ origin, direction }: FormCut, y: number): number | null {
  return Math.abs(direction[1]) < 0.2 ? null : (y - origin[1]) / direction[1];
}

/** A dip or a rise as it is handled: its middle on the cut. */
export function acrossHandle<P extends { kind: string; y: number; by: number }>(profile: P, cut: FormCut, label: string) {
  const x = alongCut(cut, profile.y);
  if (x === null) return [];
  const shifted = (by: number, along: number): P => ({ ...profile, by: least(by), y: Math.round(profile.y + cut.direction[1] * along) });
  return [{ key: profile.kind, label, x, value: profile.by, moved: shifted }];
}

/** The places of the rim that a dip or a rise is measured against. */
export const endsAcross = (x: number, y: number, length: number): Point[] => [
  [x, y - length / 2],
  [x, y + length / 2],
];
