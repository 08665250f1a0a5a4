'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { baseOutline, bounds, flatten } from '@/core/outline';
import { checkPiece, newChairSeat, STARTING_SHAPES, type BaseShape, type Piece } from '@/core/piece';
import { Dimension } from '@/ui/drawing/dimension';
import { closedPath } from '@/ui/drawing/path';
import { send } from '@/ui/kit/api';
import { FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { useLength } from '@/ui/kit/settings';
import { ShapeFields } from '@/ui/sheet/stage-panel';

const KINDS: { type: BaseShape['type']; name: string }[] = [
  { type: 'trapezoid', name: 'Trapezoid' },
  { type: 'rectangle', name: 'Rectangle' },
  { type: 'round', name: 'Round' },
];

function Outline({ shape, dimensions }: { shape: BaseShape; dimensions?: boolean }) {
  const say = useLength();
  const points = flatten(baseOutline(shape));
  const box = bounds(points);
  const front = shape.type === 'trapezoid' ? shape.frontWidth : box.width;
  const margin = Math.max(box.width, box.height) * (dimensions ? 0.16 : 0.06);
  const size = Math.max(box.width, box.height) / 26;
  return (
    <svg
      viewBox={`${box.minX - margin} ${-box.maxY - margin} ${box.width + 2 * margin} ${box.height + 2 * margin}`}
      className="w-full h-full"
      role="img"
      aria-label="Outline, front at the bottom"
    >
      <path d={closedPath(points)} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={size * 0.22} />
      {dimensions && (
        <>
          <Dimension from={[-front / 2, box.minY - size * 1.4]} to={[front / 2, box.minY - size * 1.4]} says={say(front)} size={size} />
          {shape.type === 'trapezoid' && (
            <Dimension
              from={[-shape.backWidth / 2, box.maxY + size * 1.4]}
              to={[shape.backWidth / 2, box.maxY + size * 1.4]}
              says={say(shape.backWidth)}
              size={size}
              side={-1}
            />
          )}
          <Dimension
            from={[box.minX - size * 1.4, box.minY]}
            to={[box.minX - size * 1.4, box.maxY]}
            says={say(box.height)}
            size={size}
            side={-1}
          />
          <text x={0} y={-box.minY - size * 0.8} fontSize={size * 0.9} textAnchor="middle" fill="var(--ink)">
            front
          </text>
        </>
      )}
    </svg>
  );
}

/** The measurements a new seat starts from, in the order a tape takes them. */
export function NewSeat() {
  const router = useRouter();
  const [piece, setPiece] = useState<Piece>({ ...newChairSeat(), name: '' });
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { shape, board } = piece.base;

  const apply = (next: Piece): string | null => {
    const wrong = checkPiece({ ...next, name: next.name || 'Chair seat' })[0];
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
      const answer = await send<{ id: string }>('POST', '/api/pieces', { piece: { ...piece, name: piece.name.trim() || 'Chair seat' } });
      if (answer.ok) return router.push(`/piece/${answer.data.id}?stage=build`);
      setMessage(answer.data.message ?? 'Not started');
    } catch {
      setMessage('The workshop cannot be reached; what you typed is still here. Try again.');
    }
    setBusy(false);
  };

  return (
    <main className="max-w-5xl w-full mx-auto px-6 py-5">
      <h1 className="font-display text-2xl mb-3">New seat</h1>
      <div className="grid grid-cols-[20rem_1fr] gap-10">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void start();
          }}
        >
          <div role="radiogroup" aria-label="Shape" className="grid grid-cols-3 gap-2 mb-3">
            {KINDS.map(({ type, name }) => (
              <label
                key={type}
                className={`relative border rounded-sm p-2 text-sm text-center cursor-pointer focus-within:outline-2 focus-within:outline-offset-1 ${shape.type === type ? 'border-primary border-2 font-semibold' : 'border-base-content/40'}`}
              >
                <input
                  type="radio"
                  name="shape"
                  className="sr-only"
                  checked={shape.type === type}
                  onChange={() => apply({ ...piece, base: { ...piece.base, shape: STARTING_SHAPES[type] } })}
                />
                <span className="block h-12 mb-1">
                  <Outline shape={STARTING_SHAPES[type]} />
                </span>
                {name}
              </label>
            ))}
          </div>
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
            name={`new ${shape.type}`}
            onChange={(next) => apply({ ...piece, base: { ...piece.base, shape: next } })}
          />
          <LengthField
            label="Board thickness"
            name="new board"
            value={board.thickness}
            onCommit={(thickness) => apply({ ...piece, base: { ...piece.base, board: { ...board, thickness } } })}
          />
          {message && (
            <p role="alert" className="text-error text-sm my-2 whitespace-pre-line">
              {message}
            </p>
          )}
          <button type="submit" className="btn btn-primary w-full h-12 mt-3" disabled={busy}>
            Start this seat
          </button>
          <p className="text-xs mt-2 text-base-content/80">
            It starts with a firm pad over a low crown; change anything on the next sheet.
          </p>
        </form>
        <div className="h-[30rem]">
          <Outline shape={shape} dimensions />
        </div>
      </div>
    </main>
  );
}
