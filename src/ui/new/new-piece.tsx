'use client';

import { Guide } from '@/ui/guide/guide';
import { Camera } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { baseOutline, bounds, flatten } from '@/core/outline';
import { begunPiece, examplesOf, type Begun } from '@/core/base';
import { fieldAt, kindOf, KINDS, shapeKind, shapesFor, STARTING_SHAPES, type BaseShape, type Piece, type ShapeType } from '@/core/piece';
import { ClosingReport, ShapeFields } from '@/ui/measure/measures';
import { problemsOf } from '@/core/document';
import type { HouseRules } from '@/core/house';
import { Dimension } from '@/ui/drawing/dimension';
import { closedPath } from '@/ui/drawing/path';
import { send, UNREACHED } from '@/ui/kit/api';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { FilePick } from '@/ui/kit/file-pick';
import { Wrong } from '@/ui/kit/fields/lists';
import { NO_STRIP } from '@/core/strip';
import { keepPhoto } from '@/ui/kit/photo';
import { SchemaField } from '@/ui/kit/fields/schema-field';
import { useLength } from '@/ui/kit/settings';
import { SatOnField, useSatOn } from './sat-on';

function Outline({ shape, words, dimensions }: { shape: BaseShape; words: readonly [string, string]; dimensions?: boolean }) {
  const say = useLength();
  const points = flatten(baseOutline(shape));
  const box = bounds(points);
  // A trapezoid's front is measured from measure to the square corner.
  const near = 'frontWidth' in shape ? shape.frontWidth : box.width;
  const margin = Math.max(box.width, box.height) * (dimensions ? 0.16 : 0.06);
  const size = Math.max(box.width, box.height) / 26;
  return (
    <svg
      viewBox={`${box.minX - margin} ${-box.maxY - margin} ${box.width + 2 * margin} ${box.height + 2 * margin}`}
      className="w-full h-full"
      // Beside a choice the outline says nothing that the choice's name does not.
      {...(dimensions ? { role: 'img', 'aria-label': `Outline, ${words[0]} at the bottom` } : { 'aria-hidden': true })}
    >
      <path d={closedPath(points)} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={size * 0.22} />
      {dimensions && (
        <>
          <Dimension from={[-near / 2, box.minY - size * 1.4]} to={[near / 2, box.minY - size * 1.4]} says={say(near)} size={size} />
          <Dimension
            from={[box.minX - size * 1.4, box.minY]}
            to={[box.minX - size * 1.4, box.maxY]}
            says={say(box.height)}
            size={size}
            side={-1}
          />
          <text x={0} y={-box.minY - size * 0.8} fontSize={size * 0.9} textAnchor="middle" fill="var(--ink)">
            {words[0]}
          </text>
        </>
      )}
    </svg>
  );
}

/** Takes a change of what was begun, or says what is wrong with it. */
type Change = (change: Partial<Begun>) => string | null;

/** Which shape: those usual for the kind with a picture, any other by name. */
function ShapeChoice({ piece, onChange }: { piece: Piece; onChange: (type: ShapeType) => void }) {
  const kind = kindOf(piece.kind);
  const { type: text } = piece.base.shape;
  const usual = kind.shapes.includes(text) ? kind.shapes : [...kind.shapes, text];
  return (
    <>
      <div role="radiogroup" aria-label="Shape" className="grid grid-cols-3 gap-2 my-2">
        {usual.map((type) => (
          <label
            key={type}
            className={`relative border rounded-sm p-1.5 text-sm text-center cursor-pointer focus-within:outline-2 focus-within:outline-offset-1 ${text === type ? 'border-primary border-2 font-semibold' : 'border-base-content/40'}`}
          >
            <input type="radio" name="shape" className="sr-only" checked={text === type} onChange={() => onChange(type)} />
            <span className="block h-10 mb-1">
              <Outline shape={STARTING_SHAPES[type]} words={kind.words} />
            </span>
            {shapeKind(type).name}
          </label>
        ))}
      </div>
      <ChoiceField label="More shapes" value={text} options={shapesFor(piece.kind)} onChange={onChange} hint={shapeKind(text).how} />
    </>
  );
}

/** Name, count and measurements; what nobody has typed is a faint example. */
function Measurements({ begun, piece, change }: { begun: Begun; piece: Piece; change: Change }) {
  const { shape, board } = piece.base;
  const field = (path: string, value: unknown, example: boolean, onCommit: (value: never) => string | null) => (
    <SchemaField
      field={fieldAt(path)}
      name={`new ${path}`}
      value={value}
      example={example}
      onCommit={onCommit as (value: unknown) => string | null}
    />
  );
  return (
    <>
      {field('name', begun.name, false, (name) => change({ name }))}
      {field('count', piece.count, false, (count) => change({ count }))}
      <ShapeFields
        shape={shape}
        name={`new ${piece.kind} ${shape.type}`}
        wall={kindOf(piece.kind).traits.upright}
        examples={examplesOf(begun)}
        onChange={(next, key, value) => {
          if (key === 'join' && 'join' in next) return change({ join: next.join });
          if (key === 'rows' && 'rows' in next) return change({ rows: next.rows as unknown as Record<string, number>[] });
          return change({ typed: { ...begun.typed, [key]: value } });
        }}
      />
      <ClosingReport shape={shape} />
      {!kindOf(piece.kind).traits.loose &&
        field('base.board.thickness', board.thickness, begun.thickness === null, (thickness) => change({ thickness }))}
    </>
  );
}

