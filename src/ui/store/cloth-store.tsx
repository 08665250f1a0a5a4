'use client';

import { useState } from 'react';
import { CLOTHS, giveOf, weaveOf, type ClothKind } from '@/core/cloth';
import type { Cloth, Piece } from '@/core/piece';
import { Dialog } from '@/ui/kit/dialog';
import { ChoiceField, FigureField, TextField } from '@/ui/kit/fields';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';

const NAPS = [
  { id: 'none', name: 'None' },
  { id: 'pile', name: 'Pile' },
  { id: 'one-way', name: 'One way up' },
] as const;
const WEAVES = ['plain', 'twill', 'pile', 'knit', 'coated', 'coated stretch', 'hide'] as const;
const FIBRES = ['wool', 'cotton', 'linen', 'synthetic', 'mixed', 'hide'] as const;

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** A cloth of the store as a piece carries it; how it is pulled and laid stays as it was. */
function taken(cloth: Cloth, { id: _, ...kind }: ClothKind): Cloth {
  void _;
  return { ...cloth, ...kind, direction: kind.nap !== 'none' && cloth.direction === 'any' ? 'along' : cloth.direction, certificate: '' };
}

/** Cloths that can be chosen, and everything known of the one this piece has. */
export function ClothStore({ piece, apply, onClose }: { piece: Piece; apply: (next: Piece) => string | null; onClose: () => void }) {
  const say = useLength();
  const { cloth } = piece;
  const [message, setMessage] = useState<string | null>(null);
  const set = (change: Partial<Cloth>): string | null => apply({ ...piece, cloth: { ...cloth, ...change } });
  const give = giveOf(cloth);
  return (
    <Dialog title="Cloth store" onClose={onClose}>
      {/* A region that scrolls must be reachable for those who scroll with keys. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div className="max-h-56 overflow-y-auto border border-base-content/25" role="region" aria-label="Cloths" tabIndex={0}>
        <table className="w-full text-sm">
          <thead className="text-xs text-left">
            <tr>
              <th className="px-2 font-normal">Cloth</th>
              <th className="px-2 font-normal">Weave</th>
              <th className="px-2 font-normal text-right">Weight</th>
              <th className="px-2 font-normal text-right">Gives</th>
              <th className="px-2 font-normal text-right">Roll</th>
              <th className="px-2 font-normal text-right">Price</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {CLOTHS.map((kind) => (
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
                  <button
                    type="button"
                    className="btn btn-xs btn-outline"
                    aria-label={`Take ${kind.name}`}
                    onClick={() => setMessage(apply({ ...piece, cloth: taken(cloth, kind) }))}
                  >
                    Take
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {message && (
        <p role="alert" className="text-sm text-error">
          {message}
        </p>
      )}
      <h3 className="font-semibold text-sm pt-3">This piece’s cloth: {cloth.name || 'not named'}</h3>
      <div className="grid grid-cols-2 gap-x-4">
        <ChoiceField
          label="Weave"
          value={weaveOf(cloth)}
          options={WEAVES.map((id) => ({ id, name: capital(id) }))}
          onChange={(weave) => set({ weave })}
        />
        <ChoiceField
          label="Fibre"
          value={cloth.fibre ?? 'mixed'}
          options={FIBRES.map((id) => ({ id, name: capital(id) }))}
          onChange={(fibre) => set({ fibre })}
        />
        <FigureField
          label="Gives along warp"
          name="store warp"
          suffix="%"
          value={Math.round(give.warp * 1000) / 10}
          onCommit={(stretchWarp) => set({ stretchWarp })}
        />
        <FigureField
          label="Gives along weft"
          name="store weft"
          suffix="%"
          value={Math.round(give.weft * 1000) / 10}
          onCommit={(stretchWeft) => set({ stretchWeft })}
        />
        <FigureField label="Weight, g/m²" name="store weight" value={cloth.weight ?? null} onCommit={(weight) => set({ weight })} />
        <ChoiceField label="Nap" value={cloth.nap ?? 'none'} options={[...NAPS]} onChange={(nap) => set({ nap })} />
        <FigureField label="Price of a metre" name="store price" value={cloth.price ?? null} onCommit={(price) => set({ price })} />
        <TextField
          label="Fire certificate on file"
          name="store fire"
          value={cloth.certificate ?? ''}
          onCommit={(certificate) => set({ certificate })}
        />
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
