import { crossesItself, isInside, polygonArea } from '../outline';
import { checkRange } from './check-range';
import { foamOf } from './foams';
import { LIMITS } from './limits';
import type { Problem } from './problem';
import type { Pad, Piece } from './types';

const EDGE_NAMES: Record<Exclude<Pad['edge']['kind'], 'square' | 'domed'>, string> = {
  feathered: 'Feather',
  bevelled: 'Underside bevel',
  rounded: 'Rounding',
  roll: 'Roll',
};

/** A pad smaller than this is none, mm². */
const LEAST_AREA = 400;

function short(mm: number): number {
  return Math.round(mm * 10) / 10;
}

/** What keeps one pad from being built: its foam, rim, wedge, drawn outline and pocket. */
export function checkPad(piece: Piece, pad: Pad, index: number): Problem[] {
  const problems: Problem[] = [];
  const add = (path: string, message: string | null): void => {
    if (message) problems.push({ path: `pads.${index}.${path}`, message });
  };
  const { edge, pocket } = pad;
  if (!foamOf(piece, pad.material)) add('material', `“${pad.material}” is not a foam we know`);
  if ('width' in edge) {
    const name = EDGE_NAMES[edge.kind];
    add('edge.width', checkRange(name, edge.width, LIMITS.feather));
    if (edge.kind === 'rounded' && edge.width > pad.thickness)
      add('edge.width', `A rounding of ${short(edge.width)} mm is more than the pad is thick; ${short(pad.thickness)} mm is the most`);
  }
  if (typeof pad.wedge === 'number') add('wedge', checkRange('Thickness at the far edge', pad.wedge, LIMITS.pad));
  if (pad.outline && pad.outline.length < 3) add('outline', 'A drawn pad needs three corners at least');
  else if (pad.outline && Math.abs(polygonArea(pad.outline)) < LEAST_AREA)
    add('outline', 'The drawn pad has next to no area; pull its corners apart');
  else if (pad.outline && crossesItself(pad.outline)) add('outline', 'The drawn pad crosses itself; move the corner back');
  if (pocket) {
    if (!foamOf(piece, pocket.material)) add('pocket.material', `“${pocket.material}” is not a foam we know`);
    add('pocket.width', checkRange('Pocket width', pocket.width, LIMITS.pocket));
    add('pocket.length', checkRange('Pocket length', pocket.length, LIMITS.pocket));
    const least = Math.min(pad.thickness, pad.wedge ?? pad.thickness);
    if (!(pocket.deep > 0)) add('pocket.deep', 'A pocket must be deeper than nothing');
    else if (pocket.deep > least)
      add(
        'pocket.deep',
        `The pocket is ${short(pocket.deep)} mm deep and the foam ${short(least)} mm: it would go through to the base. ${short(least)} mm is the most`,
      );
    if (pad.outline && !isInside(pad.outline, [pocket.x, pocket.y])) add('pocket.x', 'The pocket lies beside its pad');
  }
  return problems;
}
