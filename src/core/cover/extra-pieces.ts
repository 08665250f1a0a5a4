import { baseGrid, type Model } from '../build';
import type { Point, Polygon } from '../outline';
import type { Covering } from '../piece';
import { flatPiece, type CoverPiece } from './cloth-piece';
import { cornerPlaces, levelSteps, lowerEdge } from './levels';
import { makePanel } from './make-panel';
import type { Making } from './panel-spec';
import { seamLine } from './reach';
import { onProfile, sideOf, type Ring } from './ring';
import type { Sewn } from './ways';

/** A pull is sewn on this far below the deck's own edge, out of sight, mm. */
export const HIDDEN = 35;

function strip(
  model: Model,
  id: string,
  name: string,
  role: CoverPiece['role'],
  cloth: CoverPiece['cloth'],
  width: number,
  height: number,
  note: string,
  seam: string | null,
): CoverPiece {
  const outline: Polygon = [
    [-width / 2, -height / 2],
    [width / 2, -height / 2],
    [width / 2, height / 2],
    [-width / 2, height / 2],
  ];
  const allowance = model.rule('seamAllowance');
  const sewn = outline.map(([x, y]): Point => [x, y > 0 ? y - (seam ? allowance : 0) : y]);
  return {
    ...flatPiece(name, model.piece.count, outline),
    id,
    role,
    cloth,
    grain: 'depth',
    hand: null,
    centreMarks: [
      [0, -height / 2],
      [width / 2, 0],
      [0, height / 2],
      [-width / 2, 0],
    ],
    trimLine: outline,
    stapleLine: [],
    sewn,
    edges: seam ? [{ id: 'upper', kind: 'seam', seam, from: 2, sides: 1, allowance, flat: width, sewn: width }] : [],
    notches: [],
    lines: [],
    marks: [],
    strain: null,
    net: 0,
    surface: 0,
    motif: null,
    note,
  };
}

/** Strips and panels that belong to a way and are not part of the visible surface. */
export function extraPieces(model: Model, ring: Ring, covering: Covering, sewn: Sewn, making: Making): CoverPiece[] {
  const { rule } = model;
  const lower = sewn.seams.find((seam) => seam.id === 'lower');
  if (covering.way === 'boxed' && lower) {
    // As long as the bands are along that seam, as they are cut.
    const length =
      making.seams.get('lower')?.reduce((sum, step) => sum + (Number.isNaN(step) ? 0 : step), 0) ?? seamLine(ring, lower).length;
    return [
      strip(
        model,
        'fly',
        'Fly, below the lower welt',
        'fly',
        'lining',
        length,
        rule('return') + rule('grip') + rule('seamAllowance'),
        'Sewn in with the lower welt and stapled under; relieve it on curves.',
        'lower',
      ),
    ];
  }
  if (covering.way === 'block' && lower) {
    return [bottomPiece(model, ring, making)];
  }
  if (covering.way === 'tight-deck' && covering.pulls) {
    const corners = cornerPlaces(ring);
    const steps = levelSteps(ring, lowerEdge(ring));
    const n = ring.places.length;
    return corners.map((from, k) => {
      const to = k + 1 < corners.length ? corners[k + 1]! : corners[0]! + n;
      let length = 0;
      for (let i = from; i < to; i++) length += steps[i % n]!;
      const name = ring.places[Math.round((from + to) / 2) % n]!.edge;
      return strip(
        model,
        `pull-${k + 1}`,
        `Pull, ${name}`,
        'pull',
        'lining',
        length - 2 * rule('yCutStop'),
        rule('pullThrough') - HIDDEN + rule('seamAllowance'),
        'Plain cloth sewn to the deck out of sight; it passes through the frame.',
        'pull',
      );
    });
  }
  return [];
}

/** The bottom of a block cover: the board's underside, held to the length of the seam it is sewn to. */
function bottomPiece(model: Model, ring: Ring, making: Making): CoverPiece {
  const under = baseGrid(model);
  const heights = under.heights.map((z) => z - model.boardThickness);
  const edge: Ring = {
    ...ring,
    grid: { ...under, heights },
    places: ring.places.map((place) => {
      const [u, z] = onProfile(place.profile, sideOf(place.profile));
      return { ...place, profile: { u: Float64Array.of(u - 1, u), z: Float64Array.of(z, z), v: Float64Array.of(-1, 0) } };
    }),
  };
  const { pieces } = makePanel(
    {
      id: 'bottom',
      name: 'Bottom panel',
      role: 'bottom',
      region: { kind: 'disc', level: new Float64Array(ring.places.length) },
      outer: { id: 'lower', kind: 'seam', seam: 'lower', allowance: model.rule('seamAllowance') },
      note: 'Drawn as seen from above: lay the pattern on the back of the cloth.',
    },
    { ...making, ring: edge },
  );
  return pieces[0]!;
}
