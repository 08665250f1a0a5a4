'use client';

import { useState } from 'react';
import type { Correction, Covering } from '@/core/piece';
import { ChoiceField, LengthField, TextField } from '@/ui/kit/fields';
import { useLength } from '@/ui/kit/settings';
import type { PanelProps } from '@/ui/sheet/panel-props';

const WHAT = {
  height: ['too high', 'too low'],
  width: ['slack across', 'tight across'],
  depth: ['slack front to back', 'tight front to back'],
} as const;

/** What the first one of the set showed: the pattern is corrected by it for the rest, and it stays in the record. */
export function FirstPiece({
  props,
  covering,
  set,
}: {
  props: PanelProps;
  covering: Covering;
  set: (change: Partial<Covering>) => string | null;
}) {
  const { plan, pieceId } = props;
  const say = useLength();
  const pieces = (plan?.cover.pieces ?? []).filter((piece) => !['fly', 'pull', 'bottom'].includes(piece.role));
  const [draft, setDraft] = useState<{ piece: string; what: Correction['what'] | null; where: string; by: number; note: string }>({
    piece: '',
    what: null,
    where: 'all',
    by: 0,
    note: '',
  });
  const [message, setMessage] = useState<string | null>(null);
  const chosen = pieces.find((piece) => piece.id === draft.piece) ?? pieces[0];
  if (!chosen || !plan) return null;
  const banded = chosen.role !== 'cover' && chosen.role !== 'top';
  // A band shows first in its height, a panel in its width.
  const fits = draft.what !== null && draft.what !== (banded ? 'depth' : 'height');
  const what = fits ? draft.what! : banded ? 'height' : 'width';
  const edges = [
    ...new Set(plan.stations.filter((station) => plan.corners.every((corner) => corner.station !== station.id)).map(({ edge }) => edge)),
  ];
  const found = covering.corrections ?? [];
  const add = () => {
    if (draft.by === 0) {
      setMessage('Say by how much it was out');
      return;
    }
    const next: Correction = {
      id: `c-${found.reduce((most, { id }) => Math.max(most, Number(id.slice(2)) || 0), 0) + 1}`,
      piece: chosen.id,
      what,
      where: what === 'height' ? draft.where : 'all',
      by: draft.by,
      note: draft.note,
      day: new Date().toISOString().slice(0, 10),
    };
    const wrong = set({ corrections: [...found, next] });
    setMessage(wrong);
    if (!wrong) setDraft({ ...draft, by: 0, note: '' });
  };
  const words = (correction: Correction): string => {
    const piece = plan.cover.pieces.find(({ id }) => id === correction.piece);
    const along = piece && piece.role !== 'cover' && piece.role !== 'top' && correction.what === 'width';
    const shown = along ? (['too long', 'too short'] as const) : WHAT[correction.what];
    return `${piece?.name ?? correction.piece} ${say(Math.abs(correction.by))} ${shown[correction.by > 0 ? 0 : 1]}${correction.where === 'all' ? '' : ` at the ${correction.where}`}`;
  };
  return (
    <details className="pt-2 mt-2 border-t border-base-content/25" open={found.length > 0}>
      <summary className="font-semibold text-sm cursor-pointer">Prove on the first piece</summary>
      <ul className="text-xs space-y-1 py-1" aria-label="Corrections">
        {found.map((correction) => (
          <li key={correction.id} className="border-l-3 border-secondary pl-2">
            {words(correction)}
            {correction.note && `: ${correction.note}`} <span className="text-base-content/70">({correction.day})</span>
            <button
              type="button"
              className="btn btn-xs btn-ghost ml-1"
              aria-label={`Take back: ${words(correction)}`}
              onClick={() => set({ corrections: found.filter(({ id }) => id !== correction.id) })}
            >
              take back
            </button>
          </li>
        ))}
      </ul>
      <ChoiceField
        label="Which piece"
        value={chosen.id}
        options={pieces.map(({ id, name }) => ({ id, name }))}
        onChange={(piece) => setDraft({ ...draft, piece })}
      />
      <ChoiceField
        label="What showed"
        value={what}
        options={
          banded
            ? [
                { id: 'height', name: 'Height' },
                { id: 'width', name: 'Length' },
              ]
            : [
                { id: 'width', name: 'Width' },
                { id: 'depth', name: 'Depth' },
              ]
        }
        onChange={(next) => setDraft({ ...draft, what: next as Correction['what'] })}
      />
      {what === 'height' && (
        <ChoiceField
          label="Where"
          value={draft.where}
          options={[{ id: 'all', name: 'all round' }, ...edges.map((id) => ({ id, name: id }))]}
          onChange={(where) => setDraft({ ...draft, where })}
        />
      )}
      <LengthField
        label="Too much by"
        name={`${pieceId} by`}
        value={draft.by}
        hint="− is too little"
        onCommit={(by) => {
          setDraft({ ...draft, by });
          return null;
        }}
      />
      <TextField
        label="Note"
        name={`${pieceId} cn`}
        value={draft.note}
        onCommit={(note) => {
          setDraft({ ...draft, note });
          return null;
        }}
      />
      {message && (
        <p role="alert" className="text-xs text-error">
          {message}
        </p>
      )}
      <button type="button" className="btn btn-sm btn-outline font-normal" onClick={add}>
        Correct the pattern
      </button>
    </details>
  );
}
