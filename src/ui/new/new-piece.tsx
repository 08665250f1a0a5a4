'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { baseOutline, bounds, flatten } from '@/core/outline';
import { checkPiece, kindOf, KINDS, newPiece, shapeKind, STARTING_SHAPES, type BaseShape, type Piece, type PieceKind } from '@/core/piece';
import { shapesFor } from '@/ui/base/base-panel';
import { ClosingReport, ShapeFields } from '@/ui/base/measures';
import { Dimension } from '@/ui/drawing/dimension';
import { closedPath } from '@/ui/drawing/path';
import { send } from '@/ui/kit/api';
import { ChoiceField, FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { useLength } from '@/ui/kit/settings';

function Outline({ shape, words, dimensions }: { shape: BaseShape; words: readonly [string, string]; dimensions?: boolean }) {
  const say = useLength();
  const points = flatten(baseOutline(shape));
  const box = bounds(points);
  // A trapezoid's front is measured from corner to corner, as if not rounded.
  const near = shape.type === 'trapezoid' || shape.type === 'bowed' ? shape.frontWidth : box.width;
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

/** What is padded, its shape, and its measurements in the order a tape takes them. */
export function NewPiece() {
  const router = useRouter();
  const [piece, setPiece] = useState<Piece>({ ...newPiece('chair-seat'), name: '' });
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { shape, board } = piece.base;
  const kind = kindOf(piece.kind);
  const usual = kind.shapes.includes(shape.type) ? kind.shapes : [...kind.shapes, shape.type];

  const apply = (next: Piece): string | null => {
    const wrong = checkPiece({ ...next, name: next.name || kind.name })[0];
    if (!wrong) setPiece(next);
    return wrong?.message ?? null;
  };
  const start = async () => {
    const refused = document.querySelector<HTMLInputElement>('main [aria-invalid="true"]');
    if (refused) {
      refused.focus();
      return setMessage('One measurement above is not right yet.');
    }
    setBusy(true);
    try {
      const answer = await send<{ id: string }>('POST', '/api/pieces', { piece: { ...piece, name: piece.name.trim() || kind.name } });
      // A free outline is drawn next; anything else is measured and can be built on.
      if (answer.ok) return router.push(`/piece/${answer.data.id}?stage=${shape.type === 'drawn' ? 'base' : 'build'}`);
      setMessage(answer.data.message ?? 'Not started');
    } catch {
      setMessage('The workshop cannot be reached; what you typed is still here. Try again.');
    }
    setBusy(false);
  };

  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <h1 className="font-display text-2xl mb-3">New piece</h1>
      <div className="grid grid-cols-[22rem_1fr] max-lg:grid-cols-[20rem_1fr] gap-10">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void start();
          }}
        >
          <ChoiceField
            label="Kind"
            value={piece.kind}
            options={KINDS}
            onChange={(id: PieceKind) =>
              setPiece({ ...newPiece(id), name: piece.name, count: id === 'headboard-panelled' ? 4 : piece.count })
            }
            hint={kind.special}
          />
          <div role="radiogroup" aria-label="Shape" className="grid grid-cols-3 gap-2 my-2">
            {usual.map((type) => (
              <label
                key={type}
                className={`relative border rounded-sm p-1.5 text-sm text-center cursor-pointer focus-within:outline-2 focus-within:outline-offset-1 ${shape.type === type ? 'border-primary border-2 font-semibold' : 'border-base-content/40'}`}
              >
                <input
                  type="radio"
                  name="shape"
                  className="sr-only"
                  checked={shape.type === type}
                  onChange={() =>
                    setPiece({ ...piece, base: { ...piece.base, shape: newPiece(piece.kind, STARTING_SHAPES[type]).base.shape } })
                  }
                />
                <span className="block h-10 mb-1">
                  <Outline shape={STARTING_SHAPES[type]} words={kind.words} />
                </span>
                {shapeKind(type).name}
              </label>
            ))}
          </div>
          <ChoiceField
            label="Or any other"
            value={shape.type}
            options={shapesFor(piece.kind)}
            onChange={(type) => setPiece({ ...piece, base: { ...piece.base, shape: STARTING_SHAPES[type] } })}
            hint={shapeKind(shape.type).how}
          />
          <TextField
            label="Name"
            name="new name"
            value={piece.name}
            onCommit={(name) => {
              setPiece({ ...piece, name });
              return null;
            }}
          />
          <FigureField label="How many alike" name="new count" value={piece.count} whole onCommit={(count) => apply({ ...piece, count })} />
          <ShapeFields
            shape={shape}
            name={`new ${piece.kind} ${shape.type}`}
            onChange={(next) => apply({ ...piece, base: { ...piece.base, shape: next } })}
          />
          <ClosingReport shape={shape} />
          <LengthField
            label="Board thickness"
            name={`new ${piece.kind} board`}
            value={board.thickness}
            onCommit={(thickness) => apply({ ...piece, base: { ...piece.base, board: { ...board, thickness } } })}
          />
          {message && (
            <p role="alert" className="text-error text-sm my-2 whitespace-pre-line">
              {message}
            </p>
          )}
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
