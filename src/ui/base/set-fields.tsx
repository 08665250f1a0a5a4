'use client';

import { TriangleAlert } from 'lucide-react';
import { panelWidth, shapeKind, type Panels, type Piece, type Variant } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { ChoiceField, FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { useLength } from '@/ui/kit/settings';
import { AddOne, freeId, Part, TakeOut } from './features';
import { ShapeFields } from './measures';

type Props = { piece: Piece; name: string; apply: (next: Piece) => string | null; plan: Plan | null };

const PANELS: Panels = { across: 1800, gap: 20, count: 4, mounting: 'hung', cleats: 2, rating: 20 };

/** N equal panels over a width: each panel's width and the set's count follow. */
export function PanelFields({ piece, name, apply, plan }: Props) {
  const say = useLength();
  const panels = piece.panels ?? null;
  const { shape } = piece.base;
  const layout = plan?.panels;
  const put = (next: Panels) => {
    const width = Math.round(panelWidth(next) * 1000) / 1000;
    const sized = 'width' in shape ? { ...shape, width } : shape;
    return apply({ ...piece, panels: next, count: next.count, base: { ...piece.base, shape: sized } });
  };
  if (!panels && !piece.kind.startsWith('headboard')) return null;
  return (
    <Part title="Panels on a wall" count={panels ? panels.count : 0}>
      {!panels && (
        <AddOne onClick={() => put({ ...PANELS, across: 'width' in shape ? Math.max(shape.width, 600) : 1800 })}>Split into panels</AddOne>
      )}
      {panels && (
        <>
          <div className="flex">
            <TakeOut what="the panels" onClick={() => apply({ ...piece, panels: null })} />
          </div>
          <LengthField
            label="Over a width of"
            name={`${name} across`}
            value={panels.across}
            onCommit={(across) => put({ ...panels, across })}
          />
          <FigureField
            label="Panels"
            name={`${name} panels`}
            whole
            value={panels.count}
            onCommit={(count) => (count < 2 || count > 40 ? '2 to 40 panels' : put({ ...panels, count }))}
          />
          <LengthField label="Gap between" name={`${name} gap`} value={panels.gap} onCommit={(gap) => put({ ...panels, gap })} />
          <ChoiceField
            label="Held"
            value={panels.mounting}
            options={[
              { id: 'hung', name: 'Each hung by itself' },
              { id: 'joined', name: 'Joined behind, hung as one' },
            ]}
            onChange={(mounting) => put({ ...panels, mounting })}
          />
          <FigureField
            label="Cleats"
            name={`${name} cleats`}
            whole
            value={panels.cleats}
            hint={panels.mounting === 'hung' ? 'on each panel' : 'for all together'}
            onCommit={(cleats) => (cleats < 1 ? 'At least one cleat' : put({ ...panels, cleats }))}
          />
          <FigureField
            label="One cleat carries"
            name={`${name} rating`}
            suffix="kg"
            value={panels.rating}
            onCommit={(rating) => (rating >= 0.5 && rating <= 500 ? put({ ...panels, rating }) : '0.5 to 500 kg')}
          />
          {layout && (
            <div className="text-xs" data-panels>
              <p>
                Each panel {say(layout.width)}; middles from the middle of the wall:{' '}
                {layout.centres.map((x) => `${x < 0 ? '−' : ''}${say(Math.abs(x))}`).join(', ')}
              </p>
              <p className={layout.holds ? '' : 'text-error'}>
                {layout.mass.toFixed(1)} kg each; needs {layout.needed.toFixed(1)} kg of rating (× 4), has {layout.rated} kg.
              </p>
              <p className="text-warning flex gap-1 mt-1">
                <TriangleAlert size={14} className="shrink-0" aria-hidden />
                Over a bed or seat: fixings to suit the wall, proof-load before use, a competent fitter where in doubt. Follow your local
                rules.
              </p>
            </div>
          )}
        </>
      )}
    </Part>
  );
}

/** Pieces of the set that were measured differently and share all the rest. */
export function Variants({ piece, name, apply }: Props) {
  const variants = piece.variants ?? [];
  const set = (next: Variant[]) => apply({ ...piece, variants: next });
  const put = (i: number, change: Partial<Variant>) => set(variants.map((v, k) => (k === i ? { ...v, ...change } : v)));
  if (piece.count < 2) return null;
  return (
    <Part title="Measured differently" count={variants.length}>
      {variants.map((variant, i) => (
        <fieldset key={variant.id} className="border-l-2 border-base-content/25 pl-2 mb-2">
          <div className="flex items-center">
            <legend className="text-sm">{shapeKind(variant.shape.type).name}</legend>
            <TakeOut what={variant.name} onClick={() => set(variants.filter((_, k) => k !== i))} />
          </div>
          <TextField label="Which" name={`${name} ${variant.id} name`} value={variant.name} onCommit={(text) => put(i, { name: text })} />
          <FigureField
            label="How many of these"
            name={`${name} ${variant.id} count`}
            whole
            value={variant.count}
            onCommit={(count) => (count < 1 ? 'At least one' : put(i, { count }))}
          />
          <ShapeFields shape={variant.shape} name={`${name} ${variant.id}`} onChange={(shape) => put(i, { shape })} />
        </fieldset>
      ))}
      <AddOne
        onClick={() => {
          const id = freeId(variants, 'v');
          set([...variants, { id, name: `Number ${piece.count - variants.length}`, count: 1, shape: structuredClone(piece.base.shape) }]);
        }}
      >
        One that differs
      </AddOne>
    </Part>
  );
}
