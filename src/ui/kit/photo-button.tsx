'use client';

import { Camera } from 'lucide-react';
import type { ReactNode } from 'react';

type Props = {
  /** for those who hear it */
  label: string;
  onPhoto: (file: File) => void;
  /** what stands on it; nothing is a bare camera */
  children?: ReactNode;
  /** large, for a hand in a glove */
  large?: boolean;
};

/** Takes a photo, or one that is kept somewhere: a camera on a tablet, a file on a laptop. */
export function PhotoButton({ label, onPhoto, children, large }: Props) {
  const look = large
    ? 'btn btn-outline font-normal text-base min-h-16 px-6'
    : children
      ? 'btn btn-sm btn-outline font-normal'
      : 'p-1.5 rounded-sm hover:bg-base-200';
  return (
    <label className={`relative cursor-pointer focus-within:outline-2 ${look}`}>
      <Camera size={large ? 22 : 16} aria-hidden /> {children}
      <input
        type="file"
        accept="image/*"
        className="sr-only"
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onPhoto(file);
        }}
      />
    </label>
  );
}
