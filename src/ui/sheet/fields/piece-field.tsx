'use client';

import type { ReactNode } from 'react';
import { fieldAt } from '@/core/piece';
import { wordFor, wordsIn } from '@/core/glossary';
import { SchemaField } from '@/ui/kit/fields/schema-field';
import { WordMark } from '@/ui/words/word-card';
import { useField, usePiece, useSheet } from '../store';

type Props = {
  /** the field of the document, by its path */
  at: string;
  /** instead of the document's own */
  label?: string;
  hint?: ReactNode;
  /** what is shown where the field is empty or left out: what holds then */
  standing?: unknown;
  /** what is offered, where the document names things of a list that is not its own */
  options?: readonly { id: string; name: string }[];
  /** instead of simply putting it there */
  onCommit?: (value: never) => string | null;
  compact?: boolean;
  bare?: boolean;
  /** the word that explains it, where its path alone does not tell */
  word?: string;
};

/** A field of the piece: its name, unit, range, choices and hint are the document's own. */
export function PieceField({ at, label, hint, standing, options, onCommit, compact, bare, word }: Props) {
  const piece = usePiece();
  const id = useSheet((state) => state.id);
  const stuck = useSheet((state) => (state.stuck?.at === at ? state.stuck.message : null));
  const [value, put] = useField(at);
  const field = fieldAt(at, piece);
  const explained = word ? wordsIn().find(({ id: text }) => text === word) : wordFor(at);
  return (
    <>
      <SchemaField
        field={{ ...field, ...(label ? { label } : {}), ...(options ? { options } : {}) }}
        name={`${id} ${at}`}
        value={value ?? standing ?? field.default ?? null}
        hint={hint ?? field.hint}
        mark={explained && !bare ? <WordMark word={explained} /> : undefined}
        compact={compact}
        bare={bare}
        example={piece.unmeasured?.includes(at) ?? false}
        foam={/^pads\.\d+\.thickness$/.test(at)}
        onCommit={(onCommit as ((value: unknown) => string | null) | undefined) ?? put}
      />
      {stuck && (
        <p role="alert" className="text-xs text-error" data-stuck={at}>
          {stuck}
        </p>
      )}
    </>
  );
}
