'use client';

import { Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import type { DrawingUnit } from '@/core/formats/file-problem';
import type { ReadOutline } from '@/core/formats/rings';
import type { ReadScan, UpAxis } from '@/core/formats/stl';
import { inUnit } from '@/core/length';
import { LIMITS, type BaseShape, type Piece } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields';
import { useSettings } from '@/ui/kit/settings';
import { Part } from './features';

type Answer = { outline?: ReadOutline; shape?: BaseShape; scan?: ReadScan; problem?: string; needsUnit?: boolean };

/** A file that takes longer than this to read is given up, ms. */
const PATIENCE = 15_000;

/** Reads a file off the main thread; a file that will not end is stopped. */
function readFile(question: { name: string; bytes: ArrayBuffer; unit?: DrawingUnit; up?: UpAxis; close?: boolean }): Promise<Answer> {
  return new Promise((resolve) => {
    const worker = new Worker(new URL('../../workers/bring-in.worker.ts', import.meta.url), { type: 'module' });
    const done = (answer: Answer) => {
      clearTimeout(timer);
      worker.terminate();
      resolve(answer);
    };
    const timer = setTimeout(() => done({ problem: 'This file takes too long to read; is it only the outline?' }), PATIENCE);
    worker.onmessage = (event: MessageEvent<Answer>) => done(event.data);
    worker.onerror = () => done({ problem: 'This file cannot be read; it is not as its kind should be.' });
    worker.postMessage(question);
  });
}

type Props = { piece: Piece; pieceId: string; apply: (next: Piece) => string | null };

/** Outlines, readings and scans from files, and the outline out again. */
export function BringIn({ piece, pieceId, apply }: Props) {
  const { unit: shown } = useSettings();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [unit, setUnit] = useState<DrawingUnit | 'said'>('said');
  const [up, setUp] = useState<UpAxis>('z');
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);

  const take = async (from: File, choice: { unit: DrawingUnit | 'said'; up: UpAxis; close?: boolean }) => {
    setBusy(true);
    setFile(from);
    const bytes = await from.arrayBuffer();
    const answer = await readFile({
      name: from.name,
      bytes,
      up: choice.up,
      ...(choice.close ? { close: true } : {}),
      ...(choice.unit === 'said' ? {} : { unit: choice.unit }),
    });
    setBusy(false);
    if (answer.problem) return setMessage({ text: answer.problem, bad: true });
    const { base } = piece;
    let next: Piece | null = null;
    let said = '';
    if (answer.outline) {
      const { nodes, holes, width, depth, remarks } = answer.outline;
      next = {
        ...piece,
        base: {
          ...base,
          notches: [],
          edges: [],
          shape: { type: 'drawn', mirrored: false, nodes },
          holes: holes.map((hole, i) => ({ ...hole, id: `h-${i + 1}`, kind: 'round' as const })),
        },
      };
      said = [`${Math.round(width * 10) / 10} × ${Math.round(depth * 10) / 10} mm, ${nodes.length} points`, ...remarks].join('. ');
    } else if (answer.shape) {
      next = { ...piece, base: { ...base, notches: [], edges: [], holes: [], shape: answer.shape } };
      said = 'Readings taken over';
    } else if (answer.scan) {
      const { mould, nodes, width, depth, rise, triangles } = answer.scan;
      const outline: BaseShape | null =
        nodes.length >= 3 && nodes.length <= LIMITS.nodes[1] ? { type: 'drawn', mirrored: false, nodes } : null;
      next = {
        ...piece,
        base: {
          ...base,
          notches: [],
          edges: [],
          ...(outline ? { shape: outline } : {}),
          mould: { ...mould, name: from.name.slice(0, 100) },
        },
      };
      said = `${triangles} triangles, ${Math.round(width)} × ${Math.round(depth)} mm, ${Math.round(rise * 10) / 10} mm from its lowest to its highest place`;
    }
    const wrong = next && apply(next);
    setMessage(wrong ? { text: wrong, bad: true } : { text: said, bad: false });
  };

  const scan = file?.name.toLowerCase().endsWith('.stl');
  return (
    <Part title="Files" open>
      <input
        ref={input}
        type="file"
        accept=".svg,.dxf,.csv,.stl"
        className="sr-only"
        aria-label="Outline, readings or scan to bring in"
        tabIndex={-1}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) void take(chosen, { unit, up });
        }}
      />
      <button type="button" className="btn btn-sm btn-outline font-normal" disabled={busy} onClick={() => input.current?.click()}>
        <Upload size={14} aria-hidden /> {busy ? 'Reading…' : 'SVG, DXF, CSV or STL'}
      </button>
      <ChoiceField
        label="Drawn in"
        value={unit}
        options={[
          { id: 'said', name: 'As the file says' },
          { id: 'mm', name: 'Millimetres' },
          { id: 'cm', name: 'Centimetres' },
          { id: 'in', name: 'Inches' },
          { id: 'm', name: 'Metres' },
          { id: 'px', name: 'Dots, 96 to the inch' },
        ]}
        onChange={(next) => {
          setUnit(next);
          if (file && message?.bad) void take(file, { unit: next, up });
        }}
      />
      {scan && (
        <ChoiceField
          label="Up is"
          value={up}
          options={[
            { id: 'z', name: 'Z' },
            { id: 'y', name: 'Y' },
            { id: 'x', name: 'X' },
          ]}
          onChange={(next) => {
            setUp(next);
            if (file) void take(file, { unit, up: next });
          }}
        />
      )}
      {message && (
        <p
          role={message.bad ? 'alert' : 'status'}
          className={`text-xs my-1 ${message.bad ? 'text-error' : ''}`}
          data-brought={!message.bad}
        >
          {file?.name}: {inUnit(message.text, shown)}
          {message.bad && /is open/.test(message.text) && file && (
            <button type="button" className="underline cursor-pointer block" onClick={() => void take(file, { unit, up, close: true })}>
              Close it with a straight line
            </button>
          )}
        </p>
      )}
      <p className="text-xs mt-1 flex gap-3">
        <Download size={14} aria-hidden />
        <a className="underline" href={`/api/pieces/${pieceId}/outline?format=svg`} download>
          Outline as SVG
        </a>
        <a className="underline" href={`/api/pieces/${pieceId}/outline?format=dxf`} download>
          as DXF
        </a>
      </p>
    </Part>
  );
}
