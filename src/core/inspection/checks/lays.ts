import { mm, type Check, type Found } from '../finding';
import { boxOf, fromOutline, isWithin, signedArea, type Point } from '../geometry';
import { isBought, type FlatPart } from '../parts';
import type { SheetPlan } from '../../plan-data';

type Cut = NonNullable<SheetPlan['cut']>;
type Roll = Cut['cloth'];
type Laid = Roll['laid'][number];

/** What is laid may be off its part by the rounding of a plan, mm. */
const ROUNDED = 0.02;
/** Two parts overlap where the boxes of both share more than this each way, mm. */
const OVERLAP = 0.1;

const shares = (a: Laid, b: Laid): boolean =>
  Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x) > OVERLAP &&
  Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y) > OVERLAP;

/** Everything lies on the material, and nothing on anything else. */
function inspectSheet(name: string, laid: readonly Laid[], width: number, length: number): Found[] {
  const off = laid.flatMap((one): Found[] => {
    const over = Math.max(-one.x, -one.y, one.x + one.width - width, one.y + one.height - length);
    return over > ROUNDED
      ? [{ part: one.label, place: name, by: over, says: `${one.label} lies ${mm(over)} off the ${name} that it is cut from` }]
      : [];
  });
  const sorted = [...laid].sort((a, b) => a.y - b.y);
  const on = sorted.flatMap((one, i): Found[] => {
    for (let k = i + 1; k < sorted.length && sorted[k]!.y < one.y + one.height; k++)
      if (shares(one, sorted[k]!))
        return [{ part: one.label, place: name, by: null, says: `${one.label} and ${sorted[k]!.label} lie on each other on the ${name}` }];
    return [];
  });
  return [...off, ...on];
}

/** Every part is laid as often as it is cut, as large as it is drawn. */
function inspectParts(name: string, roll: Pick<Roll, 'laid' | 'tooLarge'>, parts: readonly FlatPart[]): Found[] {
  const labels = new Set(parts.map((part) => part.name));
  return [...labels].flatMap((label): Found[] => {
    if (roll.tooLarge.includes(label)) return [];
    const alike = parts.filter((part) => part.name === label);
    const laid = roll.laid.filter((one) => one.label === label);
    const wanted = alike.reduce((sum, { count }) => sum + count, 0);
    if (laid.length !== wanted)
      return [{ part: label, place: name, by: null, says: `${wanted} of ${label} are cut, and ${laid.length} are laid on the ${name}` }];
    // The largest of one name lie in the largest places of that name.
    const bySize = <T extends { width: number; height: number }>(all: readonly T[]): T[] =>
      [...all].sort((a, b) => b.width * b.height - a.width * a.height);
    const places = bySize(laid);
    return bySize(alike.flatMap((part) => Array.from({ length: part.count }, () => part))).flatMap(({ outline }, i): Found[] => {
      const { minX, minY, maxX, maxY } = boxOf(outline);
      const [w, h] = [maxX - minX, maxY - minY];
      const place = places[i]!;
      const fits = (a: number, b: number): boolean => place.width >= a - ROUNDED && place.height >= b - ROUNDED;
      return fits(w, h) || fits(h, w)
        ? []
        : [
            {
              part: label,
              place: name,
              by: null,
              says: `${label} is ${mm(w)} × ${mm(h)}, and ${mm(place.width)} × ${mm(place.height)} is laid for it on the ${name}`,
            },
          ];
    });
  });
}

function inspectRoll(name: string, roll: Roll | null, parts: readonly FlatPart[]): Found[] {
  if (!roll)
    return parts.length > 0
      ? [{ part: parts[0]!.name, place: name, by: null, says: `Nothing is laid on the ${name} for ${parts[0]!.name}` }]
      : [];
  const used = roll.laid.reduce((most, { y, height }) => Math.max(most, y + height), 0);
  const length: Found[] =
    roll.length < used - ROUNDED
      ? [{ part: name, place: 'length', by: used - roll.length, says: `${mm(roll.length)} of ${name} are given, and ${mm(used)} are laid` }]
      : [];
  return [...inspectSheet(name, roll.laid, roll.width, Math.max(used, roll.length)), ...length, ...inspectParts(name, roll, parts)];
}

/** The outlines that are drawn on the cloth lie in their places, and are as large as their parts. */
function inspectShapes({ cloth, shapes }: Pick<Cut, 'cloth' | 'shapes'>, parts: readonly FlatPart[]): Found[] {
  return shapes.flatMap(({ label, points }): Found[] => {
    const part = parts.filter(({ name }) => name === label);
    if (part.length === 0) return [];
    const area = Math.abs(signedArea(points));
    const nearest = Math.min(...part.map(({ outline }) => Math.abs(Math.abs(signedArea(outline)) - area)));
    const { minX, minY, maxX, maxY } = boxOf(points);
    const around = ROUNDED * 2 * (maxX - minX + maxY - minY) + 1;
    const over = Math.max(-minX, -minY, maxX - cloth.width, maxY - cloth.length);
    if (nearest > around)
      return [{ part: label, place: 'cloth', by: null, says: `${label} is drawn on the cloth in another size than it is cut` }];
    return over > ROUNDED ? [{ part: label, place: 'cloth', by: over, says: `${label} is drawn ${mm(over)} off the cloth` }] : [];
  });
}