/** Whether there is an old one to be stripped: that comes before the base is measured. */
const BASES = [
  { id: 'new', name: 'A new one' },
  { id: 'old', name: 'Stripping an old one' },
] as const;
type BaseIs = (typeof BASES)[number]['id'];

function BaseChoice({ value, onChange }: { value: BaseIs; onChange: (value: BaseIs) => void }) {
  return (
    <fieldset className="flex gap-4 py-1 text-sm">
      <legend className="sr-only">New board, or stripping an old one?</legend>
      {BASES.map(({ id, name }) => (
        <label key={id} className="flex items-center gap-1.5 cursor-pointer">
          <input type="radio" name="base-is" className="radio radio-sm" checked={value === id} onChange={() => onChange(id)} />
          {name}
        </label>
      ))}
    </fieldset>
  );
}

/** Begins the piece, unless a measurement is still wrong or missing. */
function useBegin(piece: Piece, baseIs: BaseIs, looking: boolean) {
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const begin = async (anyway: boolean) => {
    const refused = document.querySelector<HTMLInputElement>('main [aria-invalid="true"]');
    if (refused) {
      refused.focus();
      return setMessage('One measurement above is not right yet.');
    }
    const missing = document.querySelector<HTMLInputElement>('main input[data-example]');
    if (missing && !anyway) {
      missing.focus();
      return setMessage('Not everything is measured yet. Type what is missing, or use standard sizes for blanks.');
    }
    if (looking) return setMessage('Still finding the pad for that height. One moment.');
    setBusy(true);
    try {
      const old = baseIs === 'old';
      const answer = await send<{ id: string }>('POST', '/api/pieces', { piece: old ? { ...piece, strip: NO_STRIP } : piece });
      if (answer.ok) return router.push(`/piece/${answer.data.id}?stage=${old ? 'strip' : 'board'}`);
      setMessage(answer.data.message ?? 'Not started');
    } catch {
      setMessage(UNREACHED);
    }
    setBusy(false);
  };
  return { message, busy, begin: (anyway = false) => void begin(anyway) };
}

/** A photo of the board: it is squared up and traced on the next sheet. */
function PhotoStart({ onPhoto }: { onPhoto: (name: string) => void }) {
  const [message, setMessage] = useState<string | null>(null);
  const pick = async (file: File) => {
    const saved = await keepPhoto(file);
    if ('message' in saved) setMessage(saved.message);
    else onPhoto(saved.name);
  };
  return (
    <>
      <FilePick
        label="A photo of the board"
        accept="image/*"
        onPick={(file) => void pick(file)}
        className="btn btn-sm btn-outline font-normal mt-1"
      >
        <Camera size={14} aria-hidden /> Start from a photo
      </FilePick>
      <Wrong message={message} />
    </>
  );
}

const NOTHING: Begun = { kind: 'chair-seat', shape: null, name: '', count: null, thickness: null, typed: {} };

/** What is padded, its shape, and its measurements in the order a tape takes them. */
export function NewPiece({ house }: { house: HouseRules }) {
  const [begun, setBegun] = useState(NOTHING);
  const [baseIs, setBaseIs] = useState<BaseIs>('new');
  const [photo, setPhoto] = useState<string | null>(null);
  const plain = begunPiece(begun);
  const traced: Piece = photo
    ? { ...plain, base: { ...plain.base, trace: { photo, scale: { kind: 'two', apart: 300 }, marks: [], points: [] } } }
    : plain;
  const satOn = useSatOn(traced, house);
  const { piece } = satOn;
  const { message, busy, begin } = useBegin(piece, baseIs, satOn.looking);
  const kind = kindOf(piece.kind);
  const change: Change = (more) => {
    const next = { ...begun, ...more };
    const wrong = problemsOf(begunPiece(next))[0];
    if (!wrong) setBegun(next);
    return wrong?.message ?? null;
  };
  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <h1 className="font-display text-2xl mb-3">New piece</h1>
      <Guide stage={null} />
      <div className="grid grid-cols-[22rem_1fr] max-lg:grid-cols-[20rem_1fr] gap-10">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            begin();
          }}
        >
          <ChoiceField
            label="What are you covering?"
            value={piece.kind}
            options={KINDS}
            // What was typed stays; a shape that was not chosen becomes the new kind's own.
            onChange={(id) => setBegun({ ...begun, kind: id, count: kindOf(id).start.panels ? null : begun.count })}
            hint={kind.special}
          />
          <BaseChoice value={baseIs} onChange={setBaseIs} />
          <ShapeChoice piece={piece} onChange={(shape) => setBegun({ ...begun, shape })} />
          <PhotoStart
            onPhoto={(name) => {
              setPhoto(name);
              setBegun({ ...begun, shape: 'drawn' });
            }}
          />
          <Measurements begun={begun} piece={piece} change={change} />
          <SatOnField satOn={satOn} house={house} piece={piece} />
          <Wrong message={message} />
          <button type="submit" className="btn btn-primary w-full h-12 mt-3" disabled={busy}>
            Start this piece
          </button>
          {(examplesOf(begun).size > 0 || (begun.thickness === null && !kindOf(begun.kind).traits.loose)) && (
            <button type="button" className="btn btn-ghost btn-sm w-full font-normal mt-1" disabled={busy} onClick={() => begin(true)}>
              Use standard sizes for blanks
            </button>
          )}
          <p className="text-xs mt-2 text-base-content/80">It starts with the usual pads for its kind; you can change everything next.</p>
        </form>
        <div className="h-[30rem] sticky top-4">
          <Outline shape={piece.base.shape} words={kind.words} dimensions />
        </div>
      </div>
    </main>
  );
}
