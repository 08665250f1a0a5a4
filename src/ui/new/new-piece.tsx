'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { baseOutline, bounds, flatten } from '@/core/outline';
import {
  fieldAt,
  kindOf,
  KINDS,
  newPiece,
  shapeKind,
  shapesFor,
  STARTING_SHAPES,
  type BaseShape,
  type Piece,
  type ShapeType,
} from '@/core/piece';
import { ClosingReport, ShapeFields } from '@/ui/measure/measures';
import { problemsOf } from '@/core/document';
import { Dimension } from '@/ui/drawing/dimension';
import { closedPath } from '@/ui/drawing/path';
import { send } from '@/ui/kit/api';
import { ChoiceField } from '@/ui/kit/fields';
import { Wrong } from '@/ui/kit/lists';
import { SchemaField } from '@/ui/kit/schema-field';
import { useLength } from '@/ui/kit/settings';

function Outline({ shape, words, dimensions }: { shape: BaseShape; words: readonly [string, string]; dimensions?: boolean }) {
  const say = useLength();
  const points = flatten(baseOutline(shape));
  const box = bounds(points);
  // A trapezoid's front is measured from corner to corner, as if not rounded.
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

type Change = (next: Piece) => string | null;

/** Which shape: those usual for the kind with a picture, any other by name. */
function ShapeChoice({ piece, onChange }: { piece: Piece; onChange: (type: ShapeType) => void }) {
  const kind = kindOf(piece.kind);
  const { type: own } = piece.base.shape;
  const usual = kind.shapes.includes(own) ? kind.shapes : [...kind.shapes, own];
  return (
    <>
      <div role="radiogroup" aria-label="Shape" className="grid grid-cols-3 gap-2 my-2">
        {usual.map((type) => (
          <label
            key={type}
            className={`relative border rounded-sm p-1.5 text-sm text-center cursor-pointer focus-within:outline-2 focus-within:outline-offset-1 ${own === type ? 'border-primary border-2 font-semibold' : 'border-base-content/40'}`}
          >
            <input type="radio" name="shape" className="sr-only" checked={own === type} onChange={() => onChange(type)} />
            <span className="block h-10 mb-1">
              <Outline shape={STARTING_SHAPES[type]} words={kind.words} />
            </span>
            {shapeKind(type).name}
          </label>
        ))}
      </div>
      <ChoiceField label="Or any other" value={own} options={shapesFor(piece.kind)} onChange={onChange} hint={shapeKind(own).how} />
    </>
  );
}

/** Name, count and measurements. */
function Measurements({ piece, apply }: { piece: Piece; apply: Change }) {
  const { shape, board } = piece.base;
  const field = (path: string, value: unknown, onCommit: (value: never) => string | null) => (
    <SchemaField field={fieldAt(path)} name={`new ${path}`} value={value} onCommit={onCommit as (value: unknown) => string | null} />
  );
  return (
    <>
      {field('name', piece.name, (name) => apply({ ...piece, name }))}
      {field('count', piece.count, (count) => apply({ ...piece, count }))}
      <ShapeFields
        shape={shape}
        name={`new ${piece.kind} ${shape.type}`}
        onChange={(next) => apply({ ...piece, base: { ...piece.base, shape: next } })}
      />
      <ClosingReport shape={shape} />
      {field('base.board.thickness', board.thickness, (thickness) =>
        apply({ ...piece, base: { ...piece.base, board: { ...board, thickness } } }),
      )}
    </>
  );
}

/** Begins the piece, unless a measurement is still wrong. */
function useBegin(piece: Piece): { message: string | null; busy: boolean; begin: () => void } {
  const router = useRouter();
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const begin = async () => {
    const refused = document.querySelector<HTMLInputElement>('main [aria-invalid="true"]');
    if (refused) {
      refused.focus();
      return setMessage('One measurement above is not right yet.');
    }
    setBusy(true);
    try {
      const named = { ...piece, name: piece.name.trim() || kindOf(piece.kind).name };
      const answer = await send<{ id: string }>('POST', '/api/pieces', { piece: named });
      // A free outline is drawn next; anything else is measured and can be built on.
      const stage = piece.base.shape.type === 'drawn' ? 'base' : 'build';
      if (answer.ok) return router.push(`/piece/${answer.data.id}?stage=${stage}`);
      setMessage(answer.data.message ?? 'Not started');
    } catch {
      setMessage('The workshop cannot be reached; what you typed is still here. Try again.');
    }
    setBusy(false);
  };
  return { message, busy, begin: () => void begin() };
}

/** What is padded, its shape, and its measurements in the order a tape takes them. */
export function NewPiece() {
  const [piece, setPiece] = useState<Piece>({ ...newPiece('chair-seat'), name: '' });
  const { message, busy, begin } = useBegin(piece);
  const { shape } = piece.base;
  const kind = kindOf(piece.kind);
  const apply: Change = (next) => {
    const wrong = problemsOf({ ...next, name: next.name.trim() || kind.name })[0];
    if (!wrong) setPiece(next);
    return wrong?.message ?? null;
  };
  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <h1 className="font-display text-2xl mb-3">New piece</h1>
      <div className="grid grid-cols-[22rem_1fr] max-lg:grid-cols-[20rem_1fr] gap-10">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            begin();
          }}
        >
          <ChoiceField
            label={fieldAt('kind').label}
            value={piece.kind}
            options={KINDS}
            onChange={(id) => setPiece({ ...newPiece(id), name: piece.name, count: kindOf(id).start.panels?.count ?? piece.count })}
            hint={kind.special}
          />
          <ShapeChoice
            piece={piece}
            onChange={(type) =>
              setPiece({ ...piece, base: { ...piece.base, shape: newPiece(piece.kind, STARTING_SHAPES[type]).base.shape } })
            }
          />
          <Measurements piece={piece} apply={apply} />
          <Wrong message={message} />
          <button type="submit" className="btn btn-primary w-full h-12 mt-3" disabled={busy}>
            Start this piece
          </button>
          <p className="text-xs mt-2 text-base-content/80">
            It starts with the pads usual for its kind; change anything on the next sheet.
          </p>
        </form>
        <div className="h-[30rem] sticky top-4">
          <Outline shape={shape} words={kind.words} dimensions />
        </div>
      </div>
    </main>
  );
}
