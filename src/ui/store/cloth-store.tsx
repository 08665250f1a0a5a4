'use client';

import { useState } from 'react';
import { CLOTHS, figureOf, giveOf, PHOTO_WIDTH, weaveOf, type ClothKind } from '@/core/cloth';
import type { Cloth } from '@/core/piece';
import { Dialog } from '@/ui/kit/dialog';
import { Figure } from '@/ui/kit/figure';
import { TakeOut, Wrong } from '@/ui/kit/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PhotoButton } from '@/ui/kit/photo-button';
import { useLength } from '@/ui/kit/settings';
import { PieceField } from '@/ui/sheet/piece-field';
import { useField, usePiece } from '@/ui/sheet/store';

/** A cloth of the store as a piece carries it; how it is pulled and laid stays as it was. */
function taken(cloth: Cloth, { id: _, ...kind }: ClothKind): Cloth {
  void _;
  // What it looks like goes with the cloth: nothing of the old one's colours stays.
  const { second: _second, figure: _figure, photo: _photo, photoWidth: _width, ...rest } = cloth;
  void [_second, _figure, _photo, _width];
  // Stripes and pile show every pull: they are smoothed only, until somebody says otherwise.
  const shows = kind.nap === 'pile' || kind.weave === 'pile' || kind.repeatAcross > 0 || kind.repeatAlong > 0;
  return {
    ...rest,
    ...kind,
    ...(shows && cloth.pull === 'taut' ? { pull: 'smooth' as const } : {}),
    direction: kind.nap !== 'none' && cloth.direction === 'any' ? 'along' : cloth.direction,
    certificate: '',
  };
}

/** Which of a piece's cloths is chosen. */
export type ClothAt = 'cloth' | 'second';

const HEADS = ['Cloth', 'Weave', 'Weight', 'Gives', 'Roll', 'Price', ''];

function ClothRows({ cloth, onTake }: { cloth: Cloth; onTake: (kind: ClothKind) => void }) {
  const say = useLength();
  return CLOTHS.map((kind) => (
    <tr key={kind.id} className={kind.name === cloth.name ? 'bg-base-200' : ''}>
      <td className="px-2 py-1">{kind.name}</td>
      <td className="px-2">{kind.weave}</td>
      <td className="px-2 text-right whitespace-nowrap">{kind.weight} g/m²</td>
      <td className="px-2 text-right whitespace-nowrap">
        {kind.stretchWarp} / {kind.stretchWeft} %
      </td>
      <td className="px-2 text-right whitespace-nowrap">
        <Figure says={say(kind.rollWidth)} />
      </td>
      <td className="px-2 text-right">{kind.price}</td>
      <td className="px-2">
        <button type="button" className="btn btn-xs btn-outline" aria-label={`Take ${kind.name}`} onClick={() => onTake(kind)}>
          Take
        </button>
      </td>
    </tr>
  ));
}

/** A photo of the cloth itself, with how much of it is seen: what the round view then shows. */
function ClothPhoto({ cloth, at, onMessage }: { cloth: Cloth; at: ClothAt; onMessage: (message: string | null) => void }) {
  const [, put] = useField(at);
  const take = async (file: File) => {
    const kept = await keepPhoto(file);
    onMessage('message' in kept ? kept.message : put({ ...cloth, photo: kept.name, photoWidth: cloth.photoWidth ?? PHOTO_WIDTH }));
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
            <ClothRows cloth={cloth} onTake={(kind) => setMessage(put(taken(cloth, kind)))} />
          </tbody>
        </table>
      </div>
      <Wrong message={message} />
      <h3 className="font-semibold text-sm pt-3">
        This piece’s {at === 'second' ? 'second cloth' : 'cloth'}: {cloth.name || 'not named'}
      </h3>
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
