'use client';

import { Dialog } from '@/ui/kit/dialog';
import { differences } from './differences';
import type { Conflict } from './saver';

/** Two tabs changed one piece: shows where they differ and lets the user choose. */
export function ConflictDialog({ conflict, onSettle }: { conflict: Conflict; onSettle: (choice: 'theirs' | 'mine') => void }) {
  const rows = differences(conflict.current.piece, conflict.mine);
  return (
    <Dialog title="This piece was changed elsewhere">
      <p className="text-sm mb-3">
        Another page saved it after this one was opened. Nothing was overwritten: choose which version stands. The other stays in the
        history.
      </p>
      <table className="text-sm w-full mb-4">
        <thead>
          <tr className="text-left border-b border-base-content/40">
            <th className="py-1 pr-2">Where</th>
            <th className="py-1 pr-2">Saved there</th>
            <th className="py-1">Typed here</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, 12).map((row) => (
            <tr key={row.path} className="border-b border-base-content/15">
              <td className="py-1 pr-2">{row.path}</td>
              <td className="py-1 pr-2">{row.theirs.slice(0, 60)}</td>
              <td className="py-1">{row.mine.slice(0, 60)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > 12 && <p className="text-sm mb-3">And {rows.length - 12} more.</p>}
      <div className="flex gap-3">
        <button type="button" className="btn btn-outline" onClick={() => onSettle('theirs')}>
          Keep what was saved there
        </button>
        <button type="button" className="btn btn-primary" onClick={() => onSettle('mine')}>
          Keep what I have here
        </button>
      </div>
    </Dialog>
  );
}
