'use client';

import { ChevronDown, ChevronRight, Copy } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { ruleOf, unusual } from '@/core/house';
import { foamThickness, inUnit } from '@/core/length';
import { printFigure, SIZE_GROUPS, withChosenLays, type SizeGroup, type SizeLine, type SumPart, type Term } from '@/core/sizes';
import { Figure } from '@/ui/kit/fields/figure';
import { useSettings } from '@/ui/kit/settings';
import { RuleField } from './fields/rule-field';
import { useChosenLengths, usePiece, useSheet } from './store';

function RuleTerm({ term }: { term: Term & { rule: string } }) {
  const { unit } = useSettings();
  const piece = usePiece();
  const house = useSheet((state) => state.house);
  const override = useSheet((state) => state.override);
  const rule = ruleOf(term.rule)!;
  const value = piece.overrides[term.rule];
  const standing = house[term.rule] ?? rule.value;
  return (
    <li className="py-1.5 border-t border-base-content/15">
      <RuleField at={term.rule} label={`${term.symbol}: ${rule.label.toLowerCase()}, for this piece`} />
      <p className="text-xs text-base-content/80">
        {house[term.rule] === undefined ? 'House rule' : 'House rule, your own'}:{' '}
        <Figure says={printFigure(standing, rule.unit, unit, true)} />. {rule.reason}
      </p>
      {value !== undefined && (
        <p className="text-xs mt-1">
          <span className="text-primary font-semibold">Set for this piece. </span>
          {unusual(term.rule, value) && <span>{inUnit(unusual(term.rule, value) ?? '', unit)}. </span>}
          <button type="button" className="underline underline-offset-2 cursor-pointer" onClick={() => override(term.rule, null)}>
            Take back to the house rule
          </button>
        </p>
      )}
    </li>
  );
}

/** How one figure of a cut size adds up, as it would be written under each other. */
function Sum({ name, parts, total }: { name: string; parts: readonly SumPart[]; total: number }) {
  const { unit } = useSettings();
  const printed = (value: number): string => printFigure(Math.abs(value), 'length', unit, true);
  return (
    <table className="w-full text-sm mb-1.5">
      <caption className="text-left text-xs text-base-content/80">{name}</caption>
      <tbody>
        {parts.map(({ label, value }, i) => (
          <tr key={label}>
            <th scope="row" className="text-left font-normal py-0.5 pr-2">
              {label}
            </th>
            <td className="text-right whitespace-nowrap">
              {value < 0 ? '− ' : i > 0 && '+ '}
              <Figure says={printed(value)} />
            </td>
          </tr>
        ))}
        <tr className="border-t border-base-content/40 font-semibold">
          <th scope="row" className="text-left py-0.5">
            Cut
          </th>
          <td className="text-right whitespace-nowrap">
            = <Figure says={printed(total)} />
          </td>
        </tr>
      </tbody>
    </table>
  );
}

function Why({ line }: { line: SizeLine }) {
  const { unit } = useSettings();
  // A size that adds up has its terms in the sum.
  const fixed = line.sums ? [] : line.terms.filter((term) => !term.rule);
  const rules = line.terms.filter((term): term is Term & { rule: string } => term.rule !== undefined);
  return (
    <div className="px-2 pb-2 bg-base-200">
      {line.sums ? (
        <>
          <Sum name={line.by === undefined ? 'Length' : 'Width'} parts={line.sums.width} total={line.value} />
          {line.by !== undefined && <Sum name="Height" parts={line.sums.height} total={line.by} />}
        </>
      ) : (
        <p className="font-display py-1.5">
          {line.formula}
          {line.unit === 'length' || line.unit === 'roll' ? (
            <>
              {' '}
              = <Figure says={printFigure(line.value, line.unit, unit, true)} />
            </>
          ) : null}
        </p>
      )}
      <ul className="text-sm">
        {fixed.map((term) => (
          <li key={term.symbol + term.label} className="flex justify-between gap-2 py-0.5">
            <span>
              <span className="font-semibold">{term.symbol}</span> {term.label.toLowerCase()}
            </span>
            <span className="whitespace-nowrap">
              <Figure says={printFigure(term.value, term.unit, unit, true)} />
            </span>
          </li>
        ))}
        {rules.map((term) => (
          <RuleTerm key={term.rule} term={term} />
        ))}
      </ul>
    </div>
  );
}

