import type { Model } from '../build';
import { wayOf, type CoverPlan } from '../cover';
import { kindOf } from '../piece';
import type { ToldStep } from './step';

/** What is looked at once a step is done, before anybody goes on: found later it costs the cover. Source: trade.md, “What people inspect”. */
type Stops = Readonly<Record<string, readonly string[]>>;

/** The last of some steps that is on the sheet. */
const lastOf = (steps: readonly ToldStep[], keys: RegExp): string | null => steps.filter(({ key }) => keys.test(key)).at(-1)?.key ?? null;

/**
 * What to look at before going on, by the step that it comes after.
 *
 * @param model the built piece
 * @param cover what goes over it
 * @param steps of its run sheet
 */
export function stopsOf({ piece }: Model, cover: CoverPlan, steps: readonly ToldStep[]): Stops {
  const { pan, wall } = kindOf(piece.kind).traits;
  const stops: Record<string, readonly string[]> = {};
  const put = (key: string | null, says: readonly string[]): void => {
    if (key !== null && says.length > 0) stops[key] = says;
  };
  const patterned = piece.cloth.repeatAcross > 0 || piece.cloth.repeatAlong > 0;
  put(
    'board',
    wayOf(piece.covering.way).loose
      ? ['no nail or splinter stands up']
      : pan
        ? ['no crack at the mounts', 'old rivets out, holes round']
        : ['flat to 2 mm', 'no split, no nail left in', 'centre lines on'],
  );
  put(lastOf(steps, /^(glue|trim|rim)-/), [
    'the edge alike all round',
    'no step or gap felt with the flat hand',
    'glue holds at every edge',
  ]);
  put(lastOf(steps, /^wadding$/), ['no lump, no fold at the corners', 'it reaches as far down as it should']);
  put(lastOf(steps, /^sew$/), [
    'every seam as long as its line',
    ...(cover.welts.length > 0 ? ['the welt’s join at the back, notches met'] : []),
    ...(patterned ? ['the pattern meets across the seams'] : []),
  ]);
  put(lastOf(steps, /^(staple|rivet|tacks|screws|clips|cord|hook-loop|glue)$/), [
    'no drag line from above, no hard spot',
    ...(patterned ? ['the pattern straight and in the middle'] : []),
    ...(cover.pieces.some(({ role }) => role === 'band') ? ['the band as high all round'] : []),
    'as much to hold beyond the line everywhere',
  ]);
  put(lastOf(steps, /^corners$/), ['all corners alike, folds lying the same way']);
  put(lastOf(steps, /^trim$/), ['nothing stands proud', 'nothing cut nearer than the trim line']);
  put(lastOf(steps, /^hang$/), ['level, gaps alike', 'it holds what it is loaded with']);
  put('measure', [
    'left and right alike',
    wall ? 'nothing reads through against the light' : 'sat on once, it comes back',
    'label and fire papers with it',
  ]);
  return stops;
}
