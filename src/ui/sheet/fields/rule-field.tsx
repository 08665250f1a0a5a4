import { ruleOf } from '@/core/house';
import type { Term } from '@/core/sizes';
import { FigureField, LengthField } from '@/ui/kit/fields/fields';
import { usePiece, useSheet } from '../store';

const SUFFIX: Partial<Record<Term['unit'], string>> = { percent: '%', seconds: 's', minutes: 'min', mass: 'kg', force: 'N' };

/** A house rule as it holds for this piece, to be set for it alone. */
export function RuleField({ at, label }: { at: string; label: string }) {
  const piece = usePiece();
  const id = useSheet((state) => state.id);
  const standing = useSheet((state) => state.house[at]);
  const override = useSheet((state) => state.override);
  const rule = ruleOf(at)!;
  const field = {
    label,
    name: `${id} override ${at}`,
    value: piece.overrides[at] ?? standing ?? rule.value,
    compact: true,
    onCommit: (value: number) => override(at, value),
  };
  const suffix = SUFFIX[rule.unit];
  return rule.unit === 'length' ? <LengthField {...field} /> : <FigureField {...field} {...(suffix ? { suffix } : {})} />;
}
