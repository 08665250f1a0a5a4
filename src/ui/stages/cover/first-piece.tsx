'use client';

import { useState } from 'react';
import type { CoverPiece } from '@/core/cover';
import { edgeNamed } from '@/core/outline';
import { fieldAt, freeId, kindOf, saidEdge, type Correction, type PieceKind } from '@/core/piece';
import { ChoiceField, LengthField, TextField } from '@/ui/kit/fields/fields';
import { Wrong } from '@/ui/kit/fields/lists';
import { useLength } from '@/ui/kit/settings';
import { useField, usePlan, useSheet } from '@/ui/sheet/store';

/** What was found in one direction, too much of it and too little. */
const foundWords = (what: Correction['what'], [near, far]: readonly [string, string]): readonly [string, string] =>
  ({
    height: ['too high', 'too low'] as const,
    width: ['slack across', 'tight across'] as const,
    depth: [`slack ${near} to ${far}`, `tight ${near} to ${far}`] as const,
  })[what];

/** A band shows first in its height, a panel in its width. */
const isBanded = ({ role }: CoverPiece): boolean => role !== 'cover' && role !== 'top';

const SHOWED = {
  banded: [
    { id: 'height', name: 'Height' },
    { id: 'width', name: 'Length' },
  ],
  panel: [
    { id: 'width', name: 'Width' },
    { id: 'depth', name: 'Depth' },
  ],
} as const;

type Draft = { piece: string; what: Correction['what'] | null; where: string; by: number; note: string };
const EMPTY: Draft = { piece: '', what: null, where: '', by: 0, note: '' };

/** The cut parts, and the kind of piece that they cover: its edges have their names from it. */
type Shown = { pieces: readonly CoverPiece[]; kind: PieceKind };

/** A correction in words. */
function wordsOf(correction: Correction, { pieces, kind }: Shown, say: (mm: number) => string): string {
  const piece = pieces.find(({ id }) => id === correction.piece);
  const along = piece && isBanded(piece) && correction.what === 'width';
  const shown = along ? (['too long', 'too short'] as const) : foundWords(correction.what, kindOf(kind).words);
  const where = correction.where ? ` at the ${saidEdge(kind, correction.where.name)}` : '';
  return `${piece?.name ?? correction.piece} ${say(Math.abs(correction.by))} ${shown[correction.by > 0 ? 0 : 1]}${where}`;
}

function Found(shown: Shown) {
  const say = useLength();
  const [found = [], put] = useField<Correction[] | undefined>('covering.corrections');
  return (
    <ul className="text-xs space-y-1 py-1" aria-label="Corrections">
      {found.map((correction) => (
        <li key={correction.id} className="border-l-3 border-secondary pl-2">
          {wordsOf(correction, shown, say)}
          {correction.note && `: ${correction.note}`} <span className="text-base-content/70">({correction.day})</span>
          <button
            type="button"
            className="btn btn-xs btn-ghost ml-1"
            aria-label={`Take back: ${wordsOf(correction, shown, say)}`}
            onClick={() => put(found.filter(({ id }) => id !== correction.id))}
          >
            take back
          </button>
        </li>
      ))}
    </ul>
  );
}

/** What one more showed, before it is taken into the pattern. */
function More({ pieces, kind, edges }: Shown & { edges: readonly string[] }) {
  const id = useSheet((state) => state.id);
  const [found = [], put] = useField<Correction[] | undefined>('covering.corrections');
  const [draft, setDraft] = useState(EMPTY);
  const [message, setMessage] = useState<string | null>(null);
  const chosen = pieces.find((piece) => piece.id === draft.piece) ?? pieces[0]!;
  const showed: readonly { id: Correction['what']; name: string }[] = SHOWED[isBanded(chosen) ? 'banded' : 'panel'];
  const what = showed.find((candidate) => candidate.id === draft.what)?.id ?? showed[0]!.id;
  const change = (next: Partial<Draft>): null => {
    setDraft({ ...draft, ...next });
    return null;
  };
  const add = () => {
    if (draft.by === 0) return setMessage('Enter how far out it was');
    const { by, note } = draft;
    const where = what === 'height' && draft.where ? edgeNamed(draft.where) : null;
    const day = new Date().toISOString().slice(0, 10);
    const wrong = put([...found, { id: freeId(found, 'c'), piece: chosen.id, what, where, by, note, day }]);
    setMessage(wrong);
    if (!wrong) setDraft({ ...draft, by: 0, note: '' });
  };
  return (
    <>
      <ChoiceField
        label="Which part"
        value={chosen.id}
        options={pieces.map(({ id: text, name }) => ({ id: text, name }))}
        onChange={(piece) => change({ piece })}
      />
      <ChoiceField label="What showed" value={what} options={showed} onChange={(next) => change({ what: next })} />
      {what === 'height' && (
        <ChoiceField
          label="Where"
          value={draft.where}
          options={[{ id: '', name: 'all round' }, ...edges.map((edge) => ({ id: edge, name: saidEdge(kind, edge) }))]}
          onChange={(where) => change({ where })}
        />
      )}
      <LengthField label="Too much by" name={`${id} by`} value={draft.by} hint="− is too little" onCommit={(by) => change({ by })} />
      <TextField
        label={fieldAt('covering.corrections.note').label}
        name={`${id} cn`}
        value={draft.note}
        onCommit={(note) => change({ note })}
      />
      <Wrong message={message} />
      <button type="button" className="btn btn-sm btn-outline font-normal" onClick={add}>
        Correct the pattern
      </button>
    </>
  );
}

/** What the first one of the set showed: the pattern is corrected by it for the rest, and it stays in the record. */
export function FirstPiece() {
  const plan = usePlan();
  const [found] = useField<Correction[] | undefined>('covering.corrections');
  const [kind] = useField<PieceKind>('kind');
  const pieces = plan?.cover?.pieces ?? [];
  const shown = pieces.filter((piece) => !['fly', 'pull', 'bottom', 'loose'].includes(piece.role));
  if (!plan || shown.length === 0) return null;
  const edges = [...new Set(plan.stations.filter(({ part }) => part.kind === 'edge').map(({ part }) => part.name))];
  return (
    <details className="pt-2 mt-2 border-t border-base-content/25" open={(found?.length ?? 0) > 0}>
      <summary className="font-semibold text-sm cursor-pointer">Test-fit the first</summary>
      <Found pieces={pieces} kind={kind} />
      <More pieces={shown} kind={kind} edges={edges} />
    </details>
  );
}
