'use client';

import { Dialog } from '@/ui/kit/dialog';
import { STAGES } from '@/ui/stages';

const keys = (): [string, string][] => [
  ['Enter', 'take the figure and go to the next measurement'],
  ['Escape', 'forget what was typed in the field'],
  ['Arrow up, arrow down', 'one millimetre more or less, in a field or on a handle'],
  ['Shift + arrow', 'ten millimetres'],
  ['Tab', 'to the next field, button or handle'],
  ['Ctrl + Z, Ctrl + Shift + Z', 'undo, redo'],
  [`Alt + 1 … ${STAGES.length}`, `to a stage: ${STAGES.map(({ name }) => name).join(', ')}`],
  ['R', 'in the round and back'],
  [
    'Page up, page down',
    'from point to point of a drawn outline; A adds one, Delete takes it out, S and L make the way on smooth or straight',
  ],
  ['?', 'this list'],
];

/** The list of keys. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
        {keys().map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <button type="button" className="btn btn-outline mt-4" onClick={onClose}>
        Close
      </button>
    </Dialog>
  );
}
