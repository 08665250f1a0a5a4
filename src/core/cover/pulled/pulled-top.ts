import type { Stack } from '../../padding';
import {
  edgeFullness,
  flattenSurface,
  strainOf,
  strainSummary,
  type Give,
  type Strain,
  type StrainSummary,
  type SurfaceMesh,
} from '../../flattening';
import { crossesItself } from '../../outline';
import { discMesh, type DiscMesh } from '../laying/disc-mesh';
import { awayFromCorners } from '../laying/make-panel';
import type { Making } from '../laying/panel-spec';
import type { StrainMap } from '../plan';
import { levelOutline } from '../surface/levels';
import type { Ring } from '../surface/ring';

/** A piece's strain over its flat shape. */
export function mapOf(piece: string, mesh: SurfaceMesh, flat: Float64Array, strain: Strain): StrainMap {
  return { piece, triangles: mesh.triangles, flat, warp: strain.warp, weft: strain.weft, bias: strain.bias };
}

/** A pulled cover's top laid flat, and what that asks of its cloth. */
export type PulledTop = { map: StrainMap; summary: StrainSummary; fullness: number; mesh: DiscMesh; flat: Float64Array };

/** A top laid flat, before it is judged for a cloth. */
type LaidTop = Pick<PulledTop, 'mesh' | 'flat' | 'fullness'> & { strain: Strain };

function layTop({ ring, spacing, middle }: Pick<Making, 'ring' | 'spacing'> & Pick<Stack, 'middle'>): LaidTop {
  const mesh = discMesh(ring, new Float64Array(ring.places.length), spacing);
  const { flat } = flattenSurface(mesh, mesh.start, { tolerance: 0.02, rounds: 80 });
  const rim = ring.places.map((_, i) => i);
  return { mesh, flat, strain: strainOf(mesh, flat), fullness: edgeFullness(mesh, mesh.start, rim, middle) };
}

function judgeTop({ top, ring, give }: { top: LaidTop; ring: Ring; give: Give }): StrainSummary {
  return strainSummary(top.strain, give, awayFromCorners(ring, top.mesh));
}

/**
 * The shape of a pulled cover's top, inside the shoulder: the sides are folded or relieved.
 *
 * @param making what the cover's panels share
 * @param give what the cloth gives
 * @param model the built piece
 * @returns null where the shoulder crosses itself: then the strain of the top is not told, but it can be pulled all the same
 */
export function pulledTop({ ring, spacing, keep }: Making, give: Give, model: Pick<Stack, 'middle'>): PulledTop | null {
  const shoulder = levelOutline(ring, new Float64Array(ring.places.length));
  if (crossesItself(shoulder)) return null;
  const top = keep('pulled top', { ring, spacing, middle: model.middle }, layTop);
  return {
    map: mapOf('cover', top.mesh, top.flat, top.strain),
    summary: keep('top judged', { top, ring, give }, judgeTop),
    fullness: top.fullness,
    mesh: top.mesh,
    flat: top.flat,
  };
}
