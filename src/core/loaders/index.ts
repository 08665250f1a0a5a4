import { SPECIMEN } from '../foam';

/** A form pressed into the padding: its underside over its lowest place, mm, at a place from its middle; y to the back. */
export type Loader = {
  id: 'seated' | 'saddle' | 'leaning' | 'elbow' | 'disc';
  name: string;
  /** house rule for the share of the mass that comes on it, or the share itself, percent */
  share: { rule: string } | { percent: number };
  /** where the form lies, mm; `drop` is how far what it sits on went down with it */
  underside: (x: number, y: number, size: number, drop?: number) => number;
};

/** Half the distance between the two lobes of a seated body, mm. */
const LOBES = 60;

/** Roundness of a lobe with its flesh, and of a thigh, as radii of curvature, mm. */
const LOBE_RADIUS = 165;
const THIGH_RADIUS = 130;
/** A thigh lies this much higher than the lobes, mm. */
const THIGH_UP = 9;

/** From the hip to the knee, mm: the feet stand on the floor, so what the hips go down by the knees do not. */
const THIGH = 420;

/** Distance of a place from the line between two others, mm. */
function fromLine(x: number, y: number, ax: number, ay: number, bx: number, by: number): number {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
}

/** The forms of docs/models.md, "Sit". All are alike left and right. */
export const LOADERS: readonly Loader[] = [
  {
    id: 'seated',
    name: 'Seated body',
    share: { rule: 'sitShare' },
    underside: (x, y, size, drop = 0) => {
      const [u, v] = [Math.abs(x) / size, y / size];
      const lobe = ((u - LOBES) ** 2 + (v - 55) ** 2) / (2 * LOBE_RADIUS);
      const hinged = (drop / size) * Math.min(1, Math.max(0, (10 - v) / THIGH));
      const thigh = THIGH_UP + hinged + fromLine(u, v, 70, 10, 100, -260) ** 2 / (2 * THIGH_RADIUS);
      return Math.min(lobe, thigh) * size;
    },
  },
  {
    id: 'saddle',
    name: 'Rider astride',
    share: { rule: 'sitShare' },
    underside: (x, y, size) => {
      const [u, v] = [Math.abs(x) / size, y / size];
      const lobe = ((u - LOBES) ** 2 + (v - 20) ** 2) / (2 * LOBE_RADIUS);
      // The thighs fall away to either side of the nose.
      const thigh = 14 + fromLine(u, v, 60, 0, 150, -190) ** 2 / (2 * 95);
      return Math.min(lobe, thigh) * size;
    },
  },
  {
    id: 'leaning',
    name: 'Leaning back',
    share: { rule: 'leanShare' },
    underside: (x, y, size) => {
      const [u, v] = [Math.abs(x) / size, y / size];
      const blade = (u - 80) ** 2 / (2 * 260) + (v - 60) ** 2 / (2 * 420);
      const back = 6 + (u * u) / (2 * 420) + (v * v) / (2 * 800);
      return Math.min(blade, back) * size;
    },
  },
  {
    id: 'elbow',
    name: 'Elbow and forearm',
    share: { percent: 6 },
    underside: (x, y, size) => ((x / size) ** 2 / (2 * 45) + (y / size) ** 2 / (2 * 260)) * size,
  },
  {
    id: 'disc',
    name: 'Test disc, 203 mm',
    share: { percent: 100 },
    underside: (x, y) => (Math.hypot(x, y) <= SPECIMEN.disc / 2 ? 0 : Infinity),
  },
];

/** The loader of that id. */
export function loaderOf(id: Loader['id']): Loader {
  return LOADERS.find((loader) => loader.id === id)!;
}

/** How much larger or smaller a body of that mass is than one of 75 kg, each way. */
export function bodySize(mass: number): number {
  return Math.cbrt(mass / 75);
}
