'use client';

import { useRef, type ReactNode } from 'react';

type Props = {
  /** what is picked, read out */
  label: string;
  accept: string;
  onPick: (file: File) => void;
  disabled?: boolean;
  className?: string;
  /** what the button shows */
  children: ReactNode;
};

/** A button that opens the browser's own choice of a file. */
export function FilePick({ label, accept, onPick, disabled, className = 'btn btn-sm btn-outline font-normal', children }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          // The same file may be picked again.
          event.target.value = '';
          if (file) onPick(file);
        }}
      />
      <button type="button" className={className} disabled={disabled} onClick={() => input.current?.click()}>
        {children}
      </button>
    </>
  );
}
