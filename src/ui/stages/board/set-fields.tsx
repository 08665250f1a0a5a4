'use client';

import { TriangleAlert } from 'lucide-react';
import { defaultsOf, freeId, kindOf, likelyDress, PANELS, panelBoard, shapeKind, type Panels, type Variant } from '@/core/piece';
import { AddOne, Item, Part, TakeOut } from '@/ui/kit/fields/lists';
import { useLength } from '@/ui/kit/settings';
import { ShapeFields } from '@/ui/measure/measures';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useDress, useField, usePiece, usePlan, useRule, useSheet } from '@/ui/sheet/store';

function WallReport() {
  const say = useLength();
  const layout = usePlan()?.panels;
  if (!layout) return null;
  return (
    <div className="text-xs" data-panels>
      <p>
        Each panel {say(layout.width)}; middles from the middle of the wall:{' '}
        {layout.centres.map((x) => `${x < 0 ? '−' : ''}${say(Math.abs(x))}`).join(', ')}
      </p>
      <p>
        Cleats {say(layout.hanging.line)} below the top; on the wall from its middle:{' '}
        {layout.hanging.wall.map((x) => `${x < -0.5 ? '−' : ''}${say(Math.abs(x))}`).join(', ')}
      </p>
      <p className={layout.holds ? '' : 'text-error'}>
        {layout.mass.toFixed(1)} kg each. Needs {layout.needed.toFixed(1)} kg of fixings (4 × weight); these hold {layout.rated} kg.
      </p>
      <p className="text-warning flex gap-1 mt-1">
        <TriangleAlert size={14} className="shrink-0" aria-hidden />
        Over a bed or seat: fixings to suit the wall, proof-load before use, a competent fitter where in doubt. Follow your local rules.
      </p>
    </div>
  );
}

/** N equal panels over a width: each panel's width and the set's count follow. */
export function PanelFields() {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const settled = useRule()('waddingUnderCover');
  const dress = useDress();
  const panels = piece.panels ?? null;
  const { shape } = piece.base;
  const put = (next: Panels) => {
    // The wall is filled by covered panels: their boards are narrower.
    const width = panelBoard(next, dress ?? likelyDress(piece, settled));
    const sized = 'width' in shape ? { ...shape, width } : shape;
    return apply({ ...piece, panels: next, count: next.count, base: { ...piece.base, shape: sized } });
  };
  if (!panels && !kindOf(piece.kind).traits.wall) return null;
  const field = (key: keyof Panels, hint?: string) => (
    <PieceField at={`panels.${key}`} onCommit={(value: never) => put({ ...panels!, [key]: value })} {...(hint ? { hint } : {})} />
  );
  return (
    <Part title="Panels on a wall" count={panels ? panels.count : 0} open={panels !== null}>
      {!panels && (
        <AddOne onClick={() => put({ ...defaultsOf(PANELS), ...('width' in shape ? { across: Math.max(shape.width, 600) } : {}) })}>
          Split into panels
        </AddOne>
      )}
      {panels && (
        <>
          <div className="flex">
            <TakeOut what="the panels" onClick={() => apply({ ...piece, panels: null })} />
          </div>
          {field('across')}
          {field('count')}
          {field('gap')}
          <details className="text-sm">
            <summary className="cursor-pointer py-1">How they are fixed</summary>
            {field('mounting')}
            {field('cleats', panels.mounting === 'hung' ? 'on each panel' : 'for all together')}
            {field('rating')}
          </details>
          <WallReport />
        </>
      )}
    </Part>
  );
}

/** Pieces of the set that were measured differently and share all the rest. */
export function Variants() {
  const piece = usePiece();
  const id = useSheet((state) => state.id);
  const put = useSheet((state) => state.put);
  const [, set] = useField<Variant[]>('variants');
  const variants = piece.variants ?? [];
  if (piece.count < 2) return null;
  const add = () => {
    const last = `Number ${piece.count - variants.length}`;
    return set([...variants, { id: freeId(variants, 'v'), name: last, count: 1, shape: structuredClone(piece.base.shape) }]);
  };
  return (
    <Part title="Measured differently" count={variants.length}>
      {variants.map((variant, i) => (
        <Item
          key={variant.id}
          title={shapeKind(variant.shape.type).name}
          what={variant.name}
          onTakeOut={() => set(variants.filter((_, k) => k !== i))}
        >
          <PieceField at={`variants.${i}.name`} />
          <PieceField at={`variants.${i}.count`} />
          <ShapeFields shape={variant.shape} name={`${id} ${variant.id}`} onChange={(shape) => put(`variants.${i}.shape`, shape)} />
        </Item>
      ))}
      <AddOne onClick={add}>One that differs</AddOne>
    </Part>
  );
}
