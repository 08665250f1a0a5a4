'use client';

import { useState } from 'react';
import { figureOf, giveOf, PHOTO_WIDTH, weaveOf } from '@/core/cloth';
import { CLOTH, fieldIn, type Cloth } from '@/core/piece';
import { clothInStore, clothSold, clothToStore, takenCloth, type KeptWare } from '@/core/store';
import { Dialog } from '@/ui/kit/dialog';
import { Figure } from '@/ui/kit/fields/figure';
import { TakeOut, Wrong } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PhotoButton } from '@/ui/kit/photo-button';
import { useLength } from '@/ui/kit/settings';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece } from '@/ui/sheet/store';
import { useStore, type StoreHook } from './use-store';

/** Which of a piece's cloths is chosen. */
export type ClothAt = 'cloth' | 'second';

const HEADS = ['Cloth', 'Weave', 'Weight', 'Gives', 'Roll', 'Price', ''];

function ClothRows({ cloth, wares, onTake }: { cloth: Cloth; wares: readonly KeptWare[]; onTake: (saved: Cloth) => void }) {
  const say = useLength();
  return wares.flatMap((ware) => {
    const saved = clothSold(ware);
    if (!saved) return [];
    const { id, name, price } = ware;
    const gives = giveOf(saved);
    return [
      <tr key={id} className={name === cloth.name ? 'bg-base-200' : ''}>
        <td className="px-2 py-1">{name}</td>
        <td className="px-2">{weaveOf(saved)}</td>
        <td className="px-2 text-right whitespace-nowrap">{saved.weight ?? '–'} g/m²</td>
        <td className="px-2 text-right whitespace-nowrap">
          {Math.round(gives.warp * 1000) / 10} / {Math.round(gives.weft * 1000) / 10} %
        </td>
        <td className="px-2 text-right whitespace-nowrap">
          <Figure says={say(saved.rollWidth)} />
        </td>
        <td className="px-2 text-right">{price}</td>
        <td className="px-2">
          <button
            type="button"
            className="btn btn-xs btn-outline"
            aria-label={`Take ${name}`}
            // What it is called, how wide it lies and what it costs is what the store says today.
            onClick={() => onTake(saved)}
          >
            Take
          </button>
        </td>
      </tr>,
    ];
  });
}

/** Where the piece's cloth and the store's of that name differ, and ways to make them one. */
function Agrees({ cloth, store, take }: { cloth: Cloth; store: StoreHook; take: (saved: Cloth) => void }) {
  const [message, setMessage] = useState<string | null>(null);
  if (!store.store || cloth.name.trim() === '') return null;
  const known = clothInStore(cloth, store.store.wares);
  const put = async () => setMessage((await store.keepWare(clothToStore(cloth))).message);
  if (!known)
    return (
      <p className="text-sm flex items-center gap-2">
        The store has no cloth of that name.
        <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => void put()}>
          Put this one into the store
        </button>
        <Wrong message={message} />
      </p>
    );
  if (known.differs.length === 0) return <p className="text-xs">Its figures are those of the store.</p>;
  const saved = known.cloth;
  return (
    <p className="text-sm flex items-center gap-2 flex-wrap">
      It has other figures than the store’s: {known.differs.map((key) => fieldIn(CLOTH, key).label.toLowerCase()).join(', ')}.
      <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => take(saved)}>
        Take the store’s
      </button>
    </p>
  );
}

/** A photo of the cloth itself, with how much of it is seen: what the round view then shows. */
function ClothPhoto({ cloth, at, onMessage }: { cloth: Cloth; at: ClothAt; onMessage: (message: string | null) => void }) {
  const [, put] = useField(at);
  const take = async (file: File) => {
    const saved = await keepPhoto(file);
    onMessage('message' in saved ? saved.message : put({ ...cloth, photo: saved.name, photoWidth: cloth.photoWidth ?? PHOTO_WIDTH }));
  };
  const without = () => {
    const { photo: _photo, photoWidth: _width, ...rest } = cloth;
    void [_photo, _width];
    onMessage(put(rest));
  };
  return (
    <>
      <div className="flex items-center gap-2 py-1">
        {cloth.photo && (
          // Kept photos are of this workshop alone and are shown as they are.
          <img src={`/api/photos/${cloth.photo}`} alt="This cloth" className="size-14 object-cover border border-base-content/40" />
        )}
        <PhotoButton label="Photo of the cloth" onPhoto={(file) => void take(file)}>
          {cloth.photo ? 'Another photo' : 'Photo of the cloth'}
        </PhotoButton>
        {cloth.photo && <TakeOut what="the photo of the cloth" onClick={without} />}
      </div>
      {cloth.photo ? <PieceField at={`${at}.photoWidth`} standing={PHOTO_WIDTH} /> : <span />}
    </>
  );
}

/** Cloths that can be chosen, and everything known of the one this piece has. */
export function ClothStore({ at = 'cloth', onClose }: { at?: ClothAt; onClose: () => void }) {
  const piece = usePiece();
  const cloth = (at === 'second' ? piece.second : null) ?? piece.cloth;
  const [, put] = useField(at);
  const [message, setMessage] = useState<string | null>(null);
  const give = giveOf(cloth);
  const store = useStore();
  const take = (saved: Cloth): void => setMessage(put(takenCloth(cloth, saved)));
  return (
    <Dialog title="Cloth store" onClose={onClose}>
      {/* A region that scrolls must be reachable for those who scroll with keys. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div className="max-h-56 overflow-y-auto border border-base-content/25" role="region" aria-label="Cloths" tabIndex={0}>
        <table className="w-full text-sm">
          <thead className="text-xs text-left">
            <tr>
              {HEADS.map((head) => (
                <th key={head} className="px-2 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <ClothRows cloth={cloth} wares={store.store?.wares.filter(({ kind }) => kind === 'cloth') ?? []} onTake={take} />
          </tbody>
        </table>
      </div>
      <Wrong message={message ?? store.wrong} />
      <h3 className="font-semibold text-sm pt-3">
        This piece’s {at === 'second' ? 'second cloth' : 'cloth'}: {cloth.name || 'not named'}
      </h3>
      <Agrees cloth={cloth} store={store} take={take} />
      <div className="grid grid-cols-2 gap-x-4">
        <PieceField at={`${at}.weave`} standing={weaveOf(cloth)} />
        <PieceField at={`${at}.fibre`} standing="mixed" />
        <PieceField at={`${at}.stretchWarp`} standing={Math.round(give.warp * 1000) / 10} />
        <PieceField at={`${at}.stretchWeft`} standing={Math.round(give.weft * 1000) / 10} />
        <PieceField at={`${at}.weight`} />
        <PieceField at={`${at}.nap`} standing="none" />
        <PieceField at={`${at}.colour`} />
        <PieceField at={`${at}.second`} />
        <PieceField at={`${at}.figure`} standing={figureOf(cloth)} />
        <ClothPhoto cloth={cloth} at={at} onMessage={setMessage} />
        <PieceField at={`${at}.price`} />
        <PieceField at={`${at}.certificate`} />
      </div>
      <p className="text-xs">
        {cloth.certificate ? 'The number is kept with the record. ' : 'No fire certificate is on file for this cloth. '}
        This records, it does not certify; follow your local rules.
      </p>
      <div className="flex justify-end pt-2">
        <button type="button" className="btn btn-sm btn-primary" onClick={onClose}>
          Done
        </button>
      </div>
    </Dialog>
  );
}
