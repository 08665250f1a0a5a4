'use client';

import { useState } from 'react';
import { choicesOf, clothsOn, firstSecond, partsOffered, secondParts } from '@/core/cover';
import { TickField } from '@/ui/kit/fields/fields';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { usePiece, usePlan, useSheet } from '@/ui/sheet/store';
import { ClothStore } from '@/ui/store/cloth-store';

/** A second cloth, and which parts are cut from it: a plain band round a striped top, a contrasting welt. */
export function SecondCloth() {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const cover = usePlan()?.cover;
  const [store, setStore] = useState(false);
  const { second, covering } = piece;
  const offered = partsOffered(
    cover?.pieces.map(({ role }) => role) ?? [],
    Boolean(choicesOf(covering).welt) && (cover?.welts.length ?? 0) > 0,
  );
  const on = secondParts(piece);
  if (!second && offered.length === 0) return null;
  const start = () => {
    const first = firstSecond(offered);
    return apply({ ...piece, second: first.second, covering: { ...covering, secondOn: first.on } });
  };
  const part = (id: (typeof offered)[number]['id'], wanted: boolean) =>
    apply({
      ...piece,
      covering: { ...covering, secondOn: [...(covering.secondOn ?? []).filter((name) => name !== id), ...(wanted ? [id] : [])] },
    });
  return (
    <>
      <TickField
        label="A second cloth on some parts"
        checked={Boolean(second)}
        onChange={(wanted) => (wanted ? start() : apply({ ...piece, second: null, covering: { ...covering, secondOn: [] } }))}
      />
      {second && (
        <div className="border-l-2 border-base-content/25 pl-2" data-second>
          {offered.map(({ id, name }) => (
            <TickField key={id} label={`${name} from it`} checked={on.has(id)} onChange={(wanted) => part(id, wanted)} />
          ))}
          {clothsOn(piece).length < 2 && <p className="text-xs">Nothing is cut from it yet.</p>}
          <PieceField at="second.name" label="Second cloth" />
          <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => setStore(true)}>
            Cloth store, second cloth…
          </button>
          {['rollWidth', 'thickness', 'direction', 'repeatAcross', 'repeatAlong', 'shrinkage', 'ready', 'coated'].map((key) => (
            <PieceField key={key} at={`second.${key}`} />
          ))}
        </div>
      )}
      {store && <ClothStore at="second" onClose={() => setStore(false)} />}
    </>
  );
}
