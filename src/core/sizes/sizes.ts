import { figuresOn } from '../padding';
import { figuresFor, readerOf, ruleOf, type HouseRules } from '../house';
import { getsWet, ownRules, type Piece } from '../piece';
import type { WareKind } from '../wares';
import type { SheetPlan } from '../plan-data';
import { baseSizes } from './base-sizes';
import { coverSizes } from './cover-sizes';
import { paddingSizes } from './padding-sizes';
import { SIZE_GROUPS, type Making, type SizeGroup, type SizeLine } from './types';
import { buySizes } from './buy-sizes';
import { fixingSizes, workSizes } from './work-sizes';

const GROUP: Record<SizeGroup, (making: Making) => SizeLine[]> = {
  Board: baseSizes,
  Padding: paddingSizes,
  Cover: coverSizes,
  Buy: buySizes,
  Fastening: fixingSizes,
  Work: workSizes,
};

/** What rusts or rots where it gets wet, and what is bought instead. */
const LASTING: Partial<Record<WareKind, string>> = {
  fastener: 'stainless',
  staple: 'stainless',
  hardware: 'stainless or galvanised',
  spring: 'galvanised',
  thread: 'polyester: cotton rots',
};

/** A line of the shopping list with what lasts where it gets wet. */
function lastingOutdoors(line: SizeLine): SizeLine {
  const { ware, note = '' } = line;
  const lasting = ware && ware !== 'laid' ? LASTING[ware.kind] : undefined;
  if (!lasting || note.includes('stainless')) return line;
  return { ...line, note: note ? `${note}; ${lasting}` : lasting };
}

/**
 * The numbers one would write on masking tape, each with its formula and the values in it.
 *
 * @param plan the piece's plan; a group whose part was not asked for has no lines
 * @param piece the piece it was made from
 * @param house the workshop's rules
 */
export function sizesOf(plan: SheetPlan, piece: Piece, house: HouseRules): SizeLine[] {
  const read = readerOf(figuresOn(plan.outline.points, figuresFor(house, ownRules(piece)), piece));
  const making: Making = {
    plan,
    piece,
    rule: (symbol, key) => {
      const found = ruleOf(key)!;
      return { symbol, label: found.label, value: read(key), unit: found.unit, rule: key };
    },
  };
  const wet = getsWet(piece);
  return SIZE_GROUPS.flatMap(({ id }) => GROUP[id](making)).map((line) => (wet ? lastingOutdoors(line) : line));
}