function Line({ line }: { line: SizeLine }) {
  const { unit } = useSettings();
  const { overrides } = usePiece();
  const [open, setOpen] = useState(false);
  const asked = useSheet((state) => state.why === line.key);
  const show = useSheet((state) => state.show);
  const at = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (!asked) return;
    setOpen(true);
    at.current?.scrollIntoView({ block: 'nearest' });
    at.current?.querySelector('button')?.focus();
    show({ why: null });
  }, [asked, show]);
  const changed = line.terms.some((term) => term.rule && overrides[term.rule] !== undefined);
  const by = line.by === undefined ? '' : ` × ${printFigure(line.by, line.unit, unit)}`;
  return (
    <li ref={at} className="border-t border-base-content/15">
      <button
        type="button"
        aria-expanded={open}
        className="w-full text-left px-3 py-1 cursor-pointer hover:bg-base-200"
        onClick={() => setOpen(!open)}
      >
        <span className="flex items-baseline gap-1">
          <span className="self-center text-base-content/70">
            {open ? <ChevronDown size={13} aria-hidden /> : <ChevronRight size={13} aria-hidden />}
          </span>
          <span>{line.label}</span>
          {changed && <span className="text-xs text-primary font-semibold">changed for this job</span>}
          <span className="ml-auto font-semibold whitespace-nowrap" data-slip={line.key}>
            <Figure says={printFigure(line.value, line.unit, unit) + by} />
          </span>
        </span>
        <span className="sr-only">, why this number</span>
        {line.note && (
          <span className="block pl-4 text-xs text-base-content/75">
            <Figure says={inUnit(line.note, unit, line.key.startsWith('foam.') ? foamThickness : undefined)} />
          </span>
        )}
      </button>
      {open && <Why line={line} />}
    </li>
  );
}

function Group({ group, lines, folds }: { group: SizeGroup; lines: SizeLine[]; folds: boolean }) {
  const unfolded = useSheet((state) => state.unfolded);
  const show = useSheet((state) => state.show);
  const open = !folds || unfolded.includes(group);
  const list = (
    <ul>
      {lines.map((line) => (
        <Line key={line.key} line={line} />
      ))}
    </ul>
  );
  if (!folds)
    return (
      <div data-sizes={group}>
        <h3 className="px-3 pt-2 pb-0.5 text-xs font-semibold text-base-content/80">{group}</h3>
        {list}
      </div>
    );
  return (
    <div className="border-t border-base-content/25" data-sizes={group}>
      <h3>
        <button
          type="button"
          aria-expanded={open}
          className="w-full text-left px-3 py-1.5 text-xs font-semibold text-base-content/80 cursor-pointer hover:bg-base-200 flex items-center gap-1"
          onClick={() => show({ unfolded: open ? unfolded.filter((id) => id !== group) : [...unfolded, group] })}
        >
          {open ? <ChevronDown size={13} aria-hidden /> : <ChevronRight size={13} aria-hidden />} {group}
        </button>
      </h3>
      {open && (lines.length > 0 ? list : <p className="px-3 pb-1 text-xs">Calculating…</p>)}
    </div>
  );
}

/** Puts every size that is known on the clipboard, a line for each. */
function CopyAll({ lines }: { lines: readonly SizeLine[] }) {
  const { unit } = useSettings();
  const [done, setDone] = useState<string | null>(null);
  const copy = async () => {
    const text = lines
      .map((line) => {
        const by = line.by === undefined ? '' : ` × ${printFigure(line.by, line.unit, unit)}`;
        return `${line.label}\t${printFigure(line.value, line.unit, unit)}${by}`;
      })
      .join('\n');
    try {
      await navigator.clipboard.writeText(text);
      setDone(`${lines.length} sizes copied`);
    } catch {
      setDone('This browser cannot copy here; Print… has the sizes as a slip.');
    }
  };
  return (
    <span className="ml-auto flex items-center gap-2">
      <span role="status" className="text-xs">
        {done}
      </span>
      <button type="button" className="btn btn-xs btn-ghost font-normal" onClick={() => void copy()}>
        <Copy size={14} aria-hidden /> Copy all
      </button>
    </span>
  );
}

/** The numbers one would write on masking tape: this stage's own first, the rest folded; each opens its reason. */
export function Sizes({ first }: { first: readonly SizeGroup[] }) {
  const lines = withChosenLays(
    useSheet((state) => state.view!.sizes),
    useChosenLengths(),
  );
  // What needs no part of the plan is known at once: where it has nothing to say its head would open on nothing.
  const phrases = SIZE_GROUPS.filter(({ id, needs }) => needs.length > 0 || lines.some(({ group }) => group === id)).map(({ id }) => id);
  const rest = phrases.filter((id) => !first.includes(id));
  return (
    <section aria-label="Sizes" className="text-sm">
      <div className="flex items-center px-3 pt-2">
        <h2 className="font-display text-lg">Sizes</h2>
        <CopyAll lines={lines} />
      </div>
      {[...first.filter((id) => phrases.includes(id)), ...rest].map((group) => (
        <Group key={group} group={group} lines={lines.filter((line) => line.group === group)} folds={!first.includes(group)} />
      ))}
    </section>
  );
}
