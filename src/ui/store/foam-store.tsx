'use client';

import { useState } from 'react';
import { specimenForce, curveOf, type Foam } from '@/core/foam';
import { foamsOf } from '@/core/piece';
import { Dialog } from '@/ui/kit/dialog';
import { useLength } from '@/ui/kit/settings';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { useStore, type StoreHook } from './use-store';
import { foamToStore, withStoreFoam } from '@/core/store';
import { Wrong } from '@/ui/kit/fields/lists';
import { FoamCurveChart } from './foam-curve';
import { FIRST_PRESS, fitOf, OwnFoamFields } from './own-foam';

const HEADS = ['Foam', 'kg/m³', 'Hardness', 'Support', 'Returns', 'Set'];

function FoamTable({ foams, chosen, onChoose }: { foams: readonly Foam[]; chosen: string; onChoose: (id: string) => void }) {
  return (
    <table className="w-full text-xs tabular-nums">
      <thead>
        <tr className="text-left">
          {HEADS.map((head) => (
            <th key={head} className="py-1 pr-2 font-semibold">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {foams.map((f) => (
          <tr key={f.id} className={f.id === chosen ? 'bg-base-200' : ''}>
            <td className="pr-2">
              <button type="button" className="underline text-left cursor-pointer min-h-6 py-0.5" onClick={() => onChoose(f.id)}>
                {f.name}
              </button>
            </td>
            <td className="pr-2">{f.density}</td>
            <td className="pr-2">{Math.round(f.ifd25)} N</td>
            <td className="pr-2">{Math.round(f.supportFactor * 100) / 100}</td>
            <td className="pr-2">{f.recovery} s</td>
            <td className="pr-2">{f.set} %</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The workshop's own foams that the store keeps, and this piece's own put among them. */
function OwnInStore({ store, chosen, onChoose }: { store: StoreHook; chosen: Foam; onChoose: (id: string) => void }) {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const [message, setMessage] = useState<string | null>(null);
  const saved = [...new Map((store.store?.wares ?? []).flatMap((ware) => (ware.foam ? [[ware.foam.id, ware] as const] : []))).values()];
  const isOwn = piece.foams?.some(({ id }) => id === chosen.id) && !saved.some(({ foam }) => foam?.id === chosen.id);
  const take = (ware: (typeof saved)[number]): void => {
    const { piece: next, material } = withStoreFoam(piece, ware);
    const wrong = apply(next);
    setMessage(wrong);
    if (!wrong) onChoose(material);
  };
  const put = async () => {
    const ware = foamToStore(piece, chosen.id, chosen.sold[0] ?? 50);
    if (ware) setMessage((await store.keepWare(ware)).message);
  };
  if (saved.length === 0 && !isOwn) return null;
  return (
    <p className="text-sm flex items-center gap-2 flex-wrap">
      {saved.map((ware) => (
        <button key={ware.id} type="button" className="btn btn-xs btn-outline font-normal" onClick={() => take(ware)}>
          Take {ware.foam!.name} from the store
        </button>
      ))}
      {isOwn && (
        <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => void put()}>
          Put {chosen.name} into the store
        </button>
      )}
      <Wrong message={message} />
    </p>
  );
}

/** Foams that can be built from: what is known of each, its curve, and new ones from presses by hand. */
export function FoamStore({ onClose }: { onClose: () => void }) {
  const say = useLength();
  const piece = usePiece();
  const foams = foamsOf(piece);
  const [chosen, setChosen] = useState(piece.pads.find((pad) => pad.role === 'main')?.material ?? foams[0]!.id);
  const [press, setPress] = useState(FIRST_PRESS);
  // The fitted curve is drawn beside the chosen foam's only while it is worked on.
  const [pressing, setPressing] = useState(false);
  const foam = foams.find((f) => f.id === chosen) ?? foams[0]!;
  const fit = fitOf(press);
  const store = useStore();
  return (
    <Dialog title="Foam store" onClose={onClose}>
      {/* A table that scrolls takes the focus, so that the keys can scroll it. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div className="max-h-44 overflow-y-auto border-y border-base-content/25" tabIndex={0} role="group" aria-label="Foams">
        <FoamTable foams={foams} chosen={chosen} onChoose={setChosen} />
      </div>
      <p className="text-sm mt-2">
        {foam.name}: {Math.round(specimenForce(curveOf(foam), 0.25))} N at a quarter and {Math.round(specimenForce(curveOf(foam), 0.65))} N
        at 65 % of the simulated specimen; sold {foam.sold.map((t) => say(t)).join(', ')}. Price is for a square metre 10 mm thick.
      </p>
      <FoamCurveChart
        foams={[
          foam,
          ...(pressing && fit.ok
            ? [{ ...foam, id: 'fit', name: press.name, ifd25: fit.ifd25, supportFactor: fit.supportFactor, onset: fit.curve.onset }]
            : []),
        ]}
      />
      <OwnInStore store={store} chosen={foam} onChoose={setChosen} />
      <OwnFoamFields press={press} onChange={setPress} onToggle={setPressing} onAdded={setChosen} />
      <div className="text-right mt-3">
        <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={onClose}>
          Close
        </button>
      </div>
    </Dialog>
  );
}
