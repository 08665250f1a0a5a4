'use client';

import { useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { foamThickness, formatLength, inUnit, parseLength } from '@/core/length';
import { readFigure } from './read-figure';
import { Figure } from './figure';
import { useDraft } from './draft';
import { Unused } from './unused';
import { useSettings } from '../settings';
import { useTapeReading } from '../tape';

/** Moves to the next measurement in the order a tape goes round. */
function focusNext(from: HTMLInputElement): void {
  const all = [...document.querySelectorAll<HTMLInputElement>('[data-tape]')].filter((el) => !el.disabled && el.offsetParent !== null);
  const next = all[all.indexOf(from) + 1];
  if (next) {
    next.focus();
    next.select();
  } else from.blur();
}

type FieldProps = {
  label: string;
  /** names the field across reloads, so that refused text is not lost */
  name: string;
  /** takes the value, or says what is wrong with it */
  onCommit: (value: number) => string | null;
  hint?: ReactNode;
  /** stands beside the label */
  mark?: ReactNode;
  compact?: boolean;
  /** the label is read out but not shown, for tables */
  bare?: boolean;
  /** the value is only an example: it stands there faintly until one is typed */
  example?: boolean;
  /** what may have been meant by a figure that is refused */
  meant?: (value: number) => { value: number; says: string } | null;
};

/** What a text is understood as. */
type Reading = { ok: true; value: number; says: string } | { ok: false; message: string };

type CoreProps = FieldProps & {
  shown: string;
  understood: (text: string) => Reading;
  nudge: (value: number, steps: number) => number;
  value: number | null;
  takesLengths?: boolean;
};

/** What is typed in a field until it is taken, and what is wrong with it. */
function useTyped({ name, onCommit, understood, nudge, shown, value }: CoreProps) {
  const [draft, setDraft, restored] = useDraft(`draft ${name}`);
  const [refused, setRefused] = useState<{ text: string; message: string } | null>(null);
  // Enter takes a text and moves on, and leaving the field would take it once more: the field is drawn anew only later.
  const taken = useRef<string | null>(null);
  const reading = draft === null ? null : understood(draft);
  const message = refused && refused.text === draft ? refused.message : reading && !reading.ok && draft !== '' ? reading.message : null;
  const forget = (): void => {
    setDraft(null);
    setRefused(null);
  };
  /** Takes a value; what was typed stays where it cannot be taken. */
  const take = (next: number, text: string): boolean => {
    const wrong = onCommit(next);
    if (wrong) setRefused({ text, message: wrong });
    else {
      taken.current = text;
      forget();
    }
    return !wrong;
  };
  const commit = (text: string | null): boolean => {
    if (text === null || text === taken.current) return true;
    const parsed = understood(text);
    if (parsed.ok) return take(parsed.value, text);
    setRefused({ text, message: parsed.message });
    return false;
  };
  const step = (steps: number): void => {
    const from = reading?.ok ? reading.value : value!;
    if (!take(nudge(from, steps), draft ?? shown) && draft === null) setDraft(shown);
  };
  const type = (text: string): void => {
    taken.current = null;
    setRefused(null);
    setDraft(text);
  };
  return { draft, restored, reading, message, commit, step, take, type, forget, canStep: value !== null || Boolean(reading?.ok) };
}

const STEPS: Record<string, number> = { ArrowUp: 1, ArrowDown: -1 };

function Field(props: CoreProps) {
  const { label, hint, mark, shown, compact, bare, takesLengths, example, meant } = props;
  const id = useId();
  const { unit } = useSettings();
  const entered = useRef(false);
  const { draft, restored, reading, message, commit, step, take, type, forget, canStep } = useTyped(props);
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const field = event.currentTarget;
    const by = STEPS[event.key];
    if (event.key === 'Escape') return forget();
    if (event.key !== 'Enter' && !(by && canStep)) return;
    event.preventDefault();
    if (by) step(by * (event.shiftKey ? 10 : 1));
    else if (commit(draft)) focusNext(field);
  };
  // A digital tape types into the field that has the focus and moves on, as Enter would.
  useTapeReading((mm, field) => {
    if (field.id !== id || !takesLengths) return false;
    const text = formatLength(mm, unit);
    type(text);
    if (commit(text)) focusNext(field);
    return true;
  });
  const slip = message && reading?.ok && meant ? meant(reading.value) : null;
  const frame = message ? 'border-error border-2' : 'border-base-content/40';
  return (
    <div className={`relative ${compact ? 'py-0.5' : 'py-1'}`}>
      <div className="flex items-baseline justify-between gap-2">
        <span className={bare ? 'sr-only' : 'flex items-center gap-1.5'}>
          <label htmlFor={id} className="text-sm">
            {label}
          </label>
          {mark}
        </span>
        <input
          id={id}
          data-tape
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          className={`${bare ? 'w-full min-w-0 px-1 text-sm' : 'w-28 px-2'} py-1 text-right tabular-nums bg-base-100 border rounded-sm ${frame}`}
          value={draft ?? (example ? '' : shown)}
          placeholder={example ? shown : undefined}
          data-example={example || undefined}
          aria-invalid={message !== null}
          aria-describedby={`${id}-said`}
          onChange={(event) => type(event.target.value)}
          onFocus={(event) => event.target.select()}
          // A click into a field puts the caret somewhere: what stands there is to be typed over, as with the keys.
          onMouseDown={(event) => (entered.current = document.activeElement !== event.currentTarget)}
          onMouseUp={(event) => {
            const { selectionStart, selectionEnd } = event.currentTarget;
            if (entered.current && selectionStart === selectionEnd) event.currentTarget.select();
            entered.current = false;
          }}
          onBlur={() => commit(draft)}
          onKeyDown={onKeyDown}
        />
      </div>
      <div id={`${id}-said`} className="text-xs text-right min-h-0">
        <Said message={message} reading={reading} hint={hint} />
        {slip && (
          <button
            type="button"
            className="btn btn-xs btn-outline font-normal mt-0.5"
            // The field's own leaving would take the slip a second time.
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => take(slip.value, draft ?? '')}
          >
            {inUnit(slip.says, unit)}
          </button>
        )}
        {restored && !message && reading?.ok && <Unused onUse={() => commit(draft)} />}
      </div>
    </div>
  );
}

