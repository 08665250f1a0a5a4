'use client';

import { useEffect, useRef, type ReactNode } from 'react';

/** A box over the page that holds the focus; Escape closes it where closing is allowed. */
export function Dialog({
  title,
  children,
  onClose,
  wide = false,
}: {
  title: string;
  children: ReactNode;
  onClose?: () => void;
  wide?: boolean;
}) {
  const ref = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = ref.current;
    const from = document.activeElement;
    if (dialog && !dialog.open) dialog.showModal();
    // A box that is taken out of the page gives the focus back to where it was opened from.
    return () => {
      if (from instanceof HTMLElement && from.isConnected) from.focus();
    };
  }, []);
  return (
    <dialog
      ref={ref}
      aria-labelledby="dialog-title"
      className={`m-auto bg-base-100 text-base-content border-2 border-base-content/60 rounded-sm p-5 w-full backdrop:bg-black/40 ${wide ? 'max-w-5xl' : 'max-w-xl'}`}
      onCancel={(event) => {
        event.preventDefault();
        onClose?.();
      }}
    >
      <h2 id="dialog-title" className="font-display text-xl mb-2">
        {title}
      </h2>
      {children}
    </dialog>
  );
}
