import { bounds, type Polygon } from '../outline';
import { defaultsOf, PAD_PROFILES, type Pad, type PadProfile } from './schema';

type Formed = Pick<Pad, 'thickness' | 'wedge' | 'profile'>;

/** A pad where it is thickest, mm: what it is cut from. */
export function thickest({ thickness, wedge, profile }: Formed): number {
  const level = Math.max(thickness, wedge ?? 0);
  return profile?.kind === 'rise' ? level + profile.by : level;
}

/** A pad where it is thinnest away from its worked rim, mm: what is left under who sits. */
export function thinnest({ thickness, wedge, profile }: Formed): number {
  const level = Math.min(thickness, wedge ?? thickness);
  switch (profile?.kind) {
    case 'hollow':
    case 'dip':
      return level - profile.by;
    case 'side':
      return Math.min(...profile.points.map(({ height }) => height));
    case 'read':
      return Math.min(...profile.rows.flatMap(({ middle, side }) => [middle, side]));
    case 'scanned': {
      const { heights } = profile.map;
      const top = heights.reduce((most, z) => Math.max(most, z), -Infinity);
      return Math.max(0, level + heights.reduce((least, z) => Math.min(least, z), Infinity) - top);
    }
    default:
      return level;
  }
}

/** A form is first worked over this share of a small pad at most. */
const MOST_OVER = 0.7;
/** And takes at most this share of its thickness away. */
const MOST_AWAY = 0.4;
/** A lumbar rise lies about so far up a back. */
const LUMBAR = 0.35;

const whole = (mm: number): number => Math.round(mm);

/** A side as it is first drawn: the front a step lower than the rest, as a block seat is cut. */
function firstSide(thickness: number, depth: number): Extract<PadProfile, { kind: 'side' }> {
  const step = whole(depth * 0.12);
  const low = whole(thickness * 0.8);
  return {
    kind: 'side',
    faired: false,
    points: [
      { at: 0, height: low },
      { at: step, height: low },
      { at: step + Math.max(2, whole(thickness - low)), height: thickness },
      { at: whole(depth), height: thickness },
    ],
  };
}

/**
 * The form of a pad's top as it is first given: no more than the pad can lose, no wider than it is.
 *
 * @param kind of the form; what is scanned comes from a file
 * @param pad that gets it
 * @param outline of the pad or its board, mm
 */
export function firstProfile(
  kind: Exclude<PadProfile['kind'], 'scanned'>,
  { thickness }: Pick<Pad, 'thickness'>,
  outline: Polygon,
): PadProfile {
  const box = bounds(outline);
  const within = (mm: number, of: number): number => whole(Math.min(mm, MOST_OVER * of));
  const away = (mm: number): number => Math.max(1, whole(Math.min(mm, MOST_AWAY * thickness)));
  const middle = whole((box.minY + box.maxY) / 2);
  switch (kind) {
    case 'hollow': {
      const start = defaultsOf(PAD_PROFILES.hollow);
      const [width, length] = [within(start.width, box.width), within(start.length, box.height)];
      return { ...start, kind, x: 0, y: middle, width, length, by: away(start.by) };
    }
    case 'dip': {
      const start = defaultsOf(PAD_PROFILES.dip);
      return { ...start, kind, y: middle, length: within(start.length, box.height), by: away(start.by) };
    }
    case 'rise': {
      const start = defaultsOf(PAD_PROFILES.rise);
      return { ...start, kind, y: whole(box.minY + LUMBAR * box.height), length: within(start.length, box.height) };
    }
    case 'side':
      return firstSide(thickness, box.height);
    case 'read':
      return {
        kind,
        rows: [0, 0.5, 1].map((share) => ({ at: whole(share * box.height), middle: thickness, side: whole(thickness * 0.8) })),
      };
  }
}
