'use client';

import { useState } from 'react';
import { WAYS, coveringOf } from '@/core/cover';
import type { Covering, Way } from '@/core/piece';
import { PullFields } from '@/ui/build/build-panel';
import { ChoiceField, FigureField, LengthField, TextField, TickField } from '@/ui/kit/fields';
import type { PanelProps } from '@/ui/sheet/panel-props';
import { ClothStore } from '@/ui/store/cloth-store';
import { FirstPiece } from './first-piece';
import { Proposals } from './proposals';
import { WayFields } from './way-fields';

const FIT = { suits: 'suits', 'with care': 'with care', not: 'does not suit' } as const;

/** Which way, whether it suits, and the reasons; every other way with its own. */
function WayChoice({ props, covering, set }: { props: PanelProps; covering: Covering; set: (change: Partial<Covering>) => string | null }) {
  const suits = props.plan?.cover.suits ?? [];
  const of = (way: Way) => suits.find((suit) => suit.way === way);
  const own = of(covering.way);
  return (
    <>
      <ChoiceField
        label="Way of covering"
        value={covering.way}
        options={WAYS.map(({ id, name }) => ({
          id,
          name: id !== covering.way && of(id) && of(id)!.fit !== 'suits' ? `${name} (${FIT[of(id)!.fit]})` : name,
        }))}
        onChange={(way) => set({ way })}
        hint={WAYS.find((way) => way.id === covering.way)!.words}
      />
      {own && (
        <p className={`text-xs border-l-3 pl-2 my-1 ${own.fit === 'suits' ? 'border-secondary' : 'border-warning'}`} data-suits={own.fit}>
          {own.fit === 'suits' ? 'It suits. ' : own.fit === 'not' ? 'It does not suit. ' : 'With care. '}
          {own.why.join(' ')}
        </p>
      )}
      <details className="text-xs">
        <summary className="cursor-pointer py-1">Which other ways suit, and why</summary>
        <ul className="space-y-1 pb-1">
          {suits
            .filter((suit) => suit.way !== covering.way)
            .map((suit) => (
              <li key={suit.way}>
                <b>{WAYS.find((way) => way.id === suit.way)!.name}</b>, {FIT[suit.fit]}: {suit.why.join(' ')}
              </li>
            ))}
        </ul>
      </details>
    </>
  );
}

/** How the piece is covered, and with what. */
export function CoverPanel(props: PanelProps) {
  const { piece, pieceId, apply } = props;
  const { cloth } = piece;
  const [store, setStore] = useState(false);
  const covering = coveringOf(piece);
  const set = (change: Partial<Covering>) => apply({ ...piece, covering: { ...covering, ...change } });
  const setCloth = (change: Partial<typeof cloth>) => apply({ ...piece, cloth: { ...cloth, ...change } });
  return (
    <>
      <WayChoice props={props} covering={covering} set={set} />
      <WayFields props={props} covering={covering} set={set} />
      <h3 className="font-semibold text-sm pt-2 border-t border-base-content/25 mt-2">Cloth</h3>
      <TextField label="Cloth" name={`${pieceId} cloth`} value={cloth.name} onCommit={(name) => setCloth({ name })} />
      <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => setStore(true)}>
        Cloth store…
      </button>
      <LengthField
        label="Roll width"
        name={`${pieceId} roll`}
        value={cloth.rollWidth}
        hint="between selvedges"
        onCommit={(rollWidth) => setCloth({ rollWidth })}
      />
      <LengthField
        label="Cloth thickness"
        name={`${pieceId} ct`}
        value={cloth.thickness}
        onCommit={(thickness) => setCloth({ thickness })}
      />
      <ChoiceField
        label="Depth lies"
        value={cloth.direction}
        options={[
          { id: 'along', name: 'Along the roll' },
          { id: 'across', name: 'Across the roll' },
          { id: 'any', name: 'Either way' },
        ]}
        onChange={(direction) => setCloth({ direction })}
      />
      <LengthField
        label="Repeat across"
        name={`${pieceId} ra`}
        value={cloth.repeatAcross}
        hint="nothing for plain cloth"
        onCommit={(repeatAcross) => setCloth({ repeatAcross })}
      />
      <LengthField
        label="Repeat along"
        name={`${pieceId} rl`}
        value={cloth.repeatAlong}
        onCommit={(repeatAlong) => setCloth({ repeatAlong })}
      />
      {(cloth.repeatAcross > 0 || cloth.repeatAlong > 0) && (
        <>
          <ChoiceField
            label="Motif"
            value={covering.motif ? covering.motif.on : 'none'}
            options={[
              { id: 'none', name: 'Not placed' },
              { id: 'stripe', name: 'A stripe on the point' },
              { id: 'between', name: 'Between two stripes' },
            ]}
            onChange={(on) => set({ motif: on === 'none' ? null : { x: covering.motif?.x ?? 0, y: covering.motif?.y ?? 0, on } })}
            hint="the same place on every piece of the set"
          />
          {covering.motif && (
            <>
              <LengthField
                label="Motif, to the right"
                name={`${pieceId} mx`}
                value={covering.motif.x}
                onCommit={(x) => set({ motif: { ...covering.motif!, x } })}
              />
              <LengthField
                label="Motif, to the back"
                name={`${pieceId} my`}
                value={covering.motif.y}
                onCommit={(y) => set({ motif: { ...covering.motif!, y } })}
              />
            </>
          )}
        </>
      )}
      <FigureField
        label="Shrinkage"
        name={`${pieceId} shrink`}
        value={cloth.shrinkage}
        suffix="%"
        hint="natural fibre not pre-washed"
        onCommit={(shrinkage) => setCloth({ shrinkage })}
      />
      <PullFields {...props} />
      <TickField label="Coated (leathercloth)" checked={cloth.coated} onChange={(coated) => setCloth({ coated })} />
      <h3 className="font-semibold text-sm pt-2 border-t border-base-content/25 mt-2">Under the cover</h3>
      <TickField label="Liner cloth" checked={covering.liner ?? false} onChange={(liner) => set({ liner })} />
      <TickField label="Slip film" checked={covering.slipFilm ?? false} onChange={(slipFilm) => set({ slipFilm })} />
      <TickField label="Waterproof cover" checked={covering.waterproof ?? false} onChange={(waterproof) => set({ waterproof })} />
      <Proposals props={props} />
      <FirstPiece props={props} covering={covering} set={set} />
      {store && <ClothStore piece={piece} apply={apply} onClose={() => setStore(false)} />}
    </>
  );
}
