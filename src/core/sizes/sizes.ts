import { figuresOn } from '../padding';
import { figuresFor, readerOf, ruleOf, type HouseRules } from '../house';
import { ownRules, type Piece } from '../piece';
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
  return SIZE_GROUPS.flatMap(({ id }) => GROUP[id](making));
}
