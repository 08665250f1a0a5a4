'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Piece } from '@/core/piece';
import type { PieceRecord, StaleSave } from '@/data/pieces';
import { send } from '@/ui/kit/api';

export type SaveStatus = 'saved' | 'saving' | 'offline' | 'refused' | 'conflict';
/** Two versions of one piece: what is on the floor now, and what this page wanted to save. */
export type Conflict = { current: PieceRecord; mine: Piece; keptAs: number };

type Kept = { base: number; piece: Piece };
const RETRY = 3000;

function keepUnsaved(id: string, kept: Kept | null): void {
  const key = `unsaved ${id}`;
  if (kept) localStorage.setItem(key, JSON.stringify(kept));
  else localStorage.removeItem(key);
}

function readUnsaved(id: string): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(`unsaved ${id}`) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
}

/**
 * A piece that saves itself. Every finished change becomes one revision, in order; a change under way (a drag) is
 * shown but not saved until it ends. What could not be saved is kept in the browser and tried again.
 */
export function usePiece(initial: PieceRecord, stale: StaleSave | null) {
  const [piece, setPiece] = useState(initial.piece);
  const [steps, setSteps] = useState({ canUndo: initial.canUndo, canRedo: initial.canRedo });
  const [status, setStatus] = useState<SaveStatus>(stale ? 'conflict' : 'saved');
  const [message, setMessage] = useState<string | null>(null);
  const [conflict, setConflict] = useState<Conflict | null>(stale && { current: initial, mine: stale.piece, keptAs: stale.id });
  const revision = useRef(initial.revision);
  const latest = useRef(initial.piece);
  const queue = useRef<Piece[]>([]);
  const running = useRef<Promise<void> | null>(null);
  const id = initial.id;

  const adopt = useCallback((record: PieceRecord) => {
    revision.current = record.revision;
    latest.current = record.piece;
    setPiece(record.piece);
    setSteps({ canUndo: record.canUndo, canRedo: record.canRedo });
  }, []);

  const flush = useCallback((): Promise<void> => {
    running.current ??= (async () => {
      while (queue.current.length > 0) {
        setStatus('saving');
        const next = queue.current[0]!;
        keepUnsaved(id, { base: revision.current, piece: queue.current.at(-1)! });
        let answer;
        try {
          answer = await send<PieceRecord & { current?: PieceRecord; keptAs?: number }>('PUT', `/api/pieces/${id}`, {
            base: revision.current,
            piece: next,
          });
        } catch {
          setStatus('offline');
          await new Promise((resolve) => setTimeout(resolve, RETRY));
          continue;
        }
        if (answer.status === 409) {
          const mine = queue.current.at(-1)!;
          queue.current = [];
          keepUnsaved(id, null);
          setConflict({ current: answer.data.current!, mine, keptAs: answer.data.keptAs! });
          setStatus('conflict');
          return;
        }
        queue.current.shift();
        if (!answer.ok) {
          setMessage(answer.data.message ?? 'Not saved');
          setStatus('refused');
          return;
        }
        revision.current = answer.data.revision;
        setSteps({ canUndo: answer.data.canUndo, canRedo: answer.data.canRedo });
      }
      keepUnsaved(id, null);
      setMessage(null);
      setStatus('saved');
    })().finally(() => {
      running.current = null;
    });
    return running.current;
  }, [id]);

  const change = useCallback(
    (next: Piece, options: { live?: boolean } = {}) => {
      latest.current = next;
      setPiece(next);
      if (options.live) return;
      queue.current.push(next);
      void flush();
    },
    [flush],
  );

  const step = useCallback(
    async (direction: 'undo' | 'redo') => {
      await flush();
      try {
        const answer = await send<PieceRecord & { current?: PieceRecord }>('POST', `/api/pieces/${id}/step`, {
          direction,
          base: revision.current,
        });
        if (answer.ok) adopt(answer.data);
        else if (answer.data.current) adopt(answer.data.current);
        setMessage(answer.ok ? null : (answer.data.message ?? null));
      } catch {
        setMessage('The workshop cannot be reached; nothing was undone.');
      }
    },
    [adopt, flush, id],
  );

  /** Settles a conflict: theirs stays, or mine is saved over it as a new revision. */
  const settle = useCallback(
    async (choice: 'theirs' | 'mine') => {
      if (!conflict) return;
      adopt(conflict.current);
      if (choice === 'mine') {
        change(conflict.mine);
        await flush();
      } else setStatus('saved');
      await send('DELETE', `/api/pieces/${id}/stale`, { stale: conflict.keptAs }).catch(() => undefined);
      setConflict(null);
    },
    [adopt, change, conflict, flush, id],
  );

  useEffect(() => {
    // A page that was closed before its last change was saved picks it up again.
    const kept = readUnsaved(id);
    if (!kept || JSON.stringify(kept.piece) === JSON.stringify(initial.piece)) return;
    revision.current = kept.base;
    queueMicrotask(() => change(kept.piece));
  }, [change, id, initial.piece]);

  return {
    piece,
    latest,
    revision,
    status,
    message,
    conflict,
    ...steps,
    change,
    undo: () => step('undo'),
    redo: () => step('redo'),
    settle,
  };
}

export type PieceHandle = ReturnType<typeof usePiece>;
