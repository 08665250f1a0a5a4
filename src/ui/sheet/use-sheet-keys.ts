'use client';

import { useEffect } from 'react';
import { stagesFor } from '@/ui/stages';
import { useSheetStore } from './store';

/** The keys that work anywhere on the sheet. */
export function useSheetKeys(): void {
  const store = useSheetStore();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { show, goTo, round, saver, piece, stage: open } = store.getState();
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      const isHeld = event.ctrlKey || event.metaKey;
      const stage = event.altKey && /^[1-9]$/.test(event.key) ? stagesFor(piece, open)[Number(event.key) - 1] : undefined;
      if (stage) {
        event.preventDefault();
        goTo(stage.id);
      } else if (typing) return;
      else if (event.key === '?') show({ keys: true });
      else if (event.key === 'r' && !isHeld) show({ round: !round });
      else if (isHeld && event.key.toLowerCase() === 'y') {
        event.preventDefault();
        void saver.step('redo');
      } else if (isHeld && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        void saver.step(event.shiftKey ? 'redo' : 'undo');
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store]);
}
