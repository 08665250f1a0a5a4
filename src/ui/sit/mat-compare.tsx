'use client';

import { Upload } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { asMat, MAT_SIDE, matLikeness, matSums, readMatCsv, type MatFrame } from '@/core/formats/mat-frame';
import type { SitView } from '@/core/view';
import { PRESSURE_FULL, pressureColour } from './pressure';

/** A frame as sixteen by sixteen cells, the front at the bottom. */
function Frame({ frame, says }: { frame: MatFrame; says: string }) {
  return (
    <figure className="min-w-0">
      <svg viewBox={`0 0 ${MAT_SIDE} ${MAT_SIDE}`} className="w-full border border-base-content/40" role="img" aria-label={says}>
        {frame.kPa.map((p, i) => (
          <rect
            key={i}
            x={i % MAT_SIDE}
            y={MAT_SIDE - 1 - Math.floor(i / MAT_SIDE)}
            width={1.02}
            height={1.02}
            fill={p > 0.5 ? pressureColour(p / 1000 / PRESSURE_FULL) : 'transparent'}
          />
        ))}
      </svg>
      <figcaption className="text-xs text-center">{says}</figcaption>
    </figure>
  );
}

/** A real sit test laid beside the computed one: frames of a mat, from its stream or from a file. */
export function MatCompare({ view, middle }: { view: SitView; middle: readonly [number, number] }) {
  const [frame, setFrame] = useState<MatFrame | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [listening, setListening] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (!listening) return;
    const source = new EventSource('/api/mat');
    source.addEventListener('frame', (event) => {
      setFrame(JSON.parse((event as MessageEvent<string>).data) as MatFrame);
      setNote('Frames are coming in.');
    });
    source.addEventListener('state', (event) => {
      const { state, why } = JSON.parse((event as MessageEvent<string>).data) as { state: string; why?: string };
      setNote(state === 'connected' ? 'The mat is there.' : (why ?? null));
    });
    source.onerror = () => setNote('The workshop cannot be reached; trying again.');
    return () => source.close();
  }, [listening]);
  const read = async (picked: File | undefined) => {
    if (!picked) return;
    const result = readMatCsv(await picked.text());
    if (result.ok) {
      setFrame(result.frame);
      setNote(`${picked.name} is laid beside.`);
    } else setNote(`${picked.name} is not a frame: ${result.why}.`);
  };
  const computed = asMat(view.pressure, frame?.cell ?? 28, middle);
  const [own, real] = [matSums(computed), frame && matSums(frame)];
  return (
    <section aria-label="Pressure mat" className="border-t border-base-content/25 py-2">
      <h3 className="font-semibold text-sm">Beside a real sit test</h3>
      <div className="flex flex-wrap gap-2 py-1">
        <button
          type="button"
          className="btn btn-sm btn-outline font-normal"
          aria-pressed={listening}
          onClick={() => setListening(!listening)}
        >
          {listening ? 'Stop listening' : 'Listen to the mat'}
        </button>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => file.current?.click()}>
          <Upload size={14} aria-hidden /> Frame from CSV
        </button>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv"
          className="hidden"
          aria-label="Frame from CSV"
          onChange={(event) => void read(event.target.files?.[0])}
        />
      </div>
      <p role="status" className="text-xs min-h-4">
        {note}
      </p>
      {frame && real && (
        <>
          <div className="grid grid-cols-2 gap-2 py-1">
            <Frame frame={computed} says="computed" />
            <Frame frame={frame} says="measured" />
          </div>
          <table className="w-full text-xs tabular-nums">
            <tbody>
              {(
                [
                  ['Highest', `${own.peak.toFixed(1)} kPa`, `${real.peak.toFixed(1)} kPa`],
                  ['Mean', `${own.mean.toFixed(1)} kPa`, `${real.mean.toFixed(1)} kPa`],
                  ['Area', `${Math.round(own.area / 100)} cm²`, `${Math.round(real.area / 100)} cm²`],
                  ['Force', `${Math.round(own.force)} N`, `${Math.round(real.force)} N`],
                ] as const
              ).map(([label, a, b]) => (
                <tr key={label}>
                  <th className="text-left font-normal">{label}</th>
                  <td className="text-right">{a}</td>
                  <td className="text-right">{b}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="text-xs">Alike cell by cell: {Math.round(matLikeness(computed, frame) * 100)} %</p>
        </>
      )}
    </section>
  );
}
