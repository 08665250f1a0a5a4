'use client';

import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { ruleOf, unusual, type HouseRules } from '@/core/house';
import { inUnit } from '@/core/length';
import type { Piece } from '@/core/piece';
import { printFigure, type SlipLine, type Term } from '@/core/slip';
import { FigureField, LengthField } from '@/ui/kit/fields';
import { Figure } from '@/ui/kit/figure';
import { useSettings } from '@/ui/kit/settings';

type Props = {
  lines: SlipLine[];
  piece: Piece;
  house: HouseRules;
  pieceId: string;
  /** sets a rule for this piece alone, or takes it back with null; says what is wrong */
  onOverride: (key: string, value: number | null) => string | null;
};

const SUFFIX: Partial<Record<Term['unit'], string>> = { percent: '%', seconds: 's', minutes: 'min', mass: 'kg', force: 'N' };

function RuleTerm({ term, piece, house, pieceId, onOverride }: { term: Term & { rule: string } } & Omit<Props, 'lines'>) {
  const { unit } = useSettings();
  const rule = ruleOf(term.rule)!;
  const own = piece.overrides[term.rule];
  const standing = house[term.rule] ?? rule.value;
  const field = {
    label: `${term.symbol}: ${rule.label.toLowerCase()}, for this piece`,
    name: `${pieceId} override ${term.rule}`,
    value: own ?? standing,
    compact: true,
    onCommit: (value: number) => onOverride(term.rule, value),
  };
  return (
    <li className="py-1.5 border-t border-base-content/15">
      {rule.unit === 'length' ? <LengthField {...field} /> : <FigureField {...field} suffix={SUFFIX[rule.unit]} />}
      <p className="text-xs text-base-content/80">
        {house[term.rule] === undefined ? 'House rule' : 'House rule, your own'}: <Figure says={printFigure(standing, rule.unit, unit)} />.{' '}
        {rule.reason}
      </p>
      {own !== undefined && (
        <p className="text-xs mt-1">
          <span className="text-primary font-semibold">Set for this piece. </span>
          {unusual(term.rule, own) && <span>{inUnit(unusual(term.rule, own) ?? '', unit)}. </span>}
          <button type="button" className="underline underline-offset-2 cursor-pointer" onClick={() => onOverride(term.rule, null)}>
            Take back to the house rule
          </button>
        </p>
      )}
    </li>
  );
}

function Why(props: { line: SlipLine } & Omit<Props, 'lines'>) {
  const { line, ...rest } = props;
  const { unit } = useSettings();
  const fixed = line.terms.filter((term) => !term.rule);
  const rules = line.terms.filter((term): term is Term & { rule: string } => term.rule !== undefined);
  return (
    <div className="px-2 pb-2 bg-base-200">
      <p className="font-display py-1.5">{line.formula}</p>
      <ul className="text-sm">
        {fixed.map((term) => (
          <li key={term.symbol + term.label} className="flex justify-between gap-2 py-0.5">
            <span>
              <span className="font-semibold">{term.symbol}</span> {term.label.toLowerCase()}
            </span>
            <span className="whitespace-nowrap">
              <Figure says={printFigure(term.value, term.unit, unit)} />
            </span>
          </li>
        ))}
        {rules.map((term) => (
          <RuleTerm key={term.rule} term={term} {...rest} />
        ))}
      </ul>
    </div>
  );
}

/** The numbers one would write on masking tape; each opens its reason and a place to set it for this piece. */
export function Slip({ lines, ...rest }: Props) {
  const { unit } = useSettings();
  const [open, setOpen] = useState<string | null>(null);
  const groups = [...new Set(lines.map((line) => line.group))];
  return (
    <section aria-label="Slip" className="text-sm">
      <h2 className="font-display text-lg px-3 pt-2">Slip</h2>
      {groups.map((group) => (
        <div key={group}>
          <h3 className="px-3 pt-2 pb-0.5 text-xs font-semibold text-base-content/80">{group}</h3>
          <ul>
            {lines
              .filter((line) => line.group === group)
              .map((line) => {
                const changed = line.terms.some((term) => term.rule && rest.piece.overrides[term.rule] !== undefined);
                const here = open === line.key;
                return (
                  <li key={line.key} className="border-t border-base-content/15">
                    <button
                      type="button"
                      aria-expanded={here}
                      className="w-full text-left px-3 py-1 cursor-pointer hover:bg-base-200"
                      onClick={() => setOpen(here ? null : line.key)}
                    >
                      <span className="flex items-baseline gap-1">
                        <span className="self-center text-base-content/70">
                          {here ? <ChevronDown size={13} aria-hidden /> : <ChevronRight size={13} aria-hidden />}
                        </span>
                        <span>{line.label}</span>
                        {changed && <span className="text-xs text-primary font-semibold">set here</span>}
                        <span className="ml-auto font-semibold whitespace-nowrap" data-slip={line.key}>
                          <Figure
                            says={
                              printFigure(line.value, line.unit, unit) +
                              (line.by === undefined ? '' : ` × ${printFigure(line.by, line.unit, unit)}`)
                            }
                          />
                        </span>
                      </span>
                      <span className="sr-only">, why this number</span>
                      {line.note && (
                        <span className="block pl-4 text-xs text-base-content/75">
                          <Figure says={inUnit(line.note, unit)} />
                        </span>
                      )}
                    </button>
                    {here && <Why line={line} {...rest} />}
                  </li>
                );
              })}
          </ul>
        </div>
      ))}
    </section>
  );
}
