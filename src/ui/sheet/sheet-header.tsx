'use client';

import { FileJson, Keyboard, Printer, Redo2, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { stagesFor } from '@/ui/stages';
import type { SaveStatus } from './saving/saver';
import { usePiece, useSheet } from './store';
import { UNREACHED } from '@/ui/kit/api';

const STATUS: Record<SaveStatus, string> = {
  saved: 'Saved',
  saving: 'Saving…',
  offline: `Not saved. ${UNREACHED}`,
  refused: 'Not saved',
  conflict: 'Changed elsewhere',
};

function IconButton({
  label,
  disabled,
  onClick,
  children,
}: {
  label: string;
  disabled?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className="p-2 rounded-sm hover:bg-base-200 disabled:opacity-30"
      disabled={disabled}
      aria-label={label}
      onClick={onClick}
    >
      {children}
    </button>
  );
}

/** Whether all is saved; and what was refused when the page was last open, to be taken up or forgotten. */
function Saved() {
  const status = useSheet((state) => state.status);
  const message = useSheet((state) => state.message);
  const refused = useSheet((state) => state.refused);
  const saver = useSheet((state) => state.saver);
  const calm = status === 'saved' || status === 'saving';
  return (
    <>
      <span role="status" className={`text-sm truncate ${calm ? 'text-base-content/75' : 'text-error font-semibold'}`} data-save={status}>
        {STATUS[status]}
        {message && `: ${message}`}
      </span>
      {refused && (
        <span className="text-sm" data-refused>
          A change from before was refused.{' '}
          <button type="button" className="underline cursor-pointer" onClick={() => saver.refused('take-up')}>
            Take it up again
          </button>{' '}
          <button type="button" className="underline cursor-pointer" onClick={() => saver.refused('forget')}>
            Cancel
          </button>
        </span>
      )}
    </>
  );
}

/** Name, saving, undo, and what leaves the program. */
export function SheetHeader() {
  const piece = usePiece();
  const id = useSheet((state) => state.id);
  const canUndo = useSheet((state) => state.canUndo);
  const canRedo = useSheet((state) => state.canRedo);
  const show = useSheet((state) => state.show);
  const saver = useSheet((state) => state.saver);
  return (
    <div className="flex items-center gap-3 px-4 phone:px-2 phone:flex-wrap phone:gap-y-0 py-1.5 border-b border-base-content/25">
      <h1 className="font-display text-lg truncate phone:max-w-full" translate="no">
        {piece.name}
      </h1>
      {piece.count > 1 && <span className="text-sm whitespace-nowrap">set of {piece.count}</span>}
      <Saved />
      <div className="ml-auto flex items-center gap-1">
        <IconButton label="Undo" disabled={!canUndo} onClick={() => void saver.step('undo')}>
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton label="Redo" disabled={!canRedo} onClick={() => void saver.step('redo')}>
          <Redo2 size={18} aria-hidden />
        </IconButton>
        <span className="phone:hidden">
          <IconButton label="Keys" onClick={() => show({ keys: true })}>
            <Keyboard size={18} aria-hidden />
          </IconButton>
        </span>
        <a
          className="btn btn-sm btn-ghost font-normal"
          href={`/api/pieces/${id}/export`}
          title="The piece as it stands, in one file. Its history and photos are in a backup (Workshop)."
          download
        >
          <FileJson size={16} aria-hidden /> <span className="phone:sr-only">Export</span>
        </a>
        <button type="button" className="btn btn-sm btn-primary" onClick={() => show({ printing: true })}>
          <Printer size={16} aria-hidden /> Print…
        </button>
      </div>
    </div>
  );
}

/** The stages in working order, each with what it lacks. */
export function StageTabs() {
  const piece = usePiece();
  const stage = useSheet((state) => state.stage);
  const goTo = useSheet((state) => state.goTo);
  const drawer = useSheet((state) => state.drawer);
  const show = useSheet((state) => state.show);
  const notes = useSheet((state) => state.view?.plan.warnings.length ?? 0);
  return (
    <nav aria-label="Stages" className="flex px-4 border-b border-base-content/25 gap-1 overflow-x-auto shrink-0">
      {stagesFor(piece, stage).map(({ id, name, lacking }, i) => {
        const lack = lacking(piece);
        return (
          <button
            key={id}
            type="button"
            aria-current={stage === id ? 'step' : undefined}
            className={`px-3 py-1.5 text-sm cursor-pointer border-b-3 whitespace-nowrap ${stage === id ? 'border-primary font-semibold' : 'border-transparent hover:bg-base-200'}`}
            onClick={() => goTo(id)}
          >
            {i + 1}. {name}
            {lack && <span className="text-xs font-normal text-warning"> ({lack})</span>}
          </button>
        );
      })}
      <button
        type="button"
        className="hidden drawer:inline-flex items-center ml-auto px-3 py-1.5 text-sm cursor-pointer whitespace-nowrap underline underline-offset-4"
        aria-expanded={drawer}
        aria-controls="sizes"
        onClick={() => show({ drawer: !drawer })}
      >
        Sizes
        {notes > 0 && <span className="text-xs text-warning no-underline">, {notes} to mind</span>}
      </button>
    </nav>
  );
}
