'use client';

import { Upload } from 'lucide-react';
import { useEffect, useState } from 'react';
import { asMat, MAT_SIDE, matLikeness, matSums, readMatCsv, type MatFrame } from '@/core/seat-check/mat-frame';
import { firstPocket } from '@/core/piece';
import type { SitView } from '@/core/plan';
import { pocketAt, satOnMat } from '@/core/seat-check';
import { PRESSURE_FULL, pressureColour } from '@/ui/drawing/pressure';
import { FilePick } from '@/ui/kit/file-pick';
import { Wrong } from '@/ui/kit/fields/lists';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { UNREACHED } from '@/ui/kit/api';

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

/** Frames of a mat: from its stream while it is listened to, or from a file. */
function useMat(): {
  frame: MatFrame | null;
  note: string | null;
  listening: boolean;
  listen: (on: boolean) => void;
  read: (file: File) => void;
} {
  const [frame, setFrame] = useState<MatFrame | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [listening, listen] = useState(false);
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
    source.onerror = () => setNote(UNREACHED);
    return () => source.close();
  }, [listening]);
  const read = async (picked: File) => {
    const result = readMatCsv(await picked.text());
    if (result.ok) setFrame(result.frame);
    setNote(result.ok ? `${picked.name} is laid beside.` : `${picked.name} is not a frame: ${result.why}.`);
  };
  return { frame, note, listening, listen, read: (file) => void read(file) };
}

/** What two frames come to, side by side. */
function Sums({ computed, measured }: { computed: MatFrame; measured: MatFrame }) {
  const [item, real] = [matSums(computed), matSums(measured)];
  const rows = [
    ['Highest', (sums: typeof item) => `${sums.peak.toFixed(1)} kPa`],
    ['Mean', (sums: typeof item) => `${sums.mean.toFixed(1)} kPa`],
    ['Area', (sums: typeof item) => `${Math.round(sums.area / 100)} cm²`],
    ['Force', (sums: typeof item) => `${Math.round(sums.force)} N`],
  ] as const;
  return (
    <>
      <table className="w-full text-xs tabular-nums">
        <tbody>
          {rows.map(([label, says]) => (
            <tr key={label}>
              <th className="text-left font-normal">{label}</th>
              <td className="text-right">{says(item)}</td>
              <td className="text-right">{says(real)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-xs">Alike cell by cell: {Math.round(matLikeness(computed, measured) * 100)} %</p>
    </>
  );
}

/** Lets a pocket in where the mat says that somebody sat: the one there is is moved, else the main pad gets one. */
function PocketThere({ frame, middle }: { frame: MatFrame; middle: readonly [number, number] }) {
  const { pads } = usePiece();
  const put = useSheet((state) => state.put);
  const [message, setMessage] = useState<string | null>(null);
  const sat = satOnMat(frame, middle);
  const which = [pads.findLastIndex((pad) => pad.pocket), pads.findLastIndex((pad) => pad.role === 'main')].find((i) => i >= 0);
  if (which === undefined) return null;
  const { pocket, thickness } = pads[which]!;
  const there = () =>
    setMessage(
      sat
        ? put(`pads.${which}.pocket`, pocketAt(pocket ?? firstPocket(thickness), sat))
        : 'The mat reads no load: there is no place to take from it.',
    );
  return (
    <>
      <button type="button" className="btn btn-sm btn-outline font-normal mt-1" onClick={there}>
        {pocket ? 'Move the pocket there' : 'Let a pocket in there'}
      </button>
      <Wrong message={message} />
    </>
  );
}

/** A real sit test laid beside the computed one. */
export function MatCompare({ view, middle }: { view: SitView; middle: readonly [number, number] }) {
  const { frame, note, listening, listen, read } = useMat();
  const computed = asMat(view.pressure, frame?.cell ?? 28, middle);
  return (
    <section aria-label="Pressure mat" className="border-t border-base-content/25 py-2">
      <h3 className="font-semibold text-sm">Beside a real sit test</h3>
      <div className="flex flex-wrap gap-2 py-1">
        <button type="button" className="btn btn-sm btn-outline font-normal" aria-pressed={listening} onClick={() => listen(!listening)}>
          {listening ? 'Stop listening' : 'Listen to the mat'}
        </button>
        <FilePick label="Frame from CSV" accept=".csv,text/csv" onPick={read}>
          <Upload size={14} aria-hidden /> Frame from CSV
        </FilePick>
      </div>
      <p role="status" className="text-xs min-h-4">
        {note}
      </p>
      {frame && (
        <>
          <div className="grid grid-cols-2 gap-2 py-1">
            <Frame frame={computed} says="computed" />
            <Frame frame={frame} says="measured" />
          </div>
          <Sums computed={computed} measured={frame} />
          <PocketThere frame={frame} middle={middle} />
        </>
      )}
    </section>
  );
}
