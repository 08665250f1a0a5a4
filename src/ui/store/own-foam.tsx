'use client';

import { useState } from 'react';
import { fitByHand, type HandFit, type HandReading } from '@/core/foam';
import { defaultsOf, fieldIn, HAND_PRESS, type OwnFoam } from '@/core/piece';
import { FigureField, LengthField } from '@/ui/kit/fields/fields';
import { Figure } from '@/ui/kit/fields/figure';
import { Wrong } from '@/ui/kit/fields/lists';
import { SchemaField } from '@/ui/kit/fields/schema-field';
import { useField, usePiece } from '@/ui/sheet/store';

/** What is read while a foam is pressed by hand. */
export type HandPress = typeof HAND_PRESS.static & { readings: HandReading[] };

/** What the fields begin from. */
export const FIRST_PRESS: HandPress = {
  ...defaultsOf(HAND_PRESS),
  readings: [
    { depth: 12, load: 4 },
    { depth: 32, load: 8.5 },
  ],
};

/** What the readings come to. */
export const fitOf = ({ thickness, disc, readings }: HandPress): HandFit => fitByHand(thickness, disc, readings);

function Readings({ press, onChange }: { press: HandPress; onChange: (press: HandPress) => void }) {
  const put = (i: number, change: Partial<HandReading>): null => {
    onChange({ ...press, readings: press.readings.map((r, k) => (k === i ? { ...r, ...change } : r)) });
    return null;
  };
  return (
    <>
      {press.readings.map((r, i) => (
        <div key={i} className="grid grid-cols-2 gap-3">
          <LengthField label={`Depth ${i + 1}`} name={`own foam depth ${i}`} value={r.depth} onCommit={(depth) => put(i, { depth })} />
          <FigureField
            label={`Load ${i + 1}`}
            name={`own foam load ${i}`}
            value={r.load}
            suffix="kg"
            onCommit={(load) => put(i, { load })}
          />
        </div>
      ))}
      {press.readings.length < 3 && (
        <button
          type="button"
          className="underline text-xs cursor-pointer"
          onClick={() => onChange({ ...press, readings: [...press.readings, { depth: press.thickness * 0.45, load: 5.5 }] })}
        >
          Add a third reading
        </button>
      )}
    </>
  );
}

type Props = { press: HandPress; onChange: (press: HandPress) => void; onToggle: (open: boolean) => void; onAdded: (id: string) => void };

/** A foam of one's own, from presses by hand. */
export function OwnFoamFields({ press, onChange, onToggle, onAdded }: Props) {
  const { foams = [] } = usePiece();
  const [, put] = useField('foams');
  const [message, setMessage] = useState<string | null>(null);
  const fit = fitOf(press);
  const add = () => {
    if (!fit.ok) return;
    const slug = press.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    const item: OwnFoam = {
      id: `own-${foams.length + 1}-${slug.slice(0, 30)}`,
      name: press.name.trim() || FIRST_PRESS.name,
      type: 'polyether',
      density: press.density,
      ifd25: Math.round(fit.ifd25 * 10) / 10,
      supportFactor: Math.round(fit.supportFactor * 1000) / 1000,
      onset: fit.curve.onset,
      sold: [press.thickness],
    };
    const wrong = put([...foams, item]);
    setMessage(wrong);
    if (!wrong) onAdded(item.id);
  };
  return (
    <details className="mt-2" onToggle={(event) => onToggle(event.currentTarget.open)}>
      <summary className="cursor-pointer text-sm font-semibold">A foam of your own, from presses by hand</summary>
      <p className="text-xs my-1">
        Lay the pad on a kitchen scale, press a flat disc into it and read depth and load; lightly, then to two thirds.
      </p>
      {(['name', 'thickness', 'disc', 'density'] as const).map((key) => (
        <SchemaField
          key={key}
          field={fieldIn(HAND_PRESS, key)}
          name={`own foam ${key}`}
          value={press[key]}
          onCommit={(value) => {
            onChange({ ...press, [key]: value });
            return null;
          }}
        />
      ))}
      <Readings press={press} onChange={onChange} />
      {fit.ok ? (
        <p className="text-sm my-1">
          That is a foam of <Figure says={`${Math.round(fit.ifd25)} N`} />, support {Math.round(fit.supportFactor * 100) / 100}; readings
          met within {Math.round(fit.misfit * 1000) / 10} %.
        </p>
      ) : (
        <Wrong message={fit.message} />
      )}
      <Wrong message={message} />
      <button type="button" className="btn btn-sm btn-outline" disabled={!fit.ok} onClick={add}>
        Add to the store of this piece
      </button>
    </details>
  );
}
