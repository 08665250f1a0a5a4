'use client';

import { Download, Upload } from 'lucide-react';
import { useState } from 'react';
import type { DrawingUnit } from '@/core/file-problem';
import type { UpAxis } from '@/core/formats/stl';
import { inUnit } from '@/core/length';
import { POINTS, type BaseShape, type Piece } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { FilePick } from '@/ui/kit/file-pick';
import { Part } from '@/ui/kit/fields/lists';
import { useSettings } from '@/ui/kit/settings';
import { readFile, type Answer, type Asked } from '@/ui/kit/read-file';
import { usePiece, useSheet } from '@/ui/sheet/store';

/** The piece with what a file showed, and what to say of it; null where it showed nothing. */
function taken(piece: Piece, answer: Answer, name: string): { next: Piece; words: string } | null {
  const base = { ...piece.base, notches: [], edges: [] };
  if (answer.outline) {
    const { nodes, holes, width, depth, remarks } = answer.outline;
    const drawn = holes.map((hole, i) => ({ ...hole, id: `h-${i + 1}`, kind: 'round' as const }));
    return {
      next: { ...piece, base: { ...base, shape: { type: 'drawn', mirrored: false, nodes }, holes: drawn } },
      words: [`${Math.round(width * 10) / 10} × ${Math.round(depth * 10) / 10} mm, ${nodes.length} points`, ...remarks].join('. '),
    };
  }
  if (answer.shape) return { next: { ...piece, base: { ...base, holes: [], shape: answer.shape } }, words: 'Readings taken over' };
  if (!answer.scan) return null;
  const { mould, nodes, width, depth, rise, triangles } = answer.scan;
  const drawable = nodes.length >= 3 && nodes.length <= POINTS[1];
  const shape: BaseShape = drawable ? { type: 'drawn', mirrored: false, nodes } : base.shape;
  return {
    next: { ...piece, base: { ...base, shape, mould: { ...mould, name: name.slice(0, 100) } } },
    words: `${triangles} triangles, ${Math.round(width)} × ${Math.round(depth)} mm, ${Math.round(rise * 10) / 10} mm from its lowest to its highest place`,
  };
}

const UNITS: { id: DrawingUnit | 'said'; name: string }[] = [
  { id: 'said', name: 'As the file says' },
  { id: 'mm', name: 'Millimetres' },
  { id: 'cm', name: 'Centimetres' },
  { id: 'in', name: 'Inches' },
  { id: 'm', name: 'Metres' },
  { id: 'px', name: 'Dots, 96 to the inch' },
];
const UPS: { id: UpAxis; name: string }[] = [
  { id: 'z', name: 'Z' },
  { id: 'y', name: 'Y' },
  { id: 'x', name: 'X' },
];

/** What a file is read with. */
type Choice = { unit: DrawingUnit | 'said'; up: UpAxis; close?: boolean };

/** A file as it was read, or what is wrong with it. */
type Read = { file: File | null; busy: boolean; message: { text: string; bad: boolean } | null };

/** Reads files into the piece. */
function useReading(): Read & { take: (file: File, choice: Choice) => void } {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const [read, setRead] = useState<Read>({ file: null, busy: false, message: null });
  const take = async (file: File, { unit, up, close }: Choice) => {
    setRead({ ...read, file, busy: true });
    const asked: Asked = { name: file.name, bytes: await file.arrayBuffer(), up, ...(unit === 'said' ? {} : { unit }) };
    const answer = await readFile(close ? { ...asked, close } : asked);
    const found = answer.problem ? null : taken(piece, answer, file.name);
    const wrong = answer.problem ?? (found && apply(found.next));
    setRead({ file, busy: false, message: wrong ? { text: wrong, bad: true } : { text: found?.words ?? '', bad: false } });
  };
  return { ...read, take: (file, choice) => void take(file, choice) };
}

/** What a file showed, or what is wrong with it. */
function Report({ file, message, onClose }: Pick<Read, 'file' | 'message'> & { onClose: (file: File) => void }) {
  const { unit } = useSettings();
  if (!message || !file) return null;
  return (
    <p role={message.bad ? 'alert' : 'status'} className={`text-xs my-1 ${message.bad ? 'text-error' : ''}`} data-brought={!message.bad}>
      {file.name}: {inUnit(message.text, unit)}
      {message.bad && /is open/.test(message.text) && (
        <button type="button" className="underline cursor-pointer block" onClick={() => onClose(file)}>
          Close it with a straight line
        </button>
      )}
    </p>
  );
}

/** Outlines, readings and scans from files, and the outline out again. */
export function BringIn() {
  const id = useSheet((state) => state.id);
  const { file, busy, message, take } = useReading();
  const [unit, setUnit] = useState<Choice['unit']>('said');
  const [up, setUp] = useState<UpAxis>('z');
  return (
    <Part title="Files" open>
      <FilePick
        label="Outline, readings or scan to bring in"
        accept=".svg,.dxf,.csv,.stl"
        disabled={busy}
        onPick={(chosen) => take(chosen, { unit, up })}
      >
        <Upload size={14} aria-hidden /> {busy ? 'Reading…' : 'SVG, DXF, CSV or STL'}
      </FilePick>
      <ChoiceField
        label="Drawn in"
        value={unit}
        options={UNITS}
        onChange={(next) => {
          setUnit(next);
          if (file && message?.bad) take(file, { unit: next, up });
        }}
      />
      {file?.name.toLowerCase().endsWith('.stl') && (
        <ChoiceField
          label="Up is"
          value={up}
          options={UPS}
          onChange={(next) => {
            setUp(next);
            take(file, { unit, up: next });
          }}
        />
      )}
      <Report file={file} message={message} onClose={(open) => take(open, { unit, up, close: true })} />
      <p className="text-xs mt-1 flex gap-3">
        <Download size={14} aria-hidden />
        <a className="underline" href={`/api/pieces/${id}/outline?format=svg`} download>
          Outline as SVG
        </a>
        <a className="underline" href={`/api/pieces/${id}/outline?format=dxf`} download>
          as DXF
        </a>
      </p>
    </Part>
  );
}
