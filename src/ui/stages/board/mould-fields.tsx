'use client';

import { bounds, flatten, baseOutline } from '@/core/outline';
import { fieldAt, type Mould, type PanRow } from '@/core/piece';
import { AddOne, Item, Part, TakeOut } from '@/ui/kit/fields/lists';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece } from '@/ui/sheet/store';

/** The rows of a pan, in the order a tape takes them. */
const COLUMNS = ['at', 'height', 'drop', 'crown', 'width'] as const satisfies readonly (keyof PanRow)[];

/** A board that is not flat: cross-sections along its centre line, or the map a scan gave. */
export function MouldFields() {
  const piece = usePiece();
  const [mould, put] = useField<Mould | null | undefined>('base.mould');
  const { shape } = piece.base;
  if (shape.type === 'saddle') return null;
  const box = bounds(flatten(baseOutline(shape), 1));
  const row = (at: number): PanRow => ({ at: Math.round(at), width: Math.round(box.width), height: 0, drop: 0, crown: 0 });
  const rows = mould?.kind === 'rows' ? mould.rows : [];
  const putRows = (next: PanRow[]) => put({ kind: 'rows', rows: next });
  return (
    <Part title="Not flat" count={mould ? 1 : 0}>
      {!mould && (
        <AddOne onClick={() => putRows([row(0), { ...row(box.height / 2), height: 5, drop: 8, crown: 2 }, row(box.height)])}>
          Cross-sections
        </AddOne>
      )}
      {mould && (
        <div className="flex items-center text-sm">
          {mould.kind === 'map'
            ? `Heights from ${mould.name}, ${mould.columns} × ${mould.rows} places`
            : 'Cross-sections along the centre line'}
          <TakeOut what="the shape of the board" onClick={() => put(null)} />
        </div>
      )}
      {rows.map((_, i) => (
        <Item
          key={i}
          title={`Cross-section ${i + 1}`}
          what={`cross-section ${i + 1}`}
          {...(rows.length > 2 ? { onTakeOut: () => putRows(rows.filter((__, k) => k !== i)) } : {})}
        >
          {COLUMNS.map((key) => {
            const at = `base.mould.rows.${i}.${key}`;
            return <PieceField key={key} compact at={at} label={`${fieldAt(at, piece).label}, section ${i + 1}`} />;
          })}
        </Item>
      ))}
      {rows.length > 0 && <AddOne onClick={() => putRows([...rows, { ...rows.at(-1)!, at: rows.at(-1)!.at + 50 }])}>Cross-section</AddOne>}
    </Part>
  );
}
