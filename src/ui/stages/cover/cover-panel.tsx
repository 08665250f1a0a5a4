'use client';

import { useState } from 'react';
import { coveredBy, isMatched, WAYS, wayOf } from '@/core/cover';
import { edgeHolds } from '@/core/fastening';
import { baseOutline, outlineSize } from '@/core/outline';
import { defaultsOf, fieldAt, hasFilm, kindOf, MOTIF, type Motif, type Piece } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { More } from '@/ui/kit/fields/lists';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { PullChoice, PullForce } from '@/ui/sheet/fields/pull-fields';
import { useField, usePiece, usePlan } from '@/ui/sheet/store';
import { ClothStore } from '@/ui/store/cloth-store';
import { FirstPiece } from './first-piece';
import { Proposals } from './proposals';
import { LooseFields } from './loose-fields';
import { PinnedFields } from './pinned-fields';
import { SecondCloth } from './second-cloth';
import { WayDetails, WayFields } from './way-fields';

/** Which way, whether it suits, and the reasons; every other way with its own. */
function WayChoice() {
  const piece = usePiece();
  const { covering } = piece;
  const [, put] = useField('covering');
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
        onChange={(id) => put(coveredBy(covering, id, outlineSize(baseOutline(piece.base.shape))))}
        hint={wayOf(covering.way).words}
      />
      {item && (
        <p className={`text-xs border-l-3 pl-2 my-1 ${item.fit === 'suits' ? 'border-secondary' : 'border-warning'}`} data-suits={item.fit}>
          {item.fit === 'suits' ? 'It suits. ' : item.fit === 'not' ? 'It does not suit. ' : 'With care. '}
          {item.why.join(' ')}
        </p>
      )}
      <details className="text-xs">
        <summary className="cursor-pointer py-1">Other ways to cover it</summary>
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

/** What holds the cover, where anything is fastened: it decides turn-under and pull allowance. */
function HeldFields() {
  const { covering } = usePiece();
  if (wayOf(covering.way).loose) return null;
  return <PieceField at="covering.held" options={edgeHolds()} />;
}

/** How many things are set of what an ordinary cover does not need. */
function setOf({ cloth, covering, second, pinned = [] }: Piece): number {
  const { shrinkage, ready = 'as-is', coated, force, repeatAcross, repeatAlong } = cloth;
  const { outdoors, liner, slipFilm, waterproof, order, edgeTape } = covering;
  const set = [
    shrinkage,
    ready !== 'as-is',
    coated,
    force,
    repeatAcross,
    repeatAlong,
    second,
    outdoors,
    liner,
    slipFilm,
    waterproof,
    order,
    edgeTape,
  ];
  return set.filter(Boolean).length + pinned.length;
}

/** How the piece is covered, with what, and how it is held; what few covers need is under More. */
export function CoverPanel() {
  const piece = usePiece();
  const [store, setStore] = useState(false);
  const fastened = !wayOf(piece.covering.way).loose;
  return (
    <>
      <WayChoice />
      <WayFields />
      <h3 className={HEADING}>Cloth</h3>
      <PieceField at="cloth.name" />
      <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => setStore(true)}>
        Cloth store…
      </button>
      <PieceField at="cloth.rollWidth" />
      <PieceField at="cloth.direction" />
      <PullChoice />
      <HeldFields />
      <MotifFields />
      <Proposals />
      <More name="cover" count={setOf(piece)}>
        <WayDetails />
        {['thickness', 'repeatAcross', 'repeatAlong', 'shrinkage', 'ready'].map((key) => (
          <PieceField key={key} at={`cloth.${key}`} />
        ))}
        <PullForce />
        <PieceField at="cloth.coated" />
        <SecondCloth />
        {fastened && (
          <>
            <h3 className={HEADING}>Fastening</h3>
            <PieceField at="covering.order" />
            <PieceField at="covering.edgeTape" />
          </>
        )}
        <h3 className={HEADING}>Under the cover</h3>
        <PieceField at="covering.outdoors" standing={kindOf(piece.kind).traits.pan} />
        <PieceField at="covering.liner" />
        <PieceField at="covering.slipFilm" standing={hasFilm(piece)} />
        <PieceField at="covering.waterproof" />
        <LooseFields />
        <PinnedFields />
        <FirstPiece />
      </More>
      {store && <ClothStore onClose={() => setStore(false)} />}
    </>
  );
}
