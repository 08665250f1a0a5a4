'use client';

import { ChevronDown, ChevronRight, Plus, Trash2 } from 'lucide-react';
import { useEffect, useId, useState, type ReactNode } from 'react';

/** Parts by their title as somebody left them, until the page is loaded anew: back at a stage, what was open is open. */
const asLeft = new Map<string, boolean>();

/**
 * A part of a stage that opens: its name, and how much is in it. What was there when the stage was opened stays folded; what is added
 * opens it.
 *
 * @param says what is in it, in a few words, in place of the count
 * @param open open from the start
 */
export function Part({
  title,
  count = 0,
  says,
  children,
  open,
}: {
  title: string;
  count?: number;
  says?: string | undefined;
  children: ReactNode;
  open?: boolean;
}) {
  const [atFirst] = useState(count);
  return (
    <details
      className="border-t border-base-content/25 py-1"
      open={open ?? (count > atFirst || asLeft.get(title))}
      onToggle={(event) => asLeft.set(title, event.currentTarget.open)}
    >
      <summary className="cursor-pointer text-sm font-semibold py-1">
        {title}
        {says ? <span className="font-normal">: {says}</span> : count > 0 && <span className="font-normal"> ({count})</span>}
      </summary>
      <div className="pb-1">{children}</div>
    </details>
  );
}

/**
 * What an ordinary piece does not need, folded away with a count of what is set there. Opened, it stays open on every piece.
 *
 * @param name tells it from the others on this device
 * @param count how many things are set in it
 */
export function More({ name, count, children }: { name: string; count: number; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const inside = useId();
  const item = `fovea.more.${name}`;
  useEffect(() => setOpen(localStorage.getItem(item) === 'open'), [item]);
  const toggle = () => {
    setOpen(!open);
    if (open) localStorage.removeItem(item);
    else localStorage.setItem(item, 'open');
  };
  return (
    <div className="border-t border-base-content/25 mt-1 py-1">
      <button
        type="button"
        data-more={name}
        className="flex items-center gap-1 w-full py-1 text-sm font-semibold cursor-pointer"
        aria-expanded={open}
        aria-controls={inside}
        onClick={toggle}
      >
        {open ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />} More
        {count > 0 && <span className="font-normal">({count} set)</span>}
      </button>
      <div id={inside} hidden={!open}>
        {open && children}
      </div>
    </div>
  );
}

/** A button that takes one thing of a list out. */
export function TakeOut({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <button type="button" className="p-1.5 rounded-sm hover:bg-base-200 ml-auto" aria-label={`Take ${what} out`} onClick={onClick}>
      <Trash2 size={15} aria-hidden />
    </button>
  );
}

/** A button that adds one. */
export function AddOne({ children, onClick }: { children: ReactNode; onClick: () => void }) {
  return (
    <button type="button" className="btn btn-sm btn-outline font-normal mr-1 mt-1" onClick={onClick}>
      <Plus size={14} aria-hidden /> {children}
    </button>
  );
}

/** One thing of a list with its fields. */
export function Item({ title, what, onTakeOut, children }: { title: string; what: string; onTakeOut?: () => void; children: ReactNode }) {
  return (
    <fieldset className="border-l-2 border-base-content/25 pl-2 mb-2">
      <div className="flex items-center">
        <legend className="text-sm">{title}</legend>
        {onTakeOut && <TakeOut what={what} onClick={onTakeOut} />}
      </div>
      {children}
    </fieldset>
  );
}

/** Something wrong, in words, beside its cause. */
export function Wrong({ message }: { message: string | null }) {
  if (!message) return null;
  return (
    <p role="alert" className="text-xs text-error">
      {message}
    </p>
  );
}
