'use client';

import { bounds, flatten, baseOutline } from '@/core/outline';
import type { PanRow } from '@/core/piece';
import { LengthField } from '@/ui/kit/fields';
import { AddOne, Part, TakeOut, type BaseProps } from './features';

const COLUMNS: { key: keyof PanRow; label: string }[] = [
  { key: 'at', label: 'From front' },
  { key: 'height', label: 'Height' },
  { key: 'drop', label: 'Drop' },
  { key: 'crown', label: 'Crown' },
];

/** A board that is not flat: cross-sections along its centre line, or the map a scan gave. */
export function MouldFields({ base, name, set }: BaseProps) {
  const mould = base.mould ?? null;
  if (base.shape.type === 'saddle') return null;
  const box = bounds(flatten(baseOutline(base.shape), 1));
  const row = (at: number): PanRow => ({ at: Math.round(at), width: Math.round(box.width), height: 0, drop: 0, crown: 0 });
  const rows = mould?.kind === 'rows' ? mould.rows : [];
  const put = (next: PanRow[]) => set({ mould: { kind: 'rows', rows: next } });
  return (
    <Part title="Not flat" count={mould ? 1 : 0}>
      {!mould && (
        <AddOne
          onClick={() =>
            set({ mould: { kind: 'rows', rows: [row(0), { ...row(box.height / 2), height: 5, drop: 8, crown: 2 }, row(box.height)] } })
          }
        >
          Cross-sections
        </AddOne>
      )}
      {mould && (
        <div className="flex items-center text-sm">
          {mould.kind === 'map'
            ? `Heights from ${mould.name}, ${mould.columns} × ${mould.rows} places`
            : 'Cross-sections along the centre line'}
          <TakeOut what="the shape of the board" onClick={() => set({ mould: null })} />
        </div>
      )}
      {rows.map((own, i) => (
        <fieldset key={i} className="border-l-2 border-base-content/25 pl-2 mb-2">
          <div className="flex items-center">
            <legend className="text-sm">Cross-section {i + 1}</legend>
            {rows.length > 2 && <TakeOut what={`cross-section ${i + 1}`} onClick={() => put(rows.filter((_, k) => k !== i))} />}
          </div>
          {[...COLUMNS, { key: 'width' as const, label: 'Width' }].map((column) => (
            <LengthField
              key={column.key}
              compact
              label={`${column.label}, section ${i + 1}`}
              name={`${name} mould ${i} ${column.key}`}
              value={own[column.key]}
              onCommit={(value) => put(rows.map((r, k) => (k === i ? { ...r, [column.key]: value } : r)))}
            />
          ))}
        </fieldset>
      ))}
      {rows.length > 0 && <AddOne onClick={() => put([...rows, { ...rows.at(-1)!, at: rows.at(-1)!.at + 50 }])}>Cross-section</AddOne>}
    </Part>
  );
}
