'use client';

import { useState } from 'react';
import { searchWords, wordsIn, type Word } from '@/core/glossary';
import { ruleOf } from '@/core/house';
import { printFigure } from '@/core/sizes';
import { Dialog } from '@/ui/kit/dialog';
import { useSettings } from '@/ui/kit/settings';
import { usePiece, useSheet } from '@/ui/sheet/store';

/** The workshop's own figure for a house rule, and why it is so. */
function RuleSaid({ at }: { at: string }) {
  const { unit } = useSettings();
  const piece = usePiece();
  const house = useSheet((state) => state.house);
  const rule = ruleOf(at)!;
  const value = piece.overrides[at];
  return (
    <p className="border-l-3 border-base-content/25 pl-2">
      {rule.label}: <b>{printFigure(value ?? house[at] ?? rule.value, rule.unit, unit)}</b>
      {value === undefined ? '' : ', for this piece'}. {rule.reason}
    </p>
  );
}

/** One word: what it is, drawn where that helps, where its number comes from, what goes wrong. */
function Card({ word }: { word: Word }) {
  return (
    <article className="py-2 border-t border-base-content/25 first:border-t-0" data-word={word.id}>
      <h3 className="font-display text-lg">{word.word}</h3>
      <div className="flex gap-4 items-start">
        <div className="text-sm flex-1 space-y-1">
          <p>{word.is}</p>
          <p>
            <b>Where it comes from.</b> {word.from}
          </p>
          <p>
            <b>What goes wrong.</b> {word.wrong}
          </p>
          {word.rule && <RuleSaid at={word.rule} />}
        </div>
        {word.sketch && (
          <svg viewBox="0 0 120 64" className="w-32 shrink-0 border border-base-content/25 bg-base-200" aria-hidden>
            <path d={word.sketch} fill="none" stroke="var(--ink)" strokeWidth={1.6} strokeLinejoin="round" />
          </svg>
        )}
      </div>
    </article>
  );
}

/** The trade's words, to be searched. */
export function WordsDialog({ first, onClose }: { first?: string; onClose: () => void }) {
  const [search, setSearch] = useState('');
  const item = first && search === '' ? wordsIn().find(({ id }) => id === first) : undefined;
  const found = item ? [item] : searchWords(search);
  return (
    <Dialog title="Words of the trade" onClose={onClose}>
      <label className="block text-sm mb-2">
        Search the words
        <input
          className="w-full px-2 py-1 mt-1 bg-base-100 border border-base-content/40 rounded-sm"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      </label>
      {/* A region that scrolls must be reachable for those who scroll with keys. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div className="max-h-96 overflow-y-auto pr-2" role="region" aria-label="Words" tabIndex={0}>
        {found.map((word) => (
          <Card key={word.id} word={word} />
        ))}
        {found.length === 0 && <p className="text-sm">No word like that.</p>}
      </div>
      <div className="flex justify-end gap-3 pt-3">
        <button type="button" className="btn btn-sm btn-primary" onClick={onClose}>
          Close
        </button>
      </div>
    </Dialog>
  );
}

/** A question mark beside a label: it opens the word's card. */
export function WordMark({ word }: { word: Word }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="inline-flex items-center justify-center size-5 text-xs rounded-full border border-base-content/40 text-base-content/80 hover:bg-base-200 shrink-0"
        aria-label={`What is “${word.word}”?`}
        onClick={() => setOpen(true)}
      >
        ?
      </button>
      {open && <WordsDialog first={word.id} onClose={() => setOpen(false)} />}
    </>
  );
}
