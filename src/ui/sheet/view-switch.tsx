'use client';

import { FIRST_VIEW } from './stage';
import { useSheet } from './store';

/** The views of a stage, one of them pressed; each is a place in the browser's history. */
export function ViewSwitch({ label, views }: { label: string; views: Readonly<Record<string, string>> }) {
  const look = useSheet((state) => state.look);
  const goTo = useSheet((state) => state.goTo);
  const stage = useSheet((state) => state.stage);
  const shown = views[look] === undefined ? FIRST_VIEW : look;
  return (
    <div className="flex flex-wrap gap-1" role="group" aria-label={label}>
      {Object.entries(views).map(([id, name]) => (
        <button
          key={id}
          type="button"
          aria-pressed={shown === id}
          className={`btn btn-xs font-normal ${shown === id ? 'btn-secondary' : 'btn-ghost bg-base-100'}`}
          onClick={() => goTo(stage, id)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
