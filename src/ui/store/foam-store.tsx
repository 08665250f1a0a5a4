'use client';

import { useState } from 'react';
import { fitByHand, specimenForce, curveOf, type HandReading } from '@/core/foam';
import { foamsOf, type OwnFoam, type Piece } from '@/core/piece';
import { Dialog } from '@/ui/kit/dialog';
import { Figure } from '@/ui/kit/figure';
import { FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { useLength } from '@/ui/kit/settings';
import { FoamCurveChart } from './foam-curve';

type Draft = { name: string; thickness: number; disc: number; density: number; readings: HandReading[] };

const START: Draft = {
  name: 'Our own foam',
  thickness: 50,
  disc: 100,
  density: 35,
  readings: [
    { depth: 12, load: 4 },
    { depth: 32, load: 8.5 },
  ],
};

/** Foams that can be built from: what is known of each, its curve, and new ones from presses by hand. */
export function FoamStore({ piece, apply, onClose }: { piece: Piece; apply: (next: Piece) => string | null; onClose: () => void }) {
  const say = useLength();
  const foams = foamsOf(piece);
  const [chosen, setChosen] = useState(piece.pads.find((pad) => pad.role === 'main')?.material ?? foams[0]!.id);
  const [draft, setDraft] = useState<Draft>(START);
  const [message, setMessage] = useState<string | null>(null);
  // The fitted curve is drawn beside the chosen foam's only while it is worked on.
  const [pressing, setPressing] = useState(false);
  const foam = foams.find((f) => f.id === chosen) ?? foams[0]!;
  const fit = fitByHand(draft.thickness, draft.disc, draft.readings);
  const reading = (i: number, change: Partial<HandReading>): null => {
    setDraft({ ...draft, readings: draft.readings.map((r, k) => (k === i ? { ...r, ...change } : r)) });
    return null;
  };
  const add = () => {
    if (!fit.ok) return;
    const own: OwnFoam = {
      id: `own-${(piece.foams?.length ?? 0) + 1}-${draft.name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .slice(0, 30)}`,
      name: draft.name.trim() || 'Our own foam',
      type: 'polyether',
      density: draft.density,
      ifd25: Math.round(fit.ifd25 * 10) / 10,
      supportFactor: Math.round(fit.supportFactor * 1000) / 1000,
      onset: fit.curve.onset,
      sold: [draft.thickness],
    };
    const wrong = apply({ ...piece, foams: [...(piece.foams ?? []), own] });
    setMessage(wrong);
    if (!wrong) setChosen(own.id);
  };
  return (
    <Dialog title="Foam store" onClose={onClose}>
      {/* A table that scrolls takes the focus, so that the keys can scroll it. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div className="max-h-44 overflow-y-auto border-y border-base-content/25" tabIndex={0} role="group" aria-label="Foams">
        <table className="w-full text-xs tabular-nums">
          <thead>
            <tr className="text-left">
              {['Foam', 'kg/m³', 'Hardness', 'Support', 'Returns', 'Set', 'Price'].map((head) => (
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
                  <button type="button" className="underline text-left cursor-pointer py-0.5" onClick={() => setChosen(f.id)}>
                    {f.name}
                  </button>
                </td>
                <td className="pr-2">{f.density}</td>
                <td className="pr-2">{Math.round(f.ifd25)} N</td>
                <td className="pr-2">{Math.round(f.supportFactor * 100) / 100}</td>
                <td className="pr-2">{f.recovery} s</td>
                <td className="pr-2">{f.set} %</td>
                <td className="pr-2">{f.price > 0 ? f.price.toFixed(2) : '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-sm mt-2">
        {foam.name}: {Math.round(specimenForce(curveOf(foam), 0.25))} N at a quarter and {Math.round(specimenForce(curveOf(foam), 0.65))} N
        at 65 % of the simulated specimen; sold {foam.sold.map((t) => say(t)).join(', ')}. Price is for a square metre 10 mm thick.
      </p>
      <FoamCurveChart
        foams={[
          foam,
          ...(pressing && fit.ok
            ? [{ ...foam, id: 'fit', name: draft.name, ifd25: fit.ifd25, supportFactor: fit.supportFactor, onset: fit.curve.onset }]
            : []),
        ]}
      />
      <details className="mt-2" onToggle={(event) => setPressing(event.currentTarget.open)}>
        <summary className="cursor-pointer text-sm font-semibold">A foam of your own, from presses by hand</summary>
        <p className="text-xs my-1">
          Lay the pad on a kitchen scale, press a flat disc into it and read depth and load; lightly, then to two thirds.
        </p>
        <TextField label="Name" name="own foam name" value={draft.name} onCommit={(name) => (setDraft({ ...draft, name }), null)} />
        <LengthField
          label="Pad thickness"
          name="own foam t"
          value={draft.thickness}
          onCommit={(thickness) =>
            thickness >= 5 && thickness <= 300 ? (setDraft({ ...draft, thickness }), null) : 'A pad of 5 to 300 mm'
          }
        />
        <LengthField
          label="Disc width"
          name="own foam d"
          value={draft.disc}
          onCommit={(disc) => (disc >= 20 && disc <= 350 ? (setDraft({ ...draft, disc }), null) : 'A disc of 20 to 350 mm')}
        />
        <FigureField
          label="Density"
          name="own foam rho"
          value={draft.density}
          suffix="kg/m³"
          onCommit={(density) => (density >= 10 && density <= 400 ? (setDraft({ ...draft, density }), null) : '10 to 400 kg/m³')}
        />
        {draft.readings.map((r, i) => (
          <div key={i} className="grid grid-cols-2 gap-3">
            <LengthField
              label={`Depth ${i + 1}`}
              name={`own foam depth ${i}`}
              value={r.depth}
              onCommit={(depth) => reading(i, { depth })}
            />
            <FigureField
              label={`Load ${i + 1}`}
              name={`own foam load ${i}`}
              value={r.load}
              suffix="kg"
              onCommit={(load) => reading(i, { load })}
            />
          </div>
        ))}
        {draft.readings.length < 3 && (
          <button
            type="button"
            className="underline text-xs cursor-pointer"
            onClick={() => setDraft({ ...draft, readings: [...draft.readings, { depth: draft.thickness * 0.45, load: 5.5 }] })}
          >
            Add a third reading
          </button>
        )}
        {fit.ok ? (
          <p className="text-sm my-1">
            That is a foam of <Figure says={`${Math.round(fit.ifd25)} N`} />, support {Math.round(fit.supportFactor * 100) / 100}; readings
            met within {Math.round(fit.misfit * 1000) / 10} %.
          </p>
        ) : (
          <p role="alert" className="text-sm text-error my-1">
            {fit.message}
          </p>
        )}
        {message && (
          <p role="alert" className="text-sm text-error">
            {message}
          </p>
        )}
        <button type="button" className="btn btn-sm btn-outline" disabled={!fit.ok} onClick={add}>
          Add to the store of this piece
        </button>
      </details>
      <div className="text-right mt-3">
        <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={onClose}>
          Close
        </button>
      </div>
    </Dialog>
  );
}
