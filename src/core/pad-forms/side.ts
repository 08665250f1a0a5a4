import { length, list, record, tag, tick } from '../fields';
import { monotoneThrough } from '../heights';
import { padForm } from './form';
import { checkPoints, pointsSize } from './points';
import { ALONG, alongCut, bendsAcross, cutBy, HIGH, whole } from './shared';

/** A point of a side as it is drawn on the foam: so far from the near edge, so high. */
export const SIDE_POINT = record({ at: length('From the near edge', ALONG), height: length('Height there', HIGH) });

const schema = record({
  kind: tag('side'),
  faired: tick('Curved from point to point', { default: false }),
  points: list('Points of the side', SIDE_POINT, [2, 40]),
});

/** Straight from point to point, level beyond the ends. */
function straight(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  return (x) => {
    const k = xs.findIndex((value) => value >= x);
    if (k < 0) return ys.at(-1)!;
    if (k === 0) return ys[0]!;
    return ys[k - 1]! + ((ys[k]! - ys[k - 1]!) * (x - xs[k - 1]!)) / (xs[k]! - xs[k - 1]!);
  };
}

/** Cut to a line that is drawn on its side, the same over its whole width. */
export const side = padForm({
  id: 'side',
  name: 'Cut to a line on its side',
  noun: 'Side',
  schema,
  fields: ['faired'],
  rows: { key: 'points', columns: ['at', 'height'], noun: 'Point' },
  up: true,
  first({ thickness }, { height: depth }) {
    // The front a step lower than the rest, as a block seat is cut.
    const step = whole(depth * 0.12);
    const low = whole(thickness * 0.8);
    return {
      kind: 'side' as const,
      faired: false,
      points: [
        { at: 0, height: low },
        { at: step, height: low },
        { at: step + Math.max(2, whole(thickness - low)), height: thickness },
        { at: whole(depth), height: thickness },
      ],
    };
  },
  check({ points }, { thickness }, report) {
    checkPoints(
      'points',
      points.map(({ at, height }) => ({ at, heights: { height } })),
      thickness,
      report,
    );
  },
  thickest: (_, { high }) => high,
  thinnest: ({ points }) => Math.min(...points.map(({ height }) => height)),
  thickness({ points, faired }, _, outline) {
    const near = Math.min(...outline.map(([, y]) => y));
    const xs = points.map(({ at }) => at + near);
    const ys = points.map(({ height }) => height);
    const line = (faired ? monotoneThrough : straight)(xs, ys);
    return ([, y]) => line(y);
  },
  bends: ({ points, faired }, at, { minY }) =>
    bendsAcross(
      points.map((point) => point.at + minY),
      at,
      !faired,
    ),
  side: ({ points, faired }) => ({ corners: points.map(({ at }) => at), curved: faired, alone: true }),
  words: ({ faired }) =>
    `Hold the stencil to one side and draw it, mirror it on to the other from the same edge, and cut from line to line${faired ? '; rasp it fair along its length' : ''}.`,
  size: (_, pad) => pointsSize(pad, cutBy(pad.reused)),
  handles: (profile, cut, { thickness }, near) =>
    profile.points.flatMap((point, i) => {
      const x = alongCut(cut, near + point.at);
      if (x === null) return [];
      const [before, after] = [profile.points[i - 1]?.at ?? -1, profile.points[i + 1]?.at ?? Infinity];
      const shifted = (height: number, along: number) => ({
        ...profile,
        points: profile.points.map((other, k) =>
          k === i
            ? {
                at: Math.min(after - 1, Math.max(before + 1, Math.round(other.at + cut.direction[1] * along))),
                height: Math.min(thickness, Math.max(0, Math.round(height))),
              }
            : other,
        ),
      });
      return [{ key: `side ${i}`, label: `Point ${i + 1} of the side`, x, value: point.height, moved: shifted }];
    }),
});
