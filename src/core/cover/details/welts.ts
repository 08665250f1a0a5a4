import type { Stack } from '../../padding';
import { preShrink } from '../../cloth';
import type { RuleReader } from '../../house';
import { CORNER_BEND } from '../../outline';
import { hiddenEdge, type Welt } from '../../piece';
import { clothFor, secondParts } from '../cloths-on';
import { levelLength, levelOutline, placesOver, type Level, type Stretch } from '../surface/levels';
import { onProfile, type Ring } from '../surface/ring';
import type { SeamSpec, Working } from '../ways/way';

/** A welt to make: covered cord for one seam of one piece. Lengths mm. */
export type WeltPlan = {
  seam: string;
  name: string;
  cut: 'straight' | 'bias';
  double: boolean;
  /** cut from the cover's own cloth, or from the second one */
  cloth: 'cover' | 'second';
  cord: number;
  /** the strip: its width, its whole length for one seam, and in how many parts it is cut */
  stripWidth: number;
  stripLength: number;
  strips: number;
  /** the seam's own length, the cord to cut for it */
  seamLength: number;
  cordLength: number;
  /** radius of the tightest round curve it follows, 0 where it follows none; how far apart its allowance is snipped there */
  tightest: number;
  snip: number;
  /** where its ends meet; null where they run out over the edge instead */
  join: string | null;
};

/** A curve wider than this needs no snips, mm. */
const WIDE = 300;
/** Straight strips follow curves down to this radius, mm (trade default). */
export const BIAS_BELOW = 75;
/** Bias strips are joined from parts of at least this, mm. */
const BIAS_PART = 450;
/** Allowed opening at a snip's root, mm. */
const OPENING = 1.5;

/** How a strip is cut: as somebody said, or straight – the thriftier – unless it goes round a tighter curve than that follows. */
function cutOf({ cut }: Pick<Welt, 'cut'>, tightest: number): 'straight' | 'bias' {
  if (cut !== 'as-it-bends') return cut;
  return tightest > 0 && tightest < BIAS_BELOW ? 'bias' : 'straight';
}

/** Height of a block that bias strips are cut from, mm: half the roll's width, which leaves the other half for the strips' own widths. */
export function biasBlock(rollWidth: number): number {
  return rollWidth / 2;
}

/** Width of the strip that covers a cord: once round it and two allowances; a double welt goes round two. */
export function stripWidth({ cord, double }: Pick<Welt, 'cord' | 'double'>, allowance: number): number {
  return Math.PI * cord * (double ? 2 : 1) + 2 * allowance;
}

/** At a corner sharper than this the cord is snipped and turned, not bent, mm; and so near to it. */
const TURNED = { radius: 25, near: 45 };

/** The tightest round curve along a seam, in plan, mm; corners round which the cord is turned do not count. */
export function tightestRadius(stack: Stack, ring: Ring, level: Level, over?: Stretch): number {
  const line = levelOutline(ring, level);
  const n = line.length;
  const bends = new Map(stack.places.filter((place) => Math.abs(place.turn) > CORNER_BEND).map((place) => [place.id, place.curvature]));
  const turned = ring.places.flatMap(({ station, profile }, i) => {
    const curvature = station === null ? undefined : bends.get(station);
    if (curvature === undefined) return [];
    // A rounded corner is tighter by as much as the seam lies inside it.
    const radius = (curvature === 0 ? 0 : 1 / Math.abs(curvature)) + onProfile(profile, level[i]!)[0];
    return radius < TURNED.radius ? [line[i]!] : [];
  });
  let tightest = Infinity;
  // Its own ends do not bend.
  for (const i of over ? placesOver(ring, over).slice(1, -1) : line.keys()) {
    const [x, y] = line[i]!;
    if (turned.some((corner) => Math.hypot(corner[0] - x, corner[1] - y) < TURNED.near)) continue;
    const [a, b, c] = [line[(i + n - 1) % n]!, line[i]!, line[(i + 1) % n]!];
    const [u, v] = [
      [b[0] - a[0], b[1] - a[1]],
      [c[0] - b[0], c[1] - b[1]],
    ] as const;
    const turn = Math.abs(Math.atan2(u[0]! * v[1]! - u[1]! * v[0]!, u[0]! * v[0]! + u[1]! * v[1]!));
    const length = (Math.hypot(...u) + Math.hypot(...v)) / 2;
    if (turn > 0.02) tightest = Math.min(tightest, length / turn);
  }
  return tightest;
}

/**
 * A welt for a seam. Source: docs/models.md, "Welt": strip width π·d + 2·seam, length of the path, its joins at 45° and
 * the overlap of its ends.
 *
 * @param seam id, name and length of the seam, mm
 * @param welt cord and how its strip is cut
 * @param tightest radius of the tightest curve it follows, mm
 * @param rule the house rules
 * @param of usable width of its cloth's roll, mm, how much longer it is cut for what it loses in the wash, and which cloth that is
 */
export function weltPlan(
  seam: { id: string; name: string; length: number; join: string | null },
  welt: Welt,
  tightest: number,
  rule: RuleReader,
  { rollWidth, longer = 1, cloth = 'cover' }: { rollWidth: number; longer?: number; cloth?: WeltPlan['cloth'] },
): WeltPlan {
  const cut = cutOf(welt, tightest);
  const width = stripWidth(welt, rule('seamAllowance')) * longer;
  const overlap = rule('weltOverlap');
  const needed = (seam.length + overlap) * longer;
  // A join at 45° takes a strip's width of either part. Bias strips come out of a block half as deep as the roll is wide,
  // so that many lie side by side.
  const longest = cut === 'bias' ? biasBlock(rollWidth) * Math.SQRT2 - width : rollWidth;
  // A short block costs less cloth than a long one, and a join every half metre is usual: no part is shorter than this.
  let strips = cut === 'bias' ? Math.max(1, Math.floor(needed / BIAS_PART)) : 1;
  while (needed + (strips - 1) * width > strips * longest && strips < 200) strips += 1;
  return {
    seam: seam.id,
    name: seam.name,
    cut,
    double: welt.double,
    cloth,
    cord: welt.cord,
    stripWidth: width,
    stripLength: needed + (strips - 1) * width,
    strips,
    seamLength: seam.length,
    cordLength: (seam.length + overlap) * (welt.double ? 2 : 1),
    // Where it nowhere bends, no radius is said.
    tightest: Number.isFinite(tightest) ? tightest : 0,
    snip: Number.isFinite(tightest) && tightest < WIDE ? Math.max(6, (OPENING * tightest) / rule('seamAllowance')) : 0,
    join: seam.join,
  };
}

/** The welts of a cover, one for every seam that has a cord. */
export function weltsOf({ model, ring, welt }: Working, seams: readonly SeamSpec[]): WeltPlan[] {
  if (!welt) return [];
  const { piece, rule } = model;
  const join = `${hiddenEdge(piece.kind).name} middle`;
  const cloth = secondParts(piece).has('welt') ? ('second' as const) : ('cover' as const);
  const { rollWidth, ...item } = clothFor(piece, cloth);
  return seams
    .filter((seam) => seam.welted)
    .map(({ id, name, level, over }) =>
      weltPlan(
        { id, name, length: levelLength(ring, level, over), join: over ? null : join },
        welt,
        tightestRadius(model, ring, level, over),
        rule,
        {
          rollWidth,
          longer: preShrink(item),
          cloth,
        },
      ),
    );
}