/** What is wrong with what was typed, what it is understood as, or what helps to type it. */
function Said({ message, reading, hint }: { message: string | null; reading: Reading | null; hint: ReactNode }) {
  const { unit } = useSettings();
  if (message)
    return (
      <p role="alert" className="text-error text-left mt-0.5">
        {inUnit(message, unit)}
      </p>
    );
  if (reading?.ok)
    return (
      <span className="text-base-content/75">
        = <Figure says={reading.says} />
      </span>
    );
  return hint ? <span className="text-base-content/75">{hint}</span> : null;
}

/** A length: takes any way of writing one, shows at once what it understood, in the workshop's unit. */
export function LengthField(props: FieldProps & { value: number | null; foam?: boolean }) {
  const { unit } = useSettings();
  // Foam is called by what it is sold as.
  const says = props.foam ? foamThickness : formatLength;
  return (
    <Field
      {...props}
      takesLengths
      // In a table there is no room for the unit; it stands over the column for all of them.
      shown={props.value === null ? '' : props.bare ? formatLength(props.value, unit).replace(/ (mm|cm)$/, '') : says(props.value, unit)}
      nudge={(mm, steps) => Math.round((mm + steps) * 1000) / 1000}
      understood={(text) => {
        const parsed = parseLength(text, unit);
        return parsed.ok ? { ok: true, value: parsed.mm, says: formatLength(parsed.mm, unit) } : parsed;
      }}
    />
  );
}

/** A plain figure: a count, a percentage, seconds. */
export function FigureField(props: FieldProps & { value: number | null; suffix?: string; whole?: boolean }) {
  const { suffix, whole } = props;
  return (
    <Field
      {...props}
      shown={props.value === null ? '' : `${props.value}${suffix ? ` ${suffix}` : ''}`}
      nudge={(value, steps) => value + steps}
      understood={(text) => readFigure(text, { suffix, whole })}
    />
  );
}

const DEGREE = Math.PI / 180;

