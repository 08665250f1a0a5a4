'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { closingOf } from '@/core/outline';
import { measurementLabel, readField, shapeKind, slipOf, withField, type BaseShape } from '@/core/piece';
import { AngleField, ChoiceField, LengthField } from '@/ui/kit/fields/fields';
import { useLength } from '@/ui/kit/settings';

type Props = {
  shape: BaseShape;
  name: string;
  /** takes the shape with one measurement changed; which one */
  onChange: (shape: BaseShape, key: string, value: number) => string | null;
  /** what stands at a wall has a height, not a depth */
  wall?: boolean;
  /** measurements that are only examples until they are typed */
  examples?: ReadonlySet<string>;
};
type Rowed = Extract<BaseShape, { rows: unknown[] }>;

/** A new row carries on from the last one, a step further. */
function nextRow(rows: readonly Record<string, number>[]): Record<string, number> {
  const last = rows.at(-1)!;
  const before = rows.at(-2);
  if (!('at' in last)) return { ...last };
  return { ...last, at: last.at! + (before ? last.at! - before.at! : 50) };
}

function Rows({ shape, name, onChange, examples, chosen }: Omit<Props, 'shape'> & { shape: Rowed; chosen: boolean }) {
  const { rows: table } = shapeKind(shape.type);
  const rows = shape.rows as unknown as Record<string, number>[];
  const set = (next: Record<string, number>[], key = 'rows', value = 0) =>
    onChange({ ...shape, rows: next } as unknown as BaseShape, key, value);
  const columns = table!.columns;
  // Measured, the table is folded: it is the tallest thing on the board.
  const [open] = useState(() => chosen || examples === undefined || [...examples].some((key) => key.startsWith('rows.')));
  return (
    <details className="pt-1" open={open} data-rows={rows.length}>
      <summary className="text-sm font-semibold cursor-pointer">
        {table!.label}
        <span className="font-normal"> ({rows.length})</span>
      </summary>
      <div className="grid gap-x-1 items-end" style={{ gridTemplateColumns: `1.2rem repeat(${columns.length}, minmax(0,1fr)) 1.4rem` }}>
        <span />
        {columns.map((column) => (
          <span key={column.key} className="text-xs text-right leading-tight" aria-hidden>
            {column.label}
          </span>
        ))}
        <span />
        {rows.map((row, i) => (
          <div key={i} className="contents">
            <span className="text-xs self-center">{i + 1}</span>
            {columns.map((column) => {
              const Kind = column.unit === 'rad' ? AngleField : LengthField;
              return (
                <Kind
                  key={column.key}
                  bare
                  compact
                  label={`${column.label}, row ${i + 1}`}
                  name={`${name} ${i} ${column.key}`}
                  value={row[column.key]!}
                  example={examples?.has(`rows.${i}.${column.key}`) ?? false}
                  onCommit={(value) =>
                    set(
                      rows.map((r, k) => (k === i ? { ...r, [column.key]: value } : r)),
                      `rows.${i}.${column.key}`,
                      value,
                    )
                  }
                />
              );
            })}
            <button
              type="button"
              className="p-1 self-center rounded-sm hover:bg-base-200 disabled:opacity-30"
              aria-label={`Take row ${i + 1} out`}
              disabled={rows.length <= table!.least}
              onClick={() => set(rows.filter((_, k) => k !== i))}
            >
              <Trash2 size={13} aria-hidden />
            </button>
          </div>
        ))}
      </div>
      <button
        type="button"
        className="btn btn-sm btn-outline font-normal mt-1"
        disabled={rows.length >= table!.most}
        onClick={() => set([...rows, nextRow(rows)])}
      >
        <Plus size={14} aria-hidden /> Row
      </button>
    </details>
  );
}

/** The measurements of a base, in the order a tape takes them. */
export function ShapeFields({ shape, name, onChange, examples, wall }: Props) {
  const kind = shapeKind(shape.type);
  const [atFirst] = useState(shape.type);
  return (
    <>
      {kind.fields.map((field) => {
        const Kind = field.unit === 'rad' ? AngleField : LengthField;
        return (
          <Kind
            key={field.key}
            label={measurementLabel(field.label, wall ?? false)}
            hint={field.hint}
            name={`${name} ${field.key}`}
            value={readField(shape, field.key)}
            {...(field.unit === 'mm' ? { meant: (mm: number) => slipOf(mm, field.range) } : {})}
            example={examples?.has(field.key) ?? false}
            onCommit={(value) => onChange(withField(shape, field.key, value), field.key, value)}
          />
        );
      })}
      {'join' in shape && (
        <ChoiceField
          label="Points joined"
          value={shape.join}
          options={[
            { id: 'straight', name: 'Straight' },
            { id: 'smooth', name: 'As a flexible rule' },
          ]}
          onChange={(join) => onChange({ ...shape, join }, 'join', 0)}
        />
      )}
      {'rows' in shape && (
        <Rows
          key={shape.type}
          shape={shape}
          name={name}
          onChange={onChange}
          chosen={shape.type !== atFirst}
          {...(examples ? { examples } : {})}
        />
      )}
    </>
  );
}

/** How the measurements close, and where the difference went. */
export function ClosingReport({ shape }: { shape: BaseShape }) {
  const say = useLength();
  const closing = closingOf(shape);
  if (!closing) return null;
  const angle = (radians: number) => `${Math.round(((radians * 180) / Math.PI) * 100) / 100}°`;
  return (
    <section aria-label="How the measurements close" className="border-l-3 border-secondary pl-2 my-2 text-sm">
      <p>
        Closing error <strong data-closing>{say(Math.round(Math.abs(closing.error) * 10) / 10)}</strong>
      </p>
      <p className="text-xs">{closing.words}.</p>
      <table className="text-xs w-full mt-1">
        <thead>
          <tr className="text-left">
            <th className="font-normal">Where it went</th>
            <th className="font-normal text-right">read</th>
            <th className="font-normal text-right">taken</th>
          </tr>
        </thead>
        <tbody>
          {closing.shares.map((share) => (
            <tr key={share.label}>
              <td>{share.label}</td>
              <td className="text-right">{share.unit === 'angle' ? angle(share.measured) : say(share.measured)}</td>
              <td className="text-right">{share.unit === 'angle' ? angle(share.taken) : say(Math.round(share.taken * 10) / 10)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