/** Foam: every block of every layer lies on a sheet of its thickness. */
function inspectFoam({ foam, cut, variants = [] }: SheetPlan): Found[] {
  if (!cut) return [];
  const pads = [...foam, ...variants.flatMap((variant) => variant.foam)].filter(isBought);
  const sheets = cut.foam.layouts.flatMap(({ materialName, thickness, width, length, sheets: laid }) =>
    laid.flatMap((sheet, i) => inspectSheet(`sheet ${i + 1} of ${materialName}, ${thickness} mm`, sheet, width, length)),
  );
  const missing = pads.flatMap(({ pad, material, layers, pair }): Found[] =>
    layers.flatMap((thickness): Found[] => {
      const matching = cut.foam.layouts.filter((layout) => layout.material === material && layout.thickness === thickness);
      if (matching.some(({ tooLarge }) => tooLarge.includes(pad))) return [];
      const wanted = pads
        .filter((other) => other.pad === pad && other.material === material)
        .reduce((sum, other) => sum + (other.layers.filter((one) => one === thickness).length * other.count) / other.layers.length, 0);
      const laid = matching.flatMap(({ sheets: laidOn }) => laidOn.flat()).filter(({ label }) => label === pad).length;
      const enough = pair ? laid * 2 >= wanted : laid === wanted;
      return enough
        ? []
        : [{ part: `Foam “${pad}”`, place: 'sheets', by: null, says: `${wanted} blocks of foam “${pad}” are cut, and ${laid} are laid` }];
    }),
  );
  return [...sheets, ...missing];
}

/** Foam goes under cloth: a block of it lies inside its pad's own outline. */
function inspectBlocks({ foam }: SheetPlan): Found[] {
  const joined = foam.filter(({ blocks }) => blocks.length > 1);
  return joined.flatMap(({ pad, outline, blocks }): Found[] =>
    blocks.flatMap((block): Found[] => {
      const out = block.outline.reduce(
        (most, point: Point) => (isWithin(outline, point) ? most : Math.max(most, fromOutline(outline, point))),
        0,
      );
      return out > 1
        ? [{ part: `Foam “${pad}”`, place: 'block', by: out, says: `A block of foam “${pad}” stands ${mm(out)} out of the pad` }]
        : [];
    }),
  );
}

/** Every board of the set lies on a sheet, whole; one that is larger than a sheet is warned of elsewhere. */
function inspectBoards({ cut, piece }: SheetPlan): Found[] {
  if (!cut?.board) return [];
  const { board } = cut;
  const name = `board of ${board.thickness} mm`;
  const laid = board.sheets.flat();
  const missing = board.tooLarge.length === 0 && laid.length !== piece.count;
  return [
    ...board.sheets.flatMap((sheet) => inspectSheet(name, sheet, board.width, board.length)),
    ...(missing ? [{ part: 'Board', place: name, by: null, says: `${laid.length} boards are laid, and ${piece.count} are sawn` }] : []),
  ];
}

export const LAYS: Check = {
  id: 'lays',
  holds: 'what is cut is laid, once each, on the material and on nothing else',
  needs: ['cover', 'cut'],
  find: ({ plan }) => {
    const { cover, cut, wadding, dustCover, variants = [] } = plan;
    if (!cover || !cut) return [];
    const isNew = ({ name }: FlatPart): boolean => !cut.goesBack.includes(name);
    const covers = [...cover.pieces, ...variants.flatMap((variant) => variant.covers)];
    const of = (cloth: string): FlatPart[] => covers.filter((part) => part.cloth === cloth && isNew(part));
    const lined = (material: string): FlatPart[] => cover.linings.filter((part) => part.material === material && isNew(part));
    const also = (pick: (variant: (typeof variants)[number]) => FlatPart | null): FlatPart[] =>
      variants.flatMap((variant) => pick(variant) ?? []);
    return [
      ...inspectRoll('cloth', cut.cloth, of('cover')),
      ...inspectRoll('second cloth', cut.second, of('second')),
      ...inspectRoll('lining cloth', cut.lining, [...of('lining'), ...lined('liner')]),
      ...inspectRoll('wadding', cut.wadding, [...(wadding ? [wadding] : []), ...also((variant) => variant.wadding)].filter(isNew)),
      ...inspectRoll(
        'dust cloth',
        cut.dustCover,
        [...(dustCover ? [dustCover] : []), ...also((variant) => variant.dustCover)].filter(isNew),
      ),
      ...inspectRoll('film', cut.film, lined('film')),
      ...inspectRoll('waterproof cloth', cut.waterproof, lined('waterproof')),
      ...inspectRoll('backed foam', cut.backedFoam, lined('backed-foam')),
      ...inspectShapes(cut, of('cover')),
      ...inspectFoam(plan),
      ...inspectBlocks(plan),
      ...inspectBoards(plan),
    ];
  },
};
