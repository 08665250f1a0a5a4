'use client';

import { bounds } from '@/core/outline';
import { firstPatch, firstPocket, foamsOf, letInto, nextLetIn, type Pad } from '@/core/piece';
import { ChoiceField, TickField } from '@/ui/kit/fields/fields';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, usePlan } from '@/ui/sheet/store';
import { SatFields } from './sat-photo';

/** Where one pocket or patch is, how large, how deep, and what fills it. */
function LetInFields({ at, material, fill }: { at: string; material: string; fill: string }) {
  const piece = usePiece();
  const [, putMaterial] = useField(`${at}.material`);
  return (
    <>
      {['width', 'length', 'deep', 'blend', 'x', 'y'].map((key) => (
        <PieceField key={key} at={`${at}.${key}`} />
      ))}
      <ChoiceField label={fill} value={material} options={foamsOf(piece)} onChange={putMaterial} />
    </>
  );
}

/** What is let into a pad from above: a pocket or a patch, and more of them beside it. */
export function PocketFields({ pad, at }: { pad: Pad; at: string }) {
  const plan = usePlan();
  const [, put] = useField(`${at}.pocket`);
  const [, putMore] = useField(`${at}.patches`);
  const { pocket, patches = [] } = pad;
  const fill = pad.kept ? 'Fresh foam' : 'Insert';
  const name = pad.kept ? 'patch' : 'pocket';
  const box = plan && bounds(plan.outline.points);
  return (
    <>
      <TickField
        label={pad.kept ? 'A patch of fresh foam' : 'A pocket with an insert'}
        checked={Boolean(pocket)}
        onChange={(on) => put(on ? (pad.kept ? firstPatch(pad) : firstPocket(pad.thickness)) : null)}
      />
      {pocket && (
        <>
          <LetInFields at={`${at}.pocket`} material={pocket.material} fill={fill} />
          {!pad.kept && <SatFields pocket={pocket} at={`${at}.pocket`} />}
        </>
      )}
      {patches.map((patch, k) => (
        <fieldset key={k} className="border-t border-base-content/25 mt-1 pt-1" data-let-in={k + 2}>
          <legend className="sr-only">{`${name} ${k + 2}`}</legend>
          <div className="flex items-center justify-between text-xs">
            <span className="font-semibold">{`${name === 'patch' ? 'Patch' : 'Pocket'} ${k + 2}`}</span>
            <button type="button" className="underline cursor-pointer" onClick={() => putMore(patches.filter((_, i) => i !== k))}>
              Take it out
            </button>
          </div>
          <LetInFields at={`${at}.patches.${k}`} material={patch.material} fill={fill} />
        </fieldset>
      ))}
      {letInto(pad).length > 0 && patches.length < 8 && box && (
        <button
          type="button"
          className="btn btn-xs btn-outline font-normal mt-1"
          onClick={() => putMore([...patches, nextLetIn(pad, box)])}
        >
          {`One more ${name}`}
        </button>
      )}
    </>
  );
}
