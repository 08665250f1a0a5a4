'use client';

import { Camera } from 'lucide-react';
import { useMemo, useState } from 'react';
import {
  comparePinned,
  pinnedCorrections,
  pinnedOutline,
  pinnedSize,
  PINNED_SIDES,
  pinnedWords,
  type CoverPiece,
  type PinnedCompared,
} from '@/core/cover';
import { inUnit } from '@/core/length';
import { bounds } from '@/core/outline';
import { defaultsOf, freeId, PINNED_ROW, type Pinned } from '@/core/piece';
import { closedPath } from '@/ui/drawing/path';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { FilePick } from '@/ui/kit/file-pick';
import { AddOne, Item, Part, TakeOut, Wrong } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { useLength, useSettings } from '@/ui/kit/settings';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, usePlan, useSheet } from '@/ui/sheet/store';
import { FIRST_SCALE, TraceSetting } from '@/ui/sheet/drawn/trace-setting';

/** Both outlines on each other: the computed one dashed, the pinned one drawn. */
function BothLines({ pinned, computed }: PinnedCompared) {
  const box = bounds([...pinned, ...computed]);
  const line = Math.max(box.width, box.height) / 160;
  return (
    <svg
      viewBox={`${box.minX - 3 * line} ${-box.maxY - 3 * line} ${box.width + 6 * line} ${box.height + 6 * line}`}
      className="w-full max-h-48 border border-base-content/25"
      role="img"
      aria-label="The pinned outline on the computed one"
    >
      <path d={closedPath(computed)} fill="none" stroke="var(--ink)" strokeWidth={line} strokeDasharray={`${line * 4} ${line * 3}`} />
      <path d={closedPath(pinned)} fill="none" stroke="var(--cover-line)" strokeWidth={line * 1.4} />
    </svg>
  );
}

/** What was found, side by side, and taking it over. */
function Compared({ pinned: item, piece, found }: { pinned: Pinned; piece: CoverPiece; found: PinnedCompared }) {
  const say = useLength();
  const { unit } = useSettings();
  const { covering } = usePiece();
  const put = useSheet((state) => state.put);
  const [message, setMessage] = useState<string | null>(null);
  const day = () => new Date().toISOString().slice(0, 10);
  const correct = () => setMessage(put('covering.corrections', pinnedCorrections(item.piece, found, covering.corrections ?? [], day())));
  return (
    <div data-pinned-compared={item.id}>
      <BothLines {...found} />
      <p className="text-xs" role="status">
        {inUnit(pinnedWords(found), unit)}; at most {say(Math.abs(found.worst.by))}.
      </p>
      <table className="w-full text-xs tabular-nums">
        <tbody>
          {PINNED_SIDES.map((side) => (
            <tr key={side}>
              <th className="text-left font-normal capitalize">{side}</th>
              <td className="text-right">
                {found.sides[side] < 0 ? '−' : '+'}
                {say(Math.abs(found.sides[side]))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <button type="button" className="btn btn-sm btn-outline font-normal mt-1" onClick={correct}>
        {`Cut the ${piece.name.toLowerCase()} by the pinned one`}
      </button>
      <Wrong message={message} />
    </div>
  );
}

/** Readings by tape from the cloth's middle line. */
function Rows({ pinned: item, at }: { pinned: Pinned; at: string }) {
  const [, put] = useField(`${at}.rows`);
  const last = item.rows.at(-1);
  return (
    <>
      {item.rows.map((_, k) => (
        <div key={k} className="border-t border-base-content/15">
          <div className="flex items-center text-xs">
            Reading {k + 1}
            <TakeOut what={`reading ${k + 1}`} onClick={() => put(item.rows.filter((__, i) => i !== k))} />
          </div>
          {['at', 'left', 'right'].map((key) => (
            <PieceField key={key} at={`${at}.rows.${k}.${key}`} compact />
          ))}
        </div>
      ))}
      <AddOne onClick={() => put([...item.rows, last ? { ...last, at: last.at + 100 } : defaultsOf(PINNED_ROW)])}>Reading</AddOne>
    </>
  );
}

function One({ pinned: item, i, pieces, onTakeOut }: { pinned: Pinned; i: number; pieces: readonly CoverPiece[]; onTakeOut: () => void }) {
  const put = useSheet((state) => state.put);
  const show = useSheet((state) => state.show);
  const say = useLength();
  const [message, setMessage] = useState<string | null>(null);
  const at = `pinned.${i}`;
  const trace = item.trace ?? null;
  const piece = pieces.find(({ id }) => id === item.piece);
  // Turned on the computed piece step by step: not at every stroke of a key.
  const outline = useMemo(() => pinnedOutline(item), [item]);
  const found = useMemo(() => (piece && typeof outline !== 'string' ? comparePinned(outline, piece) : null), [piece, outline]);
  const size = typeof outline === 'string' ? null : pinnedSize(outline);
  const take = async (file: File) => {
    const saved = await keepPhoto(file);
    if ('message' in saved) return setMessage(saved.message);
    setMessage(put(`${at}.trace`, { photo: saved.name, scale: FIRST_SCALE.four, marks: [], points: [] }));
    show({ tracing: `${at}.trace` });
  };
  return (
    <Item title={piece?.name ?? 'A piece of another way'} what={`the pinned ${piece?.name.toLowerCase() ?? 'piece'}`} onTakeOut={onTakeOut}>
      <ChoiceField
        label="Which part"
        value={item.piece}
        options={pieces.map(({ id, name }) => ({ id, name }))}
        onChange={(id) => put(`${at}.piece`, id)}
      />
      <FilePick label="Photo of the pinned cloth" accept="image/*" onPick={(file) => void take(file)}>
        <Camera size={14} aria-hidden /> {trace ? 'Another photo' : 'Photo of it, laid flat'}
      </FilePick>
      {trace ? (
        <TraceSetting
          trace={trace}
          at={`${at}.trace`}
          clicking="Click along the marked line"
          onPut={(change) => put(`${at}.trace`, { ...trace, ...change })}
          onTakeOut={() => {
            put(`${at}.trace`, null);
            show({ tracing: null });
          }}
        />
      ) : (
        <Rows pinned={item} at={at} />
      )}
      {typeof outline === 'string' ? (
        !trace && <p className="text-xs">{outline}.</p>
      ) : (
        <p className="text-xs">{`${say(size!.width)} × ${say(size!.depth)} marked.`}</p>
      )}
      {piece && found && <Compared pinned={item} piece={piece} found={found} />}
      <Wrong message={message} />
    </Item>
  );
}

/** Cloths that were pinned on and marked, laid on what was computed. */
export function PinnedFields() {
  const [pinned = [], put] = useField<Pinned[] | undefined>('pinned');
  const pieces = (usePlan()?.cover?.pieces ?? []).filter(({ role }) => !['fly', 'pull', 'loose', 'zip'].includes(role));
  if (pieces.length === 0) return null;
  return (
    <Part title="Pinned on and marked" count={pinned.length}>
      {pinned.map((item, i) => (
        <One key={item.id} pinned={item} i={i} pieces={pieces} onTakeOut={() => put(pinned.filter((_, k) => k !== i))} />
      ))}
      <AddOne onClick={() => put([...pinned, { id: freeId(pinned, 'q'), piece: pieces[0]!.id, rows: [], trace: null }])}>
        Pinned piece
      </AddOne>
    </Part>
  );
}
