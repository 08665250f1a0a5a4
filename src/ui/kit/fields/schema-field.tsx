'use client';

import type { ReactNode } from 'react';
import { sayRange, slipOf, type DocumentField, type FieldUnit } from '@/core/piece';
import { AngleField, ChoiceField, FigureField, LengthField, TextField, TickField } from './fields';

const SUFFIX: Partial<Record<FieldUnit, string>> = {
  kg: 'kg',
  '%': '%',
  N: 'N',
  'N/10 cm': 'N',
  'kg/m³': 'kg/m³',
  'g/m²': 'g/m²',
  s: 's',
};

type Props = {
  field: DocumentField;
  /** names the field across reloads */
  name: string;
  value: unknown;
  /** takes the value, or says what is wrong with it */
  onCommit: (value: unknown) => string | null;
  hint?: ReactNode;
  /** stands beside the label */
  mark?: ReactNode;
  compact?: boolean | undefined;
  bare?: boolean | undefined;
  /** the value is only an example */
  example?: boolean;
  /** a thickness of foam, called by what it is sold as */
  foam?: boolean | undefined;
};

/** A field drawn from what the document says of it. */
export function SchemaField({ field, name, value, onCommit: take, hint, mark, compact, bare, example, foam }: Props) {
  // What no document takes is said at once, in the document's own words.
  const onCommit = (next: unknown): string | null =>
    (field.range && next !== null ? sayRange(field.label, next, field.range, field.unit) : null) ?? take(next);
  const common = {
    label: field.label,
    name,
    onCommit,
    hint,
    mark,
    ...(compact ? { compact } : {}),
    ...(bare ? { bare } : {}),
    ...(example ? { example } : {}),
  };
  if (field.options) {
    const options = field.empty ? [{ id: '', name: field.empty }, ...field.options] : field.options;
    return (
      <ChoiceField
        label={field.label}
        value={String(value ?? '')}
        options={options}
        onChange={(id) => onCommit(id === '' ? null : id)}
        hint={hint}
        mark={mark}
      />
    );
  }
  if (field.type === 'boolean') return <TickField label={field.label} checked={Boolean(value)} onChange={onCommit} />;
  if (field.type === 'string')
    return <TextField label={field.label} name={name} value={String(value ?? '')} onCommit={onCommit} long={(field.longest ?? 0) > 1000} />;
  const figure = typeof value === 'number' ? value : null;
  const { range } = field;
  const meant = range && { meant: (mm: number) => slipOf(mm, range) };
  if (field.unit === 'mm') return <LengthField {...common} {...meant} value={figure} {...(foam ? { foam } : {})} />;
  if (field.unit === 'rad') return <AngleField {...common} value={figure} />;
  const suffix = field.unit && SUFFIX[field.unit];
  return <FigureField {...common} value={figure} whole={field.type === 'integer'} {...(suffix ? { suffix } : {})} />;
}