/** An angle, typed and shown in degrees, kept in radians. */
export function AngleField(props: FieldProps & { value: number | null }) {
  const says = (radians: number) => `${Math.round((radians / DEGREE) * 100) / 100}°`;
  return (
    <Field
      {...props}
      shown={props.value === null ? '' : says(props.value)}
      nudge={(value, steps) => Math.round((value / DEGREE + steps * 0.5) * 1000) * (DEGREE / 1000)}
      understood={(text) => {
        const clean = text
          .replace(/[°]|deg(rees)?/g, '')
          .replace(',', '.')
          .trim();
        if (!/^-?\d+(\.\d+)?$/.test(clean)) return { ok: false, message: `“${text.slice(0, 30)}” is not an angle` };
        return { ok: true, value: Number(clean) * DEGREE, says: says(Number(clean) * DEGREE) };
      }}
    />
  );
}

/** A choice from a few. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
  hint,
  mark,
}: {
  label: string;
  /** stands beside the label */
  mark?: ReactNode;
  value: T;
  options: readonly { id: T; name: string }[];
  /** takes the choice, or says why it cannot be */
  onChange: (value: T) => string | null | void;
  hint?: ReactNode;
}) {
  const id = useId();
  const { unit } = useSettings();
  const [message, setMessage] = useState<string | null>(null);
  return (
    <div className="py-1">
      <div className="flex items-baseline justify-between gap-2">
        <span className="flex items-center gap-1.5 shrink-0">
          <label htmlFor={id} className="text-sm">
            {label}
          </label>
          {mark}
        </span>
        <select
          id={id}
          className="min-w-0 max-w-44 truncate pl-2 pr-1 py-1 bg-base-100 border border-base-content/40 rounded-sm text-sm"
          value={value}
          onChange={(event) => setMessage(onChange(event.target.value as T) ?? null)}
        >
          {options.map((option) => (
            <option key={option.id} value={option.id}>
              {option.name}
            </option>
          ))}
        </select>
      </div>
      {message && (
        <p role="alert" className="text-xs text-error">
          {inUnit(message, unit)}
        </p>
      )}
      {hint && <p className="text-xs text-right text-base-content/75">{hint}</p>}
    </div>
  );
}

/** A line of words, kept when the field is left. */
export function TextField({
  label,
  value,
  onCommit,
  name,
  long,
}: {
  label: string;
  value: string;
  name: string;
  onCommit: (value: string) => string | null;
  long?: boolean;
}) {
  const id = useId();
  const [draft, setDraft, restored] = useDraft(`draft ${name}`);
  const [message, setMessage] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const wrong = onCommit(draft);
    setMessage(wrong);
    if (!wrong) setDraft(null);
  };
  const common = {
    id,
    value: draft ?? value,
    'aria-invalid': message !== null,
    className: `w-full px-2 py-1 bg-base-100 border rounded-sm ${message ? 'border-error border-2' : 'border-base-content/40'}`,
    onChange: (event: { target: { value: string } }) => setDraft(event.target.value),
    onBlur: commit,
  };
  return (
    <div className="py-1">
      <label htmlFor={id} className="text-sm block mb-0.5">
        {label}
      </label>
      {long ? (
        <textarea rows={3} {...common} />
      ) : (
        <input
          autoComplete="off"
          {...common}
          data-tape
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            // Enter goes on to the next figure; it does not send the form.
            event.preventDefault();
            commit();
            focusNext(event.currentTarget);
          }}
        />
      )}
      {restored && !message && draft !== value && <Unused onUse={commit} />}
      {message && (
        <p role="alert" className="text-xs text-error">
          {message}
        </p>
      )}
    </div>
  );
}

/** A choice that is made or not. */
export function TickField({
  label,
  describedAs,
  checked,
  onChange,
}: {
  label: string;
  /** read out instead of the label, where several are alike */
  describedAs?: string;
  checked: boolean;
  /** takes the choice, or says why it cannot be */
  onChange: (checked: boolean) => string | null | void;
}) {
  const { unit } = useSettings();
  const [message, setMessage] = useState<string | null>(null);
  return (
    <>
      <label className="relative flex items-center justify-between py-1 text-sm gap-2">
        {label}
        <input
          type="checkbox"
          className="size-5 shrink-0 accent-(--color-secondary)"
          checked={checked}
          aria-label={describedAs}
          onChange={(event) => setMessage(onChange(event.target.checked) ?? null)}
        />
      </label>
      {message && (
        <p role="alert" className="text-xs text-error">
          {inUnit(message, unit)}
        </p>
      )}
    </>
  );
}
