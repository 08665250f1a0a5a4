'use client';

import { useState } from 'react';
import { isMatched, WAYS, wayOf } from '@/core/cover';
import { defaultsOf, fieldAt, MOTIF, type Motif } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { PullFields } from '@/ui/sheet/fields/pull-fields';
import { useField, usePiece, usePlan } from '@/ui/sheet/store';
import { ClothStore } from '@/ui/store/cloth-store';
import { FirstPiece } from './first-piece';
import { Proposals } from './proposals';
import { LooseFields } from './loose-fields';
import { PinnedFields } from './pinned-fields';
import { SecondCloth } from './second-cloth';
import { WayFields } from './way-fields';

/** Which way, whether it suits, and the reasons; every other way with its own. */
function WayChoice() {
  const { covering } = usePiece();
  const [, put] = useField('covering.way');
  const suits = usePlan()?.cover?.suits ?? [];
  const of = (way: string) => suits.find((suit) => suit.way === way);
  const item = of(covering.way);
  return (
    <>
      <ChoiceField
        label={fieldAt('covering.way').label}
        value={covering.way}
        options={WAYS.map(({ id, name }) => {
          const fit = of(id)?.fit ?? 'suits';
          return { id, name: id !== covering.way && fit !== 'suits' ? `${name} (${FIT[fit]})` : name };
        })}
        onChange={put}
        hint={wayOf(covering.way).words}
      />
      {item && (
        <p className={`text-xs border-l-3 pl-2 my-1 ${item.fit === 'suits' ? 'border-secondary' : 'border-warning'}`} data-suits={item.fit}>
          {item.fit === 'suits' ? 'It suits. ' : item.fit === 'not' ? 'It does not suit. ' : 'With care. '}
          {item.why.join(' ')}
        </p>
      )}
      <details className="text-xs">
        <summary className="cursor-pointer py-1">Which other ways suit, and why</summary>
        <ul className="space-y-1 pb-1">
          {suits
            .filter((suit) => suit.way !== covering.way)
            .map((suit) => (
              <li key={suit.way}>
                <b>{wayOf(suit.way).name}</b>, {FIT[suit.fit]}: {suit.why.join(' ')}
              </li>
            ))}
        </ul>
      </details>
    </>
  );
}

const FIT = { suits: 'suits', 'with care': 'with care', not: 'does not suit' } as const;

/** Where a stripe or motif lies, on cloth that has one. */
function MotifFields() {
  const { cloth, covering } = usePiece();
  const matched = isMatched(covering);
  const [motif, put] = useField<Motif | null | undefined>('covering.motif');
  if (cloth.repeatAcross <= 0 && cloth.repeatAlong <= 0) return null;
  const known = fieldAt('covering.motif.on');
  return (
    <>
      <PieceField at="covering.matched" standing={matched} />
      {matched && (
        <ChoiceField
          label={known.label}
          value={motif ? motif.on : 'none'}
          options={[{ id: 'none', name: 'Not placed' }, ...known.options!]}
          onChange={(on) => put(on === 'none' ? null : { ...defaultsOf(MOTIF), ...motif, on: on as 'stripe' | 'between' })}
          hint="the same place on every piece of the set"
        />
      )}
      {matched && motif && ['x', 'y'].map((key) => <PieceField key={key} at={`covering.motif.${key}`} />)}
    </>
  );
}

const HEADING = 'font-semibold text-sm pt-2 border-t border-base-content/25 mt-2';

/** How the piece is covered, and with what. */
export function CoverPanel() {
  const [store, setStore] = useState(false);
  return (
    <>
      <WayChoice />
      <WayFields />
      <h3 className={HEADING}>Cloth</h3>
      <PieceField at="cloth.name" />
      <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => setStore(true)}>
        Cloth store…
      </button>
      {['rollWidth', 'thickness', 'direction', 'repeatAcross', 'repeatAlong'].map((key) => (
        <PieceField key={key} at={`cloth.${key}`} />
      ))}
      <MotifFields />
      <PieceField at="cloth.shrinkage" />
      <PieceField at="cloth.ready" />
      <PullFields />
      <PieceField at="cloth.coated" />
      <SecondCloth />
      <h3 className={HEADING}>Under the cover</h3>
      {['liner', 'slipFilm', 'waterproof'].map((key) => (
        <PieceField key={key} at={`covering.${key}`} />
      ))}
      <LooseFields />
      <Proposals />
      <PinnedFields />
      <FirstPiece />
      {store && <ClothStore onClose={() => setStore(false)} />}
    </>
  );
}
