'use client';

import { useState } from 'react';
import { Dialog } from '@/ui/kit/dialog';
import { stagesFor } from '@/ui/stages';
import type { Stage } from './stage';
import { usePiece, useSheet } from './store';
import { WordsDialog } from '@/ui/words/word-card';

const keysFor = (stages: readonly Stage[]): [string, string][] => [
  ['Enter', 'take the figure and go to the next measurement'],
  ['Escape', 'forget what you typed in the field'],
  ['Arrow up, arrow down', 'one millimetre more or less, in a field or on a handle'],
  ['Shift + arrow', 'ten millimetres'],
  ['Tab', 'to the next field, button or handle'],
  ['Ctrl + Z; Ctrl + Y or Ctrl + Shift + Z', 'undo; redo'],
  [`Alt + 1 … ${stages.length}`, `to a stage: ${stages.map(({ name }) => name).join(', ')}`],
  ['R', '3D and back'],
  ['+, −, 0', 'zoom in, zoom out, the whole drawing, while something in it has the focus'],
  [
    'Page up, page down',
    'from point to point of a drawn outline; A adds one, Delete takes it out, S and L make the way on smooth or straight',
  ],
  ['?', 'this list'],
];

/** The list of keys. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  const [words, setWords] = useState(false);
  const piece = usePiece();
  const open = useSheet((state) => state.stage);
  if (words) return <WordsDialog onClose={onClose} />;
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
        {keysFor(stagesFor(piece, open)).map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <div className="flex gap-3 mt-4">
        <button type="button" className="btn btn-outline" onClick={onClose}>
          Close
        </button>
        <button type="button" className="btn btn-outline font-normal" onClick={() => setWords(true)}>
          Words of the trade…
        </button>
      </div>
    </Dialog>
  );
}
