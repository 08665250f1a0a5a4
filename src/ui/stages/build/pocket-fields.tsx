'use client';

import { firstPatch, firstPocket, foamsOf, type Pad } from '@/core/piece';
import { ChoiceField, TickField } from '@/ui/kit/fields';
import { PieceField } from '@/ui/sheet/piece-field';
import { useField, usePiece } from '@/ui/sheet/store';

/** A pocket in a pad: where, how large, how deep, and what fills it. */
export function PocketFields({ pad, at }: { pad: Pad; at: string }) {
  const piece = usePiece();
  const [, put] = useField(`${at}.pocket`);
  const [, putMaterial] = useField(`${at}.pocket.material`);
  const { pocket } = pad;
  return (
    <>
      <TickField
        label={pad.kept ? 'A patch of fresh foam' : 'A pocket with an insert'}
        checked={Boolean(pocket)}
        onChange={(on) => put(on ? (pad.kept ? firstPatch(pad) : firstPocket(pad.thickness)) : null)}
      />
      {pocket && (
        <>
          {['width', 'length', 'deep', 'x', 'y'].map((key) => (
            <PieceField key={key} at={`${at}.pocket.${key}`} />
          ))}
          <ChoiceField label={pad.kept ? 'Fresh foam' : 'Insert'} value={pocket.material} options={foamsOf(piece)} onChange={putMaterial} />
        </>
      )}
    </>
  );
}
