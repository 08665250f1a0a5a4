'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';

/** The steps of a first piece: where each is, what is done there, and what to look at. */
export const GUIDE = [
  {
    stage: null,
    title: 'Measure the board',
    says: 'Choose what you are covering and type what the tape reads: 45 cm, 17 3/4, 1′ 4″. Enter moves on to the next figure. Then start the piece.',
  },
  {
    stage: 'padding',
    title: 'Build it up',
    says: 'Drag the round blue handle on the section to raise the crown. The red line is the finished cover. The line under the pads says how the seat takes a sitter; open it to change the sitter.',
  },
  {
    stage: 'cut',
    title: 'See what is cut from what',
    says: 'Foam on its sheets, cloth on its roll. The sizes at the side are cut sizes; open one to see how it adds up.',
  },
  {
    stage: 'bench',
    title: 'Take it to the bench',
    says: 'Print… makes the job sheet for the wall and the templates. Tick each step here as you do it. That’s it.',
  },
] as const;

const KEPT = 'fovea.guide';
const CHANGED = 'fovea-guide';

function savedStep(): number | null {
  const value = Number(localStorage.getItem(KEPT) ?? 0);
  return Number.isInteger(value) && value >= 1 && value <= GUIDE.length ? value : null;
}

function keep(step: number | null): void {
  if (step === null) localStorage.removeItem(KEPT);
  else localStorage.setItem(KEPT, String(step));
  window.dispatchEvent(new Event(CHANGED));
}

/** Begins the guide at its first step. */
export const beginGuide = (): void => keep(1);

const listen = (label: () => void): (() => void) => {
  window.addEventListener(CHANGED, label);
  return () => window.removeEventListener(CHANGED, label);
};

/** The step that is being shown, from 1, or null. */
const useStep = (): number | null => useSyncExternalStore(listen, savedStep, () => null);

/**
 * The guide's strip, where a first piece is being guided.
 *
 * @param stage the stage that is looked at, or null before the piece is begun
 * @param goTo goes to a stage
 */
export function Guide({ stage, goTo }: { stage: string | null; goTo?: (stage: string) => void }) {
  const step = useStep();
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  // The piece was begun: its first step is behind.
  useEffect(() => {
    if (step === 1 && stage !== null) {
      keep(2);
      goTo?.(GUIDE[1].stage);
    }
  }, [step, stage, goTo]);
  if (!ready || step === null) return null;
  const item = GUIDE[step - 1]!;
  // A piece of another day: the guide waits where it was left.
  if (item.stage === null && stage !== null) return null;
  const last = step === GUIDE.length;
  const onward = () => {
    keep(last ? null : step + 1);
    const next = GUIDE[step];
    if (next?.stage) goTo?.(next.stage);
  };
  return (
    <section
      aria-label="Guide to a first piece"
      className="border-t-2 border-secondary bg-base-200 px-4 py-2 flex items-center gap-4"
      data-guide={step}
    >
      <p className="text-sm flex-1">
        <b>
          {step} of {GUIDE.length}. {item.title}.
        </b>{' '}
        {item.says}
      </p>
      {item.stage !== null && stage !== item.stage && (
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => goTo?.(item.stage!)}>
          Show me
        </button>
      )}
      {item.stage !== null && (
        <button type="button" className="btn btn-sm btn-outline" onClick={onward}>
          {last ? 'Done' : 'Next'}
        </button>
      )}
      <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={() => keep(null)}>
        Leave the guide
      </button>
    </section>
  );
}
