'use client';

import { foamsOf, type Pad, type Piece, type Pocket } from '@/core/piece';
import { ChoiceField, LengthField } from '@/ui/kit/fields';

/** A pocket as it is first let in: under a rider's seat bones, filled softer. */
const FIRST: Pocket = { x: 0, y: 20, width: 180, length: 160, deep: 15, material: 'resilient-medium' };

/** A pocket in a pad: where, how large, how deep, and what fills it. */
export function PocketFields({
  piece,
  pad,
  name,
  set,
}: {
  piece: Piece;
  pad: Pad;
  name: string;
  set: (change: Partial<Pad>) => string | null;
}) {
  const { pocket } = pad;
  const change = (own: Partial<Pocket>) => set({ pocket: { ...(pocket ?? FIRST), ...own } });
  return (
    <>
      <label className="flex items-center justify-between py-1 text-sm">
        A pocket with an insert
        <input
          type="checkbox"
          className="size-5 accent-(--color-secondary)"
          checked={Boolean(pocket)}
          onChange={(event) => set({ pocket: event.target.checked ? { ...FIRST, deep: Math.min(FIRST.deep, pad.thickness / 2) } : null })}
        />
      </label>
      {pocket && (
        <>
          <LengthField label="Pocket width" name={`${name} pw`} value={pocket.width} onCommit={(width) => change({ width })} />
          <LengthField label="Pocket length" name={`${name} pl`} value={pocket.length} onCommit={(length) => change({ length })} />
          <LengthField label="Pocket depth" name={`${name} pd`} value={pocket.deep} onCommit={(deep) => change({ deep })} />
          <LengthField label="Right of the middle" name={`${name} px`} value={pocket.x} onCommit={(x) => change({ x })} />
          <LengthField label="Behind the middle" name={`${name} py`} value={pocket.y} onCommit={(y) => change({ y })} />
          <ChoiceField label="Insert" value={pocket.material} options={foamsOf(piece)} onChange={(material) => change({ material })} />
        </>
      )}
    </>
  );
}
